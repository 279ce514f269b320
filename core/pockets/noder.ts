/**
 * Finds the vertices of noding.ts and the segments that pass them, cell by cell. A crowded cell is quartered as
 * long as that separates its segments, so that a tiny dense drawing in a large frame costs no more than
 * elsewhere. Within a cell monotone runs of segments are compared, halved where their boxes meet (Park and Shin, "Polygonal
 * chain intersection", 2002): most of a curve is then never looked at.
 */
import { IntList, PairList } from "../geometry/lists.ts";
import type { Cells } from "./cells.ts";
import { cross, crossingAt, type SegmentPair } from "./exact.ts";
import { passesSquare } from "./lattice-square.ts";
import { MonotoneRuns } from "./monotone-runs.ts";
import { isWorthwhile, NEAR_MISS, quartersOf, type Slice, type Square } from "./quarters.ts";
import { goesOn, type Segments } from "./segments.ts";
import { Budget } from "./too-dense.ts";
import { VertexTable } from "./vertex-table.ts";

/** Cells with more segments are quartered, but no smaller than this many lattice steps. */
const MANY = 48;
const SMALLEST = 16;
/** So few vertices are found fastest by looking at each, and so few pairs are compared without asking for their boxes. */
const FEW = 24;
const FEW_PAIRS = 6;

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
  private square: Square = { left: 0, top: 0, size: 0 };
  private readonly runs = new MonotoneRuns();
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
    const { start, items } = cells;
    const count = start.length - 1;
    const size = 2 ** cells.shift;
    for (let cell = 0; cell < count; cell++) {
      this.cellVertices[cell] = this.vx.length;
      if (start[cell + 1] === start[cell]) continue;
      const left = (cells.firstColumn + (cell % cells.columns)) * size;
      const top = (cells.firstRow + Math.floor(cell / cells.columns)) * size;
      this.visit({ items, from: start[cell], to: start[cell + 1] }, { left, top, size });
    }
    this.cellVertices[count] = this.vx.length;
  }

  /** Nodes what lies in a square: `around` are the segments that come near, by rising number. */
  private visit(around: Slice, square: Square): void {
    const count = around.to - around.from;
    const quarters =
      count > MANY && square.size > SMALLEST ? quartersOf(this.segs, around, square) : undefined;
    if (!quarters || !isWorthwhile(quarters, count)) {
      this.node(around, square);
      return;
    }
    for (const quarter of quarters) this.visit(quarter.around, quarter.square);
  }

  private node(around: Slice, square: Square): void {
    const count = around.to - around.from;
    this.square = square;
    this.firstVertex = this.vx.length;
    this.compared.spend((count * count) / 2);
    this.placeCorners(around);
    // One segment alone crosses nothing.
    if (count < 2) return;
    const crossingsFrom = this.vx.length;
    this.compareRuns(around);
    this.compared.spend(count * (this.vx.length - this.firstVertex));
    if (this.vx.length > crossingsFrom) this.findHotCrossings(around, crossingsFrom);
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

  private isInSquare(x: number, y: number): boolean {
    const { left, top, size } = this.square;
    return x >= left && x < left + size && y >= top && y < top + size;
  }

  /** Makes vertices of the ends of segments that lie in the square. */
  private placeCorners({ items, from, to }: Slice): void {
    const { segs } = this;
    const { ax, ay, bx, by } = segs;
    for (let k = from; k < to; k++) {
      const s = items[k];
      if (this.isInSquare(ax[s], ay[s]) && !goesOn(segs, s)) this.from[s] = this.vertexAt(ax[s], ay[s]);
      if (!this.isInSquare(bx[s], by[s])) continue;
      const v = this.vertexAt(bx[s], by[s]);
      this.to[s] = v;
      if (s + 1 < segs.count && goesOn(segs, s + 1)) this.from[s + 1] = v;
    }
  }

  /** Compares every two runs; within one nothing meets but what follows on. */
  private compareRuns(around: Slice): void {
    const { runs } = this;
    runs.split(this.segs, around);
    for (let a = 0; a < runs.count; a++)
      for (let b = a + 1; b < runs.count; b++)
        this.comparePieces(around.items, runs.start[a], runs.start[a + 1], runs.start[b], runs.start[b + 1]);
  }

  /** Compares two pieces of runs, halving the longer one where their boxes come near. */
  private comparePieces(items: Int32Array, a0: number, a1: number, b0: number, b1: number): void {
    const { ax, ay, bx, by } = this.segs;
    const i = items[a0];
    const iLast = items[a1 - 1];
    const j = items[b0];
    const jLast = items[b1 - 1];
    if (areApart(ax[i], bx[iLast], ax[j], bx[jLast]) || areApart(ay[i], by[iLast], ay[j], by[jLast])) return;
    if ((a1 - a0) * (b1 - b0) <= FEW_PAIRS) {
      for (let a = a0; a < a1; a++) for (let b = b0; b < b1; b++) this.compare(items[a], items[b]);
    } else if (a1 - a0 > b1 - b0) {
      const middle = (a0 + a1) >> 1;
      this.comparePieces(items, a0, middle, b0, b1);
      this.comparePieces(items, middle, a1, b0, b1);
    } else {
      const middle = (b0 + b1) >> 1;
      this.comparePieces(items, a0, a1, b0, middle);
      this.comparePieces(items, a0, a1, middle, b1);
    }
  }

  /** Whether two segments cross properly within the square, and whether one passes or barely misses a corner of the other. */
  private compare(i: number, j: number): void {
    const { ax, ay, bx, by } = this.segs;
    const { errorBound } = this;
    const ix = ax[i];
    const iy = ay[i];
    const idx = bx[i] - ix;
    const idy = by[i] - iy;
    const jx = ax[j] - ix;
    const jy = ay[j] - iy;
    const kx = bx[j] - ix;
    const ky = by[j] - iy;
    const nearI = NEAR_MISS * ((idx < 0 ? -idx : idx) + (idy < 0 ? -idy : idy));
    const farI = FAR * nearI + errorBound;
    const sideJ = idx * jy - idy * jx;
    const sideK = idx * ky - idy * kx;
    if ((sideJ > farI && sideK > farI) || (sideJ < -farI && sideK < -farI)) return;
    const jdx = kx - jx;
    const jdy = ky - jy;
    const nearJ = NEAR_MISS * ((jdx < 0 ? -jdx : jdx) + (jdy < 0 ? -jdy : jdy));
    const farJ = FAR * nearJ + errorBound;
    const sideA = jdy * jx - jdx * jy;
    const sideB = jdx * (idy - jy) - jdy * (idx - jx);
    if ((sideA > farJ && sideB > farJ) || (sideA < -farJ && sideB < -farJ)) return;
    if (sideJ <= nearI && sideJ >= -nearI) this.passStart(i, j);
    if (sideK <= nearI && sideK >= -nearI) this.passEnd(i, j);
    if (sideA <= nearJ && sideA >= -nearJ) this.passStart(j, i);
    if (sideB <= nearJ && sideB >= -nearJ) this.passEnd(j, i);
    // Those that go on from one another meet there alone.
    if ((jx === idx && jy === idy) || (kx === 0 && ky === 0)) return;
    if ((sideJ > errorBound && sideK > errorBound) || (sideJ < -errorBound && sideK < -errorBound)) return;
    if ((sideA > errorBound && sideB > errorBound) || (sideA < -errorBound && sideB < -errorBound)) return;
    const { pair } = this;
    pair.x = ix;
    pair.y = iy;
    pair.dx = idx;
    pair.dy = idy;
    pair.u = ax[j];
    pair.v = ay[j];
    pair.du = jdx;
    pair.dv = jdy;
    this.addCrossing(pair);
  }

  /** Adds the vertex where two segments cross properly within the square; meetings at ends are found as corners are. */
  private addCrossing(pair: SegmentPair): void {
    const { errorBound } = this;
    const { x: ix, y: iy, dx: idx, dy: idy, du: jdx, dv: jdy } = pair;
    const [jx, jy] = [pair.u - ix, pair.v - iy];
    const sideJ = cross(idx, idy, jx, jy, errorBound);
    const sideK = cross(idx, idy, jx + jdx, jy + jdy, errorBound);
    if (!((sideJ > 0 && sideK < 0) || (sideJ < 0 && sideK > 0))) return;
    const sideA = cross(jdx, jdy, -jx, -jy, errorBound);
    const sideB = cross(jdx, jdy, idx - jx, idy - jy, errorBound);
    if (!((sideA > 0 && sideB < 0) || (sideA < 0 && sideB > 0))) return;
    const x = crossingAt(ix, idx, sideA, sideB, errorBound, pair);
    const y = crossingAt(iy, idy, sideA, sideB, errorBound, pair);
    if (!this.isInSquare(x, y)) return;
    this.crossings++;
    this.found.spend(1);
    this.vertexAt(x, y);
  }

  /** Where segment s passes or barely misses the start of segment t, if that lies in the square. */
  private passStart(s: number, t: number): void {
    const { ax, ay } = this.segs;
    if (!this.isInSquare(ax[t], ay[t])) return;
    const passes = this.passes(s, ax[t], ay[t]);
    if (passes === undefined) return;
    this.found.spend(1);
    if (passes) this.hits.push(s, this.from[t]);
    else this.misses.push([s, t]);
  }

  /** The same for the end of segment t, where the next segment does not begin. */
  private passEnd(s: number, t: number): void {
    const { segs } = this;
    const { bx, by } = segs;
    if (t + 1 < segs.count && goesOn(segs, t + 1)) return;
    if (!this.isInSquare(bx[t], by[t]) || !this.passes(s, bx[t], by[t])) return;
    this.found.spend(1);
    this.hits.push(s, this.to[t]);
  }

  /**
   * Whether a segment passes the square of a lattice point that lies near its line; undefined where it does not even barely miss
   * it, or begins or ends there.
   */
  private passes(s: number, x: number, y: number): boolean | undefined {
    const { ax, ay, bx, by } = this.segs;
    const x0 = ax[s];
    const x1 = bx[s];
    const left = x0 < x1 ? x0 : x1;
    const right = x0 < x1 ? x1 : x0;
    if (x < left - NEAR_MISS || x > right + NEAR_MISS) return undefined;
    const y0 = ay[s];
    const y1 = by[s];
    const top = y0 < y1 ? y0 : y1;
    const bottom = y0 < y1 ? y1 : y0;
    if (y < top - NEAR_MISS || y > bottom + NEAR_MISS) return undefined;
    if ((x === x0 && y === y0) || (x === x1 && y === y1)) return undefined;
    const within = x >= left && x <= right && y >= top && y <= bottom;
    return within && passesSquare(x1 - x0, y1 - y0, x - x0, y - y0, this.errorBound);
  }

  /** Every segment about the square against every crossing in it: does it pass through the crossing's own square? */
  private findHotCrossings({ items, from, to }: Slice, crossingsFrom: number): void {
    const { ax, ay, bx, by } = this.segs;
    const { errorBound } = this;
    const vx = this.vx.data;
    const vy = this.vy.data;
    const vertexCount = this.vx.length;
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
      const near = right - left + bottom - top + errorBound;
      for (let v = crossingsFrom; v < vertexCount; v++) {
        const x = vx[v];
        if (x < left || x > right) continue;
        const y = vy[v];
        if (y < top || y > bottom) continue;
        const side = dx * (y - y0) - dy * (x - x0);
        if (side > near || side < -near) continue;
        if ((x === x0 && y === y0) || (x === x1 && y === y1)) continue;
        if (!passesSquare(dx, dy, x - x0, y - y0, errorBound)) continue;
        this.found.spend(1);
        this.hits.push(s, v);
      }
    }
  }
}

/** Segments both of whose ends lie this many near misses beside the other's line are nowhere near it. */
const FAR = 4;

/** Whether two stretches of an axis, each given by its ends in any order, are farther apart than a near miss. */
const areApart = (a: number, b: number, c: number, d: number): boolean =>
  a < b
    ? c < d
      ? b + NEAR_MISS < c || d + NEAR_MISS < a
      : b + NEAR_MISS < d || c + NEAR_MISS < a
    : c < d
      ? a + NEAR_MISS < c || d + NEAR_MISS < b
      : a + NEAR_MISS < d || c + NEAR_MISS < b;
