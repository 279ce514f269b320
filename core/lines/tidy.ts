/**
 * Tidies a line: fewer points within a tolerance, with corners kept. Its ends and its pins stay exactly where
 * they are, and no place of the line moves further than the tolerance: each fit is measured, and one that
 * exceeds the tolerance is rejected.
 */
import { curveCount, pointAt, polyline, stepsFor } from "../geometry/cubic.ts";
import { distance, type Point } from "../geometry/point.ts";
import { cornersAmong } from "./corners.ts";
import { deviation } from "./deviation.ts";
import { fitWithCorners } from "./fit.ts";

export interface TidySettings {
  /** Page units. */
  readonly tolerance: number;
  /** Turns sharper than this are corners, in radians. */
  readonly corner: number;
  /** Straight pieces only. */
  readonly straight: boolean;
}

export interface Tidied {
  readonly points: readonly number[];
  readonly before: number;
  readonly after: number;
  /** Page units. */
  readonly deviation: number;
}

/** Fits are tried at this many tolerances, each half the one before. */
const TRIES = 5;

/**
 * `pins` are places of the line that stay, by their parameter: its own points, which then stay corners, and places
 * where other lines end on it. The fit with the fewest points is taken of all that keep to the tolerance; they are made
 * at the same steps for any tolerance asked for, so that a larger one does not give more points.
 */
export function tidied(
  points: readonly number[],
  closed: boolean,
  settings: TidySettings,
  pins: readonly number[] = [],
): Tidied {
  const before = pointCount(points, closed);
  let best: Tidied = { points, before, after: before, deviation: 0 };
  if (curveCount(points) < 1) return best;
  let step = 2 ** Math.ceil(Math.log2(settings.tolerance));
  for (let k = 0; k < TRIES; k++, step /= 2) {
    const fitted = fittedAt(points, closed, { ...settings, tolerance: step }, pins);
    const after = pointCount(fitted, closed);
    if (after >= best.after) continue;
    const off = deviation(points, fitted, settings.tolerance, settings.tolerance);
    if (off <= settings.tolerance) best = { points: fitted, before, after, deviation: off };
  }
  return best;
}

function fittedAt(
  points: readonly number[],
  closed: boolean,
  settings: TidySettings,
  pins: readonly number[],
): number[] {
  const { samples, fixed } = samplesAlong(points, closed, settings.tolerance, pins);
  return settings.straight
    ? straightened(samples, fixed, closed, settings.tolerance)
    : smoothed(samples, fixed, closed, settings);
}

const pointCount = (points: readonly number[], closed: boolean): number =>
  curveCount(points) + (closed ? 0 : 1);

/** Places along a line, those of its own points and pins among them, and which of them are pinned. */
function samplesAlong(
  points: readonly number[],
  closed: boolean,
  tolerance: number,
  pins: readonly number[],
): { samples: Point[]; fixed: number[] } {
  const count = curveCount(points);
  const us = new Set<number>(pins);
  for (let c = 0; c < count; c++) {
    const steps = Math.max(4, 2 * stepsFor(points, c * 6, tolerance / 4));
    for (let k = 0; k <= steps; k++) us.add(c + k / steps);
  }
  if (closed) us.delete(count);
  const places = [...us].filter((u) => u >= 0 && u <= count).sort((a, b) => a - b);
  const samples = places.map(
    (u): Point => (Number.isInteger(u) ? [points[6 * u], points[6 * u + 1]] : pointAt(points, u)),
  );
  const pinned = new Set(pins);
  return { samples, fixed: places.flatMap((u, i) => (pinned.has(u) ? [i] : [])) };
}

/** Corners are judged over this many tolerances. */
const CORNER_REACH = 4;

function smoothed(
  samples: readonly Point[],
  fixed: readonly number[],
  closed: boolean,
  { tolerance, corner }: Omit<TidySettings, "straight">,
): number[] {
  const found = cornersAmong(samples, closed, corner, tolerance * CORNER_REACH);
  const corners = [...new Set([...found, ...fixed])].sort((a, b) => a - b);
  return fitWithCorners(samples, corners, closed, tolerance);
}

/** Straight pieces within the tolerance (Douglas and Peucker, 1973), through all that is fixed. */
function straightened(
  samples: readonly Point[],
  fixed: readonly number[],
  closed: boolean,
  tolerance: number,
): number[] {
  const ring = closed ? [...samples, samples[0]] : samples;
  const last = ring.length - 1;
  const stops = [
    ...new Set([0, ...fixed, ...(closed && fixed.length === 0 ? [farthestFrom(ring)] : []), last]),
  ].sort((a, b) => a - b);
  const kept = [0];
  for (let k = 0; k + 1 < stops.length; k++) keepFarthest(ring, stops[k], stops[k + 1], tolerance, kept);
  return polyline(kept.map((i) => ring[i]));
}

function farthestFrom(ring: readonly Point[]): number {
  let best = 0;
  ring.forEach((at, i) => {
    if (distance(at, ring[0]) > distance(ring[best], ring[0])) best = i;
  });
  return best;
}

function keepFarthest(
  points: readonly Point[],
  from: number,
  to: number,
  tolerance: number,
  kept: number[],
): void {
  let worst = tolerance;
  let at = -1;
  const [ax, ay] = points[from];
  const [dx, dy] = [points[to][0] - ax, points[to][1] - ay];
  const length = dx * dx + dy * dy;
  for (let i = from + 1; i < to; i++) {
    const [px, py] = [points[i][0] - ax, points[i][1] - ay];
    const t = length > 0 ? Math.max(0, Math.min(1, (px * dx + py * dy) / length)) : 0;
    const off = Math.hypot(px - t * dx, py - t * dy);
    if (off > worst) {
      worst = off;
      at = i;
    }
  }
  if (at > 0) {
    keepFarthest(points, from, at, tolerance, kept);
    keepFarthest(points, at, to, tolerance, kept);
  } else kept.push(to);
}
