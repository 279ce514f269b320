/**
 * Which pour colours which pocket. A pour remembers the region it filled; a pocket takes the pour whose region
 * fits it best. So after a split both halves find the old pour, after a merge the larger wins, and a pocket that
 * closes again has its colour back.
 */
import type { Pour, Table } from "../drawing/drawing.ts";
import { boundsOf, boxesApart } from "../geometry/point.ts";
import { regionContains } from "../geometry/polygon.ts";
import type { Pocket } from "./pockets.ts";

/** For each pocket the id of its pour, or undefined when it is bare and always was. */
export function poursOfPockets(pockets: readonly Pocket[], pours: Table<Pour>): (string | undefined)[] {
  const all = Object.values(pours).map((pour) => ({ pour, box: boundsOf([pour.region[0]])! }));
  return pockets.map((pocket) => {
    let best: Pour | undefined;
    let bestFit = 0;
    for (const candidate of all) {
      if (boxesApart(pocket.box, candidate.box)) continue;
      const fit = fitOf(pocket, candidate.pour);
      if (fit > bestFit || (fit === bestFit && best && candidate.pour.rank > best.rank)) {
        best = candidate.pour;
        bestFit = fit;
      }
    }
    return best?.id;
  });
}

/** Likeness of the pocket and the poured region, 0 when neither holds the other's inner point. */
function fitOf(pocket: Pocket, pour: Pour): number {
  const touches = regionContains(pour.region, pocket.seed) || regionContains(pocket.rings, pour.seed);
  return touches ? Math.min(pocket.area, pour.area) / Math.max(pocket.area, pour.area) : 0;
}
