/**
 * A soft form over a flat outline: the height h over it with h² = u, where u solves Poisson's equation −Δu = 4 and is 0 on
 * the outline; a circle gives just the half of a sphere. So normals lie flat along the outline and point at the viewer
 * where it is widest. Sýkora et al., "Ink-and-Ray: Bas-relief meshes for adding global illumination effects to
 * hand-drawn characters", ACM TOG 33(2), 2014, section 5.1; normals along the outline after Johnston, "Lumo: illumination
 * for cel animation", NPAR 2002. Solved on a grid by successive over-relaxation, with the outline where it really crosses
 * the grid (Shortley and Weller, 1938), so that normals do not follow the steps of the grid.
 */
import type { Box } from "../geometry/point.ts";
import { ringArea, ringLength } from "../geometry/polygon.ts";

/** Normals at the middles of square cells, row by row. */
export interface NormalField {
  readonly columns: number;
  readonly rows: number;
  /** Page units: the middle of the first cell, and the side of a cell. */
  readonly x: number;
  readonly y: number;
  readonly cell: number;
  /** Unit normals, three numbers a cell, z towards the viewer; carried on beyond the outline. */
  readonly normals: Float64Array;
  /** 1 for cells whose middle is within the outline. */
  readonly inside: Uint8Array;
}

/** Cells across the longer side: of what is large, and of what is so small that fewer will do. */
const CELLS = 44;
const FEWEST_CELLS = 14;
/** Cells across what is thin, so that it has a form however long it is; of what is smaller than is worth the work, fewer. */
const ACROSS = 8;
const FEWEST_ACROSS = 5;
const MOST_CELLS = 60_000;
/** Cells beyond the box on every side. */
const MARGIN = 3;
/** A cell's middle is never taken to lie nearer to the outline than this share of a cell. */
const NEAREST = 0.01;
const SWEEPS = 90;

/**
 * `rings` are flattened outlines [x, y, …] of a region by the even-odd rule; `finest` is the smallest cell worth the work,
 * in page units. Undefined where no cell lies within.
 */
export function inflate(
  rings: readonly (readonly number[])[],
  box: Box,
  finest = 0,
): NormalField | undefined {
  const side = Math.max(box.width, box.height);
  const thick = thicknessOf(rings);
  const cell = Math.max(
    Math.min(side / CELLS, thick / ACROSS),
    Math.min(finest, side / FEWEST_CELLS, thick / FEWEST_ACROSS),
    Math.sqrt((box.width * box.height) / MOST_CELLS),
  );
  if (!(cell > 0)) return undefined;
  const columns = Math.ceil(box.width / cell) + 2 * MARGIN;
  const rows = Math.ceil(box.height / cell) + 2 * MARGIN;
  // Half a cell off, so that no row or column lies along a side of the box.
  const beyond = (MARGIN - 0.5) * cell;
  const grid = { columns, rows, cell, x: box.x - beyond, y: box.y - beyond };
  const arms = armsOf(rings, grid);
  if (!arms.inside.includes(1)) return undefined;
  const heights = solved(arms, grid, thick / cell);
  const normals = normalsOf(heights, arms, grid);
  carryOn(normals, arms.inside, grid);
  return { ...grid, normals, inside: arms.inside };
}

/** How thick a region is in page units: a long strip's width, half a circle's diameter. */
function thicknessOf(rings: readonly (readonly number[])[]): number {
  const area = Math.abs(rings.reduce((sum, ring) => sum + ringArea(ring), 0));
  const around = rings.reduce((sum, ring) => sum + ringLength(ring), 0);
  return around > 0 ? (2 * area) / around : 0;
}

type Grid = Omit<NormalField, "normals" | "inside">;

/** Which cells are within, and how far each is from the outline along the grid, in cells, 1 where the next is within. */
interface Arms {
  readonly inside: Uint8Array;
  readonly east: Float64Array;
  readonly west: Float64Array;
  readonly south: Float64Array;
  readonly north: Float64Array;
}

function armsOf(rings: readonly (readonly number[])[], grid: Grid): Arms {
  const { columns, rows, cell, x, y } = grid;
  const size = columns * rows;
  const inside = new Uint8Array(size);
  const [east, west, south, north] = Array.from({ length: 4 }, () => new Float64Array(size).fill(1));
  const across = crossings(rings, { first: y, count: rows, cell }, 1);
  for (let r = 0; r < rows; r++) {
    const row = across[r];
    for (let k = 0; k + 1 < row.length; k += 2) {
      const [from, to] = [(row[k] - x) / cell, (row[k + 1] - x) / cell];
      const [first, last] = [Math.max(0, Math.ceil(from)), Math.min(columns - 1, Math.floor(to))];
      for (let c = first; c <= last; c++) inside[r * columns + c] = 1;
      if (first > last) continue;
      west[r * columns + first] = Math.max(NEAREST, first - from);
      east[r * columns + last] = Math.max(NEAREST, to - last);
    }
  }
  const down = crossings(rings, { first: x, count: columns, cell }, 0);
  for (let c = 0; c < columns; c++) {
    const column = down[c];
    for (let k = 0; k + 1 < column.length; k += 2) {
      const [from, to] = [(column[k] - y) / cell, (column[k + 1] - y) / cell];
      const [first, last] = [Math.max(0, Math.ceil(from)), Math.min(rows - 1, Math.floor(to))];
      if (first > last) continue;
      north[first * columns + c] = Math.max(NEAREST, first - from);
      south[last * columns + c] = Math.max(NEAREST, to - last);
    }
  }
  return { inside, east, west, south, north };
}

/** Where rings cross lines of the grid, rising: rows where `axis` is 1, columns where it is 0. */
function crossings(
  rings: readonly (readonly number[])[],
  { first, count, cell }: { readonly first: number; readonly count: number; readonly cell: number },
  axis: 0 | 1,
): number[][] {
  const found: number[][] = Array.from({ length: count }, () => []);
  for (const ring of rings)
    for (let i = 0, j = ring.length - 2; i < ring.length; j = i, i += 2) {
      const [a, b] = [ring[j + axis], ring[i + axis]];
      const [low, high] = a < b ? [a, b] : [b, a];
      const from = Math.max(0, Math.ceil((low - first) / cell));
      const to = Math.min(count - 1, Math.ceil((high - first) / cell) - 1);
      for (let k = from; k <= to; k++) {
        const share = (first + k * cell - a) / (b - a);
        found[k].push(ring[j + 1 - axis] + share * (ring[i + 1 - axis] - ring[j + 1 - axis]));
      }
    }
  for (const line of found) line.sort((p, q) => p - q);
  return found;
}

/** u in squared cells; `thick` is how thick the region is, in cells: what is thin settles with less relaxation. */
function solved(
  { inside, east, west, south, north }: Arms,
  { columns, rows }: Grid,
  thick: number,
): Float64Array {
  const u = new Float64Array(columns * rows);
  const over = 2 / (1 + Math.sin(Math.PI / Math.min(Math.max(columns, rows), 4 * thick)));
  for (let sweep = 0; sweep < SWEEPS; sweep++)
    for (let at = columns; at < u.length - columns; at++) {
      if (inside[at] === 0) continue;
      const [e, w, s, n] = [east[at], west[at], south[at], north[at]];
      const toE = e === 1 ? u[at + 1] : 0;
      const toW = w === 1 ? u[at - 1] : 0;
      const toS = s === 1 ? u[at + columns] : 0;
      const toN = n === 1 ? u[at - columns] : 0;
      const sum = (2 * (toE / e + toW / w)) / (e + w) + (2 * (toS / s + toN / n)) / (s + n) + 4;
      const middle = 2 / (e * w) + 2 / (s * n);
      u[at] += over * (sum / middle - u[at]);
      if (u[at] < 0) u[at] = 0;
    }
  return u;
}

function normalsOf(
  u: Float64Array,
  { inside, east, west, south, north }: Arms,
  { columns }: Grid,
): Float64Array {
  const normals = new Float64Array(3 * u.length);
  for (let at = 0; at < u.length; at++) {
    if (inside[at] === 0) continue;
    const dx = slope(
      u[at],
      east[at] === 1 ? u[at + 1] : 0,
      east[at],
      west[at] === 1 ? u[at - 1] : 0,
      west[at],
    );
    const dy = slope(
      u[at],
      south[at] === 1 ? u[at + columns] : 0,
      south[at],
      north[at] === 1 ? u[at - columns] : 0,
      north[at],
    );
    const z = 2 * Math.sqrt(u[at]);
    const length = Math.sqrt(dx * dx + dy * dy + z * z) || 1;
    normals[3 * at] = -dx / length;
    normals[3 * at + 1] = -dy / length;
    normals[3 * at + 2] = z / length;
  }
  return normals;
}

/** The slope of the parabola through three values that are not evenly apart. */
const slope = (own: number, after: number, a: number, before: number, b: number): number =>
  (b * b * (after - own) + a * a * (own - before)) / (a * b * (a + b));

/** Cells beyond the outline take the mean of those beside them that have a normal, from the outline outward. */
function carryOn(normals: Float64Array, inside: Uint8Array, { columns, rows }: Grid): void {
  const known = Uint8Array.from(inside);
  for (let missing = true; missing; ) {
    missing = false;
    const fresh: number[] = [];
    for (let at = 0; at < known.length; at++) {
      if (known[at]) continue;
      const [c, r] = [at % columns, Math.floor(at / columns)];
      let [x, y, z] = [0, 0, 0];
      for (const near of [
        c > 0 ? at - 1 : -1,
        c < columns - 1 ? at + 1 : -1,
        r > 0 ? at - columns : -1,
        r < rows - 1 ? at + columns : -1,
      ]) {
        if (near < 0 || !known[near]) continue;
        x += normals[3 * near];
        y += normals[3 * near + 1];
        z += normals[3 * near + 2];
      }
      const length = Math.sqrt(x * x + y * y + z * z);
      missing = true;
      if (length === 0) continue;
      normals[3 * at] = x / length;
      normals[3 * at + 1] = y / length;
      normals[3 * at + 2] = z / length;
      fresh.push(at);
    }
    if (fresh.length === 0) return;
    for (const at of fresh) known[at] = 1;
  }
}
