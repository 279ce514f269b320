/**
 * The planar map as half-edges in flat arrays. Edge e gives half-edges 2e (u to v) and 2e + 1 (back); the twin of
 * h is h ^ 1. Around each vertex the outgoing half-edges are sorted by angle, so that `next` walks the loop with
 * the face on the left (taking y as upwards; in page terms, on the right).
 * De Berg et al., "Computational Geometry", 3rd ed., chapter 2. Coordinates are lattice steps.
 */
import type { Noding } from "./noding.ts";

export interface HalfEdges {
  readonly noding: Noding;
  /** The vertex a half-edge leaves. */
  readonly origin: (h: number) => number;
  /** Successor on the loop; -1 for half-edges of edges that repeat another edge. */
  readonly next: Int32Array;
  /** Number of edges at each vertex, repeats left out. */
  readonly degree: Uint16Array;
  readonly edgesKept: number;
}

export function halfEdgesOf(noding: Noding): HalfEdges {
  const { eu, ev, vx, vy, edgeCount, vertexCount } = noding;
  const start = new Int32Array(vertexCount + 1);
  for (let e = 0; e < edgeCount; e++) {
    start[eu[e]]++;
    start[ev[e]]++;
  }
  for (let v = 1; v <= vertexCount; v++) start[v] += start[v - 1];
  const out = new Int32Array(edgeCount * 2);
  for (let e = edgeCount - 1; e >= 0; e--) {
    out[--start[eu[e]]] = e * 2;
    out[--start[ev[e]]] = e * 2 + 1;
  }
  const target = (h: number) => (h & 1 ? eu[h >> 1] : ev[h >> 1]);

  const next = new Int32Array(edgeCount * 2).fill(-1);
  const degree = new Uint16Array(vertexCount);
  let halfEdgesKept = 0;
  for (let v = 0; v < vertexCount; v++) {
    const first = start[v];
    let last = start[v + 1];
    if (last - first > 1) {
      sortByAngle(out, first, last, v, vx, vy, target);
      last = dropRepeats(out, first, last, target);
    }
    degree[v] = last - first;
    halfEdgesKept += last - first;
    for (let k = first; k < last; k++) next[out[k] ^ 1] = out[k === first ? last - 1 : k - 1];
  }
  const origin = (h: number) => (h & 1 ? ev[h >> 1] : eu[h >> 1]);
  return { noding, origin, next, degree, edgesKept: halfEdgesKept / 2 };
}

/** Insertion sort, counter-clockwise from the positive x axis; equal directions by edge number. */
function sortByAngle(
  out: Int32Array,
  first: number,
  last: number,
  v: number,
  vx: Int32Array,
  vy: Int32Array,
  target: (h: number) => number,
): void {
  const x = vx[v];
  const y = vy[v];
  for (let k = first + 1; k < last; k++) {
    const h = out[k];
    const t = target(h);
    const dx = vx[t] - x;
    const dy = vy[t] - y;
    const lower = dy < 0 || (dy === 0 && dx < 0);
    let m = k;
    while (m > first) {
      const other = out[m - 1];
      const w = target(other);
      const ox = vx[w] - x;
      const oy = vy[w] - y;
      const otherLower = oy < 0 || (oy === 0 && ox < 0);
      const turn = ox * dy - oy * dx;
      const after = lower === otherLower ? turn > 0 || (turn === 0 && other < h) : lower;
      if (after) break;
      out[m] = other;
      m--;
    }
    out[m] = h;
  }
}

/** Edges between the same two vertices are one edge; the first line drawn keeps it. */
function dropRepeats(out: Int32Array, first: number, last: number, target: (h: number) => number): number {
  let kept = first + 1;
  for (let k = first + 1; k < last; k++) {
    if (target(out[k]) !== target(out[kept - 1])) out[kept++] = out[k];
  }
  return kept;
}
