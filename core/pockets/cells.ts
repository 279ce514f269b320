/**
 * A uniform grid over segments: for each cell the segments that pass through it, in one flat run (CSR).
 * A segment is listed in every cell its slightly fattened self touches, so a lattice point within one step
 * of a segment always shares a cell with it.
 */
import type { Segments } from "./segments.ts";

export interface Cells {
  readonly columns: number;
  readonly rows: number;
  /** Side of a cell in lattice steps. */
  readonly size: number;
  readonly start: Int32Array;
  readonly items: Int32Array;
}

const CELLS_PER_SEGMENT = 1;

export const columnOf = (cells: Cells, x: number): number =>
  Math.max(0, Math.min(cells.columns - 1, Math.floor(x / cells.size)));
export const rowOf = (cells: Cells, y: number): number =>
  Math.max(0, Math.min(cells.rows - 1, Math.floor(y / cells.size)));

/** Calls nothing: either counts into `start` or, when `items` is given, files segment s in its cells. */
function cover(
  segs: Segments,
  s: number,
  size: number,
  columns: number,
  rows: number,
  start: Int32Array,
  items: Int32Array | null,
): void {
  const swap = segs.ay[s] > segs.by[s];
  const topX = swap ? segs.bx[s] : segs.ax[s];
  const topY = swap ? segs.by[s] : segs.ay[s];
  const endX = swap ? segs.ax[s] : segs.bx[s];
  const endY = swap ? segs.ay[s] : segs.by[s];
  const slope = endY === topY ? 0 : (endX - topX) / (endY - topY);
  const left = Math.min(topX, endX) - 1;
  const right = Math.max(topX, endX) + 1;
  const firstRow = Math.max(0, Math.floor((topY - 1) / size));
  const lastRow = Math.min(rows - 1, Math.floor((endY + 1) / size));
  for (let row = firstRow; row <= lastRow; row++) {
    let from = left;
    let to = right;
    if (endY !== topY) {
      const xIn = topX + slope * (row * size - 1 - topY);
      const xOut = topX + slope * ((row + 1) * size + 1 - topY);
      from = Math.max(left, Math.min(xIn, xOut) - 1);
      to = Math.min(right, Math.max(xIn, xOut) + 1);
    }
    const firstColumn = Math.max(0, Math.floor(from / size));
    const lastColumn = Math.min(columns - 1, Math.floor(to / size));
    for (let column = firstColumn; column <= lastColumn; column++) {
      const cell = row * columns + column;
      if (items) items[--start[cell]] = s;
      else start[cell]++;
    }
  }
}

export function cellsOf(segs: Segments): Cells {
  let width = 1;
  let height = 1;
  for (let s = 0; s < segs.count; s++) {
    width = Math.max(width, segs.ax[s], segs.bx[s]);
    height = Math.max(height, segs.ay[s], segs.by[s]);
  }
  const wanted = Math.max(1, segs.count * CELLS_PER_SEGMENT);
  const size = Math.max(
    4,
    Math.ceil(Math.sqrt(((width + 1) * (height + 1)) / wanted)),
    Math.ceil(width / 4096),
  );
  const columns = Math.floor(width / size) + 1;
  const rows = Math.floor(height / size) + 1;
  const start = new Int32Array(columns * rows + 1);
  for (let s = 0; s < segs.count; s++) cover(segs, s, size, columns, rows, start, null);
  for (let i = 1; i <= columns * rows; i++) start[i] += start[i - 1];
  const items = new Int32Array(start[columns * rows - 1]);
  for (let s = segs.count - 1; s >= 0; s--) cover(segs, s, size, columns, rows, start, items);
  return { columns, rows, size, start, items };
}
