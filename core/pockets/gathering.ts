/** Which pockets belong together: by colour, by touching, or both. */
import { apart } from "../colour/oklch.ts";
import { neighboursOf } from "./neighbours.ts";
import type { Pocket } from "./pockets.ts";

/** The colour of each pocket as it is seen, #rrggbb; undefined where it is bare. */
export type SeenColours = (index: number) => string | undefined;

/** Whether two pockets look alike within a distance in OKLab times 100; bare ones are like bare ones alone. */
const alike = (a: string | undefined, b: string | undefined, within: number): boolean =>
  a === b || (a !== undefined && b !== undefined && apart(a, b) <= within);

/** All that look like one, wherever they are. */
export const allAlike = (
  pockets: readonly Pocket[],
  from: number,
  seen: SeenColours,
  within: number,
): number[] => [...pockets.keys()].filter((index) => alike(seen(from), seen(index), within));

/** The pockets that look like a given one and are connected to it across shared borders. */
export function touchingAlike(
  pockets: readonly Pocket[],
  from: number,
  seen: SeenColours,
  within: number,
): number[] {
  const neighbours = neighboursOf(pockets);
  const own = seen(from);
  const found = new Set([from]);
  for (const index of found)
    for (const other of neighbours(index))
      if (other >= 0 && !found.has(other) && alike(own, seen(other), within)) found.add(other);
  return [...found];
}
