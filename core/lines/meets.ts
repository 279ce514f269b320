/** Lines that end on another: they follow when it is bent. */
import { derivativeAt, pointAt } from "../geometry/cubic.ts";
import { nearestPlace } from "../geometry/nearest.ts";
import { boundsOf, boxHolds, distance, grow, type Point } from "../geometry/point.ts";
import { pulledEnd } from "./pull.ts";

/** What is asked of a stroke here. */
export interface LineLike {
  readonly id: string;
  readonly points: readonly number[];
  readonly closed: boolean;
  readonly width: number;
}

/** An end of a line that lies on another one. */
export interface Meet {
  readonly id: string;
  readonly start: boolean;
  /** The parameter of the place on the other line. */
  readonly u: number;
  /** From there to the end itself. */
  readonly off: Point;
}

/** The ends of other lines whose ink touches the middle of this one. */
export function meetsOn(line: LineLike, others: readonly LineLike[]): Meet[] {
  const meets: Meet[] = [];
  const box = boundsOf([line.points]);
  if (!box) return meets;
  for (const { id, points, closed, width } of others) {
    if (id === line.id || closed || points.length < 8) continue;
    const n = points.length;
    const around = grow(box, (width + line.width) / 2);
    for (const start of [true, false]) {
      const end: Point = start ? [points[0], points[1]] : [points[n - 2], points[n - 1]];
      if (!boxHolds(around, end)) continue;
      const place = nearestPlace(line.points, end);
      const on = pointAt(line.points, place);
      if (distance(on, end) <= (width + line.width) / 2)
        meets.push({ id, start, u: place, off: [end[0] - on[0], end[1] - on[1]] });
    }
  }
  return meets;
}

/** The points of lines that follow another one into a new shape with as many points. */
export function followed(
  meets: readonly Meet[],
  from: ReadonlyMap<string, readonly number[]>,
  before: readonly number[],
  bent: readonly number[],
): Map<string, readonly number[]> {
  const shapes = new Map<string, readonly number[]>();
  for (const { id, start, u, off } of meets) {
    const points = shapes.get(id) ?? from.get(id);
    if (!points || samePlace(before, bent, u)) continue;
    const [x, y] = pointAt(bent, u);
    shapes.set(id, pulledEnd(points, start, [x + off[0], y + off[1]]));
  }
  return shapes;
}

const samePlace = (before: readonly number[], bent: readonly number[], u: number): boolean =>
  distance(pointAt(before, u), pointAt(bent, u)) === 0 &&
  distance(derivativeAt(before, u), derivativeAt(bent, u)) === 0;
