import type { Line } from "../core/pockets/segments.ts";

/** Milliseconds one call takes. */
export function timed(work: () => unknown): number {
  const begun = performance.now();
  work();
  return performance.now() - begun;
}

/** Median milliseconds over a number of rounds, after three to warm up. */
export function median(rounds: number, work: () => unknown): number {
  for (let i = 0; i < 3; i++) work();
  const times = Array.from({ length: rounds }, () => timed(work)).sort((a, b) => a - b);
  return times[rounds >> 1];
}

export const middle = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[values.length >> 1];

/** A line moved along both axes. */
export const shifted = (line: Line, by: number): Line => ({
  ...line,
  points: Array.from(line.points, (n) => n + by),
});
