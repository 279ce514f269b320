/** What checks a drawing's fields, wherever they come from: an edit, a file or storage. */
import { IsBoolean, IsDefined, IsObject, IsOptional, IsString, Max, MaxLength, Min } from "class-validator";
import { LARGEST, LONGEST_TITLE } from "./bounds.ts";
import { Nested, type RecordClass } from "./checked.ts";
import { Colourway, FiledColour, Paint } from "./facts/colours.ts";
import { Dab } from "./facts/dab.ts";
import { Crease, GroundShadow, Lamp, LightStyle, Lights } from "./facts/light.ts";
import { Bridge, Declined, InkShape, Nib, Stroke } from "./facts/lines.ts";
import { FiledSheet, Page, Part, Sticker } from "./facts/page.ts";
import { Tile } from "./facts/patterns.ts";
import { Pour } from "./facts/pour.ts";
import { IsId, IsRecords } from "./facts/rule.ts";
import { FlatShape, Shade } from "./facts/shapes.ts";
import { FIELD_NAMES, FIELDS, type FieldName, type TableName } from "./fields.ts";

/** For each field of a drawing what checks it: the record of its entities or its own, or the rules of a plain value. */
const CHECKS: { readonly [K in FieldName]: RecordClass | readonly PropertyDecorator[] } = {
  name: [IsString(), MaxLength(LONGEST_TITLE)],
  page: Page,
  parts: Part,
  strokes: Stroke,
  inkShapes: InkShape,
  nibs: Nib,
  bridges: Bridge,
  reach: [Min(0), Max(LARGEST)],
  declined: Declined,
  tin: FiledColour,
  colourways: Colourway,
  shown: [IsId()],
  tiles: Tile,
  styles: LightStyle,
  pours: Pour,
  flatShapes: FlatShape,
  shades: Shade,
  creases: Crease,
  dabs: Dab,
  sheets: FiledSheet,
  ink: Paint,
  lamp: Lamp,
  sticker: [IsOptional(), Nested(() => Sticker)],
  groundShadow: [IsOptional(), Nested(() => GroundShadow)],
  lights: Lights,
  gradientStrength: [Min(0), Max(1)],
  undercoat: [IsOptional(), Nested(() => Paint)],
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
