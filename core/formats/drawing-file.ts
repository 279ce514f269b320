/** The drawing file (.fern): the Drawing's facts as JSON, checked field by field when it comes back. */
import "reflect-metadata";
import { plainToInstance, Type } from "class-transformer";
import {
  ArrayMaxSize,
  ArrayMinSize,
  Equals,
  IsArray,
  IsBoolean,
  IsHexColor,
  IsIn,
  IsInt,
  IsNumber,
  IsOptional,
  IsPositive,
  IsString,
  Max,
  MaxLength,
  Min,
  ValidateBy,
  ValidateNested,
  validate,
} from "class-validator";
import { BLENDS, type Drawing, SHEETS, type SheetName, UNITS } from "../drawing/drawing.ts";
import { startingSheets } from "../drawing/new-drawing.ts";
import { FileProblem } from "./file-problem.ts";

const FORMAT = "fern-pocket-drawing";
const FINITE = { allowNaN: false, allowInfinity: false };

/** Every item of every list is a finite number. */
const IsNumbersInside = () =>
  ValidateBy({
    name: "isNumbersInside",
    validator: {
      validate: (lists) => Array.isArray(lists) && lists.every((list) => list.every(Number.isFinite)),
    },
  });

class BoxRecord {
  @IsNumber(FINITE) x!: number;
  @IsNumber(FINITE) y!: number;
  @IsPositive() width!: number;
  @IsPositive() height!: number;
}

class PageRecord {
  @ValidateNested() @Type(() => BoxRecord) box!: BoxRecord;
  @IsPositive() width!: number;
  @IsIn(UNITS) unit!: (typeof UNITS)[number];
  @IsInt() @Min(1) @Max(2400) ppi!: number;
}

class Ranked {
  @IsString() @MaxLength(80) id!: string;
  @IsNumber(FINITE) rank!: number;
}

class StrokeRecord extends Ranked {
  @IsArray() @ArrayMinSize(2) @IsNumber(FINITE, { each: true }) points!: number[];
  @IsBoolean() closed!: boolean;
  @IsPositive() width!: number;
  @IsOptional() @IsString() @MaxLength(200) name?: string;
}

class InkShapeRecord extends Ranked {
  @IsArray() @ArrayMinSize(1) @IsArray({ each: true }) @IsNumbersInside() outline!: number[][];
  @IsBoolean() evenOdd!: boolean;
  @IsOptional() @IsString() @MaxLength(200) name?: string;
}

class BridgeRecord {
  @IsString() @MaxLength(80) id!: string;
  @IsArray() @ArrayMinSize(8) @IsNumber(FINITE, { each: true }) points!: number[];
}

class DeclinedRecord {
  @IsString() @MaxLength(80) id!: string;
  @ArrayMinSize(2) @ArrayMaxSize(2) @IsNumber(FINITE, { each: true }) at!: [number, number];
}

class ColourRecord extends Ranked {
  @IsString() @MaxLength(80) name!: string;
  @IsHexColor() value!: string;
}

class PaintRecord {
  @IsString() colour!: string;
  @IsInt() @Min(-3) @Max(3) step!: number;
}

class PourRecord extends Ranked {
  @IsOptional() @ValidateNested() @Type(() => PaintRecord) paint!: PaintRecord | null;
  @ArrayMinSize(2) @ArrayMaxSize(2) @IsNumber(FINITE, { each: true }) seed!: [number, number];
  @IsPositive() area!: number;
  @IsArray() @IsString({ each: true }) lines!: string[];
  @IsArray() @ArrayMinSize(1) @IsArray({ each: true }) @IsNumbersInside() region!: number[][];
}

class ShadeRecord extends Ranked {
  @IsArray() @ArrayMinSize(8) @IsNumber(FINITE, { each: true }) points!: number[];
  @ArrayMinSize(2) @ArrayMaxSize(2) @IsNumber(FINITE, { each: true }) seed!: [number, number];
  @ValidateNested() @Type(() => PaintRecord) paint!: PaintRecord;
  @IsIn(BLENDS) blend!: (typeof BLENDS)[number];
  @Min(0) @Max(1) opacity!: number;
}

class SheetRecord {
  @IsIn(SHEETS) name!: SheetName;
  @IsBoolean() visible!: boolean;
  @IsBoolean() locked!: boolean;
  @Min(0) @Max(1) opacity!: number;
}

class DrawingRecord {
  @Equals(FORMAT) format!: typeof FORMAT;
  @Equals(1) version!: 1;
  @IsString() @MaxLength(200) name!: string;
  @ValidateNested() @Type(() => PageRecord) page!: PageRecord;
  @IsArray() @ValidateNested({ each: true }) @Type(() => StrokeRecord) strokes!: StrokeRecord[];
  @IsArray() @ValidateNested({ each: true }) @Type(() => InkShapeRecord) inkShapes!: InkShapeRecord[];
  @IsArray() @ValidateNested({ each: true }) @Type(() => BridgeRecord) bridges!: BridgeRecord[];
  @IsNumber(FINITE) @Min(0) reach!: number;
  @IsArray() @ValidateNested({ each: true }) @Type(() => DeclinedRecord) declined!: DeclinedRecord[];
  @IsArray() @ValidateNested({ each: true }) @Type(() => ColourRecord) tin!: ColourRecord[];
  @IsArray() @ValidateNested({ each: true }) @Type(() => PourRecord) pours!: PourRecord[];
  @IsArray() @ValidateNested({ each: true }) @Type(() => ShadeRecord) shades!: ShadeRecord[];
  @IsArray() @ValidateNested({ each: true }) @Type(() => SheetRecord) sheets!: SheetRecord[];
  @IsHexColor() ink!: string;
  @IsBoolean() strict!: boolean;
}

export function writeDrawingFile(drawing: Drawing): string {
  const { strokes, inkShapes, bridges, declined, tin, pours, shades, sheets, ...rest } = drawing;
  const record = {
    format: FORMAT,
    version: 1,
    ...rest,
    strokes: Object.values(strokes),
    inkShapes: Object.values(inkShapes),
    bridges: Object.values(bridges),
    declined: Object.values(declined),
    tin: Object.values(tin),
    pours: Object.values(pours),
    shades: Object.values(shades),
    sheets: SHEETS.map((name) => ({ name, ...sheets[name] })),
  };
  return `${JSON.stringify(record)}\n`;
}

/** Throws a FileProblem when the text is not a whole drawing file. */
export async function readDrawingFile(text: string): Promise<Drawing> {
  const record = plainToInstance(DrawingRecord, parse(text));
  const errors = await validate(record, { whitelist: true, forbidUnknownValues: true });
  if (errors.length > 0) {
    const where = errors.map(({ property }) => property).join(", ");
    throw new FileProblem(
      "not-ours",
      `This drawing file cannot be read; these parts of it are not as expected: ${where}.`,
    );
  }
  const byId = <T extends { id: string }>(items: T[]) =>
    Object.fromEntries(items.map((item) => [item.id, { ...item }]));
  const sheets = { ...startingSheets() };
  for (const { name, ...sheet } of record.sheets) sheets[name] = { ...sheet };
  return {
    name: record.name,
    page: { ...record.page, box: { ...record.page.box } },
    strokes: byId(record.strokes),
    inkShapes: byId(record.inkShapes),
    bridges: byId(record.bridges),
    reach: record.reach,
    declined: byId(record.declined),
    tin: byId(record.tin),
    pours: byId(record.pours.map((pour) => ({ ...pour, paint: pour.paint ? { ...pour.paint } : null }))),
    shades: byId(record.shades.map((shade) => ({ ...shade, paint: { ...shade.paint } }))),
    sheets,
    ink: record.ink,
    strict: record.strict,
  };
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
