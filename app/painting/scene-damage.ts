/** What has to be painted again of a scene that has changed. */
import { type Box, boundsOf } from "#core/geometry/point.ts";
import { around, boxOfItem } from "#core/scene/item-box.ts";
import type { Item } from "#core/scene/items.ts";
import type { PaintedPart, PaintedSheet } from "./canvas-painter.ts";
import { fewChanges } from "./few-changes.ts";

/** A box in page units, everything, or nothing. */
export type Damage = Box | "all" | undefined;

export interface HeldPart extends PaintedPart {
  readonly id: string;
  readonly dim: boolean;
}

export const damageOf = (
  before: { readonly parts: readonly HeldPart[]; readonly sheets: Sheets },
  after: typeof before,
): Damage => bothOf(damageOfParts(before.parts, after.parts), damageOfSheets(before.sheets, after.sheets));

const bothOf = (a: Damage, b: Damage): Damage => (a === "all" || b === "all" ? "all" : around(a, b));

/** All where parts change their order or faintness, else what they hide. */
function damageOfParts(before: readonly HeldPart[], after: readonly HeldPart[]): Damage {
  const old = new Map(before.map((part) => [part.id, part]));
  const now = new Set(after.map(({ id }) => id));
  const kept = after.filter(({ id }) => old.has(id));
  const stayed = before.filter(({ id }) => now.has(id));
  if (kept.some(({ id, dim }, i) => stayed[i].id !== id || stayed[i].dim !== dim)) return "all";
  let box: Box | undefined;
  for (const part of before.filter(({ id }) => !now.has(id))) box = around(box, boundsOf(part.hides));
  for (const part of after) {
    const last = old.get(part.id);
    if (last?.hides === part.hides) continue;
    box = around(box, around(boundsOf(part.hides), last && boundsOf(last.hides)));
  }
  return box;
}

type Sheets = ReadonlyMap<string, PaintedSheet>;

/** Whether two states of a sheet are as faint, and in the same way. */
export function isFaintAlike(a: Pick<PaintedSheet, "opacity" | "blends">, b: typeof a): boolean {
  return a.opacity === b.opacity && (a.opacity === 1 || a.blends === b.blends);
}

function damageOfSheets(before: Sheets, after: Sheets): Damage {
  let box: Box | undefined;
  for (const key of new Set([...before.keys(), ...after.keys()])) {
    const [a, b] = [before.get(key), after.get(key)];
    if (a && b && !isFaintAlike(a, b)) return "all";
    if (a?.items === b?.items) continue;
    for (const item of differing(a?.items ?? NONE, b?.items ?? NONE)) box = around(box, boxOfItem(item));
  }
  return box;
}

/** Items that are in one list alone, or that have changed places. */
function differing(before: readonly Item[], after: readonly Item[]): Item[] {
  const change = fewChanges(before, after);
  if (change)
    return [...change.removed.map((place) => before[place]), ...change.added.map((place) => after[place])];
  const [old, now] = [new Set(before), new Set(after)];
  const found = before.filter((item) => !now.has(item));
  found.push(...after.filter((item) => !old.has(item)));
  const kept = after.filter((item) => old.has(item));
  const stayed = before.filter((item) => now.has(item));
  stayed.forEach((item, i) => {
    if (kept[i] !== item) found.push(item, kept[i]);
  });
  return found;
}

const NONE: readonly Item[] = [];
