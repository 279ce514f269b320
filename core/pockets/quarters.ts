/** Squares of the lattice in quarters, with the segments that come near each. */
import { IntList } from "../geometry/lists.ts";
import type { Segments } from "./segments.ts";

/** A corner that misses a segment by no more than this many lattice steps may lie on it but for rounding. */
export const NEAR_MISS = 3;

/** Quartering goes on while it leaves at most this part of the pairs of segments to be compared. */
const WORTHWHILE = 0.7;

/** Part of a list of numbers. */
export interface Slice {
  readonly items: Int32Array;
  readonly from: number;
  readonly to: number;
}

/** Lattice points from (left, top) up to, not including, size steps on. */
export interface Square {
  readonly left: number;
  readonly top: number;
  readonly size: number;
}

interface Quarter {
  readonly square: Square;
  readonly around: Slice;
}

export function quartersOf(
  segs: Segments,
  { items, from, to }: Slice,
  { left, top, size }: Square,
): Quarter[] {
  const half = size / 2;
  return [0, 1, 2, 3].map((q) => {
    const square = { left: left + (q & 1 ? half : 0), top: top + (q & 2 ? half : 0), size: half };
    const near = new IntList((to - from) >> 1);
    for (let k = from; k < to; k++) if (comesNear(segs, items[k], square)) near.push(items[k]);
    return { square, around: { items: near.data, from: 0, to: near.length } };
  });
}

export const isWorthwhile = (quarters: readonly Quarter[], count: number): boolean =>
  quarters.reduce((pairs, { around }) => pairs + around.to ** 2, 0) <= WORTHWHILE * count ** 2;

/** Whether a segment comes within a near miss of a square; now and then said of one a little farther away. */
function comesNear({ ax, ay, bx, by }: Segments, s: number, { left, top, size }: Square): boolean {
  const reach = size / 2 + NEAR_MISS + 1;
  const px = left + size / 2 - ax[s];
  const py = top + size / 2 - ay[s];
  const dx = bx[s] - ax[s];
  const dy = by[s] - ay[s];
  const [width, height] = [Math.abs(dx), Math.abs(dy)];
  if (Math.abs(px - dx / 2) > width / 2 + reach || Math.abs(py - dy / 2) > height / 2 + reach) return false;
  return Math.abs(dx * py - dy * px) <= (width + height) * reach * (1 + 2 ** -40);
}
