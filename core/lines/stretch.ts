/** A stretch of a line by its length, as bands follow it. */
import { arcLengthOf, lengthAt, parameterAt } from "../geometry/arc-length.ts";
import { between, curveCount, pointAt } from "../geometry/cubic.ts";
import { nearestPlace } from "../geometry/nearest.ts";
import type { Point } from "../geometry/point.ts";

export interface Stretched {
  /** A chain of cubics in page units; a closed one ends where it starts. */
  readonly points: readonly number[];
  readonly closed: boolean;
}

/** From one share of a line's length, 0 to 1, to a later one; on a closed line that may lie beyond its end, up to 2. */
export interface Stretch {
  readonly from: number;
  readonly to: number;
}

/** Page units by which lengths may be off. */
const TOLERANCE = 0.01;

export const pointAtShare = ({ points }: Stretched, share: number): Point => {
  const arc = arcLengthOf(points, TOLERANCE);
  return pointAt(points, parameterAt(arc, (share > 1 ? share - 1 : share) * arc.total));
};

/** The share of the line's length where it comes nearest to a place. */
export function shareNear({ points }: Stretched, at: Point): number {
  const arc = arcLengthOf(points, TOLERANCE);
  return arc.total > 0 ? lengthAt(arc, nearestPlace(points, at)) / arc.total : 0;
}

/** That stretch of a line as a line of its own; all of it stays as it is. */
export function stretchOf(line: Stretched, { from, to }: Stretch): Stretched {
  if (to - from >= 1) return line;
  const { points } = line;
  const arc = arcLengthOf(points, TOLERANCE);
  const u = (share: number) => parameterAt(arc, share * arc.total);
  const piece =
    to <= 1
      ? between(points, u(from), u(to))
      : [...between(points, u(from), curveCount(points)), ...between(points, 0, u(to - 1)).slice(2)];
  return { points: piece, closed: false };
}

/** A stretch with one end moved; it never reverses, and on an open line it stays between the line's ends. */
export function withEndAt(
  { closed }: Stretched,
  { from, to }: Stretch,
  end: "from" | "to",
  share: number,
): Stretch {
  if (!closed)
    return end === "from" ? { from: Math.min(share, to), to } : { from, to: Math.max(share, from) };
  const start = end === "from" ? share : from;
  const stop = end === "to" ? share : to > 1 ? to - 1 : to;
  return { from: start, to: stop > start ? stop : stop + 1 };
}
