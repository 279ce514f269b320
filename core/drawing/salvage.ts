/**
 * What of a drawing can still be used when some of it has gone bad: values out of bounds are brought to them, and each field, each
 * entity and each value goes by itself only where it cannot be understood.
 */
import { weakMapMemoize } from "reselect";
import { broughtIn, isLoose, type Lost } from "./checked.ts";
import type { Drawing, Page } from "./drawing.ts";
import { FIELD_NAMES, FIELDS, type FieldName, type TableName } from "./fields.ts";
import { withMissingColours } from "./missing-colours.ts";
import { defaultPage } from "./new-drawing.ts";
import { withMissingParts } from "./parts.ts";
import { fromRecord, type RecordForm } from "./record-form.ts";
import { ENTITY_RECORDS, FIELD_RECORDS } from "./records.ts";
import { broughtToPage } from "./within-page.ts";

/** What had to be done to use something. */
export interface Repairs {
  /** Ways to the values that were brought to their bounds, as "strokes.width". */
  readonly brought: readonly string[];
  /** What could not be used. */
  readonly lost: readonly Lost[];
}

export interface Salvaged extends Repairs {
  readonly drawing: Drawing;
}

/** Anything that was a drawing, in the form that drawings have. */
export function salvaged(before: unknown): Salvaged {
  const loose = isLoose(before) ? before : {};
  const listed = Object.fromEntries(FIELD_NAMES.map((field) => [field, listedField(field, loose[field])]));
  const { record, ...repairs } = salvagedRecord(listed);
  const drawing = salvagedDrawing(record);
  // Sheets have no names of their own: what needed none is the very same again.
  const sheets = sameSheets(loose.sheets, drawing.sheets)
    ? (loose.sheets as Drawing["sheets"])
    : drawing.sheets;
  return { drawing: { ...drawing, sheets }, ...repairs };
}

const sameSheets = (before: unknown, after: Drawing["sheets"]): boolean =>
  JSON.stringify(before) === JSON.stringify(after);

/** Some fields in the form that files have, each with what of it can be used; what is lost begins anew. */
export function salvagedRecord(
  before: RecordForm,
  fields: readonly FieldName[] = FIELD_NAMES,
): Repairs & { readonly record: RecordForm } {
  const record: Record<string, unknown> = {};
  const notes: Notes = { brought: [], lost: [] };
  for (const field of fields) {
    const value = before[field];
    record[field] =
      FIELDS[field].form === "value"
        ? soundValue(field, value, notes)
        : soundEntities(field as TableName, value, record.page as Page | undefined, notes);
  }
  return { record, ...notes };
}

interface Notes {
  readonly brought: string[];
  readonly lost: Lost[];
}

function soundValue(field: FieldName, value: unknown, { brought, lost }: Notes): unknown {
  const found = broughtIn(FIELD_RECORDS[field], { [field]: value });
  if (!found) {
    lost.push({ way: field, value });
    return begun(field);
  }
  brought.push(...found.brought);
  lost.push(...found.lost);
  return found.value[field] ?? null;
}

function soundEntities(
  table: TableName,
  value: unknown,
  page: Page | undefined,
  { brought, lost }: Notes,
): unknown {
  if (!Array.isArray(value)) {
    lost.push({ way: table, value });
    return begun(table);
  }
  return value.flatMap((entity) => {
    const found = soundEntity(ENTITY_RECORDS[table], entity);
    const placed = found && page ? broughtToPage(table, found.value as never, page.box) : found?.value;
    brought.push(...(found?.brought ?? []).map((way) => `${table}.${way}`));
    lost.push(...(found?.lost ?? []).map(({ way, value }) => ({ way: `${table}.${way}`, value })));
    if (placed === undefined) {
      lost.push({ way: table, value: entity });
      return [];
    }
    if (placed !== found?.value) brought.push(`${table}.page`);
    return [placed];
  });
}

/** Looked at once: the states of a history share most of their entities. */
const soundEntity = weakMapMemoize(broughtIn);

/** A drawing of salvaged fields, with all that it speaks of. */
export const salvagedDrawing = (record: RecordForm): Drawing =>
  withMissingParts(withMissingColours(filled(fromRecord(record) as Drawing)));

/** A table as a list, whatever it is. */
function listedField(field: FieldName, value: unknown): unknown {
  const { form } = FIELDS[field];
  if (form === "value" || !isLoose(value)) return value;
  if (form === "table") return Object.values(value);
  return Object.entries(value).map(([name, sheet]) =>
    isLoose(sheet) ? { ...sheet, name } : { name, sheet },
  );
}

const PAGE = defaultPage({ x: 0, y: 0, width: 1000, height: 1000 });

/** What a field begins as, in the form that files have. */
function begun(field: FieldName): unknown {
  if (field === "name") return "Untitled";
  if (field === "page") return PAGE;
  const value = FIELDS[field].start?.();
  return FIELDS[field].form === "value" ? value : listedField(field, value);
}

/** Tables that may not be empty begin anew where all of theirs was lost. */
const NEVER_EMPTY = ["tin", "colourways", "parts", "nibs"] as const;

function filled(drawing: Drawing): Drawing {
  const empty = NEVER_EMPTY.filter((field) => Object.keys(drawing[field]).length === 0);
  const whole: Drawing = {
    ...drawing,
    ...Object.fromEntries(empty.map((field) => [field, FIELDS[field].start!()])),
  };
  return whole.shown in whole.colourways ? whole : { ...whole, shown: Object.keys(whole.colourways)[0] };
}
