/**
 * Noding by snap rounding: segments on the lattice are cut wherever they meet, and every meeting point is moved
 * to the nearest lattice point, in such a way that the pieces never cross again.
 *
 * After Hobby, "Practical segment intersection with finite precision output" (1999), and Guibas and Marimont,
 * "Rounding arrangements dynamically" (1998): the lattice squares that hold a segment end or a crossing are hot,
 * and a segment is bent to the centre of every hot square it passes through. Because coordinates are whole and
 * small, all tests here are exact in doubles; overlaps, T-junctions, touching ends and many lines through one
 * point need no special case.
 */
import { IntList } from "../geometry/lists.ts";
import { type Cells, columnOf, rowOf } from "./cells.ts";
import type { Segments } from "./segments.ts";

export interface Noding {
  readonly vertexCount: number;
  readonly vx: Int32Array;
  readonly vy: Int32Array;
  readonly edgeCount: number;
  /** Edge e joins vertices eu[e] and ev[e] along segment eseg[e], in that segment's direction. */
  readonly eu: Int32Array;
  readonly ev: Int32Array;
  readonly eseg: Int32Array;
  /** The edges of segment s are segEdge[s] .. segEdge[s + 1] - 1. */
  readonly segEdge: Int32Array;
  readonly crossings: number;
}

/** Lattice points numbered as they are met: an open-addressing hash over typed arrays. */
class VertexTable {
  readonly x: IntList;
  readonly y: IntList;
  private slots: Int32Array;
  private mask: number;

  constructor(expected: number) {
    this.x = new IntList(expected);
    this.y = new IntList(expected);
    let size = 64;
    while (size < expected * 2) size *= 2;
    this.slots = new Int32Array(size).fill(-1);
    this.mask = size - 1;
  }

  private home(x: number, y: number): number {
    let h = Math.imul(x, 0x9e3779b1) ^ Math.imul(y, 0x85ebca6b);
    h ^= h >>> 15;
    h = Math.imul(h, 0x2c1b3c6d);
    return (h ^ (h >>> 13)) & this.mask;
  }

  idOf(x: number, y: number): number {
    let slot = this.home(x, y);
    for (let id = this.slots[slot]; id >= 0; id = this.slots[slot]) {
      if (this.x.data[id] === x && this.y.data[id] === y) return id;
      slot = (slot + 1) & this.mask;
    }
    const id = this.x.length;
    this.x.push(x);
    this.y.push(y);
    this.slots[slot] = id;
    if (id * 2 > this.mask) this.rehash();
    return id;
  }

  private rehash(): void {
    this.mask = this.mask * 2 + 1;
    this.slots = new Int32Array(this.mask + 1).fill(-1);
    for (let id = 0; id < this.x.length; id++) {
      let slot = this.home(this.x.data[id], this.y.data[id]);
      while (this.slots[slot] >= 0) slot = (slot + 1) & this.mask;
      this.slots[slot] = id;
    }
  }
}

export function nodeSegments(segs: Segments, cells: Cells): Noding {
  const table = new VertexTable(segs.count * 2);
  const from = new Int32Array(segs.count);
  const to = new Int32Array(segs.count);
  for (let s = 0; s < segs.count; s++) {
    from[s] = table.idOf(segs.ax[s], segs.ay[s]);
    to[s] = table.idOf(segs.bx[s], segs.by[s]);
  }
  const hitSegment = new IntList(segs.count * 2);
  const hitVertex = new IntList(segs.count * 2);
  const crossings = findCrossings(segs, cells, from, to, table, hitSegment, hitVertex);
  findHotSquares(segs, cells, from, to, table, hitSegment, hitVertex);
  return cutSegments(segs, from, to, table, hitSegment, hitVertex, crossings);
}

/** Proper crossings of two segments; meetings at ends are left to the hot squares. */
function findCrossings(
  segs: Segments,
  cells: Cells,
  from: Int32Array,
  to: Int32Array,
  table: VertexTable,
  hitSegment: IntList,
  hitVertex: IntList,
): number {
  const { ax, ay, bx, by } = segs;
  const { start, items, columns } = cells;
  let crossings = 0;
  for (let cell = 0; cell + 1 < start.length; cell++) {
    const end = start[cell + 1];
    for (let a = start[cell]; a < end; a++) {
      const i = items[a];
      const ix = ax[i];
      const iy = ay[i];
      const idx = bx[i] - ix;
      const idy = by[i] - iy;
      for (let b = a + 1; b < end; b++) {
        const j = items[b];
        const jx = ax[j] - ix;
        const jy = ay[j] - iy;
        const kx = bx[j] - ix;
        const ky = by[j] - iy;
        const sideJ = idx * jy - idy * jx;
        const sideK = idx * ky - idy * kx;
        if (!((sideJ > 0 && sideK < 0) || (sideJ < 0 && sideK > 0))) continue;
        const jdx = kx - jx;
        const jdy = ky - jy;
        const sideA = jdy * jx - jdx * jy;
        const sideB = sideA + (jdx * idy - jdy * idx);
        if (!((sideA > 0 && sideB < 0) || (sideA < 0 && sideB > 0))) continue;
        if (from[i] === from[j] || from[i] === to[j] || to[i] === from[j] || to[i] === to[j]) continue;
        const t = sideA / (sideA - sideB);
        const x = Math.round(ix + t * idx);
        const y = Math.round(iy + t * idy);
        if (rowOf(cells, y) * columns + columnOf(cells, x) !== cell) continue;
        const vertex = table.idOf(x, y);
        crossings++;
        hitSegment.push(i);
        hitVertex.push(vertex);
        hitSegment.push(j);
        hitVertex.push(vertex);
      }
    }
  }
  return crossings;
}

/** Every segment against every vertex that shares a cell with it: does it pass through the vertex's square? */
function findHotSquares(
  segs: Segments,
  cells: Cells,
  from: Int32Array,
  to: Int32Array,
  table: VertexTable,
  hitSegment: IntList,
  hitVertex: IntList,
): void {
  const { ax, ay, bx, by } = segs;
  const { start, items } = cells;
  const vx = table.x.data;
  const vy = table.y.data;
  const { vertexStart, vertexItems } = verticesByCell(cells, table);
  for (let cell = 0; cell + 1 < start.length; cell++) {
    const firstVertex = vertexStart[cell];
    const lastVertex = vertexStart[cell + 1];
    if (firstVertex === lastVertex) continue;
    for (let k = start[cell]; k < start[cell + 1]; k++) {
      const s = items[k];
      const x0 = ax[s];
      const y0 = ay[s];
      const dx = bx[s] - x0;
      const dy = by[s] - y0;
      const left = dx < 0 ? bx[s] : x0;
      const right = dx < 0 ? x0 : bx[s];
      const top = dy < 0 ? by[s] : y0;
      const bottom = dy < 0 ? y0 : by[s];
      const reach = 0.5 * ((dx < 0 ? -dx : dx) + (dy < 0 ? -dy : dy));
      for (let m = firstVertex; m < lastVertex; m++) {
        const v = vertexItems[m];
        const x = vx[v];
        const y = vy[v];
        if (x < left || x > right || y < top || y > bottom) continue;
        const side = dx * (y - y0) - dy * (x - x0);
        if (side > reach || side < -reach) continue;
        if ((side === reach || side === -reach) && !touchesOwnCorner(dx, dy, side)) continue;
        if (v === from[s] || v === to[s]) continue;
        hitSegment.push(s);
        hitVertex.push(v);
      }
    }
  }
}

/**
 * A square owns only its lower-left corner, so that squares tile the plane. A line that merely touches a corner
 * passes through the square only if it is that one: a falling line with the square's centre on its upper side.
 */
function touchesOwnCorner(dx: number, dy: number, side: number): boolean {
  return dx * dy < 0 && dx * side > 0;
}

function verticesByCell(cells: Cells, table: VertexTable) {
  const count = table.x.length;
  const vertexStart = new Int32Array(cells.columns * cells.rows + 1);
  const vertexItems = new Int32Array(count);
  const { columns } = cells;
  for (let v = 0; v < count; v++)
    vertexStart[rowOf(cells, table.y.data[v]) * columns + columnOf(cells, table.x.data[v])]++;
  for (let i = 1; i < vertexStart.length; i++) vertexStart[i] += vertexStart[i - 1];
  for (let v = count - 1; v >= 0; v--)
    vertexItems[--vertexStart[rowOf(cells, table.y.data[v]) * columns + columnOf(cells, table.x.data[v])]] =
      v;
  return { vertexStart, vertexItems };
}

/** Orders each segment's vertices along it and turns neighbours into edges. */
function cutSegments(
  segs: Segments,
  from: Int32Array,
  to: Int32Array,
  table: VertexTable,
  hitSegment: IntList,
  hitVertex: IntList,
  crossings: number,
): Noding {
  const n = segs.count;
  const vx = table.x.data;
  const vy = table.y.data;
  const hitStart = new Int32Array(n + 1);
  for (let k = 0; k < hitSegment.length; k++) hitStart[hitSegment.data[k]]++;
  for (let s = 1; s <= n; s++) hitStart[s] += hitStart[s - 1];
  const hits = new Int32Array(hitSegment.length);
  for (let k = hitSegment.length - 1; k >= 0; k--) hits[--hitStart[hitSegment.data[k]]] = hitVertex.data[k];

  const eu = new Int32Array(n + hits.length);
  const ev = new Int32Array(n + hits.length);
  const eseg = new Int32Array(n + hits.length);
  const segEdge = new Int32Array(n + 1);
  const keys = new Float64Array(64);
  let edgeCount = 0;
  let along = keys;
  for (let s = 0; s < n; s++) {
    segEdge[s] = edgeCount;
    const first = hitStart[s];
    const count = hitStart[s + 1] - first;
    if (count > along.length) along = new Float64Array(count * 2);
    sortAlong(segs, s, hits, first, count, vx, vy, along);
    let previous = from[s];
    for (let k = first; k <= first + count; k++) {
      const vertex = k === first + count ? to[s] : hits[k];
      if (vertex === previous) continue;
      eu[edgeCount] = previous;
      ev[edgeCount] = vertex;
      eseg[edgeCount] = s;
      edgeCount++;
      previous = vertex;
    }
  }
  segEdge[n] = edgeCount;
  return {
    vertexCount: table.x.length,
    vx,
    vy,
    edgeCount,
    eu,
    ev,
    eseg,
    segEdge,
    crossings,
  };
}

/** Insertion sort of a segment's hits by distance along it; ties go the same way for either direction. */
function sortAlong(
  segs: Segments,
  s: number,
  hits: Int32Array,
  first: number,
  count: number,
  vx: Int32Array,
  vy: Int32Array,
  along: Float64Array,
): void {
  const x0 = segs.ax[s];
  const y0 = segs.ay[s];
  const dx = segs.bx[s] - x0;
  const dy = segs.by[s] - y0;
  const sense = dx > 0 || (dx === 0 && dy > 0) ? 1 : -1;
  for (let k = 0; k < count; k++) {
    const vertex = hits[first + k];
    const key = dx * (vx[vertex] - x0) + dy * (vy[vertex] - y0);
    let m = k;
    while (m > 0) {
      const other = hits[first + m - 1];
      if (along[m - 1] < key) break;
      if (along[m - 1] === key && (other - vertex) * sense <= 0) break;
      along[m] = along[m - 1];
      hits[first + m] = other;
      m--;
    }
    along[m] = key;
    hits[first + m] = vertex;
  }
}
