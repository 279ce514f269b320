/**
 * Lines whose ink touches side by side, though their centre lines never meet, look closed where they touch. Where two
 * polylines are near one another is the free space of Alt and Godau, "Computing the Fréchet distance between two
 * polygonal curves" (1995): convex within each pair of segments, and going on from pair to pair where the corner
 * between is near as well. Each connected patch of it in which the lines do not meet as they are gets one join, where
 * they come nearest.
 */
import { IntList } from "../geometry/lists.ts";
import type { Point } from "../geometry/point.ts";
import { closestOnSegment, segmentsCross } from "../geometry/segment.ts";
import { UnionFind } from "../geometry/union-find.ts";
import { cellsAlong, eachIn } from "./cells.ts";
import { byPlace, endRounding, type Join, type JoinInput, type LineEnds, ROUNDING } from "./joins.ts";
import { endParameter, inkWidthAt, type Segments } from "./segments.ts";
import { Budget } from "./too-dense.ts";

/**
 * The joins of lines whose ink touches side by side, where the joins of their ends leave a gap: of all lines, or of pairs
 * with a segment in `fresh`. Which joins two lines get depends on these two alone. `widest` is the width of the widest ink there is, in
 * page units.
 */
export function sideJoinsOf(
  input: JoinInput,
  ofEnds: readonly Join[],
  widest: number,
  fresh?: readonly number[],
): Join[] {
  if (input.strict || widest === 0) return [];
  const touches = touchesAmong(input, fresh ?? new Int32Array(input.segs.count).map((_, s) => s), widest);
  const patches = patchesOf(input, touches);
  markEnds(input, touches, patches, ofEnds);
  const nearest = new Map<number, number>();
  for (let i = 0; i < touches.s.length; i++) {
    const patch = patches.root[i];
    if (patches.met[patch]) continue;
    for (let touch = 4 * i; touch < 4 * i + 4; touch++) {
      if (touches.gaps[touch] === Infinity) continue;
      const best = nearest.get(patch);
      if (best === undefined || comesFirst(input.segs, touches, touch, best)) nearest.set(patch, touch);
    }
  }
  return [...nearest.values()].map((touch) => joinAt(input.segs, touches, touch));
}

/** Pairs of segments whose ink touches: ink far wider than a drawing's detail touches everywhere. */
const MOST_TOUCHES = 500_000;

/**
 * Pairs of segments s[i] < t[i] whose ink touches, except neighbours along a line. Segments come nearest at an
 * end of one of them, unless they cross: gaps[4 i] is that from the start of s in lattice steps, then come those from
 * its end, from the start of t and from its end; Infinity where no ink touches. A touch is an index to `gaps`.
 */
interface Touches {
  readonly s: readonly number[];
  readonly t: readonly number[];
  readonly gaps: readonly number[];
}

/** The segment one of whose ends a touch is, whether that is its end, and the segment it touches. */
const segmentOf = ({ s, t }: Touches, touch: number): number => (touch & 2 ? t : s)[touch >> 2];
const isEnd = (touch: number): boolean => (touch & 1) === 1;
const otherOf = ({ s, t }: Touches, touch: number): number => (touch & 2 ? s : t)[touch >> 2];

function touchesAmong(input: JoinInput, fresh: ArrayLike<number>, widest: number): Touches {
  const { lines, segs, cells, lattice, joins, ends } = input;
  const { ax, ay, bx, by, line } = segs;
  const s: number[] = [];
  const t: number[] = [];
  const gaps: number[] = [];
  const lengths = new LineLengths(segs, ends);
  const touching = new Budget(MOST_TOUCHES);
  const rounding = endRounding(lattice);
  const widths = Float64Array.from(lines, ({ width }) => width);
  const reachOf = (ink: number) => ink / 2 / lattice.step + rounding;
  const tryPair = (a: number, b: number) => {
    const ink = widths[line[a]] + widths[line[b]];
    if (ink === 0 || areApart(segs, a, b, reachOf(ink))) return;
    if (followOn(input, lengths, a, b)) return;
    const fromStart = touchGap(input, a, false, b);
    const fromEnd = touchGap(input, a, true, b);
    const toStart = touchGap(input, b, false, a);
    const toEnd = touchGap(input, b, true, a);
    if (Math.min(fromStart, fromEnd, toStart, toEnd) === Infinity) return;
    touching.spend(1);
    s.push(a);
    t.push(b);
    gaps.push(fromStart, fromEnd, toStart, toEnd);
  };
  const isFresh = new Uint8Array(segs.count);
  for (let k = 0; k < fresh.length; k++) isFresh[fresh[k]] = 1;
  const seen = new Int32Array(segs.count).fill(-1);
  const along = new IntList(64);
  let [current, left, right, top, bottom] = [0, 0, 0, 0, 0];
  // Most of what shares a cell is out of reach, comes next on the same line or has had its turn.
  const visit = (b: number) => {
    if (b === current || (b < current && isFresh[b])) return;
    if ((ax[b] > right && bx[b] > right) || (ax[b] < left && bx[b] < left)) return;
    if ((ay[b] > bottom && by[b] > bottom) || (ay[b] < top && by[b] < top)) return;
    if (seen[b] === current) return;
    seen[b] = current;
    if (line[b] === line[current] && (b === current + 1 || b === current - 1)) return;
    if (joins.has(line[b])) return;
    if (current < b) tryPair(current, b);
    else tryPair(b, current);
  };
  for (let k = 0; k < fresh.length; k++) {
    const a = fresh[k];
    current = a;
    const reach = Math.ceil(reachOf(widths[line[a]] + widest));
    left = (ax[a] < bx[a] ? ax[a] : bx[a]) - reach;
    right = (ax[a] < bx[a] ? bx[a] : ax[a]) + reach;
    top = (ay[a] < by[a] ? ay[a] : by[a]) - reach;
    bottom = (ay[a] < by[a] ? by[a] : ay[a]) + reach;
    cellsAlong(segs, a, cells, along, reach);
    for (let at = 0; at < along.length; at++) eachIn(cells, segs, along.data[at], visit);
  }
  return { s, t, gaps };
}

/** How long lines are up to each of their segments, in lattice steps: worked out for those lines alone that ask. */
class LineLengths {
  private readonly before: Float64Array;
  private readonly whole = new Map<number, number>();

  constructor(
    private readonly segs: Segments,
    private readonly ends: LineEnds,
  ) {
    this.before = new Float64Array(segs.count);
  }

  /** The length of the whole line; before segment s of it `upTo(s)` can then be asked. */
  of(line: number): number {
    const known = this.whole.get(line);
    if (known !== undefined) return known;
    const { ax, ay, bx, by } = this.segs;
    let length = 0;
    for (let s = this.ends.first[line]; s < this.ends.last[line]; s++) {
      this.before[s] = length;
      const dx = bx[s] - ax[s];
      const dy = by[s] - ay[s];
      length += Math.sqrt(dx * dx + dy * dy);
    }
    this.whole.set(line, length);
    return length;
  }

  upTo(s: number): number {
    return this.before[s];
  }
}

/** Whether segments a < b are of one line, and no farther from one another along it than its ink is wide. */
function followOn(
  { lines, segs, ends, lattice }: JoinInput,
  lengths: LineLengths,
  a: number,
  b: number,
): boolean {
  const line = segs.line[a];
  if (line !== segs.line[b]) return false;
  const { width, widths, closed } = lines[line];
  const ink = widths ? 0 : width / lattice.step;
  const length = lengths.of(line);
  const pastA = a + 1 < ends.last[line] ? lengths.upTo(a + 1) : length;
  if (lengths.upTo(b) - pastA <= ink) return true;
  const pastB = b + 1 < ends.last[line] ? lengths.upTo(b + 1) : length;
  return closed && lengths.upTo(a) + length - pastB <= ink;
}

/** Whether the boxes around two segments are farther apart than a distance in lattice steps. */
function areApart({ ax, ay, bx, by }: Segments, s: number, t: number, reach: number): boolean {
  return (
    Math.min(ax[s], bx[s]) > Math.max(ax[t], bx[t]) + reach ||
    Math.max(ax[s], bx[s]) < Math.min(ax[t], bx[t]) - reach ||
    Math.min(ay[s], by[s]) > Math.max(ay[t], by[t]) + reach ||
    Math.max(ay[s], by[s]) < Math.min(ay[t], by[t]) - reach
  );
}

/** From the start or end of segment s to segment t in lattice steps, when ink touches there; Infinity when not. */
function touchGap({ lines, segs, lattice }: JoinInput, s: number, end: boolean, t: number): number {
  const { ax, ay, bx, by } = segs;
  const dx = bx[t] - ax[t];
  const dy = by[t] - ay[t];
  const x = end ? bx[s] : ax[s];
  const y = end ? by[s] : ay[s];
  const along = ((x - ax[t]) * dx + (y - ay[t]) * dy) / (dx * dx + dy * dy);
  const part = along < 0 ? 0 : along > 1 ? 1 : along;
  const offX = ax[t] + dx * part - x;
  const offY = ay[t] + dy * part - y;
  const gap = Math.sqrt(offX * offX + offY * offY);
  const ink = widthOn(lines, segs, s, end ? 1 : 0) + widthOn(lines, segs, t, part);
  // Ink that just touches does so however it is rounded.
  return (gap - endRounding(lattice)) * lattice.step <= ink / 2 ? gap : Infinity;
}

/** Width of the ink at a part of a segment's length. */
function widthOn(lines: JoinInput["lines"], segs: Segments, s: number, part: number): number {
  const line = lines[segs.line[s]];
  if (!line.widths) return line.width;
  return inkWidthAt(line, segs.ua[s] + part * (endParameter(segs, lines, s) - segs.ua[s]));
}

interface Patches {
  /** The pair that stands for the patch of each pair. */
  readonly root: Int32Array;
  /** By root: 1 where the two lines of this patch already meet in it. */
  readonly met: Uint8Array;
}

/**
 * Connected patches of the free space. One that goes on into segments that follow on one another, where lines cross
 * or come within rounding is met.
 */
function patchesOf(input: JoinInput, { s, t, gaps }: Touches): Patches {
  const { segs } = input;
  const keyOf = (a: number, b: number) => (a < b ? a * segs.count + b : b * segs.count + a);
  const pairOf = new Map<number, number>();
  for (let i = 0; i < s.length; i++) pairOf.set(keyOf(s[i], t[i]), i);
  const sets = new UnionFind(s.length);
  const meets = new Uint8Array(s.length);
  const goOn = (i: number, a: number, b: number) => {
    if (a < 0 || b < 0) return;
    const other = pairOf.get(keyOf(a, b));
    if (other === undefined) meets[i] = 1;
    else sets.unite(i, other);
  };
  for (let i = 0; i < s.length; i++) {
    if (Math.min(gaps[4 * i], gaps[4 * i + 1], gaps[4 * i + 2], gaps[4 * i + 3]) <= ROUNDING) meets[i] = 1;
    if (gaps[4 * i] < Infinity) goOn(i, besideOn(input, s[i], -1), t[i]);
    if (gaps[4 * i + 1] < Infinity) goOn(i, besideOn(input, s[i], 1), t[i]);
    if (gaps[4 * i + 2] < Infinity) goOn(i, s[i], besideOn(input, t[i], -1));
    if (gaps[4 * i + 3] < Infinity) goOn(i, s[i], besideOn(input, t[i], 1));
  }
  const root = Int32Array.from(s, (_, i) => sets.find(i));
  const met = new Uint8Array(s.length);
  for (let i = 0; i < s.length; i++)
    if (meets[i] || (!met[root[i]] && cross(segs, s[i], t[i]))) met[root[i]] = 1;
  return { root, met };
}

/** The segment before (-1) or after (1) one on its line, which may be closed; -1 beyond an open end. */
function besideOn({ lines, segs, ends }: JoinInput, s: number, step: -1 | 1): number {
  const line = segs.line[s];
  const [first, last] = [ends.first[line], ends.last[line] - 1];
  if (s !== (step < 0 ? first : last)) return s + step;
  if (!lines[line].closed) return -1;
  return step < 0 ? last : first;
}

/** Patches are met as well where the end of one line is joined to the other. */
function markEnds(input: JoinInput, touches: Touches, { root, met }: Patches, ofEnds: readonly Join[]): void {
  const keyOf = ({ line, other, from, to }: Join) => [line, other, ...from, ...to].join();
  const joined = new Set(ofEnds.map(keyOf));
  for (let touch = 0; touch < touches.gaps.length; touch++) {
    if (touches.gaps[touch] === Infinity || !isTip(input, segmentOf(touches, touch), isEnd(touch))) continue;
    if (joined.has(keyOf(joinAt(input.segs, touches, touch)))) met[root[touch >> 2]] = 1;
  }
}

function isTip({ lines, segs, ends }: JoinInput, s: number, end: boolean): boolean {
  const line = segs.line[s];
  return !lines[line].closed && s === (end ? ends.last[line] - 1 : ends.first[line]);
}

const startOf = ({ ax, ay }: Segments, s: number): Point => [ax[s], ay[s]];
const endOf = ({ bx, by }: Segments, s: number): Point => [bx[s], by[s]];

const cross = (segs: Segments, s: number, t: number): boolean =>
  segmentsCross(startOf(segs, s), endOf(segs, s), startOf(segs, t), endOf(segs, t));

/** Nearer, or as near and farther left or up. */
function comesFirst(segs: Segments, touches: Touches, touch: number, best: number): boolean {
  const { gaps } = touches;
  if (gaps[touch] !== gaps[best]) return gaps[touch] < gaps[best];
  const [a, b] = [joinAt(segs, touches, touch), joinAt(segs, touches, best)];
  return (byPlace(a.from, b.from) || byPlace(a.to, b.to)) < 0;
}

function joinAt(segs: Segments, touches: Touches, touch: number): Join {
  const s = segmentOf(touches, touch);
  const t = otherOf(touches, touch);
  const from = isEnd(touch) ? endOf(segs, s) : startOf(segs, s);
  const to = closestOnSegment(startOf(segs, t), endOf(segs, t), from);
  return { line: segs.line[s], start: undefined, other: segs.line[t], from, to };
}
