/** How far two lines lie apart at most: the Hausdorff distance of their chains, from many places along both. */
import { closestNear, curveCount, pointAt, stepsFor } from "../geometry/cubic.ts";
import { type Coords, distance, type Point } from "../geometry/point.ts";

/** Places are taken at least this many to a cubic, and no further apart than the tolerance asks. */
const FEWEST = 8;

/**
 * Largest distance in page units from any place of either chain to the other; exact to about `tolerance` / 50. Past
 * `limit` it is only known to be more.
 */
export function deviation(a: Coords, b: Coords, tolerance: number, limit = Infinity): number {
  const there = farthest(a, b, tolerance, limit);
  return there > limit ? there : Math.max(there, farthest(b, a, tolerance, limit));
}

function farthest(from: Coords, to: Coords, tolerance: number, limit: number): number {
  const us = parametersAlong(to, tolerance);
  const places = us.map((u) => pointAt(to, u));
  let worst = 0;
  for (const u of parametersAlong(from, tolerance)) {
    worst = Math.max(worst, distanceTo(to, us, places, pointAt(from, u), worst));
    if (worst > limit) break;
  }
  return worst;
}

function parametersAlong(chain: Coords, tolerance: number): number[] {
  const us: number[] = [0];
  for (let c = 0; c < curveCount(chain); c++) {
    const steps = Math.max(FEWEST, stepsFor(chain, c * 6, tolerance / 50));
    for (let k = 1; k <= steps; k++) us.push(c + k / steps);
  }
  return us;
}

/** The distance of a place from a chain; anything up to `enough` where it is no farther than that. */
function distanceTo(
  chain: Coords,
  us: readonly number[],
  places: readonly Point[],
  at: Point,
  enough: number,
): number {
  let best = 0;
  let least = Infinity;
  places.forEach((place, k) => {
    const gap = (place[0] - at[0]) ** 2 + (place[1] - at[1]) ** 2;
    if (gap < least) {
      least = gap;
      best = k;
    }
  });
  if (least <= enough * enough) return enough;
  // The nearest place may lie on either side of the nearest one taken, and across a joint of cubics.
  let nearest = Math.sqrt(least);
  for (const guess of [
    us[best],
    (us[best] + us[Math.max(0, best - 1)]) / 2,
    (us[best] + us[Math.min(us.length - 1, best + 1)]) / 2,
  ]) {
    nearest = Math.min(nearest, distance(pointAt(chain, closestNear(chain, at, guess, 0.5)), at));
  }
  return nearest;
}
