/**
 * Loops and faces of the planar map. Every half-edge lies on one loop; a loop with positive area bounds a face
 * from outside, one with negative area is the rim of an island, one with none is a tree of loose lines. Each
 * island's face is found by looking left from its leftmost point to the nearest edge.
 */
import { columnOf, eachIn, rowOf } from "./cells.ts";
import { cross } from "./exact.ts";
import { type HalfEdges, originOf, targetOf } from "./half-edges.ts";
import type { MapParts } from "./map-parts.ts";
import { isSliver } from "./slivers.ts";

/** What a loop is: the outer bound of a face, the rim of an island, or a loop that encloses nothing. */
export const LOOP = { none: 0, bound: 1, rim: 2 } as const;

/** A loop that bounds nothing itself lies in the face seen to its left. */
export interface Island {
  /** The half-edge seen, -1 where nothing is. */
  readonly seen: number;
  /** The loop's leftmost point, in lattice steps. */
  readonly x: number;
  readonly y: number;
}

export interface Faces {
  /** The loop of each half-edge; -1 where there is none. */
  loop: Int32Array;
  loopCount: number;
  /** The half-edge of each loop that leaves its leftmost point; -1 for loops that are no more. */
  some: Int32Array;
  /** One of LOOP for each loop. */
  kind: Uint8Array;
  readonly islands: Map<number, Island>;
}

/** `loop` is lent for the result: two numbers a slot. */
export function facesOf(parts: MapParts, loop: Int32Array): Faces {
  const { next } = parts.halfEdges;
  loop.fill(-1);
  const faces: Faces = {
    loop,
    loopCount: 0,
    some: new Int32Array(Math.max(64, next.length >> 3)),
    kind: new Uint8Array(Math.max(64, next.length >> 3)),
    islands: new Map(),
  };
  for (let h = 0; h < next.length; h++) if (next[h] >= 0 && loop[h] < 0) traceLoop(parts, faces, h);
  for (let id = 0; id < faces.loopCount; id++)
    if (faces.kind[id] !== LOOP.bound) faces.islands.set(id, islandOf(parts, faces, id));
  return faces;
}

/** Numbers the loop through half-edge `first` and says what it is. */
export function traceLoop(parts: MapParts, faces: Faces, first: number): number {
  const { next, noding } = parts.halfEdges;
  const { vx, vy, at } = noding;
  const { loop } = faces;
  const id = faces.loopCount++;
  if (id === faces.some.length) growLoops(faces);
  const start = originOf(noding, first);
  const originX = vx[start];
  const originY = vy[start];
  let twice = 0;
  let length = 0;
  let px = 0;
  let py = 0;
  let leftmost = first;
  let leftX = 0;
  let leftY = 0;
  let h = first;
  do {
    loop[h] = id;
    if (px < leftX || (px === leftX && py < leftY)) {
      leftmost = h;
      leftX = px;
      leftY = py;
    }
    const target = at[(h >> 1) + 1 - (h & 1)];
    const qx = vx[target] - originX;
    const qy = vy[target] - originY;
    twice += px * qy - qx * py;
    length += (qx > px ? qx - px : px - qx) + (qy > py ? qy - py : py - qy);
    px = qx;
    py = qy;
    h = next[h];
  } while (h !== first);
  faces.some[id] = leftmost;
  faces.kind[id] = kindOf(parts, first, twice, length);
  return id;
}

function growLoops(faces: Faces): void {
  const size = faces.some.length + (faces.some.length >> 1);
  const some = new Int32Array(size);
  const kind = new Uint8Array(size);
  some.set(faces.some);
  kind.set(faces.kind);
  faces.some = some;
  faces.kind = kind;
}

function kindOf(parts: MapParts, first: number, twice: number, length: number): number {
  if (isSliver(parts, first, twice, length)) return LOOP.none;
  return twice > 0 ? LOOP.bound : LOOP.rim;
}

/** The loops that bound faces from outside: one a face. */
export function boundingLoops({ some, kind, loopCount }: Faces): number[] {
  const found: number[] = [];
  for (let id = 0; id < loopCount; id++) if (some[id] >= 0 && kind[id] === LOOP.bound) found.push(id);
  return found;
}

/** Where a loop that bounds nothing lies: beside another loop that meets its leftmost point, or farther left. */
export function islandOf(parts: MapParts, faces: Faces, id: number): Island {
  const { noding } = parts.halfEdges;
  const h = faces.some[id];
  const v = originOf(noding, h);
  const [x, y] = [noding.vx[v], noding.vy[v]];
  const beside = besideLeft(h, parts.halfEdges);
  return { seen: faces.loop[beside] === id ? halfEdgeLeftOf(x, y, parts) : beside, x, y };
}

/**
 * Of the half-edges where h begins, the one with the way to the left, a hair upwards, next to it counter-clockwise:
 * that is what a point there would see.
 */
function besideLeft(h: number, { noding, next }: HalfEdges): number {
  const { vx, vy } = noding;
  const v = originOf(noding, h);
  let best = -1;
  let bestX = 0;
  let bestY = 0;
  let now = h;
  do {
    const w = targetOf(noding, now);
    const x = vx[w] - vx[v];
    const y = vy[w] - vy[v];
    if (best < 0 || isLater(x, y, bestX, bestY)) {
      best = now;
      bestX = x;
      bestY = y;
    }
    now = next[now ^ 1];
  } while (now !== h);
  return best;
}

/** Whether a direction comes after another, counter-clockwise from the left (which itself comes first). */
function isLater(x: number, y: number, beforeX: number, beforeY: number): boolean {
  const upper = y > 0 || (y === 0 && x > 0);
  if (upper !== (beforeY > 0 || (beforeY === 0 && beforeX > 0))) return upper;
  return cross(beforeX, beforeY, x, y, DOUBT) > 0;
}

/** The face of every loop, named by the loop that bounds it; -1 for the open outside, -2 for loops no more. */
export function resolveFaces({ islands, kind, loop, loopCount, some }: Faces): Int32Array {
  const face = new Int32Array(loopCount).fill(-2);
  for (let id = 0; id < loopCount; id++) if (some[id] >= 0 && kind[id] === LOOP.bound) face[id] = id;
  for (const start of islands.keys()) {
    const chain: number[] = [];
    let id = start;
    while (id >= 0 && face[id] === -2) {
      chain.push(id);
      const { seen } = islands.get(id)!;
      id = seen < 0 ? -1 : loop[seen];
    }
    const found = id < 0 ? -1 : face[id];
    for (const link of chain) face[link] = found;
  }
  return face;
}

/** Bound on the error of a cross product over the whole lattice (see exact.ts). */
const DOUBT = 2 ** 12;
/** Places this near one another along the horizontal, in steps, are told apart by slope where edges meet below. */
const NEAR = 2 ** -12;

/**
 * The half-edge that sees a point from the left: nearest edge on the horizontal through it, whose face lies on its
 * right-hand side in x. Lattice steps, whole or not. The horizontal is taken a hair above the point, so that it
 * never passes through a vertex.
 */
function halfEdgeLeftOf(x: number, y: number, { segs, cells, halfEdges }: MapParts): number {
  const { noding, next } = halfEdges;
  const { vx, vy, at, owner, first } = noding;
  const { ax, ay, bx, by } = segs;
  const row = rowOf(cells, y);
  const size = 2 ** cells.shift;
  let best = -1;
  let bestX = -Infinity;
  let bestSlope = 0;
  let bestLow = -1;
  const look = (s: number) => {
    // Pieces stray no farther from their segment than rounding.
    if ((ay[s] < y - 1 && by[s] < y - 1) || (ay[s] > y + 1 && by[s] > y + 1)) return;
    if (ax[s] > x + 1 && bx[s] > x + 1) return;
    for (let e = first[s]; owner[e] === s; e++) {
      if (next[2 * e] < 0) continue;
      const upwards = vy[at[e]] <= vy[at[e + 1]];
      const low = upwards ? at[e] : at[e + 1];
      const high = upwards ? at[e + 1] : at[e];
      if (vy[low] > y || vy[high] <= y) continue;
      const dx = vx[high] - vx[low];
      const dy = vy[high] - vy[low];
      // Exact, so that a vertex never lies left of its own edges.
      if (cross(dx, dy, x - vx[low], y - vy[low], DOUBT) >= 0) continue;
      const slope = dx / dy;
      const along = vx[low] + slope * (y - vy[low]);
      const nearer = Math.abs(along - bestX) < NEAR && low === bestLow ? slope > bestSlope : along > bestX;
      if (!nearer) continue;
      best = upwards ? 2 * e + 1 : 2 * e;
      bestX = along;
      bestSlope = slope;
      bestLow = low;
    }
  };
  for (let column = columnOf(cells, x + 1); column >= 0; column--) {
    eachIn(cells, segs, row * cells.columns + column, look);
    if (best >= 0 && (column === 0 || bestX > (cells.firstColumn + column) * size + 2)) break;
  }
  return best;
}
