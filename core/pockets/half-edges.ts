/**
 * The planar map as half-edges in flat arrays. The edge of slot e (see noding.ts) gives half-edges 2e, forwards,
 * and 2e + 1, back; the twin of h is h ^ 1. Around each vertex the outgoing half-edges are in order of angle, so
 * that `next` walks the loop with the face on the left (taking y as upwards; in page terms, on the right). The
 * order around a vertex needs no store of its own: after h comes next[h ^ 1], clockwise.
 * De Berg et al., "Computational Geometry", 3rd ed., chapter 2. Coordinates are lattice steps.
 */
import { cross } from "./exact.ts";
import type { Noding } from "./noding.ts";
import type { Line, Segments } from "./segments.ts";

export interface HalfEdges {
  readonly noding: Noding;
  /** Successor on the loop; -1 where there is no edge or it repeats another one. */
  next: Int32Array;
}

/** The vertex a half-edge leaves. */
export const originOf = ({ at }: Noding, h: number): number => at[(h >> 1) + (h & 1)];
/** The vertex a half-edge leads to. */
export const targetOf = ({ at }: Noding, h: number): number => at[(h >> 1) + 1 - (h & 1)];

/** The half-edge that leads back from where segment s ends. */
export function lastHalfEdge({ first, owner }: Noding, s: number): number {
  let e = first[s];
  while (owner[e + 1] === s) e++;
  return 2 * e + 1;
}

/** How many edges meet where h begins, repeats left out; h itself must not be one. */
export function degreeAt({ next }: HalfEdges, h: number): number {
  let degree = 0;
  let now = h;
  do {
    degree++;
    now = next[now ^ 1];
  } while (now !== h);
  return degree;
}

/**
 * Which of several edges that repeat one another stands for all: that of the line whose id comes first, then the one nearer
 * to its start. The order in which lines arrived therefore does not matter.
 */
export const standsFirst =
  (lines: readonly Line[], segs: Segments, noding: Noding) =>
  (e: number, f: number): boolean => {
    const { line, ua } = segs;
    const [s, t] = [noding.owner[e], noding.owner[f]];
    if (line[s] === line[t]) return ua[s] < ua[t];
    return lines[line[s]].id < lines[line[t]].id;
  };

/** `spare` is lent for sorting: two numbers a slot. */
export function halfEdgesOf(
  noding: Noding,
  first: ReturnType<typeof standsFirst>,
  spare: Int32Array,
): HalfEdges {
  const { at, owner, slotCount, vertexCount } = noding;
  const start = new Int32Array(vertexCount + 1);
  for (let e = 0; e < slotCount; e++) {
    if (owner[e] < 0) continue;
    start[at[e]]++;
    start[at[e + 1]]++;
  }
  for (let v = 1; v <= vertexCount; v++) start[v] += start[v - 1];
  for (let e = slotCount - 1; e >= 0; e--) {
    if (owner[e] < 0) continue;
    spare[--start[at[e]]] = e * 2;
    spare[--start[at[e + 1]]] = e * 2 + 1;
  }
  const next = new Int32Array(slotCount * 2).fill(-1);
  const ring = new Ring(noding, first);
  for (let v = 0; v < vertexCount; v++) ring.link(v, spare, start[v], start[v + 1], next);
  return { noding, next };
}

/** Orders the half-edges that leave one vertex. */
class Ring {
  private dx = new Float64Array(32);
  private dy = new Float64Array(32);

  constructor(
    private readonly noding: Noding,
    private readonly first: ReturnType<typeof standsFirst>,
  ) {}

  link(v: number, out: Int32Array, from: number, to: number, next: Int32Array): void {
    const count = to - from;
    if (count === 2) {
      const a = out[from];
      const b = out[from + 1];
      if (targetOf(this.noding, a) !== targetOf(this.noding, b)) {
        next[a ^ 1] = b;
        next[b ^ 1] = a;
        return;
      }
    }
    if (count > 1) this.sort(v, out, from, count);
    let kept = from;
    for (let k = from; k < to; k++) {
      if (k === from || targetOf(this.noding, out[k]) !== targetOf(this.noding, out[kept - 1]))
        out[kept++] = out[k];
    }
    for (let k = from; k < kept; k++) next[out[k] ^ 1] = out[k === from ? kept - 1 : k - 1];
  }

  /** Insertion sort, counter-clockwise from the positive x axis; of repeats, which meet, the one to be kept first. */
  private sort(v: number, out: Int32Array, from: number, count: number): void {
    const { vx, vy, errorBound } = this.noding;
    if (count > this.dx.length) {
      this.dx = new Float64Array(count * 2);
      this.dy = new Float64Array(count * 2);
    }
    const { dx, dy } = this;
    for (let k = 0; k < count; k++) {
      const h = out[from + k];
      const w = targetOf(this.noding, h);
      const x = vx[w] - vx[v];
      const y = vy[w] - vy[v];
      const lower = y < 0 || (y === 0 && x < 0);
      let m = k;
      while (m > 0) {
        const ox = dx[m - 1];
        const oy = dy[m - 1];
        if (lower !== (oy < 0 || (oy === 0 && ox < 0))) {
          if (lower) break;
        } else {
          const turn = cross(ox, oy, x, y, errorBound);
          if (turn > 0 || (turn === 0 && this.first(out[from + m - 1] >> 1, h >> 1))) break;
        }
        dx[m] = ox;
        dy[m] = oy;
        out[from + m] = out[from + m - 1];
        m--;
      }
      dx[m] = x;
      dy[m] = y;
      out[from + m] = h;
    }
  }
}
