/**
 * Chains of cubic Béziers in one flat run of numbers: [x0, y0, c1x, c1y, c2x, c2y, x1, y1, …].
 * A chain of n cubics has 2 + 6n numbers; a place on it is one parameter u in 0..n, whose whole part
 * names the cubic and whose fraction is that cubic's t. Page units throughout.
 */
import type { Coords, Point } from "./point.ts";

/** Length of the handles that make a cubic a quarter of a circle of radius 1. */
export const QUARTER_HANDLE = 0.5522847498;

export const curveCount = (chain: Coords): number => Math.max(0, (chain.length - 2) / 6);

/** Splits u into the index of its cubic and that cubic's own t; u = n belongs to the last cubic. */
function locate(chain: Coords, u: number): [offset: number, t: number] {
  const last = curveCount(chain) - 1;
  const index = Math.max(0, Math.min(last, Math.floor(u)));
  return [index * 6, u - index];
}

export function pointAt(chain: Coords, u: number): Point {
  if (chain.length < 8) return [chain[0], chain[1]];
  const [o, t] = locate(chain, u);
  const s = 1 - t;
  const a = s * s * s;
  const b = 3 * s * s * t;
  const c = 3 * s * t * t;
  const d = t * t * t;
  return [
    a * chain[o] + b * chain[o + 2] + c * chain[o + 4] + d * chain[o + 6],
    a * chain[o + 1] + b * chain[o + 3] + c * chain[o + 5] + d * chain[o + 7],
  ];
}

/** First derivative by u. */
export function derivativeAt(chain: Coords, u: number): Point {
  if (chain.length < 8) return [0, 0];
  const [o, t] = locate(chain, u);
  const s = 1 - t;
  const a = 3 * s * s;
  const b = 6 * s * t;
  const c = 3 * t * t;
  return [
    a * (chain[o + 2] - chain[o]) + b * (chain[o + 4] - chain[o + 2]) + c * (chain[o + 6] - chain[o + 4]),
    a * (chain[o + 3] - chain[o + 1]) + b * (chain[o + 5] - chain[o + 3]) + c * (chain[o + 7] - chain[o + 5]),
  ];
}

/** One coordinate of the blossom of the cubic at offset o (Ramshaw, 1987): x at an even offset, y at the next. */
function blossom(chain: Coords, o: number, r: number, s: number, t: number): number {
  const q = chain[o + 2];
  const m = chain[o + 4];
  const pq = chain[o] + (q - chain[o]) * r;
  const qm = q + (m - q) * r;
  const mn = m + (chain[o + 6] - m) * r;
  const left = pq + (qm - pq) * s;
  const right = qm + (mn - qm) * s;
  return left + (right - left) * t;
}

/** Control points 1 to 3 of the piece t0..t1 of the cubic at offset o. */
function pushPiece(out: number[], chain: Coords, o: number, t0: number, t1: number): void {
  out.push(blossom(chain, o, t0, t0, t1), blossom(chain, o + 1, t0, t0, t1));
  out.push(blossom(chain, o, t0, t1, t1), blossom(chain, o + 1, t0, t1, t1));
  out.push(blossom(chain, o, t1, t1, t1), blossom(chain, o + 1, t1, t1, t1));
}

/**
 * The part of a chain between two parameters, in the direction from u0 to u1, as a new chain; parameters beyond its ends
 * stand for these.
 */
export function between(chain: Coords, u0: number, u1: number): number[] {
  if (u1 < u0) return reversed(between(chain, u1, u0));
  const count = curveCount(chain);
  const from = Math.max(0, Math.min(count, u0));
  const to = Math.max(0, Math.min(count, u1));
  const out: number[] = [...pointAt(chain, from)];
  let u = from;
  while (u < to - 1e-12) {
    const index = Math.min(count - 1, Math.floor(u + 1e-12));
    const end = Math.min(to, index + 1);
    pushPiece(out, chain, index * 6, Math.max(0, u - index), end - index);
    u = end;
  }
  return out;
}

export function reversed(chain: Coords): number[] {
  const out: number[] = [];
  for (let i = chain.length - 2; i >= 0; i -= 2) out.push(chain[i], chain[i + 1]);
  return out;
}

/** Draws a chain on, straight, to a place. */
export function lineTo(chain: number[], [x, y]: Point): void {
  const [fx, fy] = [chain[chain.length - 2], chain[chain.length - 1]];
  chain.push(fx + (x - fx) / 3, fy + (y - fy) / 3, x - (x - fx) / 3, y - (y - fy) / 3, x, y);
}

/** A chain of straight cubics through the given points. */
export function polyline(points: readonly Point[]): number[] {
  const out: number[] = points.length ? [points[0][0], points[0][1]] : [];
  for (let i = 1; i < points.length; i++) {
    const [ax, ay] = points[i - 1];
    const [bx, by] = points[i];
    out.push(ax + (bx - ax) / 3, ay + (by - ay) / 3, bx - (bx - ax) / 3, by - (by - ay) / 3, bx, by);
  }
  return out;
}

/** Whether the cubic at offset o leaves the straight way between its ends. */
export function isBent(chain: Coords, o: number): boolean {
  const dx = chain[o + 6] - chain[o];
  const dy = chain[o + 7] - chain[o + 1];
  const off = (i: number) => Math.abs(dx * (chain[i + 1] - chain[o + 1]) - dy * (chain[i] - chain[o]));
  return off(o + 2) + off(o + 4) > 1e-9 * (dx * dx + dy * dy);
}

function bend(chain: Coords, o: number): number {
  const x = chain[o] - 2 * chain[o + 2] + chain[o + 4];
  const y = chain[o + 1] - 2 * chain[o + 3] + chain[o + 5];
  return x * x + y * y;
}

/**
 * How many equal steps of t keep the chords of one cubic within `tolerance` of it.
 * Wang, "Degree n Bézier curves: subdivision depth", 1984.
 */
export function stepsFor(chain: Coords, o: number, tolerance: number): number {
  const most = Math.max(bend(chain, o), bend(chain, o + 2));
  // Straight ones are many, and need no roots.
  if (0.75 * 0.75 * most <= tolerance * tolerance) return 1;
  return Math.min(512, Math.ceil(Math.sqrt((0.75 * Math.sqrt(most)) / tolerance)));
}

/** Points [x, y, …] along a chain, its chords within `tolerance` of it, both ends included. */
export function flatten(chain: Coords, tolerance: number): number[] {
  const out: number[] = [chain[0], chain[1]];
  for (let i = 0; i < curveCount(chain); i++) {
    const steps = stepsFor(chain, i * 6, tolerance);
    for (let k = 1; k <= steps; k++) {
      const [x, y] = pointAt(chain, k === steps ? i + 1 : i + k / steps);
      out.push(x, y);
    }
  }
  return out;
}

/**
 * Exact signed area between a chain and the straight way from its end back to its start, ½∫(x dy − y dx) about that
 * start, so that it loses no digits far from the origin: of a closed outline its area.
 */
export function enclosedArea(chain: Coords): number {
  let sum = 0;
  for (let o = 0; o + 7 < chain.length; o += 6) {
    const x0 = chain[o] - chain[0];
    const y0 = chain[o + 1] - chain[1];
    const x1 = chain[o + 2] - chain[o];
    const y1 = chain[o + 3] - chain[o + 1];
    const x2 = chain[o + 4] - chain[o];
    const y2 = chain[o + 5] - chain[o + 1];
    const x3 = chain[o + 6] - chain[o];
    const y3 = chain[o + 7] - chain[o + 1];
    sum -= 0.15 * (x1 * (-y2 - y3) + x2 * (y1 - 2 * y3) + x3 * (y1 + 2 * y2));
    sum += 0.5 * (x0 * y3 - x3 * y0);
  }
  return sum;
}

/** The parameter near `guess` where the chain comes closest to a point (Newton, kept within ±span). */
export function closestNear(chain: Coords, at: Point, guess: number, span = 1): number {
  const low = Math.max(0, guess - span);
  const high = Math.min(curveCount(chain), guess + span);
  let u = Math.max(low, Math.min(high, guess));
  for (let i = 0; i < 12; i++) {
    const [x, y] = pointAt(chain, u);
    const [dx, dy] = derivativeAt(chain, u);
    const slope = dx * dx + dy * dy;
    if (slope === 0) break;
    const step = ((at[0] - x) * dx + (at[1] - y) * dy) / slope;
    const moved = Math.max(low, Math.min(high, u + step));
    if (Math.abs(moved - u) < 1e-12) break;
    u = moved;
  }
  return u;
}

/**
 * Where two chains cross near the parameters ua and ub (Newton on both at once).
 * Gives undefined when it does not settle within `within` page units of the first guess.
 */
export function crossingNear(
  a: Coords,
  ua: number,
  b: Coords,
  ub: number,
  within: number,
): Point | undefined {
  const start = pointAt(a, ua);
  let u = ua;
  let v = ub;
  for (let i = 0; i < 8; i++) {
    const p = pointAt(a, u);
    const q = pointAt(b, v);
    const [px, py] = derivativeAt(a, u);
    const [qx, qy] = derivativeAt(b, v);
    const det = px * -qy + qx * py;
    const gapX = q[0] - p[0];
    const gapY = q[1] - p[1];
    if (Math.abs(det) < 1e-9 * (Math.hypot(px, py) * Math.hypot(qx, qy)) || det === 0) return undefined;
    const du = (gapX * -qy + qx * gapY) / det;
    const dv = (px * gapY - gapX * py) / det;
    u = Math.max(0, Math.min(curveCount(a), u + du));
    v = Math.max(0, Math.min(curveCount(b), v + dv));
    if (Math.abs(du) + Math.abs(dv) < 1e-13) break;
  }
  const p = pointAt(a, u);
  const q = pointAt(b, v);
  const settled = Math.hypot(p[0] - q[0], p[1] - q[1]) < within * 1e-3;
  const near = Math.hypot(p[0] - start[0], p[1] - start[1]) < within;
  return settled && near ? p : undefined;
}

/** Whether the cubic that begins at a number of a chain is one as `polyline` makes them: a straight run at even speed. */
export function isStraightAt(chain: Coords, o: number): boolean {
  const size = Math.abs(chain[o + 6] - chain[o]) + Math.abs(chain[o + 7] - chain[o + 1]);
  const off = (k: number, i: number) =>
    Math.abs(chain[o + k] - (chain[o + (k & 1)] * (3 - i) + chain[o + 6 + (k & 1)] * i) / 3);
  return off(2, 1) + off(3, 1) + off(4, 2) + off(5, 2) <= 1e-9 * size;
}
