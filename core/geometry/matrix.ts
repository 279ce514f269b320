/** Affine maps of the plane as SVG writes them: x' = ax + cy + e, y' = bx + dy + f. */
import type { Point } from "./point.ts";

export type Matrix = readonly [a: number, b: number, c: number, d: number, e: number, f: number];

export const IDENTITY: Matrix = [1, 0, 0, 1, 0, 0];

/** First `inner`, then `outer`. */
export const composed = (outer: Matrix, inner: Matrix): Matrix => [
  outer[0] * inner[0] + outer[2] * inner[1],
  outer[1] * inner[0] + outer[3] * inner[1],
  outer[0] * inner[2] + outer[2] * inner[3],
  outer[1] * inner[2] + outer[3] * inner[3],
  outer[0] * inner[4] + outer[2] * inner[5] + outer[4],
  outer[1] * inner[4] + outer[3] * inner[5] + outer[5],
];

export const translation = (x: number, y: number): Matrix => [1, 0, 0, 1, x, y];

/** Scales by x and y and turns by an angle in radians, about a point. */
export function aboutPoint([px, py]: Point, scaleX: number, scaleY: number, angle: number): Matrix {
  const cos = Math.cos(angle);
  const sin = Math.sin(angle);
  const linear: Matrix = [cos * scaleX, sin * scaleX, -sin * scaleY, cos * scaleY, 0, 0];
  return composed(translation(px, py), composed(linear, translation(-px, -py)));
}

/** Flat coordinates [x, y, …] through a map. */
export function mapped(points: ArrayLike<number>, [a, b, c, d, e, f]: Matrix): number[] {
  const out = new Array<number>(points.length);
  for (let i = 0; i + 1 < points.length; i += 2) {
    out[i] = a * points[i] + c * points[i + 1] + e;
    out[i + 1] = b * points[i] + d * points[i + 1] + f;
  }
  return out;
}

export const mappedPoint = ([x, y]: Point, [a, b, c, d, e, f]: Matrix): Point => [
  a * x + c * y + e,
  b * x + d * y + f,
];

/** How much lengths grow on average: the square root of what areas grow by. */
export const meanScale = ([a, b, c, d]: Matrix): number => Math.sqrt(Math.abs(a * d - b * c));

/** Whether a circle stays a circle but for a part in a thousand. */
export function keepsCircles([a, b, c, d]: Matrix): boolean {
  const size = a * a + b * b + c * c + d * d;
  return (a - d) ** 2 + (b + c) ** 2 < 1e-6 * size || (a + d) ** 2 + (b - c) ** 2 < 1e-6 * size;
}
