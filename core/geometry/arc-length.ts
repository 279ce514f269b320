/** How far along a chain of cubics its parameters lie, by length. */
import { curveCount, pointAt, stepsFor } from "./cubic.ts";
import type { Coords } from "./point.ts";

/** Parameters in rising order with the length up to each, in page units. */
export interface ArcLength {
  readonly us: readonly number[];
  readonly lengths: readonly number[];
  readonly total: number;
}

const FEWEST_STEPS = 4;

/** Measured along chords within `tolerance` page units of the chain, at least four for every cubic. */
export function arcLengthOf(chain: Coords, tolerance: number): ArcLength {
  const us = [0];
  const lengths = [0];
  let [x, y] = pointAt(chain, 0);
  let total = 0;
  for (let c = 0; c < curveCount(chain); c++) {
    const steps = Math.max(FEWEST_STEPS, stepsFor(chain, c * 6, tolerance));
    for (let k = 1; k <= steps; k++) {
      const u = c + k / steps;
      const [nx, ny] = pointAt(chain, u);
      total += Math.sqrt((nx - x) ** 2 + (ny - y) ** 2);
      us.push(u);
      lengths.push(total);
      x = nx;
      y = ny;
    }
  }
  return { us, lengths, total };
}

/** The parameter at a length from the start. */
export const parameterAt = ({ us, lengths }: ArcLength, length: number): number =>
  between(lengths, us, length);

/** The length from the start up to a parameter. */
export const lengthAt = ({ us, lengths }: ArcLength, u: number): number => between(us, lengths, u);

/** Straight between the known places of two rising lists. */
function between(from: readonly number[], to: readonly number[], at: number): number {
  let low = 0;
  let high = from.length - 1;
  if (at <= from[low]) return to[low];
  if (at >= from[high]) return to[high];
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (from[middle] <= at) low = middle;
    else high = middle;
  }
  const span = from[high] - from[low];
  return to[low] + (span > 0 ? (to[high] - to[low]) * ((at - from[low]) / span) : 0);
}
