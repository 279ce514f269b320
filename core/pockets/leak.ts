/**
 * Why colour would run out: the widest way from a point to the open, found as a bottleneck shortest path
 * (Pollack, 1960) over the triangles of the free space, and the openings to close, in order, until none is left.
 */
import { mix, type Point } from "../geometry/point.ts";
import { type FreeSpace, type Opening, openingGates, openingOf, triangleAt } from "./free-space.ts";

export interface Leak {
  /** The way out from the point, in page units. */
  readonly path: readonly Point[];
  /**
   * The openings to be closed, in order: the first closes the widest way out, the rest what is still open then.
   * Empty where nothing would help.
   */
  readonly openings: readonly Opening[];
}

const MOST_OPENINGS = 24;

/**
 * Explains a point in the open; undefined in ink. Far beyond the drawing all is open ground. Openings that count as
 * closed already are no way out.
 */
export function explainLeak(
  space: FreeSpace,
  at: Point,
  longestReach: number,
  isClosed: (opening: Opening) => boolean = () => false,
): Leak | undefined {
  const start = triangleAt(space, at);
  if (start < 0) return { path: [at], openings: [] };
  if (space.solid[start]) return undefined;
  const candidates = new Set(openingGates(space, longestReach));
  const closed = new Set<number>();
  for (const gate of candidates)
    if (isClosed(openingOf(space, gate))) closed.add(gate).add(space.mesh.twins[gate]);
  const openings: Opening[] = [];
  const first = widestWayOut(space, start, closed);
  for (let way = first; way; way = widestWayOut(space, start, closed)) {
    const gate = narrowestOpening(space, way, candidates);
    if (gate === undefined || openings.length === MOST_OPENINGS) {
      openings.length = 0;
      break;
    }
    closed.add(gate).add(space.mesh.twins[gate]);
    openings.push(openingOf(space, gate));
  }
  return { path: [at, ...wayPoints(space, first ?? [])], openings };
}

function narrowestOpening(
  space: FreeSpace,
  way: readonly number[],
  candidates: ReadonlySet<number>,
): number | undefined {
  let best: number | undefined;
  for (const e of way) {
    if (!candidates.has(e) && !candidates.has(space.mesh.twins[e])) continue;
    if (best === undefined || space.width[e] < space.width[best]) best = e;
  }
  return best;
}

/** The middles of the gates on a way, and a place beyond the last. */
function wayPoints(space: FreeSpace, way: readonly number[]): Point[] {
  const middles = way.map((e) => gateMiddle(space, e));
  if (way.length === 0) return middles;
  const beyond = space.mesh.twins[way[way.length - 1]];
  const first = beyond - (beyond % 3);
  const [a, b, c] = [0, 1, 2].map((k) => space.mesh.triangles[first + k]);
  const { xy } = space;
  return [
    ...middles,
    [(xy[2 * a] + xy[2 * b] + xy[2 * c]) / 3, (xy[2 * a + 1] + xy[2 * b + 1] + xy[2 * c + 1]) / 3],
  ];
}

function gateMiddle(space: FreeSpace, e: number): Point {
  const { mesh, xy } = space;
  const a = mesh.triangles[e];
  const b = mesh.triangles[e % 3 === 2 ? e - 2 : e + 1];
  return mix([xy[2 * a], xy[2 * a + 1]], [xy[2 * b], xy[2 * b + 1]], 0.5);
}

/** The gates crossed on the widest way from a triangle to one at the frame; undefined when enclosed. */
function widestWayOut(space: FreeSpace, start: number, closed: ReadonlySet<number>): number[] | undefined {
  const { mesh, width, room } = space;
  const through = new Float64Array(room.length).fill(-1);
  const cameBy = new Int32Array(room.length).fill(-1);
  const done = new Uint8Array(room.length);
  const heap = new WidestFirst();
  through[start] = Infinity;
  heap.push(start, Infinity);
  for (let t = heap.pop(); t >= 0; t = heap.pop()) {
    if (done[t]) continue;
    done[t] = 1;
    if (room[t] === Infinity) return wayTo(t, start, cameBy);
    for (let e = 3 * t; e < 3 * t + 3; e++) {
      const twin = mesh.twins[e];
      if (twin < 0 || mesh.fixed[e] || closed.has(e)) continue;
      const beyond = (twin - (twin % 3)) / 3;
      const wide = Math.min(through[t], width[e]);
      if (wide <= through[beyond]) continue;
      through[beyond] = wide;
      cameBy[beyond] = e;
      heap.push(beyond, wide);
    }
  }
  return undefined;
}

function wayTo(t: number, start: number, cameBy: Int32Array): number[] {
  const way: number[] = [];
  for (let now = t; now !== start; ) {
    const e = cameBy[now];
    way.push(e);
    now = (e - (e % 3)) / 3;
  }
  return way.reverse();
}

/** A binary heap that gives back the item with the largest key. */
class WidestFirst {
  private readonly items: number[] = [];
  private readonly keys: number[] = [];

  push(item: number, key: number): void {
    const { items, keys } = this;
    let i = items.length;
    while (i > 0) {
      const up = (i - 1) >> 1;
      if (keys[up] >= key) break;
      items[i] = items[up];
      keys[i] = keys[up];
      i = up;
    }
    items[i] = item;
    keys[i] = key;
  }

  pop(): number {
    const { items, keys } = this;
    if (items.length === 0) return -1;
    const top = items[0];
    const item = items.pop()!;
    const key = keys.pop()!;
    const n = items.length;
    if (n === 0) return top;
    let i = 0;
    for (let child = 1; child < n; child = 2 * i + 1) {
      if (child + 1 < n && keys[child + 1] > keys[child]) child++;
      if (keys[child] <= key) break;
      items[i] = items[child];
      keys[i] = keys[child];
      i = child;
    }
    items[i] = item;
    keys[i] = key;
    return top;
  }
}
