/**
 * Thinning to a skeleton one pixel wide, in the order of distance from the paper, so that it lies in the middle of
 * the ink: Pudney, "Distance-ordered homotopic thinning", 1998. A pixel goes when that neither parts ink nor joins
 * paper (a simple point, Rosenfeld 1979) and it is not the tip of a line.
 */
import type { Mask } from "./mask.ts";

/** A mask of the skeleton. `squared` are the distances of distance.ts. */
export function skeletonOf({ width, height, data }: Mask, squared: Int32Array): Mask {
  const ink = data.slice();
  const around = Int32Array.of(1, width + 1, width, width - 1, -1, -width - 1, -width, -width + 1);
  const byDistance = sortedByDistance(ink, squared);
  const again: number[] = [];
  const removable = (i: number) => ink[i] === 1 && REMOVABLE[neighboursOf(ink, width, i)] === 1;
  for (let at = 0; at < byDistance.length; at++) {
    const i = byDistance[at];
    if (!removable(i)) continue;
    ink[i] = 0;
    again.push(i);
    // What had to stay may go now that a neighbour has gone.
    while (again.length > 0) {
      const gone = again.pop()!;
      for (let k = 0; k < 8; k++) {
        const j = gone + around[k];
        if (ink[j] === 0 || squared[j] > squared[i] || !removable(j)) continue;
        if (squared[j] === squared[i] && j > i) continue;
        ink[j] = 0;
        again.push(j);
      }
    }
  }
  return { width, height, data: ink };
}

/** Ink pixels by rising distance, in reading order where it is the same (counting sort). */
function sortedByDistance(ink: Uint8Array, squared: Int32Array): Int32Array {
  let count = 0;
  for (let i = 0; i < ink.length; i++) count += ink[i];
  const pixels = new Int32Array(count);
  let farthest = 0;
  for (let i = 0, k = 0; i < ink.length; i++)
    if (ink[i]) {
      pixels[k++] = i;
      if (squared[i] > farthest) farthest = squared[i];
    }
  const start = new Int32Array(farthest + 2);
  for (let k = 0; k < count; k++) start[squared[pixels[k]] + 1]++;
  for (let d = 1; d < start.length; d++) start[d] += start[d - 1];
  const sorted = new Int32Array(count);
  for (let k = 0; k < count; k++) sorted[start[squared[pixels[k]]]++] = pixels[k];
  return sorted;
}

/** A bit for each of the eight neighbours that is ink, clockwise from the right. */
const neighboursOf = (ink: Uint8Array, width: number, i: number): number =>
  ink[i + 1] |
  (ink[i + width + 1] << 1) |
  (ink[i + width] << 2) |
  (ink[i + width - 1] << 3) |
  (ink[i - 1] << 4) |
  (ink[i - width - 1] << 5) |
  (ink[i - width] << 6) |
  (ink[i - width + 1] << 7);

/** For each of the 256 neighbourhoods whether its middle can go. */
const REMOVABLE = Uint8Array.from({ length: 256 }, (_, bits) =>
  isSimple(bits) && countOf(bits) > 1 ? 1 : 0,
);

function countOf(bits: number): number {
  let count = 0;
  for (let k = 0; k < 8; k++) count += (bits >> k) & 1;
  return count;
}

/** Yokoi's number for eight neighbours is 1: one run of ink about the pixel, one of paper beside it. */
function isSimple(bits: number): boolean {
  const paper = (k: number) => 1 - ((bits >> (k & 7)) & 1);
  let number = 0;
  for (let k = 0; k < 8; k += 2) number += paper(k) - paper(k) * paper(k + 1) * paper(k + 2);
  return number === 1;
}
