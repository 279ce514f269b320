/**
 * What looks closed is closed. An end whose ink touches another line's ink is joined to it by a short invisible
 * connector; nobody's points move. In strict reading only ends that miss by rounding are joined.
 */
import { distance, mix, type Point } from "../geometry/point.ts";
import { type Cells, columnOf, rowOf } from "./cells.ts";
import type { Lattice, Line, Segments } from "./segments.ts";

/** A connector from the end of one line to a point on another (or on a far part of its own), in lattice steps. */
export interface Join {
  readonly line: number;
  /** True for the line's start, false for its end. */
  readonly start: boolean;
  readonly from: Point;
  readonly to: Point;
}

/** Ends this near a line count as lying on it, in flattening tolerances. */
const ROUNDING = 1.5;

export interface JoinInput {
  readonly lines: readonly Line[];
  readonly segs: Segments;
  readonly cells: Cells;
  readonly lattice: Lattice;
  readonly strict: boolean;
}

/** How near the end of `a` must come to `b` to count as joined, in lattice steps. */
export function joinDistance(a: Line, b: Line, { lattice, strict }: JoinInput): number {
  return Math.max(ROUNDING * lattice.tolerance, strict ? 0 : (a.width + b.width) / 2) / lattice.step;
}

export interface Joins {
  readonly joins: readonly Join[];
  /** Two flags a line, start and end: 1 where the end touches or barely crosses another line. */
  readonly met: Uint8Array;
}

export function findJoins(input: JoinInput): Joins {
  const { lines, segs } = input;
  const widest = lines.reduce((most, line) => (line.width > most.width ? line : most), lines[0]);
  const firstSegment = firstSegments(lines.length, segs);
  const joins: Join[] = [];
  const met = new Uint8Array(lines.length * 2);
  lines.forEach((line, index) => {
    if (line.closed || firstSegment[index] === firstSegment[index + 1]) return;
    const search = joinDistance(line, widest, input);
    for (const start of [true, false]) {
      const tail = tailOf(segs, firstSegment[index], firstSegment[index + 1], start, search);
      const { targets, crosses } = targetsOf(input, index, tail, search);
      for (const to of targets) joins.push({ line: index, start, from: tail.points[0], to });
      if (targets.length > 0 || crosses) met[index * 2 + (start ? 0 : 1)] = 1;
    }
  });
  return { joins, met };
}

/** Where each line's run of segments begins; one more entry for the end. */
function firstSegments(lineCount: number, segs: Segments): Int32Array {
  const first = new Int32Array(lineCount + 1).fill(segs.count);
  for (let s = segs.count - 1; s >= 0; s--) first[segs.line[s]] = s;
  for (let i = lineCount - 1; i >= 0; i--) first[i] = Math.min(first[i], first[i + 1]);
  return first;
}

interface Tail {
  /** Points back along the line from its end, for about three search distances. */
  readonly points: readonly Point[];
  /** The segments of its own line that are part of the tail. */
  readonly own: ReadonlySet<number>;
}

function tailOf(segs: Segments, first: number, end: number, start: boolean, search: number): Tail {
  const near = (s: number): Point => (start ? [segs.ax[s], segs.ay[s]] : [segs.bx[s], segs.by[s]]);
  const far = (s: number): Point => (start ? [segs.bx[s], segs.by[s]] : [segs.ax[s], segs.ay[s]]);
  const points: Point[] = [near(start ? first : end - 1)];
  const own = new Set<number>();
  let length = 0;
  for (let k = 0; k < end - first && length < 3 * search; k++) {
    const s = start ? first + k : end - 1 - k;
    own.add(s);
    length += distance(near(s), far(s));
    points.push(far(s));
  }
  return { points, own };
}

/** The nearest touching point of each other line near the end, unless the end already crosses that line. */
function targetsOf(input: JoinInput, index: number, tail: Tail, search: number) {
  const { lines, segs } = input;
  const tip = tail.points[0];
  const nearest = new Map<number, { gap: number; at: Point }>();
  const crossed = new Set<number>();
  for (const s of segmentsNear(input.cells, tip, search)) {
    if (tail.own.has(s)) continue;
    const other = segs.line[s];
    const a: Point = [segs.ax[s], segs.ay[s]];
    const b: Point = [segs.bx[s], segs.by[s]];
    if (tailCrosses(tail.points, a, b, search)) crossed.add(other);
    const at = closestOnSegment(a, b, tip);
    const gap = distance(at, tip);
    const allowed = joinDistance(lines[index], lines[other], input);
    if (gap <= allowed && gap < (nearest.get(other)?.gap ?? Infinity)) nearest.set(other, { gap, at });
  }
  const targets = [...nearest].filter(([other]) => !crossed.has(other)).map(([, { at }]) => at);
  return { targets, crosses: crossed.size > 0 };
}

function segmentsNear(cells: Cells, [x, y]: Point, within: number): Set<number> {
  const found = new Set<number>();
  for (let row = rowOf(cells, y - within); row <= rowOf(cells, y + within); row++) {
    for (let column = columnOf(cells, x - within); column <= columnOf(cells, x + within); column++) {
      const cell = row * cells.columns + column;
      for (let k = cells.start[cell]; k < cells.start[cell + 1]; k++) found.add(cells.items[k]);
    }
  }
  return found;
}

function tailCrosses(points: readonly Point[], a: Point, b: Point, within: number): boolean {
  let length = 0;
  for (let i = 0; i + 1 < points.length && length < within; i++) {
    if (segmentsCross(points[i], points[i + 1], a, b)) return true;
    length += distance(points[i], points[i + 1]);
  }
  return false;
}

const turn = (a: Point, b: Point, c: Point): number =>
  (b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0]);

function segmentsCross(a: Point, b: Point, c: Point, d: Point): boolean {
  return turn(a, b, c) * turn(a, b, d) <= 0 && turn(c, d, a) * turn(c, d, b) <= 0;
}

export function closestOnSegment(a: Point, b: Point, at: Point): Point {
  const dx = b[0] - a[0];
  const dy = b[1] - a[1];
  const length = dx * dx + dy * dy;
  if (length === 0) return a;
  const t = ((at[0] - a[0]) * dx + (at[1] - a[1]) * dy) / length;
  return mix(a, b, Math.max(0, Math.min(1, t)));
}
