/**
 * What looks closed is closed. An end whose ink touches another line's ink is joined to it by a short invisible
 * connector; nobody's points move. In strict reading only ends that lie on a line up to rounding are joined.
 */
import { closestNear, curveCount, isBent, pointAt } from "../geometry/cubic.ts";
import { IntList } from "../geometry/lists.ts";
import { distance, mix, type Point } from "../geometry/point.ts";
import { closestOnSegment, segmentsCross, turn } from "../geometry/segment.ts";
import { type Cells, cellOf, cellsAlong, columnOf, crowdOf, eachIn, rowOf } from "./cells.ts";
import { passesSquare } from "./lattice-square.ts";
import {
  endParameter,
  FLATNESS,
  firstSegments,
  goesOn,
  inkWidthAt,
  type Lattice,
  type Line,
  type Segments,
  toPage,
} from "./segments.ts";
import { Budget, TooDense } from "./too-dense.ts";

/** A connector from a place on one line to a point on another (or on a far part of its own), in lattice steps. */
export interface Join {
  readonly line: number;
  /** True for the line's start, false for its end; undefined for a corner or a side on its way. */
  readonly start: boolean | undefined;
  readonly other: number;
  readonly from: Point;
  readonly to: Point;
}

/** For each line its first segment and the one after its last, and whether its ends meet other lines. */
export interface LineEnds {
  readonly first: number[];
  readonly last: number[];
  /** Two flags a line, start and end: whether that end touches or barely crosses another line. */
  readonly met: boolean[];
}

export function endsOf(lines: readonly Line[], segs: Segments): LineEnds {
  const starts = firstSegments(lines.length, segs);
  return {
    first: [...starts.subarray(0, lines.length)],
    last: [...starts.subarray(1)],
    met: new Array(lines.length * 2).fill(false),
  };
}

/** Corners this near a line, in lattice steps, lie on it: both are rounded by most of a step. */
export const ROUNDING = 2.5;
/** Ends this near a line lie on it, as a part of the line work's diagonal: arcs turned into cubics leave as much. */
const END_ROUNDING = 1e-8;

/** How near an end must come to a line to lie on it, in lattice steps. */
export const endRounding = ({ tolerance, step }: Lattice): number =>
  Math.max(ROUNDING, (END_ROUNDING * tolerance) / FLATNESS / step);

export interface JoinInput {
  readonly lines: readonly Line[];
  readonly segs: Segments;
  readonly cells: Cells;
  readonly lattice: Lattice;
  readonly strict: boolean;
  readonly ends: LineEnds;
  /** Lines that are joins themselves: nothing is joined to them. */
  readonly joins: ReadonlyMap<number, Join>;
}

const ENDS = [true, false];

/** All joins of open ends; notes in `ends.met` which ends meet something. */
export function findJoins(input: JoinInput): Join[] {
  const { lines } = input;
  const widest = widestInk(lines);
  const joins: Join[] = [];
  for (let index = 0; index < lines.length; index++)
    for (const start of ENDS) for (const join of joinsAt(input, index, start, widest)) joins.push(join);
  return joins;
}

/** Whether a segment begins at a corner on its line's way rather than at an open end. */
const isCorner = ({ lines, segs, ends }: JoinInput, s: number): boolean => {
  const line = segs.line[s];
  return s !== ends.first[line] || lines[line].closed;
};

/** Corners on other lines: drawings of a thousand strokes have some dozens, copies laid over one another many. */
const MOST_JOINS = 10_000;
/** Segments looked at for corners that are new. */
const MOST_LOOKS = 4e6;

/**
 * A corner that lies on another segment but for rounding, and is not in its way as it is, gets a join as ends do:
 * otherwise a tip that touches a line might lose its pocket to the lattice.
 */
function pushCornerJoin({ segs }: JoinInput, s: number, other: number, joins: Join[]): void {
  const { ax, ay, bx, by } = segs;
  const x = ax[s];
  const y = ay[s];
  const dx = bx[other] - ax[other];
  const dy = by[other] - ay[other];
  const px = x - ax[other];
  const py = y - ay[other];
  const side = dx * py - dy * px;
  const size = (dx < 0 ? -dx : dx) + (dy < 0 ? -dy : dy);
  if (side > ROUNDING * size || side < -ROUNDING * size) return;
  if (other === s || (other === s - 1 && goesOn(segs, s)) || passesSquare(dx, dy, px, py, size * 2 ** -20))
    return;
  const to = closestOnSegment([ax[other], ay[other]], [bx[other], by[other]], [x, y]);
  const gap = distance(to, [x, y]);
  if (gap === 0 || gap > ROUNDING) return;
  if (joins.length === MOST_JOINS) throw new TooDense();
  joins.push({ line: segs.line[s], start: undefined, other: segs.line[other], from: [x, y], to });
}

/** The joins of corners that noding has seen to miss a segment: pairs of the segment and the corner's own one. */
export function joinsOfMisses(input: JoinInput, misses: readonly (readonly [number, number])[]): Join[] {
  const joins: Join[] = [];
  const ofJoin = (s: number) => input.joins.has(input.segs.line[s]);
  for (const [other, s] of misses)
    if (isCorner(input, s) && !ofJoin(other) && !ofJoin(s)) pushCornerJoin(input, s, other, joins);
  return joins;
}

/** The joins of corners among some segments that are new, with all others. */
export function cornerJoinsOf(input: JoinInput, fresh: readonly number[]): Join[] {
  const { segs, cells } = input;
  const isFresh = new Set(fresh);
  const joins: Join[] = [];
  const touched = new IntList(64);
  const looks = new Budget(MOST_LOOKS);
  for (const s of fresh) {
    cellsAlong(segs, s, cells, touched);
    const own = isCorner(input, s) ? cellOf(cells, segs.ax[s], segs.ay[s]) : -1;
    for (const cell of touched.data.slice(0, touched.length)) {
      looks.spend(crowdOf(cells, cell));
      eachIn(cells, segs, cell, (other) => {
        if (input.joins.has(segs.line[other])) return;
        if (cell === own) pushCornerJoin(input, s, other, joins);
        if (isFresh.has(other) || !isCorner(input, other)) return;
        if (cellOf(cells, segs.ax[other], segs.ay[other]) === cell) pushCornerJoin(input, other, s, joins);
      });
    }
  }
  return joins;
}

export const widestInk = (lines: readonly Line[]): number =>
  lines.reduce((most, { width }) => Math.max(most, width), 0);

/** How far from its tip an end of this line may find a line of some width to join, in lattice steps. */
export function searchDistance({ lattice, strict }: JoinInput, line: Line, width: number): number {
  const ink = strict ? 0 : (line.width + width) / 2;
  return Math.max(
    endRounding(lattice),
    (Math.max(ink, lattice.tolerance) + lattice.tolerance) / lattice.step,
  );
}

const NONE: readonly Join[] = [];

/** Of places equally near, the one farther left, then up, is taken, whatever the order of the lines. */
export const byPlace = ([ax, ay]: Point, [bx, by]: Point): number => ax - bx || ay - by;

/** The joins of one end of one line: each hangs on the two lines it joins alone. */
export function joinsAt(input: JoinInput, index: number, start: boolean, widest: number): readonly Join[] {
  const { lines, segs, ends } = input;
  const line = lines[index];
  const first = ends.first[index];
  const last = ends.last[index];
  if (line.closed || first >= last) return NONE;
  const search = searchDistance(input, line, widest);
  const tip: Point = start ? [segs.ax[first], segs.ay[first]] : [segs.bx[last - 1], segs.by[last - 1]];
  const near = [...segmentsNear(input, tip, search)];
  const own = start ? first : last - 1;
  ends.met[index * 2 + (start ? 0 : 1)] = false;
  if (near.every((s) => s === own)) return NONE;
  const tail = tailOf(segs, first, last, start, search, 3 * searchDistance(input, line, line.width));
  const rounding = endRounding(input.lattice);
  const nearest = new Map<number, { gap: number; at: Point }>();
  const crossed = new Set<number>();
  for (const s of near) {
    if (s >= tail.from && s < tail.to) continue;
    const other = segs.line[s];
    const a: Point = [segs.ax[s], segs.ay[s]];
    const b: Point = [segs.bx[s], segs.by[s]];
    const at = closestOnSegment(a, b, tip);
    const gap = distance(at, tip);
    const reach = searchDistance(input, line, lines[other].width);
    if (gap > reach) continue;
    if (tailCrosses(tail.points, a, b, reach)) crossed.add(other);
    const best = nearest.get(other);
    if (best && (gap - best.gap || byPlace(at, best.at)) >= 0) continue;
    if (isJoined(input, index, start, s, at, gap)) nearest.set(other, { gap, at });
  }
  ends.met[index * 2 + (start ? 0 : 1)] = nearest.size > 0 || crossed.size > 0;
  return [...nearest]
    .filter(([other, { gap }]) => gap > 0 && (gap <= rounding || !crossed.has(other)))
    .map(([other, { at }]) => ({ line: index, start, other, from: tip, to: at }));
}

/** Whether an end that comes this near to segment s counts as touching its line. */
function isJoined(
  input: JoinInput,
  index: number,
  start: boolean,
  s: number,
  at: Point,
  gap: number,
): boolean {
  const { lines, segs, lattice, strict } = input;
  const line = lines[index];
  const other = lines[segs.line[s]];
  const rounding = endRounding(lattice);
  if (gap <= ROUNDING) return true;
  const tipWidth = inkWidthAt(line, start ? 0 : curveCount(line.points));
  // What a part left behind met all it meets where it ends, and nothing else is joined to what stands for a join.
  const byInk = !strict && !line.left && other.left !== "join";
  const ink = byInk ? (tipWidth + inkWidthAt(other, segs.ua[s])) / 2 : 0;
  // Ink that just touches does so however it is rounded.
  if (ink > 0 && (gap - rounding) * lattice.step <= ink) return true;
  if (gap * lattice.step > 1.5 * lattice.tolerance) return false;
  // A bridge is there to meet lines: files and curves that are bent a little may leave it short of one.
  if (line.bridge) return true;
  const end = start ? 0 : line.points.length - 8;
  const cubic = Math.min(curveCount(other.points) - 1, Math.floor(segs.ua[s])) * 6;
  if (!isBent(line.points, end) && !isBent(other.points, cubic)) return false;
  // The chord stands off its curve: ask the curve itself.
  const tip = pointAt(line.points, start ? 0 : (line.points.length - 2) / 6);
  const from = segs.ua[s];
  const to = endParameter(segs, lines, s);
  const length = Math.hypot(segs.bx[s] - segs.ax[s], segs.by[s] - segs.ay[s]);
  const guess = from + ((to - from) * distance(at, [segs.ax[s], segs.ay[s]])) / length;
  const on = pointAt(other.points, closestNear(other.points, tip, guess, to - from));
  if (distance(on, tip) <= rounding * lattice.step) return true;
  // Between chord and curve: the line has come across the curve itself.
  const a = toPage(lattice, segs.ax[s], segs.ay[s]);
  const b = toPage(lattice, segs.bx[s], segs.by[s]);
  const [tipSide, curveSide] = [turn(a, b, tip), turn(a, b, on)];
  return tipSide * curveSide > 0 && Math.abs(tipSide) <= Math.abs(curveSide);
}

interface Tail {
  /** Points back along the line from its end, for one search distance. */
  readonly points: readonly Point[];
  /** The segments of its own line too near the end to be joined to it. */
  readonly from: number;
  readonly to: number;
}

function tailOf(
  segs: Segments,
  first: number,
  last: number,
  start: boolean,
  search: number,
  own: number,
): Tail {
  const { ax, ay, bx, by } = segs;
  const points: Point[] = [start ? [ax[first], ay[first]] : [bx[last - 1], by[last - 1]]];
  let length = 0;
  let ownCount = 0;
  for (let k = 0; k < last - first && length < Math.max(search, own); k++) {
    const s = start ? first + k : last - 1 - k;
    if (length < own) ownCount++;
    const piece = Math.hypot(bx[s] - ax[s], by[s] - ay[s]);
    const far: Point = start ? [bx[s], by[s]] : [ax[s], ay[s]];
    if (length < search)
      points.push(mix(points[points.length - 1], far, Math.min(1, (search - length) / piece)));
    length += piece;
  }
  return start ? { points, from: first, to: first + ownCount } : { points, from: last - ownCount, to: last };
}

/** Live segments that come within a distance of a point, each once. */
function segmentsNear({ cells, segs, joins }: JoinInput, [x, y]: Point, within: number): Iterable<number> {
  const found: number[] = [];
  const take = (s: number) => {
    const ax = segs.ax[s];
    const bx = segs.bx[s];
    if ((ax < bx ? ax : bx) > x + within || (ax > bx ? ax : bx) < x - within) return;
    const ay = segs.ay[s];
    const by = segs.by[s];
    if ((ay < by ? ay : by) > y + within || (ay > by ? ay : by) < y - within) return;
    if (!joins.has(segs.line[s])) found.push(s);
  };
  const [firstRow, lastRow] = [rowOf(cells, y - within), rowOf(cells, y + within)];
  const [firstColumn, lastColumn] = [columnOf(cells, x - within), columnOf(cells, x + within)];
  for (let row = firstRow; row <= lastRow; row++)
    for (let column = firstColumn; column <= lastColumn; column++)
      eachIn(cells, segs, row * cells.columns + column, take);
  // Within one cell nothing is met twice.
  return firstRow === lastRow && firstColumn === lastColumn ? found : new Set(found);
}

/** Whether a tail crosses a segment within a length from its tip. */
function tailCrosses(points: readonly Point[], a: Point, b: Point, within: number): boolean {
  let left = within;
  for (let i = 0; i + 1 < points.length && left > 0; i++) {
    const length = distance(points[i], points[i + 1]);
    const end = length > left ? mix(points[i], points[i + 1], left / length) : points[i + 1];
    if (segmentsCross(points[i], end, a, b)) return true;
    left -= length;
  }
  return false;
}
