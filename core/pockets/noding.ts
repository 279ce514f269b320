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
import type { Cells } from "./cells.ts";
import { Noder } from "./noder.ts";
import { goesOn, type Segments } from "./segments.ts";

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
  errorBound: number;
  /** Vertices cell by cell: those of cell c are cellVertices[c] .. cellVertices[c + 1] - 1. */
  readonly cellVertices: Int32Array;
  /** What edits (map-edit.ts) have added: vertices by cell, and those where nothing ends or crosses any more. */
  readonly laterVertices: Map<number, number[]>;
  readonly cold: Set<number>;
  /** Slots there were before any edit. */
  readonly builtSlots: number;
}

/** `onPeak` is called where the most memory is held. Throws TooDense (too-dense.ts). */
export function nodeSegments(
  segs: Segments,
  cells: Cells,
  errorBound: number,
  onPeak?: () => void,
): { noding: Noding; misses: readonly (readonly [segment: number, corner: number])[] } {
  const noder = new Noder(segs, cells, errorBound);
  noder.run();
  return { noding: cutSegments(segs, noder, onPeak), misses: noder.misses };
}

/** Sorts the vertices on each segment along it and writes them one after another, segment by segment. */
function cutSegments(segs: Segments, noder: Noder, onPeak?: () => void): Noding {
  const n = segs.count;
  const { from, to, hits, errorBound, crossings, cellVertices } = noder;
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
    errorBound,
    cellVertices,
    laterVertices: new Map(),
    cold: new Set(),
    builtSlots: slot,
  };
}

/**
 * Sorts a segment's hits along it (Shell, 1959). The squares a straight line passes rise or fall with it in both
 * coordinates, so their order is that of how far they lie from its start in both together: whole numbers, never equal.
 */
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
    for (let k = 0; k < count; k++) {
      const v = items[from + k];
      keys[k] = Math.abs(vx[v] - x0) + Math.abs(vy[v] - y0);
    }
    let gap = 1;
    while (gap < count / 9) gap = 3 * gap + 1;
    for (; gap > 0; gap = (gap - 1) / 3) {
      for (let k = gap; k < count; k++) {
        const key = keys[k];
        const v = items[from + k];
        let m = k;
        while (m >= gap && keys[m - gap] > key) {
          keys[m] = keys[m - gap];
          items[from + m] = items[from + m - gap];
          m -= gap;
        }
        keys[m] = key;
        items[from + m] = v;
      }
    }
  }
}
