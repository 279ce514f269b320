/**
 * Finds the vertices of noding.ts and the segments that pass them, cell by cell. A crowded cell is quartered as
 * long as that separates its segments, so that a tiny dense drawing in a large frame costs no more than
 * elsewhere.
 */
import { IntList, PairList } from "../geometry/lists.ts";
import { type Cells, cellOf } from "./cells.ts";
import { cross, crossingAt, type SegmentPair } from "./exact.ts";
import { passesSquare } from "./lattice-square.ts";
import { cornersIn, isWorthwhile, NEAR_MISS, quartersOf, type Slice, type Square } from "./quarters.ts";
import { goesOn, type Segments } from "./segments.ts";
import { Budget } from "./too-dense.ts";
import { VertexTable } from "./vertex-table.ts";

/** Cells with more segments are quartered, but no smaller than this many lattice steps. */
const MANY = 48;
const SMALLEST = 16;
/** So few vertices are found fastest by looking at each. */
const FEW = 24;

/** Comparisons of two segments, or of a segment and a vertex. */
const MOST_COMPARED = 8e7;
/** Crossings, vertices that segments pass, and corners they barely miss. */
const MOST_FOUND = 1.5e6;

export class Noder {
  readonly vx: IntList;
  readonly vy: IntList;
  /** Pairs of a segment and a vertex it passes. */
  readonly hits = new PairList();
  /** By segment the vertices where it begins and ends. */
  readonly from: Int32Array;
  readonly to: Int32Array;
  /** By cell its first vertex. */
  readonly cellVertices: Int32Array;
  crossings = 0;
  /** Pairs of segments where the second begins at a corner that narrowly misses the first. */
  readonly misses: [segment: number, corner: number][] = [];
  private readonly table = new VertexTable();
  private readonly compared = new Budget(MOST_COMPARED);
  private readonly found = new Budget(MOST_FOUND);
  private firstVertex = 0;
  private crossingsFrom = 0;
  private square: Square = { left: 0, top: 0, size: 0 };
  private readonly pair: SegmentPair = { x: 0, y: 0, dx: 0, dy: 0, u: 0, v: 0, du: 0, dv: 0 };

  constructor(
    private readonly segs: Segments,
    private readonly cells: Cells,
    readonly errorBound: number,
  ) {
    this.vx = new IntList(segs.count * 2);
    this.vy = new IntList(segs.count * 2);
    this.from = new Int32Array(segs.count);
    this.to = new Int32Array(segs.count);
    this.cellVertices = new Int32Array(cells.start.length);
  }

  run(): void {
    const { cells } = this;
    const corners = cornersByCell(this.segs, cells);
    const count = cells.start.length - 1;
    const size = 2 ** cells.shift;
    for (let cell = 0; cell < count; cell++) {
      this.cellVertices[cell] = this.vx.length;
      // One segment alone crosses nothing, and without a corner there is nothing it could pass.
      const alone = cells.start[cell + 1] - cells.start[cell] < 2;
      if (alone && corners.start[cell + 1] === corners.start[cell]) continue;
      const left = (cells.firstColumn + (cell % cells.columns)) * size;
      const top = (cells.firstRow + Math.floor(cell / cells.columns)) * size;
      this.visit(
        { items: cells.items, from: cells.start[cell], to: cells.start[cell + 1] },
        { items: corners.items, from: corners.start[cell], to: corners.start[cell + 1] },
        { left, top, size },
      );
    }
    this.cellVertices[count] = this.vx.length;
  }

  /** Nodes what lies in a square: `around` are the segments that come near, `corners` the ends (2s or 2s + 1) in it. */
  private visit(around: Slice, corners: Slice, square: Square): void {
    const count = around.to - around.from;
    const quarters =
      count > MANY && square.size > SMALLEST ? quartersOf(this.segs, around, square) : undefined;
    if (!quarters || !isWorthwhile(quarters, count)) {
      this.node(around, corners, square);
      return;
    }
    for (const quarter of quarters)
      this.visit(quarter.around, cornersIn(this.segs, corners, quarter.square), quarter.square);
  }

  private node(around: Slice, corners: Slice, square: Square): void {
    const count = around.to - around.from;
    this.square = square;
    this.firstVertex = this.vx.length;
    this.compared.spend((count * count) / 2);
    this.placeCorners(corners);
    this.crossingsFrom = this.vx.length;
    this.findCrossings(around);
    this.compared.spend(count * (this.vx.length - this.firstVertex));
    this.findHotSquares(around, corners);
  }

  /** The vertex at a lattice point of the current square. */
  private vertexAt(x: number, y: number): number {
    const vx = this.vx.data;
    const vy = this.vy.data;
    const count = this.vx.length;
    if (count - this.firstVertex > FEW) return this.table.vertexAt(x, y, this.vx, this.vy, this.firstVertex);
    for (let v = this.firstVertex; v < count; v++) if (vx[v] === x && vy[v] === y) return v;
    this.vx.push(x);
    this.vy.push(y);
    return count;
  }

  private placeCorners({ items, from, to }: Slice): void {
    const { segs } = this;
    for (let k = from; k < to; k++) {
      const s = items[k] >> 1;
      if (items[k] & 1) {
        const v = this.vertexAt(segs.bx[s], segs.by[s]);
        this.to[s] = v;
        if (s + 1 < segs.count && goesOn(segs, s + 1)) this.from[s + 1] = v;
      } else this.from[s] = this.vertexAt(segs.ax[s], segs.ay[s]);
    }
  }

  /** Proper crossings of two segments within the square; meetings at ends are left to the hot squares. */
  private findCrossings({ items, from, to }: Slice): void {
    const { ax, ay, bx, by } = this.segs;
    const { errorBound, pair } = this;
    const { left, top, size } = this.square;
    for (let a = from; a < to; a++) {
      const i = items[a];
      const ix = ax[i];
      const iy = ay[i];
      const idx = bx[i] - ix;
      const idy = by[i] - iy;
      for (let b = a + 1; b < to; b++) {
        const j = items[b];
        const jx = ax[j] - ix;
        const jy = ay[j] - iy;
        const kx = bx[j] - ix;
        const ky = by[j] - iy;
        let sideJ = idx * jy - idy * jx;
        let sideK = idx * ky - idy * kx;
        if ((sideJ > errorBound && sideK > errorBound) || (sideJ < -errorBound && sideK < -errorBound))
          continue;
        // Those that go on from one another meet there alone.
        if ((jx === idx && jy === idy) || (kx === 0 && ky === 0)) continue;
        const jdx = kx - jx;
        const jdy = ky - jy;
        let sideA = jdy * jx - jdx * jy;
        let sideB = jdx * (idy - jy) - jdy * (idx - jx);
        if ((sideA > errorBound && sideB > errorBound) || (sideA < -errorBound && sideB < -errorBound))
          continue;
        if (errorBound > 0) {
          sideJ = cross(idx, idy, jx, jy, errorBound);
          sideK = cross(idx, idy, kx, ky, errorBound);
          sideA = cross(jdx, jdy, -jx, -jy, errorBound);
          sideB = cross(jdx, jdy, idx - jx, idy - jy, errorBound);
        }
        if (!((sideJ > 0 && sideK < 0) || (sideJ < 0 && sideK > 0))) continue;
        if (!((sideA > 0 && sideB < 0) || (sideA < 0 && sideB > 0))) continue;
        pair.x = ix;
        pair.y = iy;
        pair.dx = idx;
        pair.dy = idy;
        pair.u = ax[j];
        pair.v = ay[j];
        pair.du = jdx;
        pair.dv = jdy;
        const x = crossingAt(ix, idx, sideA, sideB, errorBound, pair);
        if (x < left || x >= left + size) continue;
        const y = crossingAt(iy, idy, sideA, sideB, errorBound, pair);
        if (y < top || y >= top + size) continue;
        this.crossings++;
        this.found.spend(1);
        this.vertexAt(x, y);
      }
    }
  }

  /** By vertex the segments of the square that begin there: few drawings ever ask. */
  private beginnersOf({ items, from, to }: Slice): Map<number, number[]> {
    const { segs } = this;
    const found = new Map<number, number[]>();
    const add = (v: number, s: number) => {
      const others = found.get(v);
      if (others) others.push(s);
      else found.set(v, [s]);
    };
    for (let k = from; k < to; k++) {
      const s = items[k] >> 1;
      if (!(items[k] & 1)) add(this.from[s], s);
      else if (s + 1 < segs.count && goesOn(segs, s + 1)) add(this.to[s], s + 1);
    }
    return found;
  }

  /** Every segment about the square against every vertex in it: does it pass through the vertex's own square? */
  private findHotSquares({ items, from, to }: Slice, corners: Slice): void {
    const { ax, ay, bx, by } = this.segs;
    const { errorBound, firstVertex } = this;
    const vx = this.vx.data;
    const vy = this.vy.data;
    const vertexCount = this.vx.length;
    if (firstVertex === vertexCount) return;
    let beginners: Map<number, number[]> | undefined;
    for (let k = from; k < to; k++) {
      const s = items[k];
      const x0 = ax[s];
      const y0 = ay[s];
      const x1 = bx[s];
      const y1 = by[s];
      const dx = x1 - x0;
      const dy = y1 - y0;
      const left = x0 < x1 ? x0 : x1;
      const right = x0 < x1 ? x1 : x0;
      const top = y0 < y1 ? y0 : y1;
      const bottom = y0 < y1 ? y1 : y0;
      const near = NEAR_MISS * (right - left + bottom - top);
      for (let v = firstVertex; v < vertexCount; v++) {
        const x = vx[v];
        if (x < left - NEAR_MISS || x > right + NEAR_MISS) continue;
        const y = vy[v];
        if (y < top - NEAR_MISS || y > bottom + NEAR_MISS) continue;
        const side = dx * (y - y0) - dy * (x - x0);
        if (side > near || side < -near) continue;
        if ((x === x0 && y === y0) || (x === x1 && y === y1)) continue;
        const within = x >= left && x <= right && y >= top && y <= bottom;
        if (within && passesSquare(dx, dy, x - x0, y - y0, errorBound)) {
          this.found.spend(1);
          this.hits.push(s, v);
        } else if (v < this.crossingsFrom) {
          beginners ??= this.beginnersOf(corners);
          for (const corner of beginners.get(v) ?? NONE) {
            this.found.spend(1);
            this.misses.push([s, corner]);
          }
        }
      }
    }
  }
}

const NONE: readonly number[] = [];

/** Segment ends by cell: 2s for where segment s begins, left out where the one before it ends, and 2s + 1. */
function cornersByCell(segs: Segments, cells: Cells): { start: Int32Array; items: Int32Array } {
  const { ax, ay, bx, by } = segs;
  const corners = new PairList();
  for (let s = 0; s < segs.count; s++) {
    if (!goesOn(segs, s)) corners.push(cellOf(cells, ax[s], ay[s]), 2 * s);
    corners.push(cellOf(cells, bx[s], by[s]), 2 * s + 1);
  }
  return corners.grouped(cells.columns * cells.rows);
}
