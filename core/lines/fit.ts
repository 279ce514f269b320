/**
 * Smooth cubics through hand-drawn points: each span is fitted by least squares (least-cubic.ts) and split at its worst point until
 * that is within tolerance. Schneider, "An algorithm for automatically fitting digitized curves", Graphics Gems, 1990.
 */
import { distance, type Point } from "../geometry/point.ts";
import {
  improve,
  leastSquares,
  type Places,
  placeAt,
  placesOf,
  setByChords,
  worstOf,
} from "./least-cubic.ts";

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
  fitSpan({ places: placesOf(points), tolerance, chain }, 0, points.length - 1, leaving, arriving);
  return chain;
}

const NOWHERE: Point = [0, 0];

function unit(from: Point, to: Point): Point {
  const length = distance(from, to) || 1;
  return [(to[0] - from[0]) / length, (to[1] - from[1]) / length];
}

const ROUNDS = 4;

interface Fitting {
  readonly places: Places;
  /** Page units. */
  readonly tolerance: number;
  /** What is fitted so far. */
  readonly chain: number[];
}

/** Adds cubics for points `from` to `to`. */
function fitSpan(fitting: Fitting, from: number, to: number, leaving: Point, arriving: Point): void {
  const { places, tolerance, chain } = fitting;
  if (to === from + 1) {
    const [first, last] = [placeAt(places, from), placeAt(places, to)];
    const third = distance(first, last) / 3;
    chain.push(first[0] + leaving[0] * third, first[1] + leaving[1] * third);
    chain.push(last[0] + arriving[0] * third, last[1] + arriving[1] * third, last[0], last[1]);
    return;
  }
  setByChords(places, from, to);
  for (let round = 0; round < ROUNDS; round++) {
    const cubic = leastSquares(places, from, to, leaving, arriving);
    const { index, error } = worstOf(places, from, to, cubic);
    if (error <= tolerance) {
      chain.push(cubic[2], cubic[3], cubic[4], cubic[5], cubic[6], cubic[7]);
      return;
    }
    if (error > tolerance * 16 || round === ROUNDS - 1) {
      const through = unit(placeAt(places, index + 1), placeAt(places, index - 1));
      fitSpan(fitting, from, index, leaving, through);
      fitSpan(fitting, index, to, [-through[0], -through[1]], arriving);
      return;
    }
    improve(places, from, to, cubic);
  }
}
