/** The patches from one drawing to another, entity by entity: identical objects count as unchanged. */
import type { Patch } from "immer";
import type { Drawing, Table } from "./drawing.ts";
import { entitiesOf } from "./entities.ts";
import { FIELD_NAMES, FIELDS } from "./fields.ts";

export function difference(before: Drawing, after: Drawing): Patch[] {
  return FIELD_NAMES.flatMap((name): Patch[] => {
    if (before[name] === after[name]) return [];
    if (FIELDS[name].form === "table")
      return tableDifference(name, before[name] as Table<Entity>, after[name] as Table<Entity>);
    if (FIELDS[name].form === "sheets")
      return namedDifference(name, before[name] as Loose, after[name] as Loose);
    return [{ op: "replace", path: [name], value: after[name] }];
  });
}

interface Entity {
  readonly id: string;
}

/** Walks both lists at once: what is the same in the same order is passed over. */
function tableDifference(name: string, before: Table<Entity>, after: Table<Entity>): Patch[] {
  const [was, is] = [entitiesOf(before), entitiesOf(after)];
  const [gone, come]: [Patch[], Patch[]] = [[], []];
  for (let i = 0, j = 0; i < was.length || j < is.length; ) {
    const [a, b] = [was[i], is[j]];
    if (a === b || (a && b && a.id === b.id)) {
      if (a !== b) come.push({ op: "replace", path: [name, b.id], value: b });
      i++;
      j++;
    } else if (a && !Object.hasOwn(after, a.id)) {
      gone.push({ op: "remove", path: [name, a.id] });
      i++;
    } else if (b && !Object.hasOwn(before, b.id)) {
      come.push({ op: "add", path: [name, b.id], value: b });
      j++;
    } else return namedDifference(name, before, after);
  }
  return [...gone, ...come];
}

type Loose = Readonly<Record<string, unknown>>;

/** In whatever order they stand. */
function namedDifference(name: string, before: Loose, after: Loose): Patch[] {
  const patches: Patch[] = [];
  for (const id of Object.keys(before)) if (!(id in after)) patches.push({ op: "remove", path: [name, id] });
  for (const [id, value] of Object.entries(after))
    if (before[id] !== value) patches.push({ op: id in before ? "replace" : "add", path: [name, id], value });
  return patches;
}
