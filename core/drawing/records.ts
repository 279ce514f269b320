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
import { Nested, type RecordClass, rules } from "./checked.ts";
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
  x!: number;
  y!: number;
  width!: number;
  height!: number;
}
rules(BoxRecord, Object, {
  x: [IsNumber(FINITE)],
  y: [IsNumber(FINITE)],
  width: [IsPositive()],
  height: [IsPositive()],
});

export class PageRecord {
  box!: BoxRecord;
  width!: number;
  unit!: (typeof UNITS)[number];
  ppi!: number;
  bleed?: number;
}
rules(PageRecord, Object, {
  box: [IsDefined(), Nested(() => BoxRecord), IsPageBox()],
  width: [IsPositive(), Max(PAGE_SIDE.most, NOT_BROUGHT)],
  unit: [IsIn(UNITS)],
  ppi: [IsInt(), Min(1), Max(2400)],
  bleed: [IsOptional(), Min(0), Max(PAGE_SIDE.most)],
});

const IsId = rule("isId", isId);
const IsIdOrNull = rule("isIdOrNull", (value) => value === null || isId(value));

class Ranked {
  id!: string;
  rank!: number;
}
rules(Ranked, Object, {
  id: [IsId()],
  rank: [IsNumber(FINITE)],
});

export class PaintRecord {
  colour!: string;
  step!: number;
}
rules(PaintRecord, Object, {
  colour: [IsId()],
  step: [IsInt(), Min(-FARTHEST_STEP), Max(FARTHEST_STEP)],
});

/** A yes; there is no other answer than leaving it out. */
const IsTrue = () => Equals(true);

export class CastRecord {
  deeper!: number;
  high!: number;
  soft?: number;
}
rules(CastRecord, Object, {
  deeper: [Min(-DEEPEST_LIGHT), Max(DEEPEST_LIGHT), IsInt()],
  high: [IsPositive(), Max(LARGEST)],
  soft: [IsOptional(), Min(0), Max(1)],
});

export class PartRecord extends Ranked {
  name!: string;
  visible!: boolean;
  locked!: boolean;
  cast?: CastRecord;
}
rules(PartRecord, Ranked, {
  name: [IsString(), MaxLength(LONGEST_NAME)],
  visible: [IsBoolean()],
  locked: [IsBoolean()],
  cast: [IsOptional(), Nested(() => CastRecord)],
});

export class HoldRecord {
  by!: (typeof HOLDS)[number];
  deeper!: number;
}
rules(HoldRecord, Object, {
  by: [IsIn(HOLDS)],
  deeper: [IsInt(), Min(-FARTHEST_STEP), Max(FARTHEST_STEP)],
});

class InkedRecord extends Ranked {
  part?: string;
  echo?: Echo;
  hidden?: true;
  locked?: true;
  name?: string;
  groups?: string[];
  paint?: PaintRecord;
  hold?: HoldRecord;
}
rules(InkedRecord, Ranked, {
  part: [IsOptional(), IsId()],
  echo: [IsOptional(), IsIn(ECHOES)],
  hidden: [IsOptional(), IsTrue()],
  locked: [IsOptional(), IsTrue()],
  name: [IsOptional(), IsString(), MaxLength(LONGEST_TITLE)],
  groups: [IsOptional(), IsArray(), IsString({ each: true })],
  paint: [IsOptional(), Nested(() => PaintRecord)],
  hold: [IsOptional(), Nested(() => HoldRecord)],
});

export class CutRecord {
  of!: string;
  from!: number;
  to!: number;
}
rules(CutRecord, Object, {
  of: [IsId()],
  from: [Min(0), Max(2)],
  to: [Min(0), Max(3)],
});

export class StrokeRecord extends InkedRecord {
  cut?: CutRecord;
  points!: number[];
  closed!: boolean;
  width!: number;
  profile?: number[];
  nib?: string;
  cap?: (typeof CAPS)[number];
  join?: (typeof JOINS)[number];
  miterLimit?: number;
  dash?: number[];
  dashOffset?: number;
}
rules(StrokeRecord, InkedRecord, {
  cut: [IsOptional(), Nested(() => CutRecord)],
  points: [IsChain()],
  closed: [IsBoolean()],
  width: [IsPositive(), Max(LARGEST)],
  profile: [IsOptional(), IsProfile()],
  nib: [IsOptional(), IsString()],
  cap: [IsOptional(), IsIn(CAPS)],
  join: [IsOptional(), IsIn(JOINS)],
  miterLimit: [IsOptional(), Min(1), Max(LARGEST)],
  dash: [IsOptional(), IsDashes()],
  dashOffset: [IsOptional(), Min(-LARGEST), Max(LARGEST)],
});

export class InkShapeRecord extends InkedRecord {
  outline!: number[][];
  evenOdd!: boolean;
}
rules(InkShapeRecord, InkedRecord, {
  outline: [IsChains()],
  evenOdd: [IsBoolean()],
});

export class NibRecord extends Ranked {
  name!: string;
  profile!: number[];
  strands!: number;
}
rules(NibRecord, Ranked, {
  name: [IsString(), MaxLength(LONGEST_NAME)],
  profile: [IsProfile()],
  strands: [IsInt(), Min(1), Max(9)],
});

export class BridgeRecord {
  id!: string;
  part?: string;
  left?: "cut" | "join";
  meets?: true;
  points!: number[];
}
rules(BridgeRecord, Object, {
  id: [IsId()],
  part: [IsOptional(), IsId()],
  left: [IsOptional(), IsIn(["cut", "join"])],
  meets: [IsOptional(), IsTrue()],
  points: [IsChain(), ArrayMinSize(8)],
});

export class DeclinedRecord {
  id!: string;
  part?: string;
  at!: [number, number];
}
rules(DeclinedRecord, Object, {
  id: [IsId()],
  part: [IsOptional(), IsId()],
  at: [IsPlace()],
});

export class OwnStepRecord {
  step!: number;
  l!: number;
  c!: number;
  h!: number;
}
rules(OwnStepRecord, Object, {
  step: [IsInt(), Min(-FARTHEST_STEP), Max(FARTHEST_STEP)],
  l: [Min(-1), Max(1)],
  c: [Min(-1), Max(1)],
  h: [Min(-360), Max(360)],
});

export class LadderRecord {
  steps!: number;
  drift!: number;
  squeezed?: true;
  own?: OwnStepRecord[];
}
rules(LadderRecord, Object, {
  steps: [IsInt(), Min(FEWEST_STEPS), Max(MOST_STEPS)],
  drift: [Min(-MOST_DRIFT), Max(MOST_DRIFT)],
  squeezed: [IsOptional(), IsTrue()],
  own: [IsOptional(), IsRecords(), Nested(() => OwnStepRecord, true)],
});

export class ColourRecord extends Ranked {
  name!: string;
  value!: string;
  opacity?: number;
  group?: string;
  ladder?: LadderRecord;
  /** In SVG facts, what it goes by in the file's classes (scene/palette.ts). */
  variable?: string;
}
rules(ColourRecord, Ranked, {
  name: [IsString(), MaxLength(LONGEST_NAME)],
  value: [IsColour()],
  opacity: [IsOptional(), Min(0), Max(1)],
  group: [IsOptional(), IsString(), MaxLength(LONGEST_NAME)],
  ladder: [IsOptional(), Nested(() => LadderRecord)],
  variable: [IsOptional(), IsString(), MaxLength(LONGEST_NAME)],
});

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
  name!: string;
  values!: Record<string, string>;
}
rules(ColourwayRecord, Ranked, {
  name: [IsString(), MaxLength(LONGEST_NAME)],
  values: [AreValues()],
});

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
  part?: string;
  seed!: [number, number];
  area!: number;
  lines!: string[];
  region!: number[][];
}
rules(AnchorRecord, Object, {
  part: [IsOptional(), IsId()],
  seed: [IsPlace()],
  area: [Min(0), IsNumber(FINITE)],
  lines: [IsArray(), IsString({ each: true })],
  region: [IsRegion()],
});

export class TileRecord extends Ranked {
  name!: string;
  ratio!: number;
  tones!: number[][][];
}
rules(TileRecord, Ranked, {
  name: [IsString(), MaxLength(LONGEST_NAME)],
  ratio: [Min(0.01), Max(100)],
  tones: [AreTones()],
});

export class PatternRecord {
  cloth!: string;
  kind!: (typeof PATTERNS)[number];
  at!: [number, number];
  size!: number;
  turn!: number;
  share!: number;
  tile?: string;
  paint!: PaintRecord;
}
rules(PatternRecord, Object, {
  cloth: [IsId()],
  kind: [IsIn(PATTERNS)],
  at: [IsPlace()],
  size: [IsPositive(), Max(LARGEST)],
  turn: [Min(-360), Max(360)],
  share: [Min(0), Max(1)],
  tile: [IsOptional(), IsId()],
  paint: [IsDefined(), Nested(() => PaintRecord)],
});

export class BandRecord {
  width!: number;
  paint!: PaintRecord;
}
rules(BandRecord, Object, {
  width: [IsPositive(), Max(LARGEST)],
  paint: [IsDefined(), Nested(() => PaintRecord)],
});

export class StretchRecord {
  from!: number;
  to!: number;
}
rules(StretchRecord, Object, {
  from: [Min(0), Max(1)],
  to: [Min(0), Max(2)],
});

export class BandsRecord {
  line!: string;
  along?: StretchRecord;
  bands!: BandRecord[];
}
rules(BandsRecord, Object, {
  line: [IsId()],
  along: [IsOptional(), Nested(() => StretchRecord)],
  bands: [IsRecords(), ArrayMaxSize(MOST_BANDS), Nested(() => BandRecord, true)],
});

class StopFields {
  at!: number;
  opacity!: number;
  middle?: number;
}
rules(StopFields, Object, {
  at: [Min(0), Max(1)],
  opacity: [Min(0), Max(1)],
  middle: [IsOptional(), Min(0.01), Max(0.99)],
});

export class GradientStopRecord extends StopFields {
  paint!: PaintRecord;
}
rules(GradientStopRecord, StopFields, {
  paint: [IsDefined(), Nested(() => PaintRecord)],
});

const AreStops =
  (record: () => RecordClass): PropertyDecorator =>
  (target, property) => {
    const rules = [IsRecords(), ArrayMinSize(2), ArrayMaxSize(MOST_STOPS), Nested(record, true)];
    for (const decorate of rules) decorate(target, property);
  };

class GradientFields {
  kind!: (typeof GRADIENTS)[number];
  from!: [number, number];
  to!: [number, number];
  ratio?: number;
  focus?: number;
  mix!: (typeof MIXES)[number];
}
rules(GradientFields, Object, {
  kind: [IsIn(GRADIENTS)],
  from: [IsPlace()],
  to: [IsPlace()],
  ratio: [IsOptional(), IsPositive(), Max(1000)],
  focus: [IsOptional(), Min(0), Max(0.99)],
  mix: [IsIn(MIXES)],
});

export class GradientRecord extends GradientFields {
  cloth!: string;
  stops!: GradientStopRecord[];
}
rules(GradientRecord, GradientFields, {
  cloth: [IsId()],
  stops: [AreStops(() => GradientStopRecord)],
});

export class FormRecord {
  tones!: number;
  deeper!: number;
  roundness!: number;
  reach!: number;
  shine?: number;
  folds?: true;
  whole?: true;
  soft?: number;
}
rules(FormRecord, Object, {
  tones: [Min(1), Max(3), IsInt()],
  deeper: [Min(-DEEPEST_LIGHT), Max(DEEPEST_LIGHT), IsInt()],
  roundness: [Min(0), Max(1)],
  reach: [Min(0), Max(1)],
  shine: [IsOptional(), Min(0), Max(1)],
  folds: [IsOptional(), IsTrue()],
  whole: [IsOptional(), IsTrue()],
  soft: [IsOptional(), IsPositive(), Max(LARGEST)],
});

export class RimRecord {
  deeper!: number;
  width!: number;
  gap!: number;
  behind?: true;
  soft?: number;
}
rules(RimRecord, Object, {
  deeper: [Min(-DEEPEST_LIGHT), Max(DEEPEST_LIGHT), IsInt()],
  width: [IsPositive(), Max(LARGEST)],
  gap: [Min(0), Max(LARGEST)],
  behind: [IsOptional(), IsTrue()],
  soft: [IsOptional(), IsPositive(), Max(LARGEST)],
});

/** Without a colour it is that of the pocket. */
export class StylePaintRecord {
  colour!: string | null;
  step!: number;
}
rules(StylePaintRecord, Object, {
  colour: [IsIdOrNull()],
  step: [IsInt(), Min(-2 * FARTHEST_STEP), Max(2 * FARTHEST_STEP)],
});

export class StyleStopRecord extends StopFields {
  paint!: StylePaintRecord;
}
rules(StyleStopRecord, StopFields, {
  paint: [IsDefined(), Nested(() => StylePaintRecord)],
});

export class StyleGradientRecord extends GradientFields {
  stops!: StyleStopRecord[];
}
rules(StyleGradientRecord, GradientFields, {
  stops: [AreStops(() => StyleStopRecord)],
});

export class LightShapeRecord {
  outline!: number[][];
  evenOdd!: boolean;
  paint!: StylePaintRecord;
  opacity!: number;
  blend?: Blend;
  soft?: number;
}
rules(LightShapeRecord, Object, {
  outline: [IsChains()],
  evenOdd: [IsBoolean()],
  paint: [IsDefined(), Nested(() => StylePaintRecord)],
  opacity: [Min(0), Max(1)],
  blend: [IsOptional(), IsIn(BLENDS)],
  soft: [IsOptional(), IsPositive(), Max(LARGEST)],
});

export class LightStyleRecord extends Ranked {
  name!: string;
  size!: [number, number];
  form?: FormRecord;
  rim?: RimRecord;
  cast?: CastRecord;
  gradient?: StyleGradientRecord;
  shapes!: LightShapeRecord[];
}
rules(LightStyleRecord, Ranked, {
  name: [IsString(), MaxLength(LONGEST_NAME)],
  size: [IsPlace()],
  form: [IsOptional(), Nested(() => FormRecord)],
  rim: [IsOptional(), Nested(() => RimRecord)],
  cast: [IsOptional(), Nested(() => CastRecord)],
  gradient: [IsOptional(), Nested(() => StyleGradientRecord)],
  shapes: [IsRecords(), Nested(() => LightShapeRecord, true)],
});

export class StyleUseRecord {
  style!: string;
  fit!: (typeof FITS)[number];
  mirror?: true;
  vary?: true;
}
rules(StyleUseRecord, Object, {
  style: [IsId()],
  fit: [IsIn(FITS)],
  mirror: [IsOptional(), IsTrue()],
  vary: [IsOptional(), IsTrue()],
});

export class GroundShadowRecord {
  kind!: (typeof GROUND_SHADOWS)[number];
  paint!: PaintRecord;
  opacity!: number;
  soft?: number;
}
rules(GroundShadowRecord, Object, {
  kind: [IsIn(GROUND_SHADOWS)],
  paint: [IsDefined(), Nested(() => PaintRecord)],
  opacity: [Min(0), Max(1)],
  soft: [IsOptional(), IsPositive(), Max(LARGEST)],
});

export class LightSettingRecord {
  visible!: boolean;
  strength!: number;
}
rules(LightSettingRecord, Object, {
  visible: [IsBoolean()],
  strength: [Min(0), Max(1)],
});

export class LightsRecord implements Partial<Record<LightKind, LightSettingRecord>> {
  form?: LightSettingRecord;
  shine?: LightSettingRecord;
  rim?: LightSettingRecord;
  cast?: LightSettingRecord;
  crease?: LightSettingRecord;
  drawn?: LightSettingRecord;
}
rules(LightsRecord, Object, {
  form: [IsOptional(), Nested(() => LightSettingRecord)],
  shine: [IsOptional(), Nested(() => LightSettingRecord)],
  rim: [IsOptional(), Nested(() => LightSettingRecord)],
  cast: [IsOptional(), Nested(() => LightSettingRecord)],
  crease: [IsOptional(), Nested(() => LightSettingRecord)],
  drawn: [IsOptional(), Nested(() => LightSettingRecord)],
});

export class LampRecord {
  at!: [number, number];
  height!: number;
  far!: boolean;
}
rules(LampRecord, Object, {
  at: [
    IsArray(),
    ArrayMinSize(2),
    ArrayMaxSize(2),
    Min(-FARTHEST_LAMP, { each: true }),
    Max(FARTHEST_LAMP, { each: true }),
  ],
  height: [Min(LOWEST_LAMP), Max(FARTHEST_LAMP)],
  far: [IsBoolean()],
});

export class PourRecord extends Ranked {
  paint!: PaintRecord | null;
  through?: true;
  spot?: true;
  cuts?: true;
  gradient?: GradientRecord;
  pattern?: PatternRecord;
  bands?: BandsRecord;
  form?: FormRecord;
  rim?: RimRecord;
  cast?: CastRecord;
  style?: StyleUseRecord;
  anchor!: AnchorRecord;
}
rules(PourRecord, Ranked, {
  paint: [IsOptional(), Nested(() => PaintRecord)],
  through: [IsOptional(), IsTrue()],
  spot: [IsOptional(), IsTrue()],
  cuts: [IsOptional(), IsTrue()],
  gradient: [IsOptional(), Nested(() => GradientRecord)],
  pattern: [IsOptional(), Nested(() => PatternRecord)],
  bands: [IsOptional(), Nested(() => BandsRecord)],
  form: [IsOptional(), Nested(() => FormRecord)],
  rim: [IsOptional(), Nested(() => RimRecord)],
  cast: [IsOptional(), Nested(() => CastRecord)],
  style: [IsOptional(), Nested(() => StyleUseRecord)],
  anchor: [IsDefined(), IsObject(), Nested(() => AnchorRecord)],
});

class ColourShapeRecord extends Ranked {
  outline!: number[][];
  evenOdd!: boolean;
  paint!: PaintRecord;
  opacity!: number;
  blend?: Blend;
  soft?: number;
  gradient?: GradientRecord;
}
rules(ColourShapeRecord, Ranked, {
  outline: [IsChains()],
  evenOdd: [IsBoolean()],
  paint: [IsDefined(), Nested(() => PaintRecord)],
  opacity: [Min(0), Max(1)],
  blend: [IsOptional(), IsIn(BLENDS)],
  soft: [IsOptional(), IsPositive(), Max(LARGEST)],
  gradient: [IsOptional(), Nested(() => GradientRecord)],
});

export class FlatShapeRecord extends ColourShapeRecord {
  part?: string;
  echo?: Echo;
  name?: string;
  sheet?: (typeof SHAPE_SHEETS)[number];
  trim?: (typeof TRIMS)[number];
  pattern?: PatternRecord;
}
rules(FlatShapeRecord, ColourShapeRecord, {
  part: [IsOptional(), IsId()],
  echo: [IsOptional(), IsIn(ECHOES)],
  name: [IsOptional(), IsString(), MaxLength(LONGEST_TITLE)],
  sheet: [IsOptional(), IsIn(SHAPE_SHEETS)],
  trim: [IsOptional(), IsIn(TRIMS)],
  pattern: [IsOptional(), Nested(() => PatternRecord)],
});

export class ShadeRecord extends ColourShapeRecord {
  kind!: "drawn";
  anchor!: AnchorRecord;
  deeper?: number;
}
rules(ShadeRecord, ColourShapeRecord, {
  kind: [Equals("drawn")],
  anchor: [IsDefined(), IsObject(), Nested(() => AnchorRecord)],
  deeper: [IsOptional(), Min(-DEEPEST_LIGHT), Max(DEEPEST_LIGHT), IsInt()],
});

export class CreaseRecord extends Ranked {
  part?: string;
  points!: number[];
  side!: 1 | -1;
  deeper!: number;
  runsOut?: true;
  soft?: number;
}
rules(CreaseRecord, Ranked, {
  part: [IsOptional(), IsId()],
  points: [IsChain(), ArrayMinSize(8)],
  side: [IsIn([1, -1])],
  deeper: [Min(-DEEPEST_LIGHT), Max(DEEPEST_LIGHT), IsInt()],
  runsOut: [IsOptional(), IsTrue()],
  soft: [IsOptional(), IsPositive(), Max(LARGEST)],
});

export class StickerRecord {
  paint!: PaintRecord;
  width!: number;
}
rules(StickerRecord, Object, {
  paint: [IsDefined(), IsObject(), Nested(() => PaintRecord)],
  width: [IsPositive(), Max(LARGEST)],
});

export class SheetRecord {
  name!: SheetName;
  visible!: boolean;
  locked!: boolean;
  opacity!: number;
}
rules(SheetRecord, Object, {
  name: [IsIn(SHEETS)],
  visible: [IsBoolean()],
  locked: [IsBoolean()],
  opacity: [Min(0), Max(1)],
});

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
