/**
 * Loops and faces of the planar map. Every half-edge lies on one loop; a loop with positive area bounds a face
 * from outside, one with negative area is the rim of an island, one with none is a tree of loose lines. Each
 * island's face is found by looking left from its leftmost point to the nearest edge.
 */
import type { Cells } from "./cells.ts";
import { rowOf } from "./cells.ts";
import type { HalfEdges } from "./half-edges.ts";

export interface Faces {
  readonly loopCount: number;
  /** The loop of each half-edge; -1 for repeats. */
  readonly loop: Int32Array;
  /** One half-edge of each loop. */
  readonly someHalfEdge: Int32Array;
  /** Signed area of each loop in lattice steps squared. */
  readonly area: Float64Array;
  /** For each loop the loop that bounds its face: itself, another, or -1 for the open outside. */
  readonly face: Int32Array;
  /** Loops that bound a pocket from outside. */
  readonly pockets: Int32Array;
}

/** Faces thinner than this many lattice steps, four millionths of the drawing, are rounding, not drawing. */
const SLIVER = 64;

export function facesOf(map: HalfEdges, cells: Cells): Faces {
  const { next, noding } = map;
  const { vx, vy, eu, ev } = noding;
  const loop = new Int32Array(next.length).fill(-1);
  const starts: number[] = [];
  const areas: number[] = [];
  const kinds: number[] = [];
  for (let first = 0; first < next.length; first++) {
    if (next[first] < 0 || loop[first] >= 0) continue;
    const id = starts.length;
    const originX = vx[map.origin(first)];
    const originY = vy[map.origin(first)];
    let twice = 0;
    let length = 0;
    let h = first;
    do {
      loop[h] = id;
      const a = h & 1 ? ev[h >> 1] : eu[h >> 1];
      const b = h & 1 ? eu[h >> 1] : ev[h >> 1];
      const px = vx[a] - originX;
      const py = vy[a] - originY;
      const qx = vx[b] - originX;
      const qy = vy[b] - originY;
      twice += px * qy - qx * py;
      length += Math.abs(qx - px) + Math.abs(qy - py);
      h = next[h];
    } while (h !== first);
    starts.push(first);
    areas.push(twice / 2);
    kinds.push(Math.abs(twice) <= SLIVER * length ? 0 : Math.sign(twice));
  }
  const face = new Int32Array(starts.length).fill(-2);
  for (let id = 0; id < starts.length; id++) if (kinds[id] > 0) face[id] = id;
  const pockets = Int32Array.from(face.filter((id) => id >= 0));
  const someHalfEdge = Int32Array.from(starts);
  for (let id = 0; id < starts.length; id++)
    if (face[id] === -2) resolveFace(id, map, cells, loop, someHalfEdge, face);
  return { loopCount: starts.length, loop, someHalfEdge, area: Float64Array.from(areas), face, pockets };
}

/** Follows islands to the left until one lies in a known face; fills in the face of all on the way. */
function resolveFace(
  id: number,
  map: HalfEdges,
  cells: Cells,
  loop: Int32Array,
  someHalfEdge: Int32Array,
  face: Int32Array,
): void {
  const chain: number[] = [];
  let current = id;
  while (current >= 0 && face[current] === -2) {
    chain.push(current);
    const beside = halfEdgeLeftOf(leftmostVertex(someHalfEdge[current], map), map, cells);
    current = beside < 0 ? -1 : loop[beside];
  }
  const found = current < 0 ? -1 : face[current];
  for (const link of chain) face[link] = found;
}

function leftmostVertex(first: number, map: HalfEdges): number {
  const { vx, vy } = map.noding;
  let best = map.origin(first);
  for (let h = map.next[first]; h !== first; h = map.next[h]) {
    const v = map.origin(h);
    if (vx[v] < vx[best] || (vx[v] === vx[best] && vy[v] < vy[best])) best = v;
  }
  return best;
}

/**
 * The half-edge that sees vertex v from the left: nearest edge on the horizontal through v, whose face lies on
 * its right-hand side in x. The horizontal is taken a hair above v, so that it never passes through a vertex.
 */
export function halfEdgeLeftOf(v: number, map: HalfEdges, cells: Cells): number {
  const { vx, vy } = map.noding;
  return halfEdgeLeftOfPoint(vx[v], vy[v], map, cells);
}

/** The same for any point in lattice steps, whole or not. */
export function halfEdgeLeftOfPoint(x: number, y: number, map: HalfEdges, cells: Cells): number {
  const { vx, vy, eu, ev, segEdge } = map.noding;
  const row = rowOf(cells, y);
  let best = -1;
  let bestX = -Infinity;
  let bestSlope = 0;
  const fromColumn = Math.min(cells.columns - 1, Math.floor((x + 1) / cells.size));
  for (let column = fromColumn; column >= 0; column--) {
    const cell = row * cells.columns + column;
    for (let k = cells.start[cell]; k < cells.start[cell + 1]; k++) {
      const s = cells.items[k];
      for (let e = segEdge[s]; e < segEdge[s + 1]; e++) {
        if (map.next[2 * e] < 0) continue;
        const ay = vy[eu[e]];
        const by = vy[ev[e]];
        if (ay <= y === by <= y) continue;
        const ax = vx[eu[e]];
        const dx = vx[ev[e]] - ax;
        const dy = by - ay;
        // Exact on lattice points, so that a vertex never lies left of its own edges.
        const side = dx * (y - ay) - dy * (x - ax);
        if (dy > 0 ? side >= 0 : side <= 0) continue;
        const slope = dx / dy;
        const at = ax + slope * (y - ay);
        if (at < bestX || (at === bestX && slope <= bestSlope && best >= 0)) continue;
        best = ay > by ? 2 * e : 2 * e + 1;
        bestX = at;
        bestSlope = slope;
      }
    }
    if (best >= 0 && bestX > column * cells.size + 2) break;
  }
  return best;
}
