/**
 * Lines flattened to straight segments whose ends lie on a whole-number lattice of 2^31 steps over more than the longer side of
 * the line work, so that orientation tests can be made exact (see exact.ts).
 */
import type { Bridge } from "../drawing/drawing.ts";
import { curveCount, pointAt, stepsFor } from "../geometry/cubic.ts";
import { knownBox } from "../geometry/known-box.ts";
import type { Coords, Point } from "../geometry/point.ts";
import type { InkRegion } from "./ink-regions.ts";

/** One line of the line work: a chain of cubics (see geometry/cubic.ts) in page units. */
export interface Line {
  readonly id: string;
  readonly points: Coords;
  readonly closed: boolean;
  /** Width of the ink along the line in page units, at its widest; 0 for a bridge. */
  readonly width: number;
  /** Where the width changes along the line: flat pairs [u, width, …] by rising parameter, straight between. */
  readonly widths?: Coords;
  readonly bridge: boolean;
  /** Its ink is not painted. */
  readonly hidden?: true;
  /** For a bridge that a part left behind, what it stands for: a line that was there, or a join. */
  readonly left?: Bridge["left"];
  /** For a bridge, whether colour of a part behind goes on beyond it, or of one in front. */
  readonly meets?: "behind" | "front";
  /** For a line that is part of an ink shape's outline, the whole shape. */
  readonly region?: InkRegion;
}

/** Width of the ink at parameter u. */
export function inkWidthAt({ width, widths }: Line, u: number): number {
  if (!widths) return width;
  const last = widths.length / 2 - 1;
  let low = 0;
  let high = last;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (widths[2 * middle] < u) low = middle + 1;
    else high = middle;
  }
  // The first place at or past u, or the last there is.
  const after = 2 * low;
  if (after === 0 || widths[after] <= u) return widths[after + 1];
  const t = (u - widths[after - 2]) / (widths[after] - widths[after - 2]);
  return widths[after - 1] + (widths[after + 1] - widths[after - 1]) * t;
}

const STEPS = 2 ** 31 - 2;
/** Left free around the line work for edits, as a part of its longer side, both sides together. */
const MARGIN = 0.2;
/** Origins lie on multiples of this part of the lattice. */
const ORIGINS = 16;
/** Chords stay this close to their curves, as a part of the line work's diagonal. */
export const FLATNESS = 4e-5;
/** The diagonal that line work mostly has, as a part of its lattice. */
const DIAGONAL = 0.6;
/** Rounding in page coordinates stays below a lattice step, however far from the origin a small drawing lies. */
const ROUNDING = 2 ** -46;

export interface Lattice {
  readonly originX: number;
  readonly originY: number;
  /** Page units per lattice step: a power of two, so that multiplying by its inverse is exact. */
  readonly step: number;
  /** Flattening tolerance in page units. */
  readonly tolerance: number;
}

/** Around all points of some lines; left lies beyond right where there are none. */
export interface Extent {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}

export function extentOf(lines: readonly Line[]): Extent {
  let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const { points } of lines) {
    const box = knownBox(points);
    if (!box) continue;
    left = Math.min(left, box.x);
    top = Math.min(top, box.y);
    right = Math.max(right, box.x + box.width);
    bottom = Math.max(bottom, box.y + box.height);
  }
  return { left, top, right, bottom };
}

export const latticeFor = (lines: readonly Line[]): Lattice => latticeOver(extentOf(lines));

/**
 * The lattice of lines of an extent. Its step is a power of two and its origin a whole number of steps, so that every
 * lattice of the same step rounds places alike: results do not depend on the history of the drawing.
 */
export function latticeOver(extent: Extent): Lattice {
  const { left, top, right, bottom } =
    extent.left > extent.right ? { left: 0, top: 0, right: 1, bottom: 1 } : extent;
  const side = Math.max(right - left, bottom - top);
  const farthest = Math.max(Math.abs(left), Math.abs(top)) + side;
  const wanted = Math.max((side * (1 + MARGIN)) / 2 ** 31, farthest * ROUNDING) || 1;
  const step = 2 ** Math.ceil(Math.log2(wanted));
  const size = step * 2 ** 31;
  const originAt = (from: number) => (Math.floor((from * ORIGINS) / size) - 1) * (size / ORIGINS);
  return {
    originX: originAt(left),
    originY: originAt(top),
    step,
    tolerance: Math.max(FLATNESS * DIAGONAL * size, step),
  };
}

/** Whether every point of a chain lies where the lattice has steps for it. */
export function fitsLattice({ originX, originY, step }: Lattice, points: Coords): boolean {
  for (let i = 0; i + 1 < points.length; i += 2) {
    const x = (points[i] - originX) / step;
    const y = (points[i + 1] - originY) / step;
    if (!(x >= 1 && y >= 1 && x < STEPS && y < STEPS)) return false;
  }
  return true;
}

export const toLatticeX = (lattice: Lattice, x: number): number =>
  Math.round((x - lattice.originX) / lattice.step);
export const toLatticeY = (lattice: Lattice, y: number): number =>
  Math.round((y - lattice.originY) / lattice.step);
export const toPage = (lattice: Lattice, x: number, y: number): Point => [
  lattice.originX + x * lattice.step,
  lattice.originY + y * lattice.step,
];

/**
 * Segment s runs from (ax, ay) to (bx, by) along line[s], whose parameter is ua[s] where the segment begins. line[s] is -1 once a segment has been taken out.
 */
export interface Segments {
  count: number;
  ax: Int32Array;
  ay: Int32Array;
  bx: Int32Array;
  by: Int32Array;
  line: Int32Array;
  ua: Float64Array;
}

const INTS = ["ax", "ay", "bx", "by", "line"] as const;

function emptySegments(capacity: number): Segments {
  return {
    count: 0,
    ax: new Int32Array(capacity),
    ay: new Int32Array(capacity),
    bx: new Int32Array(capacity),
    by: new Int32Array(capacity),
    line: new Int32Array(capacity),
    ua: new Float64Array(capacity),
  };
}

/** Whether segment s goes on from where segment s - 1 of the same line ends. */
export const goesOn = (segs: Segments, s: number): boolean =>
  s > 0 &&
  segs.line[s] === segs.line[s - 1] &&
  segs.ax[s] === segs.bx[s - 1] &&
  segs.ay[s] === segs.by[s - 1];

/** The parameter where segment s ends: where the next begins, but no later than where its cubic ends. */
export function endParameter({ count, line, ua }: Segments, lines: readonly Line[], s: number): number {
  const goesOn = s + 1 < count && line[s + 1] === line[s];
  const end = goesOn ? ua[s + 1] : curveCount(lines[line[s]].points);
  return Math.min(end, Math.floor(ua[s]) + 1);
}

/** Flattens every line; pieces shorter than a lattice step vanish. */
export function segmentsOf(lines: readonly Line[], lattice: Lattice): Segments {
  const segs = emptySegments(lines.reduce((sum, { points }) => sum + curveCount(points), 0));
  for (let index = 0; index < lines.length; index++) addLine(segs, lines[index].points, index, lattice);
  return segs;
}

/** Flattens one more line after those that are there. */
export function addLine(segs: Segments, points: Coords, index: number, lattice: Lattice): void {
  const needed = segs.count + countSteps(points, lattice.tolerance);
  if (needed > segs.ax.length) {
    const grown = emptySegments(needed + (needed >> 2) + 64);
    for (const key of INTS) grown[key].set(segs[key]);
    grown.ua.set(segs.ua);
    Object.assign(segs, { ...grown, count: segs.count });
  }
  appendLine(segs, points, index, lattice);
}

/** For each cubic of the line being flattened, in how many steps that is done. */
let steps = new Uint16Array(256);

/** Works out the steps of a line's cubics; gives their sum. */
function countSteps(points: Coords, tolerance: number): number {
  const count = curveCount(points);
  if (count > steps.length) steps = new Uint16Array(2 * count);
  let sum = 0;
  for (let c = 0; c < count; c++) {
    steps[c] = stepsFor(points, c * 6, tolerance);
    sum += steps[c];
  }
  return sum;
}

function appendLine(segs: Segments, points: Coords, index: number, lattice: Lattice): void {
  const { ax, ay, bx, by, line, ua } = segs;
  const { originX, originY, step } = lattice;
  const perUnit = 1 / step;
  const count = curveCount(points);
  let s = segs.count;
  let x = toLatticeX(lattice, points[0]);
  let y = toLatticeY(lattice, points[1]);
  let from = 0;
  for (let c = 0; c < count; c++) {
    for (let k = 1; k <= steps[c]; k++) {
      const isLast = k === steps[c];
      const u = isLast ? c + 1 : c + k / steps[c];
      const at = isLast ? undefined : pointAt(points, u);
      const nextX = Math.round(((at ? at[0] : points[c * 6 + 6]) - originX) * perUnit);
      const nextY = Math.round(((at ? at[1] : points[c * 6 + 7]) - originY) * perUnit);
      if (nextX !== x || nextY !== y) {
        ax[s] = x;
        ay[s] = y;
        bx[s] = nextX;
        by[s] = nextY;
        line[s] = index;
        ua[s++] = from;
        x = nextX;
        y = nextY;
      }
      from = u;
    }
  }
  segs.count = s;
}

/** The longest extent of any segment along an axis, in lattice steps. */
export function longestExtent({ count, ax, ay, bx, by }: Segments, from = 0): number {
  let longest = 0;
  for (let s = from; s < count; s++) {
    const dx = Math.abs(bx[s] - ax[s]);
    const dy = Math.abs(by[s] - ay[s]);
    if (dx > longest) longest = dx;
    if (dy > longest) longest = dy;
  }
  return longest;
}

/** Where each line's run of segments begins; one more entry for the end. */
export function firstSegments(lineCount: number, segs: Segments): Int32Array {
  const first = new Int32Array(lineCount + 1).fill(segs.count);
  for (let s = segs.count - 1; s >= 0; s--) if (segs.line[s] >= 0) first[segs.line[s]] = s;
  for (let i = lineCount - 1; i >= 0; i--) first[i] = Math.min(first[i], first[i + 1]);
  return first;
}
