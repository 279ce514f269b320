/** The patches from one drawing to another, entity by entity: identical objects count as unchanged. */
import type { Patch } from "immer";
import type { Drawing } from "./drawing.ts";
import { FIELD_NAMES, FIELDS } from "./fields.ts";

export function difference(before: Drawing, after: Drawing): Patch[] {
  return FIELD_NAMES.flatMap((name): Patch[] => {
    if (before[name] === after[name]) return [];
    if (FIELDS[name].form === "value") return [{ op: "replace", path: [name], value: after[name] }];
    return tableDifference(name, before[name] as Loose, after[name] as Loose);
  });
}

type Loose = Readonly<Record<string, unknown>>;

function tableDifference(name: string, before: Loose, after: Loose): Patch[] {
  const patches: Patch[] = [];
  for (const id of Object.keys(before)) if (!(id in after)) patches.push({ op: "remove", path: [name, id] });
  for (const [id, value] of Object.entries(after))
    if (before[id] !== value) patches.push({ op: id in before ? "replace" : "add", path: [name, id], value });
  return patches;
}
