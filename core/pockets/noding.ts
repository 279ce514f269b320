/**
 * Noding by snap rounding: segments on the lattice are cut wherever they meet, and every meeting point is moved
 * to the nearest lattice point, in such a way that the pieces never cross again.
 *
 * After Hobby, "Practical segment intersection with finite precision output" (1999), and Guibas and Marimont,
 * "Rounding arrangements dynamically" (1998): the lattice squares that hold a segment end or a crossing are hot,
 * and a segment is bent to the centre of every hot square it passes through. Overlaps, T-junctions, touching ends
 * and many lines through one point need no special case. Work goes cell by cell, so that the vertices of a cell
 * have neighbouring numbers and no table is needed to find one again.
 */
import { IntList, PairList } from "../geometry/lists.ts";
import { type Cells, cellOf } from "./cells.ts";
import { cross, crossingAt, type SegmentPair } from "./exact.ts";
import type { Segments } from "./segments.ts";

/**
 * Slot e holds a vertex and, where owner[e] >= 0, the edge from it to the vertex of slot e + 1, along segment
 * owner[e] and in its direction. The slots of a segment follow one another from first[s] on. A slot that ends a
 * line, or whose edge was taken out, has owner -1.
 */
export interface Noding {
  vertexCount: number;
  vx: Int32Array;
  vy: Int32Array;
  slotCount: number;
  at: Int32Array;
  owner: Int32Array;
  /** For each segment its first slot. */
  first: Int32Array;
  crossings: number;
  /** What lies this near zero in a cross product is computed exactly (exact.ts). */
  doubt: number;
  /** Vertices cell by cell: those of cell c are cellVertices[c] .. cellVertices[c + 1] - 1. */
  readonly cellVertices: Int32Array;
  /** What edits (map-edit.ts) have added: vertices by cell, and those where nothing ends or crosses any more. */
  readonly laterVertices: Map<number, number[]>;
  readonly cold: Set<number>;
  /** Slots there were before any edit. */
  readonly builtSlots: number;
}

/** `onPeak` is called where the most memory is held. */
export function nodeSegments(
  segs: Segments,
  cells: Cells,
  doubt: number,
  onPeak?: () => void,
): { noding: Noding; misses: readonly (readonly [segment: number, corner: number])[] } {
  const noder = new Noder(segs, cells, doubt, cornersByCell(segs, cells));
  noder.run();
  return { noding: cutSegments(segs, noder, onPeak), misses: noder.misses };
}

/** A corner that misses a segment by no more than this many lattice steps may lie on it but for rounding. */
const NEAR_MISS = 3;

/** Segment ends by cell: 2s for where segment s begins, left out where the one before it ends, and 2s + 1. */
interface Corners {
  readonly start: Int32Array;
  readonly items: Int32Array;
}

/** Whether segment s goes on from where segment s - 1 of the same line ends. */
export const goesOn = (segs: Segments, s: number): boolean =>
  s > 0 &&
  segs.line[s] === segs.line[s - 1] &&
  segs.ax[s] === segs.bx[s - 1] &&
  segs.ay[s] === segs.by[s - 1];

function cornersByCell(segs: Segments, cells: Cells): Corners {
  const { ax, ay, bx, by } = segs;
  const corners = new PairList();
  for (let s = 0; s < segs.count; s++) {
    if (!goesOn(segs, s)) corners.push(cellOf(cells, ax[s], ay[s]), 2 * s);
    corners.push(cellOf(cells, bx[s], by[s]), 2 * s + 1);
  }
  return corners.grouped(cells.columns * cells.rows);
}

/** Does a segment from (x0, y0) along (dx, dy) pass through the square of the lattice point px, py away from there? */
export function passesSquare(dx: number, dy: number, px: number, py: number, doubt: number): boolean {
  const side = dx * py - dy * px;
  const reach = 0.5 * ((dx < 0 ? -dx : dx) + (dy < 0 ? -dy : dy));
  if (side > reach + doubt || side < -reach - doubt) return false;
  if (side < reach - doubt && side > doubt - reach) return true;
  return touchesSquare(dx, dy, px, py, doubt);
}

/**
 * The exact answer near a square's rim. A square owns only its lower-left corner, so that squares tile the plane: a
 * line that merely touches a corner passes through only if it is that one, a falling line with the square's centre
 * on its upper side.
 */
function touchesSquare(dx: number, dy: number, px: number, py: number, doubt: number): boolean {
  const sx = Math.sign(dx);
  const sy = Math.sign(dy);
  const high = cross(dx, dy, 2 * px - sy, 2 * py + sx, 2 * doubt);
  const low = cross(dx, dy, 2 * px + sy, 2 * py - sx, 2 * doubt);
  if (high < 0 || low > 0) return false;
  if (high > 0 && low < 0) return true;
  const centreAbove = low === 0 ? 1 : -1;
  return dx * dy < 0 && dx * centreAbove > 0;
}

class Noder {
  readonly vx: IntList;
  readonly vy: IntList;
  readonly hits: PairList;
  readonly from: Int32Array;
  readonly to: Int32Array;
  readonly cellVertices: Int32Array;
  crossings = 0;
  /** Segments with others that begin at a corner beside them, just out of their way. */
  readonly misses: [segment: number, corner: number][] = [];
  private firstVertex = 0;
  private crossingsFrom = 0;
  private readonly pair: SegmentPair = { x: 0, y: 0, dx: 0, dy: 0, u: 0, v: 0, du: 0, dv: 0 };

  constructor(
    private readonly segs: Segments,
    private readonly cells: Cells,
    readonly doubt: number,
    private readonly corners: Corners,
  ) {
    this.vx = new IntList(corners.items.length);
    this.vy = new IntList(corners.items.length);
    this.hits = new PairList();
    this.from = new Int32Array(segs.count);
    this.to = new Int32Array(segs.count);
    this.cellVertices = new Int32Array(cells.start.length);
  }

  run(): void {
    const count = this.cells.start.length - 1;
    for (let cell = 0; cell < count; cell++) {
      this.firstVertex = this.vx.length;
      this.cellVertices[cell] = this.firstVertex;
      this.placeCorners(cell);
      this.crossingsFrom = this.vx.length;
      this.findCrossings(cell);
      this.findHotSquares(cell);
    }
    this.cellVertices[count] = this.vx.length;
  }

  /** The vertex at a lattice point of the current cell. */
  private vertexAt(x: number, y: number): number {
    const vx = this.vx.data;
    const vy = this.vy.data;
    const count = this.vx.length;
    for (let v = this.firstVertex; v < count; v++) if (vx[v] === x && vy[v] === y) return v;
    this.vx.push(x);
    this.vy.push(y);
    return count;
  }

  private placeCorners(cell: number): void {
    const { segs, from, to } = this;
    const { start, items } = this.corners;
    for (let k = start[cell]; k < start[cell + 1]; k++) {
      const s = items[k] >> 1;
      if (items[k] & 1) {
        const v = this.vertexAt(segs.bx[s], segs.by[s]);
        to[s] = v;
        if (s + 1 < segs.count && goesOn(segs, s + 1)) from[s + 1] = v;
      } else from[s] = this.vertexAt(segs.ax[s], segs.ay[s]);
    }
  }

  /** Proper crossings of two segments within the cell; meetings at ends are left to the hot squares. */
  private findCrossings(cell: number): void {
    const { ax, ay, bx, by } = this.segs;
    const { start, items } = this.cells;
    const { doubt, pair } = this;
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
        let sideJ = idx * jy - idy * jx;
        let sideK = idx * ky - idy * kx;
        if ((sideJ > doubt && sideK > doubt) || (sideJ < -doubt && sideK < -doubt)) continue;
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
        const y = crossingAt(iy, idy, sideA, sideB, doubt, pair);
        if (cellOf(this.cells, x, y) !== cell) continue;
        this.crossings++;
        this.vertexAt(x, y);
      }
    }
  }

  private noteMiss(cell: number, s: number, x: number, y: number): void {
    const { ax, ay } = this.segs;
    const { start, items } = this.cells;
    for (let k = start[cell]; k < start[cell + 1]; k++)
      if (ax[items[k]] === x && ay[items[k]] === y) this.misses.push([s, items[k]]);
  }

  /** Every segment of the cell against every vertex in it: does it pass through the vertex's square? */
  private findHotSquares(cell: number): void {
    const { ax, ay, bx, by } = this.segs;
    const { start, items } = this.cells;
    const { doubt, firstVertex } = this;
    const vx = this.vx.data;
    const vy = this.vy.data;
    const vertexCount = this.vx.length;
    if (firstVertex === vertexCount) return;
    for (let k = start[cell]; k < start[cell + 1]; k++) {
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
        if (within && passesSquare(dx, dy, x - x0, y - y0, doubt)) this.hits.push(s, v);
        else if (v < this.crossingsFrom) this.noteMiss(cell, s, x, y);
      }
    }
  }
}

/** Orders each segment's vertices along it and lays them out as slots. */
function cutSegments(segs: Segments, noder: Noder, onPeak?: () => void): Noding {
  const n = segs.count;
  const { from, to, hits, doubt, crossings, cellVertices } = noder;
  const vertexCount = noder.vx.length;
  const vx = noder.vx.trimmed();
  const vy = noder.vy.trimmed();
  const { start, items } = hits.grouped(n);

  let breaks = 0;
  for (let s = 0; s < n; s++) if (!goesOn(segs, s)) breaks++;
  const at = new Int32Array(n + items.length + breaks);
  const owner = new Int32Array(at.length);
  const first = new Int32Array(n);
  const sorter = new AlongSorter(vx, vy);
  let slot = 0;
  for (let s = 0; s < n; s++) {
    first[s] = slot;
    sorter.sort(segs, s, items, start[s], start[s + 1]);
    let previous = from[s];
    at[slot] = previous;
    owner[slot++] = s;
    for (let k = start[s]; k < start[s + 1]; k++) {
      if (items[k] === previous) continue;
      previous = items[k];
      at[slot] = previous;
      owner[slot++] = s;
    }
    if (s + 1 === n || !goesOn(segs, s + 1)) {
      at[slot] = to[s];
      owner[slot++] = -1;
    }
  }
  onPeak?.();
  return {
    vertexCount,
    vx,
    vy,
    slotCount: slot,
    at,
    owner,
    first,
    crossings,
    doubt,
    cellVertices,
    laterVertices: new Map(),
    cold: new Set(),
    builtSlots: slot,
  };
}

/** Sorts a segment's hits by distance along it (Shell, 1959); ties go the same way for either direction. */
export class AlongSorter {
  private keys = new Float64Array(64);

  constructor(
    private readonly vx: Int32Array,
    private readonly vy: Int32Array,
  ) {}

  sort(segs: Segments, s: number, items: Int32Array, from: number, to: number): void {
    const count = to - from;
    if (count < 2) return;
    const { vx, vy } = this;
    if (count > this.keys.length) this.keys = new Float64Array(count * 2);
    const { keys } = this;
    const x0 = segs.ax[s];
    const y0 = segs.ay[s];
    const dx = segs.bx[s] - x0;
    const dy = segs.by[s] - y0;
    const sense = dx > 0 || (dx === 0 && dy > 0) ? 1 : -1;
    for (let k = 0; k < count; k++) {
      const v = items[from + k];
      keys[k] = dx * (vx[v] - x0) + dy * (vy[v] - y0);
    }
    let gap = 1;
    while (gap < count / 9) gap = 3 * gap + 1;
    for (; gap > 0; gap = (gap - 1) / 3) {
      for (let k = gap; k < count; k++) {
        const key = keys[k];
        const v = items[from + k];
        let m = k;
        while (m >= gap) {
          const before = keys[m - gap];
          if (before < key || (before === key && (items[from + m - gap] - v) * sense <= 0)) break;
          keys[m] = before;
          items[from + m] = items[from + m - gap];
          m -= gap;
        }
        keys[m] = key;
        items[from + m] = v;
      }
    }
  }
}
