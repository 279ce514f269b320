import { flatten } from "../geometry/cubic.ts";
import { boundsOf, boxesApart, boxHolds, type Point } from "../geometry/point.ts";
import { regionContains } from "../geometry/polygon.ts";
import type { Pocket } from "./pockets.ts";

/** How finely a line is looked at, as shares of the page's diagonal. */
const STEP = 1 / 800;
const TOLERANCE = 1 / 5000;

/** The numbers of the pockets that a chain of cubics runs through, rising. */
export function pocketsAlong(points: readonly number[], pockets: readonly Pocket[], page: number): number[] {
  const flat = flatten(points, page * TOLERANCE);
  const box = boundsOf([flat]);
  if (!box) return [];
  const places = placesAlong(flat, page * STEP);
  return pockets.flatMap((pocket, index) =>
    !boxesApart(pocket.box, box) &&
    places.some((at) => boxHolds(pocket.box, at) && regionContains(pocket.rings, at))
      ? [index]
      : [],
  );
}

function placesAlong(flat: readonly number[], step: number): Point[] {
  const places: Point[] = [];
  for (let k = 2; k < flat.length; k += 2) {
    const [ax, ay, bx, by] = [flat[k - 2], flat[k - 1], flat[k], flat[k + 1]];
    const pieces = Math.max(1, Math.ceil(Math.sqrt((bx - ax) ** 2 + (by - ay) ** 2) / step));
    for (let i = 0; i <= pieces; i++)
      places.push([ax + ((bx - ax) * i) / pieces, ay + ((by - ay) * i) / pieces]);
  }
  return places;
}
