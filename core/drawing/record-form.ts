/** A drawing as files hold it: tables as lists, sheets with their names. */
import { type Drawing, SHEETS, type SheetName } from "./drawing.ts";
import { FIELD_NAMES, FIELDS, type FieldName } from "./fields.ts";

/** Fields of a drawing in the form of files; of any version, and not checked. */
export type RecordForm = Readonly<Record<string, unknown>>;

export function toRecord(drawing: Pick<Drawing, FieldName>, fields = FIELD_NAMES): RecordForm {
  return Object.fromEntries(fields.map((name) => [name, fieldToRecord(drawing, name)]));
}

function fieldToRecord(drawing: Drawing, name: FieldName): unknown {
  const { form } = FIELDS[name];
  if (form === "table") return Object.values(drawing[name] as object);
  if (form === "sheets") return SHEETS.map((sheet) => ({ name: sheet, ...drawing.sheets[sheet] }));
  return drawing[name];
}

/** The fields of a checked record, as a drawing has them. Sheets it does not name are as in a new drawing. */
export function fromRecord(record: RecordForm, fields: readonly FieldName[] = FIELD_NAMES): Partial<Drawing> {
  return Object.fromEntries(fields.map((name) => [name, fieldFromRecord(record[name], name)]));
}

function fieldFromRecord(value: unknown, name: FieldName): unknown {
  const { form } = FIELDS[name];
  if (form === "table") return byId(value as readonly { readonly id: string }[]);
  if (form === "sheets") return sheetsByName(value as readonly NamedSheet[]);
  return value;
}

const byId = <T extends { readonly id: string }>(items: readonly T[]): Record<string, T> =>
  Object.fromEntries(items.map((item) => [item.id, item]));

type NamedSheet = Drawing["sheets"][SheetName] & { readonly name: SheetName };

const sheetsByName = (sheets: readonly NamedSheet[]): Drawing["sheets"] => ({
  ...FIELDS.sheets.start!(),
  ...Object.fromEntries(sheets.map(({ name, ...sheet }) => [name, sheet])),
});
