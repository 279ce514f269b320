/**
 * Outlines of faces as true Béziers: the half-edges of a loop are gathered into runs along one line, each run is
 * cut from that line's own cubics, and the cuts are moved to where the curves themselves meet.
 */
import { between, closestNear, crossingNear, curveCount, pointAt } from "../geometry/cubic.ts";
import type { Point } from "../geometry/point.ts";
import { originOf, targetOf } from "./half-edges.ts";
import type { PlanarMap } from "./planar-map.ts";
import { endParameter, toPage } from "./segments.ts";
import { TooDense } from "./too-dense.ts";

/** A stretch of an outline along one line, from parameter `from` to `to` (falling when walked backwards). */
export interface Run {
  readonly line: number;
  readonly from: number;
  readonly to: number;
  /** The half-edge it begins with. */
  readonly first: number;
  /** The face on the far side: a loop number, or -1 for outside. */
  readonly beyond: number;
}

/** A map with the face of each of its loops (see faces.ts). */
export interface FacedMap {
  readonly map: PlanarMap;
  readonly face: Int32Array;
}

/** The parameter of vertex v on the line of half-edge h. */
export function paramAt({ segs, noding, lines }: PlanarMap, h: number, v: number): number {
  const s = noding.owner[h >> 1];
  const dx = segs.bx[s] - segs.ax[s];
  const dy = segs.by[s] - segs.ay[s];
  const t = ((noding.vx[v] - segs.ax[s]) * dx + (noding.vy[v] - segs.ay[s]) * dy) / (dx * dx + dy * dy);
  const from = segs.ua[s];
  return from + (endParameter(segs, lines, s) - from) * Math.max(0, Math.min(1, t));
}

export const lineOf = ({ segs, noding }: PlanarMap, h: number): number => segs.line[noding.owner[h >> 1]];
const faceOf = ({ map, face }: FacedMap, h: number): number => face[map.faces.loop[h]];

/**
 * The closed cycles that bound a face, loose lines left out: an edge with the same face on both sides bounds
 * nothing. Each cycle is a list of half-edges in order.
 */
export function cyclesOf(faced: FacedMap, loops: readonly number[]): number[][] {
  const { next } = faced.map.halfEdges;
  const seen = new Set<number>();
  const cycles: number[][] = [];
  const loose = (h: number) => faceOf(faced, h) === faceOf(faced, h ^ 1);
  for (const loop of loops) {
    const first = faced.map.faces.some[loop];
    const whole = wholeLoop(next, first, loose);
    if (whole) {
      cycles.push(whole);
      continue;
    }
    let start = first;
    do {
      if (!seen.has(start) && !loose(start)) {
        const cycle: number[] = [];
        let h = start;
        do {
          cycle.push(h);
          seen.add(h);
          h = next[h];
          while (loose(h)) h = next[h ^ 1];
          if (h !== start && seen.has(h)) throw new TooDense();
        } while (h !== start);
        cycles.push(cycle);
      }
      start = next[start];
    } while (start !== first);
  }
  return cycles;
}

/** All half-edges of a loop; undefined where any of them is of a loose line. */
function wholeLoop(next: Int32Array, first: number, loose: (h: number) => boolean): number[] | undefined {
  const cycle: number[] = [];
  let h = first;
  do {
    if (loose(h)) return undefined;
    cycle.push(h);
    h = next[h];
  } while (h !== first);
  return cycle;
}

/** Whether half-edge h goes on along the same line as the one before it. */
function continues(faced: FacedMap, before: number, h: number, split: boolean): boolean {
  const { map } = faced;
  if ((h & 1) !== (before & 1) || lineOf(map, h) !== lineOf(map, before)) return false;
  if (split && faceOf(faced, h ^ 1) !== faceOf(faced, before ^ 1)) return false;
  const { owner } = map.noding;
  const ahead = (owner[h >> 1] - owner[before >> 1]) * ((h & 1) === 0 ? 1 : -1);
  // Within a segment, or from one to the next where the first ends.
  if (ahead === 0 || ahead === 1) return true;
  const v = originOf(map.noding, h);
  return Math.abs(paramAt(map, h, v) - paramAt(map, before, v)) < 1e-6;
}

/** Gathers a cycle into runs; `split` also breaks where the face beyond changes. */
export function runsOf(faced: FacedMap, cycle: readonly number[], split: boolean): Run[] {
  const { map } = faced;
  const joinsPrevious = cycle.map((h, i) =>
    continues(faced, cycle[(i + cycle.length - 1) % cycle.length], h, split),
  );
  const firstBreak = Math.max(0, joinsPrevious.indexOf(false));
  const runs: Run[] = [];
  for (let k = 0; k < cycle.length; ) {
    const begin = cycle[(firstBreak + k) % cycle.length];
    let end = begin;
    k++;
    while (k < cycle.length && joinsPrevious[(firstBreak + k) % cycle.length])
      end = cycle[(firstBreak + k++) % cycle.length];
    runs.push({
      line: lineOf(map, begin),
      from: paramAt(map, begin, originOf(map.noding, begin)),
      to: paramAt(map, end, targetOf(map.noding, end)),
      first: begin,
      beyond: faceOf(faced, begin ^ 1),
    });
  }
  return runs;
}

/** A line at a vertex of the map: its parameter there. */
interface Arm {
  readonly line: number;
  readonly u: number;
}

/**
 * Turns runs into curves. Where lines meet is found once for each vertex and hangs on the lines there alone, so that
 * neighbours agree to the last digit.
 */
export class CurveCutter {
  private readonly meetings = new Map<number, Point>();

  constructor(private readonly map: PlanarMap) {}

  /** Forgets what was known of these vertices: other lines meet there now. */
  forget(vertices: Iterable<number>): void {
    for (const vertex of vertices) this.meetings.delete(vertex);
  }

  /** Each run of a cycle as a curve of its own, one beginning where the one before ends. */
  pieces(runs: readonly Run[]): number[][] {
    const meetings = runs.map(({ first }) => this.meeting(first));
    return runs.map((run, i) => this.piece(run, meetings[i], meetings[(i + 1) % runs.length]));
  }

  /** The curve of one run, its ends moved to the given points. */
  private piece(run: Run, start: Point, end: Point): number[] {
    const chain = this.map.lines[run.line].points;
    const from = this.settle(run, run.from, start);
    const to = this.settle(run, run.to, end);
    const reversedBySettling = (to - from) * (run.to - run.from) <= 0;
    const piece = reversedBySettling ? straight(start, end) : between(chain, from, to);
    [piece[0], piece[1]] = start;
    [piece[piece.length - 2], piece[piece.length - 1]] = end;
    return piece;
  }

  private settle(run: Run, u: number, at: Point): number {
    const chain = this.map.lines[run.line].points;
    return u === 0 || u === curveCount(chain) ? u : closestNear(chain, at, u, 0.25);
  }

  /** Where the lines meet at the vertex that a half-edge leaves. */
  meeting(h: number): Point {
    const vertex = originOf(this.map.noding, h);
    const known = this.meetings.get(vertex);
    if (known) return known;
    const point = this.findMeeting(vertex, this.armsAt(h));
    this.meetings.set(vertex, point);
    return point;
  }

  /** Lines before bridges, else by their ids: the order in which they came does not matter. */
  private armsAt(h: number): Arm[] {
    const { map } = this;
    const { lines, halfEdges, noding } = map;
    const vertex = originOf(noding, h);
    const arms: Arm[] = [];
    let now = h;
    do {
      const arm = { line: lineOf(map, now), u: paramAt(map, now, vertex) };
      if (!arms.some(({ line, u }) => line === arm.line && Math.abs(u - arm.u) < 1e-6)) arms.push(arm);
      now = halfEdges.next[now ^ 1];
    } while (now !== h);
    const inOrder = (a: Arm, b: Arm) => {
      const [one, other] = [lines[a.line], lines[b.line]];
      if (one.bridge !== other.bridge) return one.bridge ? 1 : -1;
      return one.id === other.id ? a.u - b.u : one.id < other.id ? -1 : 1;
    };
    return arms.sort(inOrder);
  }

  private findMeeting(vertex: number, arms: readonly Arm[]): Point {
    const { lines, lattice, noding } = this.map;
    const pointsOf = ({ line }: Arm) => lines[line].points;
    const ends = (arm: Arm) => arm.u < 1e-9 || arm.u > curveCount(pointsOf(arm)) - 1e-9;
    const end = arms.find((arm) => ends(arm) && !lines[arm.line].bridge);
    if (end) return pointAt(pointsOf(end), end.u);
    const [a, b] = arms.filter((arm) => !ends(arm));
    const latticePoint = toPage(lattice, noding.vx[vertex], noding.vy[vertex]);
    if (!a) return latticePoint;
    const crossing = b && crossingNear(pointsOf(a), a.u, pointsOf(b), b.u, 8 * lattice.tolerance);
    // Curves that barely touch have no crossing to settle on: the meeting stays on one of them.
    return crossing ?? pointAt(pointsOf(a), closestNear(pointsOf(a), latticePoint, a.u, 0.25));
  }
}

/** One closed chain of cubics from the pieces of a whole cycle. */
export function chainOfPieces(pieces: readonly (readonly number[])[]): number[] {
  const chain: number[] = [];
  for (const piece of pieces) for (let k = chain.length ? 2 : 0; k < piece.length; k++) chain.push(piece[k]);
  return chain;
}

function straight(a: Point, b: Point): number[] {
  return [a[0], a[1], a[0], a[1], b[0], b[1], b[0], b[1]];
}
