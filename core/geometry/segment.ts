/** Straight segments between two points, in page units or lattice steps alike. */
import { mix, type Point } from "./point.ts";

/** Twice the signed area of a triangle: its sign tells on which side of the way from a to b the point c lies. */
export const turn = (a: Point, b: Point, c: Point): number =>
  (b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0]);

/** Whether segments ab and cd cross or touch, up to rounding; on one straight line they touch where they share a place. */
export const segmentsCross = (a: Point, b: Point, c: Point, d: Point): boolean =>
  rangesMeet(a[0], b[0], c[0], d[0]) &&
  rangesMeet(a[1], b[1], c[1], d[1]) &&
  turn(a, b, c) * turn(a, b, d) <= 0 &&
  turn(c, d, a) * turn(c, d, b) <= 0;

const rangesMeet = (a: number, b: number, c: number, d: number): boolean =>
  Math.max(a, b) >= Math.min(c, d) && Math.max(c, d) >= Math.min(a, b);

export function closestOnSegment(a: Point, b: Point, at: Point): Point {
  const dx = b[0] - a[0];
  const dy = b[1] - a[1];
  const length = dx * dx + dy * dy;
  if (length === 0) return a;
  const t = ((at[0] - a[0]) * dx + (at[1] - a[1]) * dy) / length;
  return mix(a, b, Math.max(0, Math.min(1, t)));
}
