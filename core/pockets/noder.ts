/**
 * Finds the vertices of noding.ts and the segments that pass them, cell by cell. Where many segments share a cell it is
 * quartered as long as that parts them, so that a tiny dense drawing in a large frame costs no more than elsewhere.
 */
import { IntList, PairList } from "../geometry/lists.ts";
import { type Cells, cellOf } from "./cells.ts";
import { cross, crossingAt, type SegmentPair } from "./exact.ts";
import { passesSquare } from "./lattice-square.ts";
import { goesOn, type Segments } from "./segments.ts";
import { Budget } from "./too-dense.ts";

/** A corner that misses a segment by no more than this many lattice steps may lie on it but for rounding. */
const NEAR_MISS = 3;

/** Cells with more segments are quartered, but no smaller than this many lattice steps. */
const MANY = 48;
const SMALLEST = 16;
/** Quartering goes on while it leaves at most this part of the pairs of segments to be compared. */
const WORTHWHILE = 0.7;

/** Comparisons of two segments, or of a segment and a vertex. */
const MOST_COMPARED = 8e7;
/** Crossings, vertices that segments pass, and corners they barely miss. */
const MOST_FOUND = 1.5e6;

/** Part of a list of numbers. */
interface Slice {
  readonly items: Int32Array;
  readonly from: number;
  readonly to: number;
}

/** Lattice points from (left, top) up to, not including, size steps on. */
interface Square {
  readonly left: number;
  readonly top: number;
  readonly size: number;
}

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
  /** Segments with others that begin at a corner beside them, just out of their way. */
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
    readonly doubt: number,
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
    const { doubt, pair } = this;
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
        if ((sideJ > doubt && sideK > doubt) || (sideJ < -doubt && sideK < -doubt)) continue;
        // Those that go on from one another meet there alone.
        if ((jx === idx && jy === idy) || (kx === 0 && ky === 0)) continue;
        const jdx = kx - jx;
        const jdy = ky - jy;
        let sideA = jdy * jx - jdx * jy;
        let sideB = jdx * (idy - jy) - jdy * (idx - jx);
        if ((sideA > doubt && sideB > doubt) || (sideA < -doubt && sideB < -doubt)) continue;
        if (doubt > 0) {
          sideJ = cross(idx, idy, jx, jy, doubt);
          sideK = cross(idx, idy, kx, ky, doubt);
          sideA = cross(jdx, jdy, -jx, -jy, doubt);
          sideB = cross(jdx, jdy, idx - jx, idy - jy, doubt);
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
        const x = crossingAt(ix, idx, sideA, sideB, doubt, pair);
        if (x < left || x >= left + size) continue;
        const y = crossingAt(iy, idy, sideA, sideB, doubt, pair);
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
    const { doubt, firstVertex } = this;
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
        if (within && passesSquare(dx, dy, x - x0, y - y0, doubt)) {
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

interface Quarter {
  readonly square: Square;
  readonly around: Slice;
}

function quartersOf(segs: Segments, { items, from, to }: Slice, { left, top, size }: Square): Quarter[] {
  const half = size / 2;
  return [0, 1, 2, 3].map((q) => {
    const square = { left: left + (q & 1 ? half : 0), top: top + (q & 2 ? half : 0), size: half };
    const near = new IntList((to - from) >> 1);
    for (let k = from; k < to; k++) if (comesNear(segs, items[k], square)) near.push(items[k]);
    return { square, around: { items: near.data, from: 0, to: near.length } };
  });
}

const isWorthwhile = (quarters: readonly Quarter[], count: number): boolean =>
  quarters.reduce((pairs, { around }) => pairs + around.to ** 2, 0) <= WORTHWHILE * count ** 2;

/** Whether a segment comes within a near miss of a square; now and then said of one a little farther away. */
function comesNear({ ax, ay, bx, by }: Segments, s: number, { left, top, size }: Square): boolean {
  const reach = size / 2 + NEAR_MISS + 1;
  const px = left + size / 2 - ax[s];
  const py = top + size / 2 - ay[s];
  const dx = bx[s] - ax[s];
  const dy = by[s] - ay[s];
  const [width, height] = [Math.abs(dx), Math.abs(dy)];
  if (Math.abs(px - dx / 2) > width / 2 + reach || Math.abs(py - dy / 2) > height / 2 + reach) return false;
  return Math.abs(dx * py - dy * px) <= (width + height) * reach * (1 + 2 ** -40);
}

function cornersIn(segs: Segments, { items, from, to }: Slice, { left, top, size }: Square): Slice {
  const within = new IntList(to - from);
  for (let k = from; k < to; k++) {
    const s = items[k] >> 1;
    const x = items[k] & 1 ? segs.bx[s] : segs.ax[s];
    const y = items[k] & 1 ? segs.by[s] : segs.ay[s];
    if (x >= left && x < left + size && y >= top && y < top + size) within.push(items[k]);
  }
  return { items: within.data, from: 0, to: within.length };
}

/** So few vertices are found fastest by looking at each. */
const FEW = 24;

/**
 * Finds vertices by their place: open addressing with linear probing (Knuth, vol. 3, 6.4). Those of squares left behind
 * count as empty places, so that nothing has to be cleared.
 */
class VertexTable {
  private slots = new Int32Array(256).fill(-1);
  private first = -1;
  private entered = 0;

  /** The vertex at a place, numbered from `first` on; a new one where there is none. */
  vertexAt(x: number, y: number, vx: IntList, vy: IntList, first: number): number {
    const count = vx.length;
    if (first !== this.first) {
      this.first = first;
      this.entered = first;
    }
    if ((count - first) * 2 > this.slots.length) {
      this.slots = new Int32Array((count - first) * 8).fill(-1);
      this.entered = first;
    }
    for (; this.entered < count; this.entered++) {
      const v = this.entered;
      this.slots[this.slotFor(vx.data[v], vy.data[v], vx.data, vy.data)] = v;
    }
    const slot = this.slotFor(x, y, vx.data, vy.data);
    if (this.slots[slot] >= first) return this.slots[slot];
    vx.push(x);
    vy.push(y);
    this.slots[slot] = count;
    this.entered = count + 1;
    return count;
  }

  /** Where the vertex of a place is, or would be entered. */
  private slotFor(x: number, y: number, vx: Int32Array, vy: Int32Array): number {
    const { slots, first } = this;
    const hash = Math.imul(x, 0x9e3779b1) ^ Math.imul(y, 0x85ebca6b);
    let slot = ((hash ^ (hash >>> 15)) >>> 0) % slots.length;
    while (slots[slot] >= first && (vx[slots[slot]] !== x || vy[slots[slot]] !== y))
      slot = slot + 1 === slots.length ? 0 : slot + 1;
    return slot;
  }
}
