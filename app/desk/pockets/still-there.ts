import type { Pocket } from "#core/pockets/pockets.ts";
import { pocketAt } from "#core/scene/scene.ts";

/** How a pocket is found again when the lines have changed since. */
export type Met = Pick<Pocket, "key" | "seed">;

/** Of pockets those that were met before: each by itself, or what lies at its inner point now. In the order of all. */
export function stillThere(pockets: readonly Pocket[], met: readonly Met[]): readonly Pocket[] {
  const byKey = new Map(pockets.map((pocket) => [pocket.key, pocket]));
  const found = new Set(met.map(({ key, seed }) => byKey.get(key) ?? pocketAt(pockets, seed)));
  return pockets.filter((pocket) => found.has(pocket));
}
