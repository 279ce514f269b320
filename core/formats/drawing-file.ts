/** The drawing file (.fern): the Drawing's facts as JSON, checked field by field when it comes back. */
import "reflect-metadata";
import { plainToInstance, Type } from "class-transformer";
import {
  Equals,
  IsBoolean,
  IsDefined,
  IsObject,
  IsString,
  Max,
  MaxLength,
  Min,
  ValidateNested,
  validate,
} from "class-validator";
import { type Drawing, SHEETS } from "../drawing/drawing.ts";
import { withMissingColours } from "../drawing/missing-colours.ts";
import { startingNibs, startingSheets } from "../drawing/new-drawing.ts";
import { upgradedInk } from "../drawing/upgrade.ts";
import { isDash, isInkWidth, isNearPage, LARGEST } from "./bounds.ts";
import {
  BridgeRecord,
  ColourRecord,
  DeclinedRecord,
  FlatShapeRecord,
  InkShapeRecord,
  IsRecords,
  NibRecord,
  PageRecord,
  PaintRecord,
  PourRecord,
  ShadeRecord,
  SheetRecord,
  StrokeRecord,
} from "./drawing-records.ts";
import { FileProblem } from "./file-problem.ts";

const FORMAT = "fern-pocket-drawing";
const VERSION = 3;
class DrawingRecord {
  @Equals(FORMAT) format!: typeof FORMAT;
  @Equals(VERSION) version!: typeof VERSION;
  @IsString() @MaxLength(200) name!: string;
  @IsDefined() @IsObject() @ValidateNested() @Type(() => PageRecord) page!: PageRecord;
  @IsRecords() @ValidateNested({ each: true }) @Type(() => StrokeRecord) strokes!: StrokeRecord[];
  @IsRecords() @ValidateNested({ each: true }) @Type(() => InkShapeRecord) inkShapes!: InkShapeRecord[];
  @IsRecords() @ValidateNested({ each: true }) @Type(() => NibRecord) nibs!: NibRecord[];
  @IsRecords() @ValidateNested({ each: true }) @Type(() => BridgeRecord) bridges!: BridgeRecord[];
  @Min(0) @Max(LARGEST) reach!: number;
  @IsRecords() @ValidateNested({ each: true }) @Type(() => DeclinedRecord) declined!: DeclinedRecord[];
  @IsRecords() @ValidateNested({ each: true }) @Type(() => ColourRecord) tin!: ColourRecord[];
  @IsRecords() @ValidateNested({ each: true }) @Type(() => PourRecord) pours!: PourRecord[];
  @IsRecords() @ValidateNested({ each: true }) @Type(() => FlatShapeRecord) flatShapes!: FlatShapeRecord[];
  @IsRecords() @ValidateNested({ each: true }) @Type(() => ShadeRecord) shades!: ShadeRecord[];
  @IsRecords() @ValidateNested({ each: true }) @Type(() => SheetRecord) sheets!: SheetRecord[];
  @IsDefined() @IsObject() @ValidateNested() @Type(() => PaintRecord) ink!: PaintRecord;
  @IsBoolean() strict!: boolean;
}

export function writeDrawingFile(drawing: Drawing): string {
  const { strokes, inkShapes, nibs, bridges, declined, tin, pours, flatShapes, shades, sheets, ...rest } =
    drawing;
  const record = {
    format: FORMAT,
    version: VERSION,
    ...rest,
    strokes: Object.values(strokes),
    inkShapes: Object.values(inkShapes),
    nibs: Object.values(nibs),
    bridges: Object.values(bridges),
    declined: Object.values(declined),
    tin: Object.values(tin),
    pours: Object.values(pours),
    flatShapes: Object.values(flatShapes),
    shades: Object.values(shades),
    sheets: SHEETS.map((name) => ({ name, ...sheets[name] })),
  };
  return `${JSON.stringify(record)}\n`;
}

/** Throws a FileProblem when the text is not a whole drawing file. */
export async function readDrawingFile(text: string): Promise<Drawing> {
  const record = await checkedRecord(upgradedRecord(parse(text)));
  const byId = <T extends { id: string }>(items: T[]) =>
    Object.fromEntries(items.map((item) => [item.id, { ...item }]));
  const sheets = { ...startingSheets() };
  for (const { name, ...sheet } of record.sheets) sheets[name] = { ...sheet };
  return withMissingColours({
    name: record.name,
    page: { ...record.page, box: { ...record.page.box } },
    strokes: byId(record.strokes.map(withPlainPaint)),
    inkShapes: byId(record.inkShapes.map(withPlainPaint)),
    nibs: byId(record.nibs),
    bridges: byId(record.bridges),
    reach: record.reach,
    declined: byId(record.declined),
    tin: byId(record.tin),
    pours: byId(record.pours.map((pour) => ({ ...pour, paint: pour.paint ? { ...pour.paint } : null }))),
    flatShapes: byId(record.flatShapes.map(withPlainPaint)),
    shades: byId(record.shades.map(withPlainPaint)),
    sheets,
    ink: { ...record.ink },
    strict: record.strict,
  });
}

async function checkedRecord(plain: object): Promise<DrawingRecord> {
  let wrong: string[];
  try {
    const record = plainToInstance(DrawingRecord, plain);
    const errors = await validate(record, { whitelist: true, forbidUnknownValues: true });
    wrong = errors.length > 0 ? errors.map(({ property }) => property) : beyondPage(record);
    if (wrong.length === 0) return record;
  } catch {
    wrong = ["its structure"];
  }
  throw new FileProblem(
    "not-ours",
    `This drawing file cannot be read; these parts of it are not as expected: ${wrong.join(", ")}.`,
  );
}

const endsMeet = (points: readonly number[]): boolean =>
  points[0] === points[points.length - 2] && points[1] === points[points.length - 1];

/** The parts of a drawing that lie so far from its page, or are so thin or wide, that nothing can be made of them. */
function beyondPage({ page, strokes, inkShapes, bridges, flatShapes, shades }: DrawingRecord): string[] {
  const { box } = page;
  const near = (points: readonly number[]) => isNearPage(points, box);
  const sound = {
    strokes: strokes.every(
      ({ points, closed, width, dash }) =>
        near(points) &&
        isInkWidth(width, box) &&
        (!dash || isDash(dash, box)) &&
        (!closed || endsMeet(points)),
    ),
    inkShapes: inkShapes.every(({ outline }) => outline.every(near)),
    bridges: bridges.every(({ points }) => near(points)),
    flatShapes: flatShapes.every(({ outline }) => outline.every(near)),
    shades: shades.every(({ points, seed }) => near(points) && near(seed)),
  };
  return Object.entries(sound).flatMap(([part, fine]) => (fine ? [] : [part]));
}

/** Its paint as a plain object, so that what is kept and sent to workers has no class. */
const withPlainPaint = <T extends { paint?: PaintRecord }>(item: T): T =>
  item.paint ? { ...item, paint: { ...item.paint } } : { ...item };

/** A file of an earlier version, brought up to this one. */
function upgradedRecord(record: object): object {
  const { version } = record as { version?: number };
  if (version === 1) return upgradedRecord(fromVersion1(record));
  if (version !== 2) return record;
  const { sheets } = record as { sheets?: unknown };
  if (!Array.isArray(sheets)) return record;
  const opened = sheets.map((sheet) => (sheet?.name === "ink" ? { ...sheet, locked: false } : sheet));
  return { ...record, version: VERSION, sheets: opened };
}

function fromVersion1(record: object): object {
  const { tin, ink, ...rest } = record as { tin?: unknown; ink?: unknown };
  if (!Array.isArray(tin) || typeof ink !== "string") return { ...record, version: 0 };
  const inked = upgradedInk(tin, ink);
  return { ...rest, version: 2, nibs: Object.values(startingNibs()), flatShapes: [], ...inked };
}

function parse(text: string): object {
  try {
    const value: unknown = JSON.parse(text);
    if (typeof value === "object" && value !== null && !Array.isArray(value)) return value;
  } catch {
    // told below
  }
  throw new FileProblem("not-ours", "This is not a Fern Pocket drawing file.");
}
