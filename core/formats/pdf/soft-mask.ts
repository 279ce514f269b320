/**
 * What a region covers, blurred: a grey picture for formats that know no blur. Coverage by signed areas of edges within
 * each pixel (as font rasterisers do; Levien, "Inside the fastest font renderer in the world", 2016), which is exact for
 * outlines that do not overlap themselves; then a Gaussian in both directions.
 */
import { flatten } from "../../geometry/cubic.ts";
import type { Box } from "../../geometry/point.ts";
import type { RegionArea } from "../../scene/items.ts";

/** Grey rows from the top, 255 where all is covered. */
export interface Mask {
  readonly columns: number;
  readonly rows: number;
  readonly values: Uint8Array;
}

/** Of a pixel. */
const FLAT = 0.1;
/** Beyond so many standard deviations a Gaussian leaves nothing of 8 bits. */
const REACH = 3;

/** Within a box in page units, so many pixels a page unit; `blur` is the standard deviation in page units. */
export function softMask(area: RegionArea, blur: number, box: Box, scale: number): Mask {
  const sigma = blur * scale;
  const margin = Math.ceil(REACH * sigma);
  const columns = Math.max(1, Math.round(box.width * scale));
  const rows = Math.max(1, Math.round(box.height * scale));
  const grid = {
    wide: columns + 2 * margin,
    high: rows + 2 * margin,
    x: box.x - (margin * box.width) / columns,
    y: box.y - (margin * box.height) / rows,
    scaleX: columns / box.width,
    scaleY: rows / box.height,
  };
  const covered = coverage(area, grid);
  const across = convolved(covered, grid.wide, grid.high, sigma);
  // The second pass gives rows and columns back as they were.
  const soft = convolved(across, grid.high, grid.wide, sigma);
  const values = new Uint8Array(columns * rows);
  for (let r = 0; r < rows; r++)
    for (let c = 0; c < columns; c++)
      values[r * columns + c] = Math.round(255 * soft[(r + margin) * grid.wide + c + margin]);
  return { columns, rows, values };
}

interface Grid {
  readonly wide: number;
  readonly high: number;
  readonly x: number;
  readonly y: number;
  readonly scaleX: number;
  readonly scaleY: number;
}

/** How much of each pixel lies within, 0 to 1. */
function coverage({ chains, evenOdd }: RegionArea, grid: Grid): Float32Array {
  const { wide, high, x, y, scaleX, scaleY } = grid;
  // One more column takes what lies to the right of the picture.
  const sums = new Float32Array((wide + 1) * high);
  for (const chain of chains) {
    const ring = flatten(chain, FLAT / scaleX);
    const n = ring.length;
    for (let i = 0, j = n - 2; i < n; j = i, i += 2)
      addEdge(
        sums,
        grid,
        (ring[j] - x) * scaleX,
        (ring[j + 1] - y) * scaleY,
        (ring[i] - x) * scaleX,
        (ring[i + 1] - y) * scaleY,
      );
  }
  const covered = new Float32Array(wide * high);
  for (let r = 0; r < high; r++) {
    let winding = 0;
    for (let c = 0; c < wide; c++) {
      winding += sums[r * (wide + 1) + c];
      covered[r * wide + c] = evenOdd ? folded(winding) : Math.min(1, Math.abs(winding));
    }
  }
  return covered;
}

/** 0 for even windings, 1 for odd ones, even between them. */
function folded(winding: number): number {
  const rest = Math.abs(winding) % 2;
  return rest > 1 ? 2 - rest : rest;
}

/** Adds the change of winding that an edge brings to the pixels it runs through, row by row. */
function addEdge(
  sums: Float32Array,
  { wide, high }: Grid,
  ax: number,
  ay: number,
  bx: number,
  by: number,
): void {
  if (ay === by) return;
  const down = ay < by ? 1 : -1;
  const [topX, topY, lowX, lowY] = ay < by ? [ax, ay, bx, by] : [bx, by, ax, ay];
  const slope = (lowX - topX) / (lowY - topY);
  for (let r = Math.max(0, Math.floor(topY)); r < Math.min(high, lowY); r++) {
    const from = Math.max(topY, r);
    const to = Math.min(lowY, r + 1);
    if (to <= from) continue;
    const x0 = topX + (from - topY) * slope;
    const x1 = topX + (to - topY) * slope;
    addWithin(sums, r * (wide + 1), wide, Math.min(x0, x1), Math.max(x0, x1), down * (to - from));
  }
}

/** What of a stretch lies before a row changes all of it, what lies behind it nothing. */
function addWithin(
  sums: Float32Array,
  row: number,
  wide: number,
  from: number,
  to: number,
  change: number,
): void {
  const left = Math.min(wide, Math.max(0, from));
  const right = Math.min(wide, Math.max(0, to));
  const length = to - from;
  const before = length > 0 ? Math.min(1, Math.max(0, -from / length)) : from < 0 ? 1 : 0;
  const within = length > 0 ? (right - left) / length : 1 - before;
  sums[row] += change * before;
  if (within > 0) addSpan(sums, row, wide, left, right, change * within);
}

/** Spreads a change of winding of a row evenly over a stretch of it. */
function addSpan(
  sums: Float32Array,
  row: number,
  wide: number,
  left: number,
  right: number,
  change: number,
): void {
  const first = Math.floor(left);
  if (right <= first + 1) {
    // Within one pixel: the part of it right of the edge is covered now, all of the next.
    const share = first >= wide ? 0 : 1 - ((left + right) / 2 - first);
    sums[row + first] += change * share;
    if (first < wide) sums[row + first + 1] += change * (1 - share);
    return;
  }
  let before = 0;
  const last = Math.ceil(right);
  for (let c = first; c < last; c++) {
    // What of the stretch up to the pixel's end has been run through, in the mean over the pixel.
    const a = Math.max(left, c);
    const b = Math.min(right, c + 1);
    const run = (t: number) => (t - left) / (right - left);
    const mean = ((b - a) * (run(a) + run(b))) / 2 + (c + 1 - b);
    sums[row + c] += change * (mean - before);
    before = mean;
  }
  sums[row + last] += change * (1 - before);
}

/** Rows convolved with a Gaussian, and turned: columns come out as rows. */
function convolved(values: Float32Array, wide: number, high: number, sigma: number): Float32Array {
  const kernel = gaussian(sigma);
  const reach = (kernel.length - 1) / 2;
  const turned = new Float32Array(values.length);
  const padded = new Float32Array(wide + 2 * reach);
  for (let r = 0; r < high; r++) {
    padded.set(values.subarray(r * wide, (r + 1) * wide), reach);
    for (let c = 0; c < wide; c++) {
      let sum = 0;
      for (let k = 0; k < kernel.length; k++) sum += kernel[k] * padded[c + k];
      turned[c * high + r] = sum;
    }
  }
  return turned;
}

function gaussian(sigma: number): Float32Array {
  const reach = Math.ceil(REACH * sigma);
  const kernel = Float32Array.from({ length: 2 * reach + 1 }, (_, k) =>
    sigma > 0 ? Math.exp(-((k - reach) ** 2) / (2 * sigma * sigma)) : 1,
  );
  const sum = kernel.reduce((all, one) => all + one, 0);
  return kernel.map((one) => one / sum);
}
