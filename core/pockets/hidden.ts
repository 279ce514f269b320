/**
 * Whether a small pocket lies wholly under the ink of the lines that bound it: a quadtree search for a point
 * farther from every bounding segment than half that segment's ink, after the "pole of inaccessibility" search
 * by Agafonkin (2016).
 */
import type { Coords, Point } from "../geometry/point.ts";
import { regionContains } from "../geometry/polygon.ts";
import { Budget } from "./too-dense.ts";

/** A flat run of bounding segments [ax, ay, bx, by, half ink width, …] in page units. */
export type InkedBounds = readonly number[];

/** Adds the pieces of a flattened stretch [x, y, …] with the half width of its ink. */
export function pushInkedBounds(bounds: number[], points: readonly number[], half: number): void {
  for (let k = 0; k + 3 < points.length; k += 2)
    bounds.push(points[k], points[k + 1], points[k + 2], points[k + 3], half);
}

/** Numbers of bounds looked at before a pocket counts as one that shows. */
const MOST_LOOKS = 5e7;

/**
 * `likely` is a point inside where ink is least expected: most pockets show there. White that comes nowhere farther
 * than `speck` from ink, in page units, is none.
 */
export function isHidden(
  rings: readonly Coords[],
  bounds: InkedBounds,
  likely: Point,
  speck: number,
): boolean {
  if (clearance(likely[0], likely[1], bounds) > speck) return false;
  let left = Infinity;
  let top = Infinity;
  let right = -Infinity;
  let bottom = -Infinity;
  const outer = rings[0];
  for (let i = 0; i < outer.length; i += 2) {
    left = Math.min(left, outer[i]);
    right = Math.max(right, outer[i]);
    top = Math.min(top, outer[i + 1]);
    bottom = Math.max(bottom, outer[i + 1]);
  }
  const half = Math.max(right - left, bottom - top) / 2;
  const queue: [x: number, y: number, half: number][] = [[(left + right) / 2, (top + bottom) / 2, half]];
  const smallest = speck / 8;
  const looks = new Budget(MOST_LOOKS);
  while (queue.length) {
    const [x, y, size] = queue.pop()!;
    // One pocket more that is not seen does less harm than one that is seen and missing.
    if (!looks.affords(bounds.length)) return false;
    const clear = clearance(x, y, bounds);
    const reach = size * Math.SQRT2;
    if (clear + reach <= speck) continue;
    const inside = regionContains(rings, [x, y]);
    if (clear > speck && inside) return false;
    if (size < smallest || (!inside && clearance(x, y, bounds, 0) > reach)) continue;
    const h = size / 2;
    queue.push([x - h, y - h, h], [x + h, y - h, h], [x - h, y + h, h], [x + h, y + h, h]);
  }
  return true;
}

/** Distance from a point to the nearest bounding segment less this part of the ink over it; negative under ink. */
function clearance(x: number, y: number, bounds: InkedBounds, ink = 1): number {
  let least = Infinity;
  for (let i = 0; i < bounds.length; i += 5) {
    const dx = bounds[i + 2] - bounds[i];
    const dy = bounds[i + 3] - bounds[i + 1];
    const length = dx * dx + dy * dy;
    const t = length ? ((x - bounds[i]) * dx + (y - bounds[i + 1]) * dy) / length : 0;
    const k = Math.max(0, Math.min(1, t));
    const gap =
      Math.sqrt((x - bounds[i] - k * dx) ** 2 + (y - bounds[i + 1] - k * dy) ** 2) - ink * bounds[i + 4];
    least = Math.min(least, gap);
  }
  return least;
}
