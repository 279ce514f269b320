/**
 * Cross products of whole-number vectors whose sign can be trusted. Doubles are exact up to 2^53; beyond that the
 * plain product is believed only outside a static error bound, and computed adaptively inside it
 * (Shewchuk, "Adaptive precision floating-point arithmetic and fast robust geometric predicates", 1997).
 */
import { orient2d } from "robust-predicates";

/**
 * How far from zero a cross product of vectors no longer than twice `longest` lattice steps must lie for its sign
 * to be certain; 0 when doubles hold it exactly.
 */
export const errorBoundFor = (longest: number): number =>
  longest <= 2 ** 25 ? 0 : longest * longest * 2 ** -50;

/** a x b: positive where b turns left of a (y upwards). Zero only when exactly parallel. */
export function cross(ax: number, ay: number, bx: number, by: number, errorBound: number): number {
  const plain = ax * by - ay * bx;
  if (errorBound === 0 || plain > errorBound || plain < -errorBound) return plain;
  return -orient2d(ax, ay, bx, by, 0, 0);
}

/** Two segments in lattice steps: from (x, y) along (dx, dy), and likewise (u, v) and (du, dv). */
export interface SegmentPair {
  x: number;
  y: number;
  dx: number;
  dy: number;
  u: number;
  v: number;
  du: number;
  dv: number;
}

/**
 * One coordinate, rounded to the lattice, of where the first segment crosses the second: it begins at `start`
 * and runs `along`, its ends at sides `a` and `b` of the second. Halves go up. Worked out with whole numbers
 * where the error bound of doubles leaves open which way a half is rounded.
 */
export function crossingAt(
  start: number,
  along: number,
  a: number,
  b: number,
  errorBound: number,
  pair: SegmentPair,
): number {
  const part = (a / (a - b)) * along;
  const error = Math.abs(along) * ((2 * errorBound) / Math.abs(a - b) + 2 ** -50);
  const fraction = part - Math.floor(part);
  return start + (Math.abs(fraction - 0.5) <= error ? exactPart(along, pair) : Math.floor(part + 0.5));
}

function exactPart(along: number, { x, y, dx, dy, u, v, du, dv }: SegmentPair): number {
  const [bigDx, bigDy, bigDu, bigDv] = [dx, dy, du, dv].map(BigInt);
  const a = bigDu * BigInt(y - v) - bigDv * BigInt(x - u);
  const turn = bigDv * bigDx - bigDu * bigDy;
  const part = 2n * a * BigInt(along);
  const sense = turn < 0n ? -1n : 1n;
  return Number(floorDivide(part * sense + turn * sense, 2n * turn * sense));
}

/** Division that rounds down, by a positive number. */
function floorDivide(a: bigint, b: bigint): bigint {
  const whole = a / b;
  return whole * b > a ? whole - 1n : whole;
}
