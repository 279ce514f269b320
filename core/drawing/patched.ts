/** What patches make of a drawing. */
import { applyPatches, type Patch } from "immer";
import type { Drawing } from "./drawing.ts";
import { handOnLists } from "./entities.ts";
import { FIELDS, type FieldName, type TableName } from "./fields.ts";
import { type Few, narrowed, widened } from "./narrowed.ts";

export function patched(before: Drawing, patches: Patch[]): Drawing {
  const few = touchedBy(patches);
  const narrow = narrowed(before, few);
  const after = widened(before, few, narrow, applyPatches(narrow, patches));
  handOnLists(before, after, patches);
  return after;
}

/** The entities that patches name, of tables that none of them changes as a whole. */
function touchedBy(patches: readonly Patch[]): Few {
  const ids = new Map<TableName, Set<string>>();
  const whole = new Set<string | number>();
  for (const { path } of patches) {
    const [field, id] = path;
    if (FIELDS[field as FieldName].form !== "table") continue;
    if (id === undefined) whole.add(field);
    else ids.set(field as TableName, (ids.get(field as TableName) ?? new Set()).add(String(id)));
  }
  return Object.fromEntries([...ids].filter(([name]) => !whole.has(name)));
}
