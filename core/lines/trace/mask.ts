/** Which pixels are ink: by level, without specks. Masks hold one byte a pixel, 1 for ink. */
import type { Grey } from "./grey.ts";

export interface Mask {
  readonly width: number;
  readonly height: number;
  readonly data: Uint8Array;
}

/** Ink is at or below the threshold; the outermost pixels never are. */
export function maskOf({ width, height, data }: Grey, threshold: number): Mask {
  const ink = new Uint8Array(data.length);
  for (let i = 0; i < data.length; i++) ink[i] = data[i] <= threshold ? 1 : 0;
  for (let x = 0; x < width; x++) ink[x] = ink[(height - 1) * width + x] = 0;
  for (let y = 0; y < height; y++) ink[y * width] = ink[y * width + width - 1] = 0;
  return { width, height, data: ink };
}

/** Takes out runs of ink of fewer pixels than `size`, and pinholes in ink as small; changes the mask in place. */
export function removeSpecks(mask: Mask, size: number): void {
  if (size <= 1) return;
  removeSmall(mask, 1, size);
  removeSmall(mask, 0, Math.ceil(size / 4));
}

/**
 * Flips connected runs of a value with fewer pixels than `size`: ink by eight neighbours, paper by four. Every run has
 * a pixel with the other value to its left; from there it is followed only until it is known to be large enough.
 */
function removeSmall({ width, data }: Mask, value: 0 | 1, size: number): void {
  const large = new Uint8Array(data.length);
  const steps = value
    ? [-1, 1, -width, width, -width - 1, -width + 1, width - 1, width + 1]
    : [-1, 1, -width, width];
  const run = new Int32Array(size);
  for (let i = 1; i < data.length; i++) {
    if (data[i] !== value || data[i - 1] === value || large[i]) continue;
    let count = 1;
    let isLarge = size <= 1;
    run[0] = i;
    large[i] = 1;
    for (let k = 0; k < count && !isLarge; k++)
      for (const step of steps) {
        const j = run[k] + step;
        if (j < 0 || j >= data.length || data[j] !== value) {
          // Paper at the picture's edge goes on beyond it.
          isLarge ||= !value && (j < 0 || j >= data.length);
          continue;
        }
        if (large[j]) {
          isLarge ||= !isIn(run, count, j);
          continue;
        }
        large[j] = 1;
        run[count++] = j;
        if (count >= size) {
          isLarge = true;
          break;
        }
      }
    if (!isLarge) for (let k = 0; k < count; k++) data[run[k]] = value ? 0 : 1;
  }
}

function isIn(run: Int32Array, count: number, j: number): boolean {
  for (let k = 0; k < count; k++) if (run[k] === j) return true;
  return false;
}
