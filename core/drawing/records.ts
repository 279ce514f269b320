/**
 * What the facts of a drawing must look like, wherever they come from: an edit, a file or storage. Classes whose rules
 * class-validator knows (checked.ts).
 */
import {
  ArrayMaxSize,
  ArrayMinSize,
  Equals,
  IsArray,
  IsBoolean,
  IsDefined,
  IsIn,
  IsInt,
  IsNumber,
  IsObject,
  IsOptional,
  IsPositive,
  IsString,
  Max,
  MaxLength,
  Min,
  ValidateBy,
} from "class-validator";
import { FARTHEST_STEP, FEWEST_STEPS, MOST_DRIFT, MOST_STEPS } from "../colour/ladder.ts";
import {
  DEEPEST_LIGHT,
  FARTHEST_LAMP,
  isId,
  isPageBox,
  isProfile,
  LARGEST,
  LONGEST_NAME,
  LONGEST_TITLE,
  LOWEST_LAMP,
  MOST_BANDS,
  MOST_DASHES,
  MOST_STOPS,
  PAGE_SIDE,
} from "./bounds.ts";
import { Nested, type RecordClass } from "./checked.ts";
import {
  BLENDS,
  type Blend,
  CAPS,
  ECHOES,
  type Echo,
  FITS,
  GRADIENTS,
  GROUND_SHADOWS,
  HOLDS,
  JOINS,
  type LightKind,
  MIXES,
  PATTERNS,
  SHAPE_SHEETS,
  SHEETS,
  type SheetName,
  TRIMS,
  UNITS,
} from "./drawing.ts";
import { FIELD_NAMES, FIELDS, type FieldName, type TableName } from "./fields.ts";

export const FINITE = { allowNaN: false, allowInfinity: false };

const areNumbers = (list: unknown): list is number[] =>
  Array.isArray(list) && list.every((n) => typeof n === "number" && Math.abs(n) <= LARGEST);

const isChain = (list: unknown): boolean =>
  areNumbers(list) && list.length >= 2 && (list.length - 2) % 6 === 0;

/** A rule of our own; `bring` gives the nearest value it allows, where there is one. */
const rule =
  (name: string, validate: (value: unknown) => boolean, bring?: (value: unknown) => unknown) => () =>
    ValidateBy({ name, validator: { validate } }, { context: { bring } });

const isColour = (value: unknown): boolean => typeof value === "string" && /^#[0-9a-f]{6}$/i.test(value);

const everyOne = (check: (value: unknown) => boolean) => (value: unknown) =>
  Array.isArray(value) && value.length > 0 && value.every(check);

/** A chain of cubics (geometry/cubic.ts) in page units. */
const IsChain = rule("isChain", isChain);
const IsChains = rule("isChains", everyOne(isChain));
/** Lists of chains, of which some may be empty. */
const AreTones = rule(
  "areTones",
  everyOne((tone) => Array.isArray(tone) && tone.every(isChain)),
);
/** Flat places [x, y, …] in page units. */
const areRings = everyOne((ring) => areNumbers(ring) && ring.length >= 6 && ring.length % 2 === 0);
const IsPlace = rule("isPlace", (value) => areNumbers(value) && value.length === 2);
const IsProfile = rule("isProfile", (value) => areNumbers(value) && isProfile(value));
const IsDashes = rule(
  "isDashes",
  (value) =>
    areNumbers(value) &&
    value.length <= MOST_DASHES &&
    value.every((n) => n >= 0) &&
    value.some((n) => n > 0),
  (value) => (Array.isArray(value) ? value.slice(0, MOST_DASHES) : undefined),
);
/** #rrggbb. */
const IsColour = rule("isColour", isColour, (value) => {
  const short = typeof value === "string" && /^#?([0-9a-f]{3}|[0-9a-f]{6})$/i.exec(value)?.[1];
  if (!short) return undefined;
  return `#${(short.length === 3 ? [...short].map((digit) => digit + digit).join("") : short).toLowerCase()}`;
});
const IsPageBox = rule("isPageBox", (value) => isPageBox(value as BoxRecord));

/** A list of objects; a list within it would pass for one. */
export const IsRecords = rule(
  "isRecords",
  (value) =>
    Array.isArray(value) &&
    value.every((item) => typeof item === "object" && item !== null && !Array.isArray(item)),
);

/** A page of another size would be another picture. */
const NOT_BROUGHT = { context: { bring: () => undefined } };

export class BoxRecord {
  @IsNumber(FINITE) x!: number;
  @IsNumber(FINITE) y!: number;
  @IsPositive() width!: number;
  @IsPositive() height!: number;
}

export class PageRecord {
  @IsDefined() @Nested(() => BoxRecord) @IsPageBox() box!: BoxRecord;
  @IsPositive() @Max(PAGE_SIDE.most, NOT_BROUGHT) width!: number;
  @IsIn(UNITS) unit!: (typeof UNITS)[number];
  @IsInt() @Min(1) @Max(2400) ppi!: number;
  @IsOptional() @Min(0) @Max(PAGE_SIDE.most) bleed?: number;
}

const IsId = rule("isId", isId);
const IsIdOrNull = rule("isIdOrNull", (value) => value === null || isId(value));

class Ranked {
  @IsId() id!: string;
  @IsNumber(FINITE) rank!: number;
}

export class PaintRecord {
  @IsId() colour!: string;
  @IsInt() @Min(-FARTHEST_STEP) @Max(FARTHEST_STEP) step!: number;
}

/** A yes; there is no other answer than leaving it out. */
const IsTrue = () => Equals(true);

export class CastRecord {
  @Min(-DEEPEST_LIGHT) @Max(DEEPEST_LIGHT) @IsInt() deeper!: number;
  @IsPositive() @Max(LARGEST) high!: number;
  @IsOptional() @Min(0) @Max(1) soft?: number;
}

export class PartRecord extends Ranked {
  @IsString() @MaxLength(LONGEST_NAME) name!: string;
  @IsBoolean() visible!: boolean;
  @IsBoolean() locked!: boolean;
  @IsOptional() @Nested(() => CastRecord) cast?: CastRecord;
}

export class HoldRecord {
  @IsIn(HOLDS) by!: (typeof HOLDS)[number];
  @IsInt() @Min(-FARTHEST_STEP) @Max(FARTHEST_STEP) deeper!: number;
}

class InkedRecord extends Ranked {
  @IsOptional() @IsId() part?: string;
  @IsOptional() @IsIn(ECHOES) echo?: Echo;
  @IsOptional() @IsTrue() hidden?: true;
  @IsOptional() @IsTrue() locked?: true;
  @IsOptional() @IsString() @MaxLength(LONGEST_TITLE) name?: string;
  @IsOptional() @IsArray() @IsString({ each: true }) groups?: string[];
  @IsOptional() @Nested(() => PaintRecord) paint?: PaintRecord;
  @IsOptional() @Nested(() => HoldRecord) hold?: HoldRecord;
}

export class CutRecord {
  @IsId() of!: string;
  @Min(0) @Max(2) from!: number;
  @Min(0) @Max(3) to!: number;
}

export class StrokeRecord extends InkedRecord {
  @IsOptional() @Nested(() => CutRecord) cut?: CutRecord;
  @IsChain() points!: number[];
  @IsBoolean() closed!: boolean;
  @IsPositive() @Max(LARGEST) width!: number;
  @IsOptional() @IsProfile() profile?: number[];
  @IsOptional() @IsString() nib?: string;
  @IsOptional() @IsIn(CAPS) cap?: (typeof CAPS)[number];
  @IsOptional() @IsIn(JOINS) join?: (typeof JOINS)[number];
  @IsOptional() @Min(1) @Max(LARGEST) miterLimit?: number;
  @IsOptional() @IsDashes() dash?: number[];
  @IsOptional() @Min(-LARGEST) @Max(LARGEST) dashOffset?: number;
}

export class InkShapeRecord extends InkedRecord {
  @IsChains() outline!: number[][];
  @IsBoolean() evenOdd!: boolean;
}

export class NibRecord extends Ranked {
  @IsString() @MaxLength(LONGEST_NAME) name!: string;
  @IsProfile() profile!: number[];
  @IsInt() @Min(1) @Max(9) strands!: number;
}

export class BridgeRecord {
  @IsId() id!: string;
  @IsOptional() @IsId() part?: string;
  @IsOptional() @IsIn(["cut", "join"]) left?: "cut" | "join";
  @IsOptional() @IsTrue() meets?: true;
  @IsChain() @ArrayMinSize(8) points!: number[];
}

export class DeclinedRecord {
  @IsId() id!: string;
  @IsOptional() @IsId() part?: string;
  @IsPlace() at!: [number, number];
}

export class OwnStepRecord {
  @IsInt() @Min(-FARTHEST_STEP) @Max(FARTHEST_STEP) step!: number;
  @Min(-1) @Max(1) l!: number;
  @Min(-1) @Max(1) c!: number;
  @Min(-360) @Max(360) h!: number;
}

export class LadderRecord {
  @IsInt() @Min(FEWEST_STEPS) @Max(MOST_STEPS) steps!: number;
  @Min(-MOST_DRIFT) @Max(MOST_DRIFT) drift!: number;
  @IsOptional() @IsTrue() squeezed?: true;
  @IsOptional() @IsRecords() @Nested(() => OwnStepRecord, true) own?: OwnStepRecord[];
}

export class ColourRecord extends Ranked {
  @IsString() @MaxLength(LONGEST_NAME) name!: string;
  @IsColour() value!: string;
  @IsOptional() @Min(0) @Max(1) opacity?: number;
  @IsOptional() @IsString() @MaxLength(LONGEST_NAME) group?: string;
  @IsOptional() @Nested(() => LadderRecord) ladder?: LadderRecord;
  /** In SVG facts, what it goes by in the file's classes (scene/palette.ts). */
  @IsOptional() @IsString() @MaxLength(LONGEST_NAME) variable?: string;
}

/** Values by the ids of colours. */
const AreValues = rule(
  "areValues",
  (value) =>
    typeof value === "object" &&
    value !== null &&
    !Array.isArray(value) &&
    Object.values(value).every((one) => isColour(one)),
);

export class ColourwayRecord extends Ranked {
  @IsString() @MaxLength(LONGEST_NAME) name!: string;
  @AreValues() values!: Record<string, string>;
}

/** Rings; none where the area is 0. */
const IsRegion = () =>
  ValidateBy({
    name: "isRegion",
    validator: {
      validate: (value, args) => (args!.object as AnchorRecord).area === 0 || areRings(value),
    },
  });

/** Without a region it is known by its seed alone. */
export class AnchorRecord {
  @IsOptional() @IsId() part?: string;
  @IsPlace() seed!: [number, number];
  @Min(0) @IsNumber(FINITE) area!: number;
  @IsArray() @IsString({ each: true }) lines!: string[];
  @IsRegion() region!: number[][];
}

export class TileRecord extends Ranked {
  @IsString() @MaxLength(LONGEST_NAME) name!: string;
  @Min(0.01) @Max(100) ratio!: number;
  @AreTones() tones!: number[][][];
}

export class PatternRecord {
  @IsId() cloth!: string;
  @IsIn(PATTERNS) kind!: (typeof PATTERNS)[number];
  @IsPlace() at!: [number, number];
  @IsPositive() @Max(LARGEST) size!: number;
  @Min(-360) @Max(360) turn!: number;
  @Min(0) @Max(1) share!: number;
  @IsOptional() @IsId() tile?: string;
  @IsDefined() @Nested(() => PaintRecord) paint!: PaintRecord;
}

export class BandRecord {
  @IsPositive() @Max(LARGEST) width!: number;
  @IsDefined() @Nested(() => PaintRecord) paint!: PaintRecord;
}

export class StretchRecord {
  @Min(0) @Max(1) from!: number;
  @Min(0) @Max(2) to!: number;
}

export class BandsRecord {
  @IsId() line!: string;
  @IsOptional() @Nested(() => StretchRecord) along?: StretchRecord;
  @IsRecords()
  @ArrayMaxSize(MOST_BANDS)
  @Nested(() => BandRecord, true)
  bands!: BandRecord[];
}

class StopFields {
  @Min(0) @Max(1) at!: number;
  @Min(0) @Max(1) opacity!: number;
  @IsOptional() @Min(0.01) @Max(0.99) middle?: number;
}

export class GradientStopRecord extends StopFields {
  @IsDefined() @Nested(() => PaintRecord) paint!: PaintRecord;
}

const AreStops =
  (record: () => RecordClass): PropertyDecorator =>
  (target, property) => {
    const rules = [IsRecords(), ArrayMinSize(2), ArrayMaxSize(MOST_STOPS), Nested(record, true)];
    for (const decorate of rules) decorate(target, property);
  };

class GradientFields {
  @IsIn(GRADIENTS) kind!: (typeof GRADIENTS)[number];
  @IsPlace() from!: [number, number];
  @IsPlace() to!: [number, number];
  @IsOptional() @IsPositive() @Max(1000) ratio?: number;
  @IsOptional() @Min(0) @Max(0.99) focus?: number;
  @IsIn(MIXES) mix!: (typeof MIXES)[number];
}

export class GradientRecord extends GradientFields {
  @IsId() cloth!: string;
  @AreStops(() => GradientStopRecord) stops!: GradientStopRecord[];
}

export class FormRecord {
  @Min(1) @Max(3) @IsInt() tones!: number;
  @Min(-DEEPEST_LIGHT) @Max(DEEPEST_LIGHT) @IsInt() deeper!: number;
  @Min(0) @Max(1) roundness!: number;
  @Min(0) @Max(1) reach!: number;
  @IsOptional() @Min(0) @Max(1) shine?: number;
  @IsOptional() @IsTrue() folds?: true;
  @IsOptional() @IsTrue() whole?: true;
  @IsOptional() @IsPositive() @Max(LARGEST) soft?: number;
}

export class RimRecord {
  @Min(-DEEPEST_LIGHT) @Max(DEEPEST_LIGHT) @IsInt() deeper!: number;
  @IsPositive() @Max(LARGEST) width!: number;
  @Min(0) @Max(LARGEST) gap!: number;
  @IsOptional() @IsTrue() behind?: true;
  @IsOptional() @IsPositive() @Max(LARGEST) soft?: number;
}

/** Without a colour it is that of the pocket. */
export class StylePaintRecord {
  @IsIdOrNull() colour!: string | null;
  @IsInt() @Min(-2 * FARTHEST_STEP) @Max(2 * FARTHEST_STEP) step!: number;
}

export class StyleStopRecord extends StopFields {
  @IsDefined() @Nested(() => StylePaintRecord) paint!: StylePaintRecord;
}

export class StyleGradientRecord extends GradientFields {
  @AreStops(() => StyleStopRecord) stops!: StyleStopRecord[];
}

export class LightShapeRecord {
  @IsChains() outline!: number[][];
  @IsBoolean() evenOdd!: boolean;
  @IsDefined() @Nested(() => StylePaintRecord) paint!: StylePaintRecord;
  @Min(0) @Max(1) opacity!: number;
  @IsOptional() @IsIn(BLENDS) blend?: Blend;
  @IsOptional() @IsPositive() @Max(LARGEST) soft?: number;
}

export class LightStyleRecord extends Ranked {
  @IsString() @MaxLength(LONGEST_NAME) name!: string;
  @IsPlace() size!: [number, number];
  @IsOptional() @Nested(() => FormRecord) form?: FormRecord;
  @IsOptional() @Nested(() => RimRecord) rim?: RimRecord;
  @IsOptional() @Nested(() => CastRecord) cast?: CastRecord;
  @IsOptional() @Nested(() => StyleGradientRecord) gradient?: StyleGradientRecord;
  @IsRecords() @Nested(() => LightShapeRecord, true) shapes!: LightShapeRecord[];
}

export class StyleUseRecord {
  @IsId() style!: string;
  @IsIn(FITS) fit!: (typeof FITS)[number];
  @IsOptional() @IsTrue() mirror?: true;
  @IsOptional() @IsTrue() vary?: true;
}

export class GroundShadowRecord {
  @IsIn(GROUND_SHADOWS) kind!: (typeof GROUND_SHADOWS)[number];
  @IsDefined() @Nested(() => PaintRecord) paint!: PaintRecord;
  @Min(0) @Max(1) opacity!: number;
  @IsOptional() @IsPositive() @Max(LARGEST) soft?: number;
}

export class LightSettingRecord {
  @IsBoolean() visible!: boolean;
  @Min(0) @Max(1) strength!: number;
}

export class LightsRecord implements Partial<Record<LightKind, LightSettingRecord>> {
  @IsOptional() @Nested(() => LightSettingRecord) form?: LightSettingRecord;
  @IsOptional() @Nested(() => LightSettingRecord) shine?: LightSettingRecord;
  @IsOptional() @Nested(() => LightSettingRecord) rim?: LightSettingRecord;
  @IsOptional() @Nested(() => LightSettingRecord) cast?: LightSettingRecord;
  @IsOptional() @Nested(() => LightSettingRecord) crease?: LightSettingRecord;
  @IsOptional() @Nested(() => LightSettingRecord) drawn?: LightSettingRecord;
}

export class LampRecord {
  @IsArray()
  @ArrayMinSize(2)
  @ArrayMaxSize(2)
  @Min(-FARTHEST_LAMP, { each: true })
  @Max(FARTHEST_LAMP, { each: true })
  at!: [number, number];
  @Min(LOWEST_LAMP) @Max(FARTHEST_LAMP) height!: number;
  @IsBoolean() far!: boolean;
}

export class PourRecord extends Ranked {
  @IsOptional() @Nested(() => PaintRecord) paint!: PaintRecord | null;
  @IsOptional() @IsTrue() through?: true;
  @IsOptional() @IsTrue() spot?: true;
  @IsOptional() @IsTrue() cuts?: true;
  @IsOptional() @Nested(() => GradientRecord) gradient?: GradientRecord;
  @IsOptional() @Nested(() => PatternRecord) pattern?: PatternRecord;
  @IsOptional() @Nested(() => BandsRecord) bands?: BandsRecord;
  @IsOptional() @Nested(() => FormRecord) form?: FormRecord;
  @IsOptional() @Nested(() => RimRecord) rim?: RimRecord;
  @IsOptional() @Nested(() => CastRecord) cast?: CastRecord;
  @IsOptional() @Nested(() => StyleUseRecord) style?: StyleUseRecord;
  @IsDefined() @IsObject() @Nested(() => AnchorRecord) anchor!: AnchorRecord;
}

class ColourShapeRecord extends Ranked {
  @IsChains() outline!: number[][];
  @IsBoolean() evenOdd!: boolean;
  @IsDefined() @Nested(() => PaintRecord) paint!: PaintRecord;
  @Min(0) @Max(1) opacity!: number;
  @IsOptional() @IsIn(BLENDS) blend?: Blend;
  @IsOptional() @IsPositive() @Max(LARGEST) soft?: number;
  @IsOptional() @Nested(() => GradientRecord) gradient?: GradientRecord;
}

export class FlatShapeRecord extends ColourShapeRecord {
  @IsOptional() @IsId() part?: string;
  @IsOptional() @IsIn(ECHOES) echo?: Echo;
  @IsOptional() @IsString() @MaxLength(LONGEST_TITLE) name?: string;
  @IsOptional() @IsIn(SHAPE_SHEETS) sheet?: (typeof SHAPE_SHEETS)[number];
  @IsOptional() @IsIn(TRIMS) trim?: (typeof TRIMS)[number];
}

export class ShadeRecord extends ColourShapeRecord {
  @Equals("drawn") kind!: "drawn";
  @IsDefined() @IsObject() @Nested(() => AnchorRecord) anchor!: AnchorRecord;
}

export class CreaseRecord extends Ranked {
  @IsOptional() @IsId() part?: string;
  @IsChain() @ArrayMinSize(8) points!: number[];
  @IsIn([1, -1]) side!: 1 | -1;
  @Min(-DEEPEST_LIGHT) @Max(DEEPEST_LIGHT) @IsInt() deeper!: number;
  @IsOptional() @IsTrue() runsOut?: true;
  @IsOptional() @IsPositive() @Max(LARGEST) soft?: number;
}

export class StickerRecord {
  @IsDefined() @IsObject() @Nested(() => PaintRecord) paint!: PaintRecord;
  @IsPositive() @Max(LARGEST) width!: number;
}

export class SheetRecord {
  @IsIn(SHEETS) name!: SheetName;
  @IsBoolean() visible!: boolean;
  @IsBoolean() locked!: boolean;
  @Min(0) @Max(1) opacity!: number;
}

/** For each field of a drawing what checks it: the record of its entities or its own, or the rules of a plain value. */
const CHECKS: { readonly [K in FieldName]: RecordClass | readonly PropertyDecorator[] } = {
  name: [IsString(), MaxLength(LONGEST_TITLE)],
  page: PageRecord,
  parts: PartRecord,
  strokes: StrokeRecord,
  inkShapes: InkShapeRecord,
  nibs: NibRecord,
  bridges: BridgeRecord,
  reach: [Min(0), Max(LARGEST)],
  declined: DeclinedRecord,
  tin: ColourRecord,
  colourways: ColourwayRecord,
  shown: [IsId()],
  tiles: TileRecord,
  styles: LightStyleRecord,
  pours: PourRecord,
  flatShapes: FlatShapeRecord,
  shades: ShadeRecord,
  creases: CreaseRecord,
  sheets: SheetRecord,
  ink: PaintRecord,
  lamp: LampRecord,
  sticker: [IsOptional(), Nested(() => StickerRecord)],
  groundShadow: [IsOptional(), Nested(() => GroundShadowRecord)],
  lights: LightsRecord,
  gradientStrength: [Min(0), Max(1)],
  undercoat: [IsOptional(), Nested(() => PaintRecord)],
  strict: [IsBoolean()],
  hiddenWalls: [IsBoolean()],
  shapeWalls: [IsBoolean()],
};

const isEntities = (field: FieldName): boolean => FIELDS[field].form !== "value";

/** A class that checks some fields of a drawing, in the form that files have (record-form.ts). */
export function recordOf(fields: readonly FieldName[]): RecordClass {
  class FieldsRecord {}
  for (const field of fields) for (const decorate of rulesOf(field)) decorate(FieldsRecord.prototype, field);
  return FieldsRecord;
}

function rulesOf(field: FieldName): readonly PropertyDecorator[] {
  const check = CHECKS[field];
  if (typeof check !== "function") return check;
  const nested = Nested(() => check, isEntities(field));
  return isEntities(field) ? [IsRecords(), nested] : [IsDefined(), IsObject(), nested];
}

/** Of each field by itself. */
export const FIELD_RECORDS = Object.fromEntries(
  FIELD_NAMES.map((field) => [field, recordOf([field])]),
) as Readonly<Record<FieldName, RecordClass>>;

/** What checks one entity of a table. */
export const ENTITY_RECORDS = Object.fromEntries(
  FIELD_NAMES.filter(isEntities).map((field) => [field, CHECKS[field]]),
) as Readonly<Record<TableName | "sheets", RecordClass>>;
