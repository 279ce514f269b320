/**
 * Edits are held to the same bounds as files and storage: numbers and names beyond them become the nearest valid
 * value, and an edit that cannot be valid is not made.
 */
import { type Patch, produceWithPatches } from "immer";
import { broughtIn } from "./checked.ts";
import type { Drawing } from "./drawing.ts";
import { FIELDS, type FieldName, type TableName } from "./fields.ts";
import { placedInPart } from "./parts.ts";
import { ENTITY_RECORDS, FIELD_RECORDS } from "./records.ts";
import { broughtToPage, isPageBound } from "./within-page.ts";

/** A drawing after an edit, with the patches that lead there and back. */
export interface Changed {
  readonly drawing: Drawing;
  readonly patches: Patch[];
  readonly inverse: Patch[];
}

export interface Bounded extends Changed {
  /** Whether any value had to be brought to its bounds. */
  readonly brought: boolean;
  /** The fields that could not be kept: where there are any, the edit is refused. */
  readonly wrong: readonly FieldName[];
}

export function bounded(before: Drawing, changed: Changed): Bounded {
  const mended = new Map<string, { readonly path: readonly string[]; readonly value: unknown }>();
  const wrong = new Set<FieldName>();
  for (const place of placesIn(before, changed)) {
    const own = valueAt(changed.drawing, place);
    if (own === undefined) continue;
    const value = broughtAt(changed.drawing, place, own);
    if (value === undefined) wrong.add(place.field);
    else if (value !== own) mended.set(`${place.field} ${place.id}`, { path: pathOf(place), value });
  }
  if (wrong.size > 0 || mended.size === 0) return { ...changed, brought: false, wrong: [...wrong] };
  const [drawing, patches, inverse] = produceWithPatches(changed.drawing, (draft) => {
    for (const { path, value } of mended.values()) {
      const [field, id] = path;
      if (id === undefined) Object.assign(draft, { [field]: value });
      else Object.assign(draft[field as FieldName] as object, { [id]: value });
    }
  });
  return {
    drawing,
    patches: [...changed.patches, ...patches],
    inverse: [...inverse, ...changed.inverse],
    brought: true,
    wrong: [],
  };
}

/** A value of a drawing, or an entity of one of its tables. */
interface Place {
  readonly field: FieldName;
  readonly id?: string;
}

const pathOf = ({ field, id }: Place): string[] => (id === undefined ? [field] : [field, id]);

const valueAt = (drawing: Drawing, { field, id }: Place): unknown =>
  id === undefined ? drawing[field] : (drawing[field] as Readonly<Record<string, unknown>>)[id];

/** What an edit has touched; where it touched the page, everything whose bounds depend on the page. */
function* placesIn(before: Drawing, { drawing, patches }: Changed): Iterable<Place> {
  for (const { path } of patches) {
    const field = path[0] as FieldName;
    if (FIELDS[field].form === "value") yield { field };
    else if (path.length > 1) yield { field, id: String(path[1]) };
    else yield* changedOf(field, before, drawing);
  }
  if (before.page === drawing.page) return;
  for (const field of Object.keys(drawing) as FieldName[])
    if (isPageBound(field)) for (const id of Object.keys(drawing[field])) yield { field, id };
}

function* changedOf(field: FieldName, before: Drawing, after: Drawing): Iterable<Place> {
  const [was, is] = [before[field], after[field]] as Readonly<Record<string, unknown>>[];
  for (const id of Object.keys(is)) if (is[id] !== was[id]) yield { field, id };
}

/** The value at a place, brought within the bounds of its record and the page; undefined where it cannot be kept. */
function broughtAt(drawing: Drawing, { field, id }: Place, own: unknown): unknown {
  if (id === undefined) {
    const found = broughtIn(FIELD_RECORDS[field], { [field]: own });
    return found && found.lost.length === 0 ? found.value[field] : undefined;
  }
  if (field === "sheets") return own;
  const table = field as TableName;
  const found = broughtIn(ENTITY_RECORDS[table], own);
  if (!found || found.lost.length > 0) return undefined;
  return broughtToPage(table, placedInPart(drawing, table, found.value) as never, drawing.page.box);
}
