/**
 * The edge of the ink at sub-pixel precision: marching squares between pixel centres, with the place on each side of
 * a square where the level passes the threshold (Lorensen and Cline, "Marching cubes", 1987, in two dimensions).
 */
import type { Grey } from "./grey.ts";
import type { Mask } from "./mask.ts";

/** Levels that agree with a mask: what was taken out of the ink or put in shows no edge of its own any more. */
export function agreedLevels({ width, height, data }: Grey, mask: Mask, threshold: number): Grey {
  const out = data.slice();
  const [ink, paper] = [Math.max(0, threshold - 60), Math.min(255, threshold + 60)];
  for (let i = 0; i < out.length; i++) {
    if (mask.data[i] && out[i] > threshold) out[i] = ink;
    else if (!mask.data[i] && out[i] <= threshold) out[i] = paper;
  }
  return { width, height, data: out };
}

/** Sides of a square that a piece of edge enters and leaves, ink on the right: 0 top, 1 right, 2 bottom, 3 left. */
const PIECES: readonly (readonly number[])[] = (() => {
  const pieces: number[][] = [];
  for (let bits = 0; bits < 16; bits++) {
    const [tl, tr, br, bl] = [bits & 1, bits & 2, bits & 4, bits & 8].map(Boolean);
    const sides: number[] = [];
    // Walking clockwise round the square, where ink gives way to paper and paper to ink.
    const leaves = [tl && !tr, tr && !br, br && !bl, bl && !tl];
    const enters = [!tl && tr, !tr && br, !br && bl, !bl && tl];
    for (let side = 0; side < 4; side++) {
      if (!leaves[side]) continue;
      // Ink that touches at a corner holds together: the nearest way out beyond the ink.
      for (let k = 1; k < 4; k++)
        if (enters[(side + k) % 4]) {
          sides.push(side, (side + k) % 4);
          break;
        }
    }
    pieces.push(sides);
  }
  return pieces;
})();

/** Closed runs of points [x, y, …] in pixels around all ink and, the other way round, around all holes in it. */
export function contoursOf(grey: Grey, threshold: number): number[][] {
  const { width, height, data } = grey;
  // For the side of a square where a piece begins, the side where it ends, plus one. Sides are named by the pixel
  // they begin at: twice its index for those along a row, one more for those down a column.
  const next = new Int32Array(2 * data.length);
  const starts: number[] = [];
  for (let y = 0; y + 1 < height; y++)
    for (let x = 0, i = y * width; x + 1 < width; x++, i++) {
      const bits =
        (data[i] <= threshold ? 1 : 0) |
        (data[i + 1] <= threshold ? 2 : 0) |
        (data[i + width + 1] <= threshold ? 4 : 0) |
        (data[i + width] <= threshold ? 8 : 0);
      if (bits === 0 || bits === 15) continue;
      const sides = PIECES[bits];
      for (let k = 0; k < sides.length; k += 2) {
        const from = sideName(sides[k], i, width);
        next[from] = sideName(sides[k + 1], i, width) + 1;
        starts.push(from);
      }
    }
  const rings: number[][] = [];
  for (const start of starts) {
    if (next[start] === 0) continue;
    const ring: number[] = [];
    let side = start;
    while (next[side] > 0) {
      pushCrossing(ring, grey, threshold, side);
      const to = next[side] - 1;
      next[side] = 0;
      side = to;
    }
    rings.push(ring);
  }
  return rings;
}

function sideName(side: number, i: number, width: number): number {
  if (side === 0) return 2 * i;
  if (side === 1) return 2 * (i + 1) + 1;
  return side === 2 ? 2 * (i + width) : 2 * i + 1;
}

function pushCrossing(ring: number[], { width, data }: Grey, threshold: number, side: number): void {
  const i = side >> 1;
  const down = (side & 1) === 1;
  const a = data[i];
  const b = data[i + (down ? width : 1)];
  // Halfway between two levels: the threshold itself counts as ink.
  const t = (threshold + 0.5 - a) / (b - a);
  const x = (i % width) + 0.5;
  const y = Math.floor(i / width) + 0.5;
  ring.push(down ? x : x + t, down ? y + t : y);
}
