/**
 * A uniform grid over segments: for each cell the segments that pass through it, in one flat run (CSR). A segment
 * is listed in every cell its slightly fattened self touches, so a lattice point within three steps of a segment
 * always shares a cell with it. Segments that come later are kept beside the flat run.
 */
import { IntList, PairList } from "../geometry/lists.ts";
import type { Segments } from "./segments.ts";

/**
 * A grid over the lattice. A point lies in the column of its x shifted right by `shift` bits, less firstColumn, and in the
 * row found the same way from its y.
 */
export interface Grid {
  readonly columns: number;
  readonly rows: number;
  readonly firstColumn: number;
  readonly firstRow: number;
  /** A cell's side is 2^shift lattice steps. */
  readonly shift: number;
}

export interface Cells extends Grid {
  readonly start: Int32Array;
  readonly items: Int32Array;
  /** Segments added after the grid was made. */
  readonly later: Map<number, number[]>;
}

const SEGMENTS_PER_CELL = 2;
const FATTENED = 3;

const clamp = (value: number, count: number): number => (value < 0 ? 0 : value >= count ? count - 1 : value);

/** Places beside the lattice belong to its outermost cells; shifting would wrap their numbers round. */
const LAST = 2 ** 31 - 1;
const onLattice = (value: number): number => (value < 0 ? 0 : value > LAST ? LAST : value);

export const columnOf = ({ columns, firstColumn, shift }: Grid, x: number): number =>
  clamp((onLattice(x) >> shift) - firstColumn, columns);
export const rowOf = ({ rows, firstRow, shift }: Grid, y: number): number =>
  clamp((onLattice(y) >> shift) - firstRow, rows);
export const cellOf = (grid: Grid, x: number, y: number): number =>
  rowOf(grid, y) * grid.columns + columnOf(grid, x);

/** Lists in `touched` every cell that segment s touches when thickened all round by this many lattice steps. */
export function cellsAlong(
  segs: Segments,
  s: number,
  grid: Grid,
  touched: IntList,
  fattened = FATTENED,
): void {
  const { columns, shift } = grid;
  const swap = segs.ay[s] > segs.by[s];
  const topX = swap ? segs.bx[s] : segs.ax[s];
  const topY = swap ? segs.by[s] : segs.ay[s];
  const endX = swap ? segs.ax[s] : segs.bx[s];
  const endY = swap ? segs.ay[s] : segs.by[s];
  const left = (topX < endX ? topX : endX) - fattened;
  const right = (topX < endX ? endX : topX) + fattened;
  const firstRow = rowOf(grid, topY - fattened);
  const lastRow = rowOf(grid, endY + fattened);
  let from = left;
  let to = right;
  let slope = 0;
  const sloped = firstRow < lastRow && left + 2 * fattened < right;
  if (sloped) slope = (endX - topX) / (endY - topY);
  const size = 2 ** shift;
  touched.length = 0;
  for (let row = firstRow; row <= lastRow; row++) {
    if (sloped) {
      const y = (grid.firstRow + row) * size;
      const xIn = row === firstRow ? topX : topX + slope * (y - fattened - topY);
      const xOut = row === lastRow ? endX : topX + slope * (y + size + fattened - topY);
      from = Math.floor(xIn < xOut ? xIn : xOut) - fattened - 1;
      to = Math.ceil(xIn < xOut ? xOut : xIn) + fattened + 1;
      if (from < left) from = left;
      if (to > right) to = right;
    }
    const last = row * columns + columnOf(grid, to);
    for (let cell = row * columns + columnOf(grid, from); cell <= last; cell++) touched.push(cell);
  }
}

/** The cell that a fattened segment lies in altogether: most do, and need not be followed. -1 where there is more than one. */
function onlyCellOf({ ax, ay, bx, by }: Segments, s: number, grid: Grid): number {
  const { shift, firstColumn, firstRow, columns } = grid;
  const left = ax[s] < bx[s] ? ax[s] : bx[s];
  const right = ax[s] < bx[s] ? bx[s] : ax[s];
  const top = ay[s] < by[s] ? ay[s] : by[s];
  const bottom = ay[s] < by[s] ? by[s] : ay[s];
  if (left < FATTENED || top < FATTENED || right > LAST - FATTENED || bottom > LAST - FATTENED) return -1;
  const column = (left - FATTENED) >> shift;
  const row = (top - FATTENED) >> shift;
  if (column !== (right + FATTENED) >> shift || row !== (bottom + FATTENED) >> shift) return -1;
  if (column < firstColumn || row < firstRow) return -1;
  return (row - firstRow) * columns + column - firstColumn;
}

export function cellsOf(segs: Segments): Cells {
  const grid = gridFor(segs);
  const pairs = new PairList();
  const touched = new IntList(64);
  for (let s = 0; s < segs.count; s++) {
    const only = onlyCellOf(segs, s, grid);
    if (only >= 0) pairs.push(only, s);
    else {
      cellsAlong(segs, s, grid, touched);
      for (let k = 0; k < touched.length; k++) pairs.push(touched.data[k], s);
    }
  }
  return { ...grid, ...pairs.grouped(grid.columns * grid.rows), later: new Map() };
}

function gridFor(segs: Segments): Grid {
  let right = 1;
  let bottom = 1;
  let left = segs.count ? 2 ** 31 : 0;
  let top = left;
  for (let s = 0; s < segs.count; s++) {
    right = Math.max(right, segs.ax[s], segs.bx[s]);
    bottom = Math.max(bottom, segs.ay[s], segs.by[s]);
    left = Math.min(left, segs.ax[s], segs.bx[s]);
    top = Math.min(top, segs.ay[s], segs.by[s]);
  }
  const area = Math.max(1, right - left) * Math.max(1, bottom - top);
  const wanted = Math.log2(Math.sqrt((area * SEGMENTS_PER_CELL) / Math.max(1, segs.count)));
  const smallest = Math.log2(Math.max(right - left, bottom - top) / 4096);
  const shift = Math.max(3, Math.round(wanted), Math.ceil(smallest));
  const firstColumn = left >> shift;
  const firstRow = top >> shift;
  return {
    columns: (right >> shift) - firstColumn + 1,
    rows: (bottom >> shift) - firstRow + 1,
    firstColumn,
    firstRow,
    shift,
  };
}

/** Files a segment that came after the grid was made. */
export function fileLater(cells: Cells, segs: Segments, s: number): void {
  const touched = new IntList(64);
  cellsAlong(segs, s, cells, touched);
  for (let k = 0; k < touched.length; k++) {
    const items = cells.later.get(touched.data[k]);
    if (items) items.push(s);
    else cells.later.set(touched.data[k], [s]);
  }
}

const NONE: readonly number[] = [];

/** How many segments a cell has been given, those taken out since among them. */
export const crowdOf = ({ start, later }: Cells, cell: number): number =>
  start[cell + 1] - start[cell] + (later.get(cell)?.length ?? 0);

/** Calls `visit` for every live segment of a cell. */
export function eachIn(cells: Cells, segs: Segments, cell: number, visit: (s: number) => void): void {
  for (let k = cells.start[cell]; k < cells.start[cell + 1]; k++) {
    if (segs.line[cells.items[k]] >= 0) visit(cells.items[k]);
  }
  if (cells.later.size === 0) return;
  for (const s of cells.later.get(cell) ?? NONE) if (segs.line[s] >= 0) visit(s);
}
