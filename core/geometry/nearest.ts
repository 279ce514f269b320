/** The nearest place on any of a set of lines. */
import { closestNear, curveCount, pointAt } from "./cubic.ts";
import { boundsOf, distance, type Point } from "./point.ts";

export interface Snap<T> {
  readonly line: T;
  readonly at: Point;
  readonly gap: number;
}

const PROBES = 8;

/** The nearest point on the lines within a distance in page units; undefined when none comes that near. */
export function nearestOnLines<T extends { readonly points: readonly number[] }>(
  lines: readonly T[],
  at: Point,
  within: number,
): Snap<T> | undefined {
  let best: Snap<T> | undefined;
  for (const line of lines) {
    const box = boundsOf([line.points]);
    if (!box || at[0] < box.x - within || at[1] < box.y - within) continue;
    if (at[0] > box.x + box.width + within || at[1] > box.y + box.height + within) continue;
    const found = pointAt(line.points, nearestPlace(line.points, at));
    const gap = distance(found, at);
    if (gap <= within && gap < (best?.gap ?? Infinity)) best = { line, at: found, gap };
  }
  return best;
}

/** The parameter where a chain comes nearest to a point. */
export function nearestPlace(points: readonly number[], at: Point): number {
  const count = curveCount(points);
  let bestU = 0;
  let least = Infinity;
  for (let k = 0; k <= count * PROBES; k++) {
    const gap = distance(pointAt(points, k / PROBES), at);
    if (gap < least) {
      least = gap;
      bestU = k / PROBES;
    }
  }
  // Where a chain closes, what is nearest may lie on either side.
  const guesses = bestU === 0 && endsMeet(points) ? [0, count] : [bestU];
  for (const guess of guesses) {
    const settled = closestNear(points, at, guess, 1 / PROBES);
    const gap = distance(pointAt(points, settled), at);
    if (gap > least) continue;
    least = gap;
    bestU = settled;
  }
  return bestU;
}

const endsMeet = (points: readonly number[]): boolean =>
  points[0] === points[points.length - 2] && points[1] === points[points.length - 1];
