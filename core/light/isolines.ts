/**
 * Isolines of values on a grid by marching squares: Lorensen and Cline, "Marching cubes", SIGGRAPH 1987, in two dimensions. Every
 * edge between neighbours on either side of the level has one place on the line and one edge that follows it, so lines are linked
 * without search. Where a square could be read two ways its lower corners lie apart.
 */
import { IntList } from "../geometry/lists.ts";

/**
 * Closed rings [column, row, …] around where values are at most `level`, the middle of the first cell being at [0.5, 0.5]; what lies
 * beyond the grid is above it. The area of rings around what is below is negative (geometry/polygon.ts), that of rings around holes positive.
 */
export function isolines(values: Float64Array, columns: number, rows: number, level: number): number[][] {
  const starts = linked(values, columns, rows, level);
  const rings: number[][] = [];
  for (let k = 0; k < starts.length; k++) {
    const first = starts.data[k];
    if (next[first] === NONE) continue;
    const ring: number[] = [];
    for (let edge = first; next[edge] !== NONE; ) {
      placeOn(edge, values, columns, rows, level, ring);
      const after = next[edge];
      next[edge] = NONE;
      edge = after;
    }
    rings.push(ring);
  }
  return rings;
}

const NONE = -1;

/**
 * For each edge the one that follows it along an isoline, or NONE. Edge 2k lies between cell k and the cell to its left, edge
 * 2k + 1 between it and the cell above, where a row has one cell more than there are columns. Used again for every grid:
 * whoever walks the lines leaves NONE behind.
 */
let next = new Int32Array(0);

/** Links the edges; gives every one that another follows. */
function linked(values: Float64Array, columns: number, rows: number, level: number): IntList {
  const wide = columns + 1;
  const edges = 2 * wide * (rows + 1);
  if (next.length < edges) next = new Int32Array(edges).fill(NONE);
  const starts = new IntList(64);
  // Of the row above and of this one, with a cell beyond each end.
  let upper = new Uint8Array(columns + 2);
  let lower = new Uint8Array(columns + 2);
  for (let r = 0; r <= rows; r++) {
    [upper, lower] = [lower, upper];
    if (r === rows) lower.fill(0);
    else for (let c = 0; c < columns; c++) lower[c + 1] = values[r * columns + c] <= level ? 1 : 0;
    // The corners at the left of a square are those at the right of the one before it.
    let corners = 0;
    for (let c = 0; c <= columns; c++) {
      corners = ((corners >> 1) & 1) | ((corners << 1) & 8) | (lower[c + 1] << 1) | (upper[c + 1] << 2);
      if (corners === 0 || corners === 15) continue;
      const here = r * wide + c;
      for (const way of WAYS[corners]) {
        const from = sideOf(way >> 2, here, wide);
        next[from] = sideOf(way & 3, here, wide);
        starts.push(from);
      }
    }
  }
  return starts;
}

const [TOP, BOTTOM, LEFT, RIGHT] = [0, 1, 2, 3];

/** An edge of the square whose lower right cell is `here`. */
function sideOf(side: number, here: number, wide: number): number {
  if (side === TOP) return 2 * (here - wide);
  return 2 * here + (side === BOTTOM ? 0 : side === LEFT ? -1 : 1);
}

const way = (from: number, to: number): number => (from << 2) | to;

/** Ways through a square by which of its corners are below: 1 lower left, 2 lower right, 4 upper right, 8 upper left. */
const WAYS: readonly (readonly number[])[] = [
  [],
  [way(BOTTOM, LEFT)],
  [way(RIGHT, BOTTOM)],
  [way(RIGHT, LEFT)],
  [way(TOP, RIGHT)],
  [way(BOTTOM, LEFT), way(TOP, RIGHT)],
  [way(TOP, BOTTOM)],
  [way(TOP, LEFT)],
  [way(LEFT, TOP)],
  [way(BOTTOM, TOP)],
  [way(LEFT, TOP), way(RIGHT, BOTTOM)],
  [way(RIGHT, TOP)],
  [way(LEFT, RIGHT)],
  [way(BOTTOM, RIGHT)],
  [way(LEFT, BOTTOM)],
  [],
];

/** Where the isoline crosses between two cells; midway at the border of the grid. */
function placeOn(
  edge: number,
  values: Float64Array,
  columns: number,
  rows: number,
  level: number,
  ring: number[],
): void {
  const wide = columns + 1;
  const [r, c] = [Math.floor((edge >> 1) / wide), (edge >> 1) % wide];
  const k = r * columns + c;
  if (edge % 2 === 0)
    ring.push(c + (c > 0 && c < columns ? past(values[k - 1], values[k], level) : 0), r + 0.5);
  else ring.push(c + 0.5, r + (r > 0 && r < rows ? past(values[k - columns], values[k], level) : 0));
}

/** How far past the middle between two values the level lies, as a share of the way from one to the other. */
const past = (from: number, to: number, level: number): number =>
  from === to ? 0 : (level - from) / (to - from) - 0.5;
