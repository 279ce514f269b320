/** A line drawn by hand: samples of a pointer fitted with cubics, the pressure kept as the line's profile. */
import type { Profile } from "../drawing/drawing.ts";
import { distance, type Point } from "../geometry/point.ts";
import { cornersAmong } from "./corners.ts";
import { fitWithCorners } from "./fit.ts";
import { simplerProfile } from "./profile.ts";

export interface HandSample {
  /** Page units. */
  readonly at: Point;
  /** 0 to 1. */
  readonly pressure: number;
}

export interface DrawnLine {
  readonly points: number[];
  readonly closed: boolean;
  readonly profile?: Profile;
}

export interface DrawnOptions {
  /** Page units the line may lie off the samples; a pixel of the screen keeps the detail drawn. */
  readonly tolerance: number;
  /** Whether pressure makes the width. */
  readonly pressed: boolean;
  /** A line that ends this near its own start, in page units, closes. */
  readonly closeWithin: number;
}

const CORNER = (48 * Math.PI) / 180;
/** Corners are sharp over this many tolerances. */
const CORNER_REACH = 5;
const PROFILE = 0.04;
/** A line is long enough to close when it is this many times as long as the way home. */
const ROUND_TRIP = 4;

/** Undefined for what is too short to be a line. */
export function drawnLine(samples: readonly HandSample[], options: DrawnOptions): DrawnLine | undefined {
  const { tolerance, pressed } = options;
  const lengths = lengthsAlong(samples);
  const total = lengths[lengths.length - 1] ?? 0;
  if (total < tolerance * 2) return undefined;
  const closed = closesItself(samples, options.closeWithin);
  const points = samples.map(({ at }) => at);
  if (closed) points[points.length - 1] = points[0];
  const corners = cornersAmong(points, false, CORNER, tolerance * CORNER_REACH);
  const chain = closed
    ? fitWithCorners(points.slice(0, -1), corners, true, tolerance)
    : fitWithCorners(points, corners, false, tolerance);
  return { points: chain, closed, ...(pressed ? { profile: pressureProfile(samples, lengths, total) } : {}) };
}

/** Whether a hand that ends here has come back to where it began. */
export function closesItself(samples: readonly HandSample[], within: number): boolean {
  const [first, last] = [samples[0], samples[samples.length - 1]];
  const home = distance(first.at, last.at);
  const total = lengthsAlong(samples)[samples.length - 1];
  return home <= within && total > ROUND_TRIP * Math.max(home, within);
}

function lengthsAlong(samples: readonly HandSample[]): number[] {
  const lengths: number[] = [];
  samples.forEach(({ at }, i) => {
    lengths.push(i === 0 ? 0 : lengths[i - 1] + distance(samples[i - 1].at, at));
  });
  return lengths;
}

function pressureProfile(samples: readonly HandSample[], lengths: readonly number[], total: number): Profile {
  const evened = samples.map((_, i) => {
    const near = samples.slice(Math.max(0, i - 2), i + 3);
    return near.reduce((sum, { pressure }) => sum + pressure, 0) / near.length;
  });
  const pairs = evened.flatMap((pressure, i) => [lengths[i] / total, Math.max(0.02, pressure)]);
  return simplerProfile(pairs, PROFILE);
}
