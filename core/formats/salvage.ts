/** What of a drawing can still be used when some of it has gone bad: each entity and each value for itself. */
import type { Drawing } from "../drawing/drawing.ts";
import { FIELD_NAMES, FIELDS, type FieldName } from "../drawing/fields.ts";
import { withMissingColours } from "../drawing/missing-colours.ts";
import { defaultPage } from "../drawing/new-drawing.ts";
import { withMissingParts } from "../drawing/parts.ts";
import { fromRecord, type RecordForm } from "../drawing/record-form.ts";
import { checked, recordOf } from "./drawing-records.ts";

export interface Salvaged {
  readonly drawing: Drawing;
  /** What could not be used, by field: entities of tables, or whole values. */
  readonly lost: Readonly<Partial<Record<FieldName, unknown>>>;
}

/** Anything that was a drawing. */
export function salvaged(before: unknown): Salvaged {
  const loose = isLoose(before) ? before : {};
  const lost: Partial<Record<FieldName, unknown>> = {};
  const record: Record<string, unknown> = {};
  for (const field of FIELD_NAMES) {
    const value = loose[field];
    record[field] =
      FIELDS[field].form === "value" ? soundValue(field, value, lost) : soundTable(field, value, lost);
  }
  const drawing = fromRecord(record as RecordForm) as Drawing;
  return { drawing: withMissingParts(withMissingColours(filled(drawing))), lost };
}

type Loose = Readonly<Record<string, unknown>>;
const isLoose = (value: unknown): value is Loose =>
  typeof value === "object" && value !== null && !Array.isArray(value);

const PAGE = defaultPage({ x: 0, y: 0, width: 1000, height: 1000 });
const OTHERWISE: Readonly<Partial<Record<FieldName, unknown>>> = { name: "Untitled", page: PAGE };

function soundValue(field: FieldName, value: unknown, lost: Partial<Record<FieldName, unknown>>): unknown {
  const { start } = FIELDS[field];
  const result = checked(recordOf([field]), { [field]: value });
  if ("value" in result && value !== undefined) return result.value[field] ?? value;
  if (value !== undefined) lost[field] = value;
  return start ? start() : OTHERWISE[field];
}

function soundTable(field: FieldName, value: unknown, lost: Partial<Record<FieldName, unknown>>): unknown[] {
  const own =
    FIELDS[field].form === "sheets" ? namedSheets(value) : isLoose(value) ? Object.values(value) : [];
  const record = recordOf([field]);
  const bad: unknown[] = [];
  const sound = own.flatMap((entity) => {
    const result = checked(record, { [field]: [entity] });
    if ("value" in result) return result.value[field] as unknown[];
    bad.push(entity);
    return [];
  });
  if (bad.length > 0) lost[field] = bad;
  else if (value !== undefined && !isLoose(value)) lost[field] = value;
  return sound;
}

const namedSheets = (value: unknown): unknown[] =>
  isLoose(value)
    ? Object.entries(value).map(([name, sheet]) => (isLoose(sheet) ? { name, ...sheet } : { name, sheet }))
    : [];

/** Tables that may not be empty begin anew where all of theirs was lost. */
const NEVER_EMPTY = ["tin", "colourways", "parts", "nibs"] as const;

function filled(drawing: Drawing): Drawing {
  const begun = NEVER_EMPTY.filter((field) => Object.keys(drawing[field]).length === 0);
  const whole: Drawing = {
    ...drawing,
    ...Object.fromEntries(begun.map((field) => [field, FIELDS[field].start!()])),
  };
  return whole.shown in whole.colourways ? whole : { ...whole, shown: Object.keys(whole.colourways)[0] };
}
