/**
 * Smooth cubics through hand-drawn points: least-squares fitting with reparametrisation, split at the worst point
 * until within tolerance. Schneider, "An algorithm for automatically fitting digitized curves", Graphics Gems, 1990.
 */
import { distance, type Point } from "../geometry/point.ts";

/** A closed chain of cubics (geometry/cubic.ts) within `tolerance` page units of the points and the line home. */
export function fitClosed(points: readonly Point[], tolerance: number): number[] {
  return fitPoints(ringOf(points, tolerance), tolerance);
}

/** The same, but as smooth where it begins as anywhere. */
export function fitSmoothRing(points: readonly Point[], tolerance: number): number[] {
  const ring = ringOf(points, tolerance);
  // All but one of the points were repeats.
  if (ring.length < 3) return fitPoints(ring, tolerance);
  const leaving = unit(ring[ring.length - 2], ring[1]);
  return fitPoints(ring, tolerance, leaving, [-leaving[0], -leaving[1]]);
}

function ringOf(points: readonly Point[], tolerance: number): Point[] {
  const open = withoutRepeats(points, tolerance);
  return distance(open[0], open[open.length - 1]) > tolerance
    ? [...open, open[0]]
    : [...open.slice(0, -1), open[0]];
}

/** An open chain of cubics within `tolerance` page units of the points. */
export function fitOpen(points: readonly Point[], tolerance: number): number[] {
  return fitPoints(withoutRepeats(points, tolerance), tolerance);
}

/**
 * A chain within `tolerance` page units of the points that may turn sharply at those of the given indices, which
 * rise, and there goes exactly through them; elsewhere it is smooth.
 */
export function fitWithCorners(
  points: readonly Point[],
  corners: readonly number[],
  closed: boolean,
  tolerance: number,
): number[] {
  if (closed && corners.length === 0) return fitSmoothRing(points, tolerance);
  const turned = closed ? [...points.slice(corners[0]), ...points.slice(0, corners[0] + 1)] : points;
  const at = closed ? corners.map((i) => i - corners[0]).slice(1) : corners;
  const stops = [0, ...at.filter((i) => i > 0 && i < turned.length - 1), turned.length - 1];
  const chain: number[] = [turned[0][0], turned[0][1]];
  for (let k = 0; k + 1 < stops.length; k++)
    for (const n of fitOpen(turned.slice(stops[k], stops[k + 1] + 1), tolerance).slice(2)) chain.push(n);
  return chain;
}

/** Leaves out points so near the last one that they say nothing about direction. */
function withoutRepeats(points: readonly Point[], tolerance: number): Point[] {
  const kept = [points[0]];
  for (const p of points) if (distance(p, kept[kept.length - 1]) > tolerance * 0.02) kept.push(p);
  // The end stays exactly where it is.
  if (kept.length > 1) kept[kept.length - 1] = points[points.length - 1];
  return kept;
}

function fitPoints(
  points: readonly Point[],
  tolerance: number,
  leaving = points.length > 1 ? unit(points[0], points[1]) : NOWHERE,
  arriving = points.length > 1 ? unit(points[points.length - 1], points[points.length - 2]) : NOWHERE,
): number[] {
  if (points.length < 2) return [...points[0], ...points[0], ...points[0], ...points[0]];
  const chain: number[] = [points[0][0], points[0][1]];
  fitSpan(points, leaving, arriving, tolerance, chain);
  return chain;
}

const NOWHERE: Point = [0, 0];

function unit(from: Point, to: Point): Point {
  const length = distance(from, to) || 1;
  return [(to[0] - from[0]) / length, (to[1] - from[1]) / length];
}

const ROUNDS = 4;

function fitSpan(
  points: readonly Point[],
  leaving: Point,
  arriving: Point,
  tolerance: number,
  chain: number[],
): void {
  const last = points[points.length - 1];
  if (points.length === 2) {
    const third = distance(points[0], last) / 3;
    push(chain, along(points[0], leaving, third), along(last, arriving, third), last);
    return;
  }
  let us = chordLengths(points);
  for (let round = 0; round < ROUNDS; round++) {
    const curve = leastSquares(points, us, leaving, arriving);
    const worst = worstPoint(points, us, curve);
    if (worst.error <= tolerance) {
      push(chain, curve[1], curve[2], last);
      return;
    }
    if (worst.error > tolerance * 16 || round === ROUNDS - 1) {
      const at = worst.index;
      const through = unit(points[at + 1], points[at - 1]);
      fitSpan(points.slice(0, at + 1), leaving, through, tolerance, chain);
      fitSpan(points.slice(at), [-through[0], -through[1]], arriving, tolerance, chain);
      return;
    }
    us = us.map((u, i) => improved(curve, points[i], u));
  }
}

const push = (chain: number[], a: Point, b: Point, end: Point) => chain.push(...a, ...b, ...end);
const along = (p: Point, direction: Point, by: number): Point => [
  p[0] + direction[0] * by,
  p[1] + direction[1] * by,
];

function chordLengths(points: readonly Point[]): number[] {
  const us = [0];
  for (let i = 1; i < points.length; i++) us.push(us[i - 1] + distance(points[i - 1], points[i]));
  return us.map((u) => u / us[us.length - 1]);
}

type Cubic = readonly [Point, Point, Point, Point];

/** The cubic nearest to points at parameters `us`, with its ends and their directions given. */
export function leastSquares(
  points: readonly Point[],
  us: readonly number[],
  leaving: Point,
  arriving: Point,
): Cubic {
  const first = points[0];
  const last = points[points.length - 1];
  let [c00, c01, c11, x0, x1] = [0, 0, 0, 0, 0];
  points.forEach((p, i) => {
    const u = us[i];
    const s = 1 - u;
    const b1 = 3 * u * s * s;
    const b2 = 3 * u * u * s;
    const start = s * s * s + b1;
    const end = u * u * u + b2;
    c00 += b1 * b1;
    c01 += b1 * b2 * (leaving[0] * arriving[0] + leaving[1] * arriving[1]);
    c11 += b2 * b2;
    const rx = p[0] - first[0] * start - last[0] * end;
    const ry = p[1] - first[1] * start - last[1] * end;
    x0 += b1 * (leaving[0] * rx + leaving[1] * ry);
    x1 += b2 * (arriving[0] * rx + arriving[1] * ry);
  });
  const det = c00 * c11 - c01 * c01;
  const span = distance(first, last);
  let a = det ? (x0 * c11 - x1 * c01) / det : 0;
  let b = det ? (c00 * x1 - c01 * x0) / det : 0;
  // A handle longer than the way itself meets the points and leaves them in between.
  const way = points.reduce((sum, p, i) => (i > 0 ? sum + distance(points[i - 1], p) : 0), 0);
  if (!(a > span * 1e-3 && b > span * 1e-3 && a <= way && b <= way)) a = b = span / 3;
  return [first, along(first, leaving, a), along(last, arriving, b), last];
}

const bezier = ([p0, p1, p2, p3]: Cubic, u: number, k: 0 | 1): number => {
  const s = 1 - u;
  return s * s * s * p0[k] + 3 * s * s * u * p1[k] + 3 * s * u * u * p2[k] + u * u * u * p3[k];
};

function worstPoint(
  points: readonly Point[],
  us: readonly number[],
  curve: Cubic,
): { index: number; error: number } {
  let index = Math.max(1, points.length >> 1);
  let error = 0;
  for (let i = 1; i < points.length - 1; i++) {
    const off = Math.hypot(bezier(curve, us[i], 0) - points[i][0], bezier(curve, us[i], 1) - points[i][1]);
    if (off > error) {
      error = off;
      index = i;
    }
  }
  return { index, error };
}

/** One Newton step of u towards the point of the curve nearest to p. */
function improved(curve: Cubic, p: Point, u: number): number {
  const [p0, p1, p2, p3] = curve;
  const s = 1 - u;
  const first = (k: 0 | 1) =>
    3 * (s * s * (p1[k] - p0[k]) + 2 * s * u * (p2[k] - p1[k]) + u * u * (p3[k] - p2[k]));
  const second = (k: 0 | 1) => 6 * (s * (p2[k] - 2 * p1[k] + p0[k]) + u * (p3[k] - 2 * p2[k] + p1[k]));
  const dx = bezier(curve, u, 0) - p[0];
  const dy = bezier(curve, u, 1) - p[1];
  const top = dx * first(0) + dy * first(1);
  const bottom = first(0) ** 2 + first(1) ** 2 + dx * second(0) + dy * second(1);
  return bottom === 0 ? u : Math.max(0, Math.min(1, u - top / bottom));
}
