/**
 * The cubic nearest to a run of points, its ends and their directions given: least squares at parameters that Newton's steps improve.
 * Schneider, "An algorithm for automatically fitting digitized curves", Graphics Gems, 1990.
 */
import { distance, type Point } from "../geometry/point.ts";

/** Points, and for each the parameter of the cubic in hand that is taken to be nearest to it. */
export interface Places {
  /** [x, y, …] in page units. */
  readonly xy: Float64Array;
  /** 0 to 1; one for each point. */
  readonly us: Float64Array;
  /** [x, y, …] from each point between the ends to its place on the cubic, as `worstOf` found it last. */
  readonly off: Float64Array;
}

export const placesOf = (points: readonly Point[]): Places => {
  const xy = new Float64Array(2 * points.length);
  for (let i = 0; i < points.length; i++) {
    xy[2 * i] = points[i][0];
    xy[2 * i + 1] = points[i][1];
  }
  return { xy, us: new Float64Array(points.length), off: new Float64Array(2 * points.length) };
};

export const placeAt = ({ xy }: Pick<Places, "xy">, i: number): Point => [xy[2 * i], xy[2 * i + 1]];

const step = ({ xy }: Pick<Places, "xy">, i: number): number => {
  const dx = xy[2 * i] - xy[2 * i - 2];
  const dy = xy[2 * i + 1] - xy[2 * i - 1];
  return Math.sqrt(dx * dx + dy * dy);
};

/** Sets parameters as far apart as points `from` to `to` are. */
export function setByChords(places: Places, from: number, to: number): void {
  const { us } = places;
  us[from] = 0;
  for (let i = from + 1; i <= to; i++) us[i] = us[i - 1] + step(places, i);
  const whole = us[to];
  for (let i = from + 1; i <= to; i++) us[i] /= whole;
}

/** Four points [x, y, …]. */
export type Cubic = readonly [number, number, number, number, number, number, number, number];

/** The cubic nearest to points `from` to `to` at their parameters; `leaving` and `arriving` are of length 1 and point inward. */
export function leastSquares(
  places: Pick<Places, "xy" | "us">,
  from: number,
  to: number,
  leaving: Point,
  arriving: Point,
): Cubic {
  const { xy, us } = places;
  const x0 = xy[2 * from];
  const y0 = xy[2 * from + 1];
  const x3 = xy[2 * to];
  const y3 = xy[2 * to + 1];
  const both = leaving[0] * arriving[0] + leaving[1] * arriving[1];
  let c00 = 0;
  let c01 = 0;
  let c11 = 0;
  let r0 = 0;
  let r1 = 0;
  for (let i = from; i <= to; i++) {
    const u = us[i];
    const s = 1 - u;
    const b1 = 3 * u * s * s;
    const b2 = 3 * u * u * s;
    const start = s * s * s + b1;
    const end = u * u * u + b2;
    c00 += b1 * b1;
    c01 += b1 * b2 * both;
    c11 += b2 * b2;
    const rx = xy[2 * i] - x0 * start - x3 * end;
    const ry = xy[2 * i + 1] - y0 * start - y3 * end;
    r0 += b1 * (leaving[0] * rx + leaving[1] * ry);
    r1 += b2 * (arriving[0] * rx + arriving[1] * ry);
  }
  const det = c00 * c11 - c01 * c01;
  const span = distance([x0, y0], [x3, y3]);
  let a = det ? (r0 * c11 - r1 * c01) / det : 0;
  let b = det ? (c00 * r1 - c01 * r0) / det : 0;
  const isApart = a > span * 1e-3 && b > span * 1e-3;
  // A handle longer than the way itself meets the points and leaves them in between.
  if (!isApart || (Math.max(a, b) > span && Math.max(a, b) > wayAlong(places, from, to))) a = b = span / 3;
  return [
    x0,
    y0,
    x0 + leaving[0] * a,
    y0 + leaving[1] * a,
    x3 + arriving[0] * b,
    y3 + arriving[1] * b,
    x3,
    y3,
  ];
}

function wayAlong(places: Pick<Places, "xy">, from: number, to: number): number {
  let way = 0;
  for (let i = from + 1; i <= to; i++) way += step(places, i);
  return way;
}

/** How far points between `from` and `to` lie off the cubic at most, and which does. */
export function worstOf(
  { xy, us, off }: Places,
  from: number,
  to: number,
  [x0, y0, x1, y1, x2, y2, x3, y3]: Cubic,
): { readonly index: number; readonly error: number } {
  let index = from + Math.max(1, (to - from + 1) >> 1);
  let most = 0;
  for (let i = from + 1; i < to; i++) {
    const u = us[i];
    const s = 1 - u;
    const b0 = s * s * s;
    const b1 = 3 * s * s * u;
    const b2 = 3 * s * u * u;
    const b3 = u * u * u;
    const dx = b0 * x0 + b1 * x1 + b2 * x2 + b3 * x3 - xy[2 * i];
    const dy = b0 * y0 + b1 * y1 + b2 * y2 + b3 * y3 - xy[2 * i + 1];
    off[2 * i] = dx;
    off[2 * i + 1] = dy;
    const squared = dx * dx + dy * dy;
    if (squared > most) {
      most = squared;
      index = i;
    }
  }
  return { index, error: Math.sqrt(most) };
}

/** One Newton step of each parameter towards where the cubic that `worstOf` looked at is nearest to its point. */
export function improve(
  { us, off }: Places,
  from: number,
  to: number,
  [x0, y0, x1, y1, x2, y2, x3, y3]: Cubic,
): void {
  for (let i = from + 1; i < to; i++) {
    const u = us[i];
    const s = 1 - u;
    const dx = off[2 * i];
    const dy = off[2 * i + 1];
    const vx = 3 * (s * s * (x1 - x0) + 2 * s * u * (x2 - x1) + u * u * (x3 - x2));
    const vy = 3 * (s * s * (y1 - y0) + 2 * s * u * (y2 - y1) + u * u * (y3 - y2));
    const ax = 6 * (s * (x2 - 2 * x1 + x0) + u * (x3 - 2 * x2 + x1));
    const ay = 6 * (s * (y2 - 2 * y1 + y0) + u * (y3 - 2 * y2 + y1));
    const bottom = vx * vx + vy * vy + dx * ax + dy * ay;
    if (bottom !== 0) us[i] = Math.max(0, Math.min(1, u - (dx * vx + dy * vy) / bottom));
  }
}
