/**
 * For every ink pixel the squared distance in pixels to the nearest paper pixel, exactly. Felzenszwalb and
 * Huttenlocher, "Distance transforms of sampled functions", 2012, one pass down the columns and one along the rows.
 */
import type { Mask } from "./mask.ts";

export function squaredDistances({ width, height, data }: Mask): Int32Array {
  const out = new Int32Array(data.length);
  const far = width + height;
  for (let x = 0; x < width; x++) {
    let run = far;
    for (let y = 0, i = x; y < height; y++, i += width) {
      run = data[i] ? run + 1 : 0;
      out[i] = run;
    }
    run = far;
    for (let y = height - 1, i = y * width + x; y >= 0; y--, i -= width) {
      run = data[i] ? run + 1 : 0;
      if (run < out[i]) out[i] = run;
    }
  }
  const row = new Float64Array(width);
  const at = new Int32Array(width);
  const from = new Float64Array(width + 1);
  for (let y = 0; y < height; y++) alongRow(out, y * width, width, row, at, from);
  return out;
}

/** The lower envelope of the parabolas that stand on a row. */
function alongRow(
  out: Int32Array,
  start: number,
  width: number,
  row: Float64Array,
  at: Int32Array,
  from: Float64Array,
): void {
  let ink = false;
  for (let x = 0; x < width; x++) {
    const d = out[start + x];
    row[x] = d * d;
    if (d > 0) ink = true;
  }
  if (!ink) return;
  let k = 0;
  at[0] = 0;
  from[0] = -Infinity;
  from[1] = Infinity;
  for (let x = 1; x < width; x++) {
    let meet = meeting(row, at[k], x);
    while (meet <= from[k]) meet = meeting(row, at[--k], x);
    at[++k] = x;
    from[k] = meet;
    from[k + 1] = Infinity;
  }
  k = 0;
  for (let x = 0; x < width; x++) {
    while (from[k + 1] < x) k++;
    if (out[start + x] > 0) out[start + x] = (x - at[k]) ** 2 + row[at[k]];
  }
}

const meeting = (row: Float64Array, a: number, b: number): number =>
  (row[b] + b * b - row[a] - a * a) / (2 * (b - a));
