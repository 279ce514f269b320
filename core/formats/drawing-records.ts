/** What the parts of a drawing must look like when they come back from a file: classes that class-validator checks. */
import "reflect-metadata";
import { plainToInstance, Type } from "class-transformer";
import {
  ArrayMaxSize,
  ArrayMinSize,
  Equals,
  IsArray,
  IsBoolean,
  IsDefined,
  IsHexColor,
  IsIn,
  IsInt,
  IsNumber,
  IsObject,
  IsOptional,
  IsPositive,
  IsString,
  isHexColor,
  Max,
  MaxLength,
  Min,
  ValidateBy,
  ValidateIf,
  ValidateNested,
  validateSync,
} from "class-validator";
import { FARTHEST_STEP, FEWEST_STEPS, MOST_DRIFT, MOST_STEPS } from "../colour/ladder.ts";
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
} from "../drawing/drawing.ts";
import { FIELDS, type FieldName } from "../drawing/fields.ts";
import { isId, isPageBox, isProfile, LARGEST, PAGE_SIDE } from "./bounds.ts";

export const FINITE = { allowNaN: false, allowInfinity: false };

const areNumbers = (list: unknown): list is number[] =>
  Array.isArray(list) && list.every((n) => typeof n === "number" && Math.abs(n) <= LARGEST);

const isChain = (list: unknown): boolean =>
  areNumbers(list) && list.length >= 2 && (list.length - 2) % 6 === 0;

const rule = (name: string, validate: (value: unknown) => boolean) => () =>
  ValidateBy({ name, validator: { validate } });

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
const IsRings = rule(
  "isRings",
  everyOne((ring) => areNumbers(ring) && ring.length >= 6 && ring.length % 2 === 0),
);
const IsPlace = rule("isPlace", (value) => areNumbers(value) && value.length === 2);
const IsProfile = rule("isProfile", (value) => areNumbers(value) && isProfile(value));
const IsDashes = rule(
  "isDashes",
  (value) =>
    areNumbers(value) &&
    value.length <= MOST_DASHES &&
    value.every((n) => n >= 0) &&
    value.some((n) => n > 0),
);
const IsPageBox = rule("isPageBox", (value) => isPageBox(value as BoxRecord));

/** A list of objects; a list within it would pass for one. */
export const IsRecords = rule(
  "isRecords",
  (value) =>
    Array.isArray(value) &&
    value.every((item) => typeof item === "object" && item !== null && !Array.isArray(item)),
);

const MOST_DASHES = 64;
const MOST_BANDS = 24;
const MOST_STOPS = 24;

export class BoxRecord {
  @IsNumber(FINITE) x!: number;
  @IsNumber(FINITE) y!: number;
  @IsPositive() width!: number;
  @IsPositive() height!: number;
}

export class PageRecord {
  @IsDefined() @ValidateNested() @IsPageBox() @Type(() => BoxRecord) box!: BoxRecord;
  @IsPositive() @Max(PAGE_SIDE.most) width!: number;
  @IsIn(UNITS) unit!: (typeof UNITS)[number];
  @IsInt() @Min(1) @Max(2400) ppi!: number;
  @IsOptional() @Min(0) @Max(PAGE_SIDE.most) bleed?: number;
}

const IsId = rule("isId", isId);

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
  @Min(-6) @Max(6) @IsInt() deeper!: number;
  @IsPositive() @Max(LARGEST) high!: number;
  @IsOptional() @Min(0) @Max(1) soft?: number;
}

export class PartRecord extends Ranked {
  @IsString() @MaxLength(80) name!: string;
  @IsBoolean() visible!: boolean;
  @IsBoolean() locked!: boolean;
  @IsOptional() @ValidateNested() @Type(() => CastRecord) cast?: CastRecord;
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
  @IsOptional() @IsString() @MaxLength(200) name?: string;
  @IsOptional() @IsArray() @IsString({ each: true }) groups?: string[];
  @IsOptional() @ValidateNested() @Type(() => PaintRecord) paint?: PaintRecord;
  @IsOptional() @ValidateNested() @Type(() => HoldRecord) hold?: HoldRecord;
}

export class CutRecord {
  @IsId() of!: string;
  @Min(0) @Max(1) from!: number;
  @Min(0) @Max(2) to!: number;
}

export class StrokeRecord extends InkedRecord {
  @IsOptional() @ValidateNested() @Type(() => CutRecord) cut?: CutRecord;
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
  @IsString() @MaxLength(80) name!: string;
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
  @IsOptional() @IsRecords() @ValidateNested({ each: true }) @Type(() => OwnStepRecord) own?: OwnStepRecord[];
}

export class ColourRecord extends Ranked {
  @IsString() @MaxLength(80) name!: string;
  @IsHexColor() value!: string;
  @IsOptional() @Min(0) @Max(1) opacity?: number;
  @IsOptional() @IsString() @MaxLength(80) group?: string;
  @IsOptional() @ValidateNested() @Type(() => LadderRecord) ladder?: LadderRecord;
  /** In SVG facts, what it goes by in the file's classes (scene/palette.ts). */
  @IsOptional() @IsString() @MaxLength(80) variable?: string;
}

/** Values by the ids of colours. */
const AreValues = rule(
  "areValues",
  (value) =>
    typeof value === "object" &&
    value !== null &&
    !Array.isArray(value) &&
    Object.values(value).every((one) => isHexColor(one)),
);

export class ColourwayRecord extends Ranked {
  @IsString() @MaxLength(80) name!: string;
  @AreValues() values!: Record<string, string>;
}

/** Without a region it is known by its seed alone. */
export class AnchorRecord {
  @IsOptional() @IsId() part?: string;
  @IsPlace() seed!: [number, number];
  @Min(0) @IsNumber(FINITE) area!: number;
  @IsArray() @IsString({ each: true }) lines!: string[];
  @ValidateIf(({ area }: AnchorRecord) => area !== 0) @IsRings() region!: number[][];
}

export class TileRecord extends Ranked {
  @IsString() @MaxLength(80) name!: string;
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
  @IsDefined() @ValidateNested() @Type(() => PaintRecord) paint!: PaintRecord;
}

export class BandRecord {
  @IsPositive() @Max(LARGEST) width!: number;
  @IsDefined() @ValidateNested() @Type(() => PaintRecord) paint!: PaintRecord;
}

export class StretchRecord {
  @Min(0) @Max(1) from!: number;
  @Min(0) @Max(2) to!: number;
}

export class BandsRecord {
  @IsId() line!: string;
  @IsOptional() @ValidateNested() @Type(() => StretchRecord) along?: StretchRecord;
  @IsRecords()
  @ArrayMaxSize(MOST_BANDS)
  @ValidateNested({ each: true })
  @Type(() => BandRecord)
  bands!: BandRecord[];
}

class StopFields {
  @Min(0) @Max(1) at!: number;
  @Min(0) @Max(1) opacity!: number;
  @IsOptional() @Min(0.01) @Max(0.99) middle?: number;
}

export class GradientStopRecord extends StopFields {
  @IsDefined() @ValidateNested() @Type(() => PaintRecord) paint!: PaintRecord;
}

class GradientFields {
  @IsIn(GRADIENTS) kind!: (typeof GRADIENTS)[number];
  @IsPlace() from!: [number, number];
  @IsPlace() to!: [number, number];
  @IsOptional() @IsPositive() @Max(1000) ratio?: number;
  @IsOptional() @Min(0) @Max(0.99) focus?: number;
  @IsIn(MIXES) mix!: (typeof MIXES)[number];
  @IsRecords() @ArrayMinSize(2) @ArrayMaxSize(MOST_STOPS) @ValidateNested({ each: true }) stops!: object[];
}

export class GradientRecord extends GradientFields {
  @IsId() cloth!: string;
  @Type(() => GradientStopRecord) declare stops: GradientStopRecord[];
}

export class FormRecord {
  @Min(1) @Max(3) @IsInt() tones!: number;
  @Min(-6) @Max(6) @IsInt() deeper!: number;
  @Min(0) @Max(1) roundness!: number;
  @Min(0) @Max(1) reach!: number;
  @IsOptional() @Min(0) @Max(1) shine?: number;
  @IsOptional() @IsTrue() folds?: true;
  @IsOptional() @IsTrue() whole?: true;
  @IsOptional() @IsPositive() @Max(LARGEST) soft?: number;
}

export class RimRecord {
  @Min(-6) @Max(6) @IsInt() deeper!: number;
  @IsPositive() @Max(LARGEST) width!: number;
  @Min(0) @Max(LARGEST) gap!: number;
  @IsOptional() @IsTrue() behind?: true;
  @IsOptional() @IsPositive() @Max(LARGEST) soft?: number;
}

/** Without a colour it is that of the pocket. */
export class StylePaintRecord {
  @ValidateIf(({ colour }: StylePaintRecord) => colour !== null) @IsId() colour!: string | null;
  @IsInt() @Min(-2 * FARTHEST_STEP) @Max(2 * FARTHEST_STEP) step!: number;
}

export class StyleStopRecord extends StopFields {
  @IsDefined() @ValidateNested() @Type(() => StylePaintRecord) paint!: StylePaintRecord;
}

export class StyleGradientRecord extends GradientFields {
  @Type(() => StyleStopRecord) declare stops: StyleStopRecord[];
}

export class LightShapeRecord {
  @IsChains() outline!: number[][];
  @IsBoolean() evenOdd!: boolean;
  @IsDefined() @ValidateNested() @Type(() => StylePaintRecord) paint!: StylePaintRecord;
  @Min(0) @Max(1) opacity!: number;
  @IsOptional() @IsIn(BLENDS) blend?: Blend;
  @IsOptional() @IsPositive() @Max(LARGEST) soft?: number;
}

export class LightStyleRecord extends Ranked {
  @IsString() @MaxLength(80) name!: string;
  @IsPlace() size!: [number, number];
  @IsOptional() @ValidateNested() @Type(() => FormRecord) form?: FormRecord;
  @IsOptional() @ValidateNested() @Type(() => RimRecord) rim?: RimRecord;
  @IsOptional() @ValidateNested() @Type(() => CastRecord) cast?: CastRecord;
  @IsOptional() @ValidateNested() @Type(() => StyleGradientRecord) gradient?: StyleGradientRecord;
  @IsRecords() @ValidateNested({ each: true }) @Type(() => LightShapeRecord) shapes!: LightShapeRecord[];
}

export class StyleUseRecord {
  @IsId() style!: string;
  @IsIn(FITS) fit!: (typeof FITS)[number];
  @IsOptional() @IsTrue() mirror?: true;
  @IsOptional() @IsTrue() vary?: true;
}

export class GroundShadowRecord {
  @IsIn(GROUND_SHADOWS) kind!: (typeof GROUND_SHADOWS)[number];
  @IsDefined() @ValidateNested() @Type(() => PaintRecord) paint!: PaintRecord;
  @Min(0) @Max(1) opacity!: number;
  @IsOptional() @IsPositive() @Max(LARGEST) soft?: number;
}

export class LightSettingRecord {
  @IsBoolean() visible!: boolean;
  @Min(0) @Max(1) strength!: number;
}

export class LightsRecord implements Partial<Record<LightKind, LightSettingRecord>> {
  @IsOptional() @ValidateNested() @Type(() => LightSettingRecord) form?: LightSettingRecord;
  @IsOptional() @ValidateNested() @Type(() => LightSettingRecord) shine?: LightSettingRecord;
  @IsOptional() @ValidateNested() @Type(() => LightSettingRecord) rim?: LightSettingRecord;
  @IsOptional() @ValidateNested() @Type(() => LightSettingRecord) cast?: LightSettingRecord;
  @IsOptional() @ValidateNested() @Type(() => LightSettingRecord) crease?: LightSettingRecord;
  @IsOptional() @ValidateNested() @Type(() => LightSettingRecord) drawn?: LightSettingRecord;
}

/** Not far from the page, in shares of it. */
const FARTHEST_LAMP = 20;

export class LampRecord {
  @IsArray()
  @ArrayMinSize(2)
  @ArrayMaxSize(2)
  @Min(-FARTHEST_LAMP, { each: true })
  @Max(FARTHEST_LAMP, { each: true })
  at!: [number, number];
  @Min(0.01) @Max(FARTHEST_LAMP) height!: number;
  @IsBoolean() far!: boolean;
}

export class PourRecord extends Ranked {
  @IsOptional() @ValidateNested() @Type(() => PaintRecord) paint!: PaintRecord | null;
  @IsOptional() @IsTrue() through?: true;
  @IsOptional() @IsTrue() spot?: true;
  @IsOptional() @IsTrue() cuts?: true;
  @IsOptional() @ValidateNested() @Type(() => GradientRecord) gradient?: GradientRecord;
  @IsOptional() @ValidateNested() @Type(() => PatternRecord) pattern?: PatternRecord;
  @IsOptional() @ValidateNested() @Type(() => BandsRecord) bands?: BandsRecord;
  @IsOptional() @ValidateNested() @Type(() => FormRecord) form?: FormRecord;
  @IsOptional() @ValidateNested() @Type(() => RimRecord) rim?: RimRecord;
  @IsOptional() @ValidateNested() @Type(() => CastRecord) cast?: CastRecord;
  @IsOptional() @ValidateNested() @Type(() => StyleUseRecord) style?: StyleUseRecord;
  @IsDefined() @IsObject() @ValidateNested() @Type(() => AnchorRecord) anchor!: AnchorRecord;
}

class ColourShapeRecord extends Ranked {
  @IsChains() outline!: number[][];
  @IsBoolean() evenOdd!: boolean;
  @IsDefined() @ValidateNested() @Type(() => PaintRecord) paint!: PaintRecord;
  @Min(0) @Max(1) opacity!: number;
  @IsOptional() @IsIn(BLENDS) blend?: Blend;
  @IsOptional() @IsPositive() @Max(LARGEST) soft?: number;
  @IsOptional() @ValidateNested() @Type(() => GradientRecord) gradient?: GradientRecord;
}

export class FlatShapeRecord extends ColourShapeRecord {
  @IsOptional() @IsId() part?: string;
  @IsOptional() @IsIn(ECHOES) echo?: Echo;
  @IsOptional() @IsString() @MaxLength(200) name?: string;
  @IsOptional() @IsIn(SHAPE_SHEETS) sheet?: (typeof SHAPE_SHEETS)[number];
  @IsOptional() @IsIn(TRIMS) trim?: (typeof TRIMS)[number];
}

export class ShadeRecord extends ColourShapeRecord {
  @Equals("drawn") kind!: "drawn";
  @IsDefined() @IsObject() @ValidateNested() @Type(() => AnchorRecord) anchor!: AnchorRecord;
}

export class CreaseRecord extends Ranked {
  @IsOptional() @IsId() part?: string;
  @IsChain() @ArrayMinSize(8) points!: number[];
  @IsIn([1, -1]) side!: 1 | -1;
  @Min(-6) @Max(6) @IsInt() deeper!: number;
  @IsOptional() @IsTrue() runsOut?: true;
  @IsOptional() @IsPositive() @Max(LARGEST) soft?: number;
}

export class StickerRecord {
  @IsDefined() @IsObject() @ValidateNested() @Type(() => PaintRecord) paint!: PaintRecord;
  @IsPositive() @Max(LARGEST) width!: number;
}

export class SheetRecord {
  @IsIn(SHEETS) name!: SheetName;
  @IsBoolean() visible!: boolean;
  @IsBoolean() locked!: boolean;
  @Min(0) @Max(1) opacity!: number;
}

type RecordClass = new () => object;

/** For each field of a drawing what checks it: the record of its entities or its own, or the rules of a plain value. */
const CHECKS: { readonly [K in FieldName]: RecordClass | readonly PropertyDecorator[] } = {
  name: [IsString(), MaxLength(200)],
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
  sticker: [IsOptional(), ValidateNested(), Type(() => StickerRecord)],
  groundShadow: [IsOptional(), ValidateNested(), Type(() => GroundShadowRecord)],
  lights: LightsRecord,
  gradientStrength: [Min(0), Max(1)],
  undercoat: [IsOptional(), ValidateNested(), Type(() => PaintRecord)],
  strict: [IsBoolean()],
  hiddenWalls: [IsBoolean()],
  shapeWalls: [IsBoolean()],
};

/** A class that checks some fields of a drawing, in the form that files have (drawing/record-form.ts). */
export function recordOf(fields: readonly FieldName[]): RecordClass {
  class FieldsRecord {}
  for (const field of fields) for (const decorate of rulesOf(field)) decorate(FieldsRecord.prototype, field);
  return FieldsRecord;
}

function rulesOf(field: FieldName): readonly PropertyDecorator[] {
  const check = CHECKS[field];
  if (typeof check !== "function") return check;
  const typed = Type(() => check);
  return FIELDS[field].form === "value"
    ? [IsDefined(), IsObject(), ValidateNested(), typed]
    : [IsRecords(), ValidateNested({ each: true }), typed];
}

/**
 * What is not as it should be in a plain value, by the names of its properties; the value as plain objects where all
 * is well. Properties no one knows are left out.
 */
export function checked(
  record: RecordClass,
  plain: object,
): { readonly wrong: readonly string[] } | { readonly value: Record<string, unknown> } {
  try {
    const instance = plainToInstance(record, plain);
    const errors = validateSync(instance, { whitelist: true, forbidUnknownValues: true });
    if (errors.length > 0) return { wrong: errors.map(({ property }) => property) };
    return { value: JSON.parse(JSON.stringify(instance)) };
  } catch {
    return { wrong: ["its structure"] };
  }
}
