/** Lines that end on another or share its corners: they follow when it is bent. */
import { curveCount, derivativeAt, pointAt } from "../geometry/cubic.ts";
import { nearestPlace } from "../geometry/nearest.ts";
import { boundsOf, boxHolds, distance, grow, type Point } from "../geometry/point.ts";
import { pointNumbers, pointOf, withPointsMoved } from "./bend.ts";

/** What is asked of a stroke here. */
export interface LineLike {
  readonly id: string;
  readonly points: readonly number[];
  readonly closed: boolean;
  readonly width: number;
}

/** A point of a line that lies on another: an end anywhere on it, or an inner point at one of the other's points. */
export interface Meet {
  readonly id: string;
  readonly closed: boolean;
  /** The point's number (see bend.ts). */
  readonly point: number;
  /** The parameter of the place on the other line. */
  readonly u: number;
  /** From there to the point itself. */
  readonly off: Point;
}

/** Points on the way are shared when they lie this near, as a part of half the ink of both lines. */
const SHARED = 0.1;

/** The points of other lines that lie on this one: ends whose ink touches it, and corners it shares with them. */
export function meetsOn(line: LineLike, others: readonly LineLike[]): Meet[] {
  const meets: Meet[] = [];
  const box = boundsOf([line.points]);
  if (!box) return meets;
  const own = pointNumbers(line.points, line.closed).map((index) => pointOf(line.points, index));
  for (const { id, points, closed, width } of others) {
    if (id === line.id || points.length < 8) continue;
    const touching = (width + line.width) / 2;
    const around = grow(box, touching);
    for (const point of pointNumbers(points, closed)) {
      const at = pointOf(points, point);
      if (!boxHolds(around, at)) continue;
      const isEnd = !closed && (point === 0 || point === curveCount(points));
      if (!isEnd && !own.some((place) => distance(place, at) <= SHARED * touching)) continue;
      const u = nearestPlace(line.points, at);
      const on = pointAt(line.points, u);
      if (distance(on, at) <= touching)
        meets.push({ id, closed, point, u, off: [at[0] - on[0], at[1] - on[1]] });
    }
  }
  return meets;
}

/** The lines whose points follow another one into a new shape with as many points. */
export function followed(
  meets: readonly Meet[],
  from: ReadonlyMap<string, readonly number[]>,
  before: readonly number[],
  bent: readonly number[],
): Map<string, readonly number[]> {
  const shapes = new Map<string, readonly number[]>();
  for (const { id, closed, point, u, off } of meets) {
    const points = shapes.get(id) ?? from.get(id);
    if (!points || samePlace(before, bent, u)) continue;
    const [x, y] = pointAt(bent, u);
    const [atX, atY] = pointOf(points, point);
    shapes.set(id, withPointsMoved(points, closed, [point], [x + off[0] - atX, y + off[1] - atY]));
  }
  return shapes;
}

const samePlace = (before: readonly number[], bent: readonly number[], u: number): boolean =>
  distance(pointAt(before, u), pointAt(bent, u)) === 0 &&
  distance(derivativeAt(before, u), derivativeAt(bent, u)) === 0;
