/**
 * For every ink pixel the squared distance in pixels to the nearest paper pixel, exactly. Felzenszwalb and
 * Huttenlocher, "Distance transforms of sampled functions", 2012: down the columns,
 * then along the rows.
 */
import type { Mask } from "./mask.ts";

export function squaredDistances({ width, height, data }: Mask): Int32Array {
  const out = new Int32Array(data.length);
  for (let i = width; i < data.length; i++) out[i] = data[i] ? out[i - width] + 1 : 0;
  for (let i = data.length - width - 1; i >= 0; i--)
    if (out[i + width] + 1 < out[i]) out[i] = out[i + width] + 1;
  const columns = new Float64Array(width);
  const at = new Int32Array(width);
  const from = new Float64Array(width + 1);
  for (let y = 0; y < height; y++)
    for (let x = 1, start = y * width; x < width; x++) {
      if (!out[start + x]) continue;
      const first = x - 1;
      while (x < width && out[start + x]) x++;
      acrossRun(out, start + first, Math.min(width, x + 1) - first, columns, at, from);
    }
  return out;
}

/**
 * The lower envelope of the parabolas that stand on a run of ink and the paper at either side of it, beyond which
 * nothing is nearer.
 */
function acrossRun(
  out: Int32Array,
  start: number,
  count: number,
  columns: Float64Array,
  at: Int32Array,
  from: Float64Array,
): void {
  for (let x = 0; x < count; x++) columns[x] = out[start + x] ** 2;
  let k = 0;
  at[0] = 0;
  from[0] = -Infinity;
  from[1] = Infinity;
  for (let x = 1; x < count; x++) {
    let meet = meeting(columns, at[k], x);
    while (meet <= from[k]) meet = meeting(columns, at[--k], x);
    at[++k] = x;
    from[k] = meet;
    from[k + 1] = Infinity;
  }
  k = 0;
  for (let x = 0; x < count; x++) {
    while (from[k + 1] < x) k++;
    out[start + x] = (x - at[k]) ** 2 + columns[at[k]];
  }
}

const meeting = (row: Float64Array, a: number, b: number): number =>
  (row[b] + b * b - row[a] - a * a) / (2 * (b - a));
