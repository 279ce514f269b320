/**
 * Outlines of faces as true Béziers: the half-edges of a loop are gathered into runs along one line, each run is
 * cut from that line's own cubics, and the cuts are moved to where the curves themselves meet.
 */
import { between, closestNear, crossingNear, curveCount, pointAt } from "../geometry/cubic.ts";
import type { Point } from "../geometry/point.ts";
import { originOf, targetOf } from "./half-edges.ts";
import type { PlanarMap } from "./planar-map.ts";
import { endParameter, toPage } from "./segments.ts";

/** A stretch of an outline along one line, from parameter `from` to `to` (falling when walked backwards). */
export interface Run {
  readonly line: number;
  readonly from: number;
  readonly to: number;
  readonly startVertex: number;
  readonly endVertex: number;
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
        } while (h !== start);
        cycles.push(cycle);
      }
      start = next[start];
    } while (start !== first);
  }
  return cycles;
}

/** Whether half-edge h goes on along the same line as the one before it. */
function continues(faced: FacedMap, before: number, h: number, split: boolean): boolean {
  const { map } = faced;
  if ((h & 1) !== (before & 1) || lineOf(map, h) !== lineOf(map, before)) return false;
  if (split && faceOf(faced, h ^ 1) !== faceOf(faced, before ^ 1)) return false;
  if (map.noding.owner[h >> 1] === map.noding.owner[before >> 1]) return true;
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
    const startVertex = originOf(map.noding, begin);
    const endVertex = targetOf(map.noding, end);
    runs.push({
      line: lineOf(map, begin),
      from: paramAt(map, begin, startVertex),
      to: paramAt(map, end, endVertex),
      startVertex,
      endVertex,
      beyond: faceOf(faced, begin ^ 1),
    });
  }
  return runs;
}

/** Turns runs into curves; remembers where lines truly meet so that neighbours agree to the last digit. */
export class CurveCutter {
  private readonly meetings = new Map<number, Point>();

  constructor(private readonly map: PlanarMap) {}

  /** Each run of a cycle as a curve of its own, one beginning where the one before ends. */
  pieces(runs: readonly Run[]): number[][] {
    const meetings = runs.map((run, i) => this.meeting(runs[(i + runs.length - 1) % runs.length], run));
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

  /** Where two successive runs meet. */
  private meeting(before: Run, after: Run): Point {
    const vertex = after.startVertex;
    const known = this.meetings.get(vertex);
    if (known) return known;
    const point = this.findMeeting(before, after);
    this.meetings.set(vertex, point);
    return point;
  }

  private settle(run: Run, u: number, at: Point): number {
    const chain = this.map.lines[run.line].points;
    return u === 0 || u === curveCount(chain) ? u : closestNear(chain, at, u, 0.25);
  }

  private findMeeting(before: Run, after: Run): Point {
    const { lines, lattice, noding } = this.map;
    const a = lines[before.line];
    const b = lines[after.line];
    const atEnd = (u: number, count: number) => u < 1e-9 || u > count - 1e-9;
    const aEnds = atEnd(before.to, curveCount(a.points));
    const bEnds = atEnd(after.from, curveCount(b.points));
    if (bEnds && !b.bridge) return pointAt(b.points, after.from);
    if (aEnds && !a.bridge) return pointAt(a.points, before.to);
    const latticePoint = toPage(lattice, noding.vx[after.startVertex], noding.vy[after.startVertex]);
    if (bEnds && !aEnds) return pointAt(a.points, closestNear(a.points, latticePoint, before.to, 0.25));
    if (aEnds && !bEnds) return pointAt(b.points, closestNear(b.points, latticePoint, after.from, 0.25));
    const crossing = crossingNear(a.points, before.to, b.points, after.from, 8 * lattice.tolerance);
    // Curves that barely touch have no crossing to settle on: the meeting stays on one of them.
    return crossing ?? pointAt(a.points, closestNear(a.points, latticePoint, before.to, 0.25));
  }
}

/** One closed chain of cubics from the pieces of a whole cycle. */
export function chainOfPieces(pieces: readonly number[][]): number[] {
  const chain: number[] = [];
  for (const piece of pieces) for (let k = chain.length ? 2 : 0; k < piece.length; k++) chain.push(piece[k]);
  return chain;
}

function straight(a: Point, b: Point): number[] {
  return [a[0], a[1], a[0], a[1], b[0], b[1], b[0], b[1]];
}
