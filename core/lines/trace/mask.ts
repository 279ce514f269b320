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

/** Flips connected runs of a value with fewer pixels than `size`: ink by eight neighbours, paper by four. */
function removeSmall({ width, height, data }: Mask, value: 0 | 1, size: number): void {
  const seen = new Uint8Array(data.length);
  const stack = new Int32Array(data.length);
  const steps = value
    ? [-1, 1, -width, width, -width - 1, -width + 1, width - 1, width + 1]
    : [-1, 1, -width, width];
  const found = new Int32Array(size);
  for (let y = 1; y < height - 1; y++)
    for (let x = 1; x < width - 1; x++) {
      const start = y * width + x;
      if (seen[start] || data[start] !== value) continue;
      let top = 0;
      let count = 0;
      stack[top++] = start;
      seen[start] = 1;
      while (top > 0) {
        const i = stack[--top];
        if (count < size) found[count] = i;
        count++;
        for (const step of steps) {
          const j = i + step;
          if (j < 0 || j >= data.length || seen[j] || data[j] !== value) continue;
          seen[j] = 1;
          stack[top++] = j;
        }
      }
      if (count < size) for (let k = 0; k < count; k++) data[found[k]] = value ? 0 : 1;
    }
}
