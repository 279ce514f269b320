/** SVG path data to chains of cubics and back. */
import svgpath from "svgpath";
import { lineTo } from "../geometry/cubic.ts";
import type { Coords, Point } from "../geometry/point.ts";
import { type PathSink, walkChain } from "../geometry/walk.ts";

export interface Chain {
  readonly points: number[];
  readonly closed: boolean;
}

export interface PathReading {
  readonly chains: readonly Chain[];
  /** Whether it ends where its data makes no sense from there on, as SVG asks. */
  readonly brokenOff: boolean;
}

/** Reads path data. */
export function readPath(d: string): PathReading {
  const path = svgpath(d);
  // Each of these walks all of the path; most need none.
  if (/a/i.test(d)) path.unarc();
  if (/[achlmqstv]/.test(d)) path.abs();
  if (/[st]/i.test(d)) path.unshort();
  const chains: Chain[] = [];
  let points: number[] = [];
  let start: Point = [0, 0];
  let drawn = false;
  const finish = (closed: boolean) => {
    // A line from a point to itself is a dot where its caps are round or square.
    if (drawn && points.length === 2) points.push(...points, ...points, ...points);
    drawn = false;
    if (points.length > 2) chains.push({ points, closed });
    points = [];
  };
  let ended = false;
  path.iterate((segment, _index, x, y) => {
    const [command, ...n] = segment as [string, ...number[]];
    ended ||= !n.every(Number.isFinite);
    if (ended) return;
    if (command === "M") {
      finish(closesItself(points));
      start = [n[0], n[1]];
      points = [n[0], n[1]];
      return;
    }
    if (points.length === 0) points = [x, y];
    drawn = true;
    if (command === "C") points.push(n[0], n[1], n[2], n[3], n[4], n[5]);
    else if (command === "Q") points.push(...raised([x, y], n));
    else if (command === "L") pushLine(points, [x, y], [n[0], n[1]]);
    else if (command === "H") pushLine(points, [x, y], [n[0], y]);
    else if (command === "V") pushLine(points, [x, y], [x, n[0]]);
    else if (command === "Z" || command === "z") {
      pushLine(points, [x, y], start);
      finish(true);
    }
  });
  finish(closesItself(points));
  return { chains, brokenOff: ended || isFaulty(path) };
}

export const chainsOf = (d: string): readonly Chain[] => readPath(d).chains;

/** The package's types do not say that the parser tells where it stopped. */
const isFaulty = (path: ReturnType<typeof svgpath>): boolean => (path as { err?: string }).err !== "";

function pushLine(points: number[], from: Point, to: Point): void {
  if (from[0] !== to[0] || from[1] !== to[1]) lineTo(points, to);
}

/** A quadratic as a cubic. */
function raised([x, y]: Point, [cx, cy, ex, ey]: number[]): number[] {
  return [
    x + (2 / 3) * (cx - x),
    y + (2 / 3) * (cy - y),
    ex + (2 / 3) * (cx - ex),
    ey + (2 / 3) * (cy - ey),
    ex,
    ey,
  ];
}

/**
 * Ends closer than this share of their coordinates are one: summing relative moves leaves such errors, and in
 * writing the two are equal.
 */
const SAME = 1e-9;

/** Whether a chain returns to its start, which it then does exactly. */
function closesItself(points: number[]): boolean {
  const n = points.length;
  if (n <= 8) return false;
  const isSame = (a: number, b: number) => Math.abs(a - b) <= SAME * Math.max(1e-3, Math.abs(a), Math.abs(b));
  if (!isSame(points[0], points[n - 2]) || !isSame(points[1], points[n - 1])) return false;
  points.splice(n - 2, 2, points[0], points[1]);
  return true;
}

/** Shortest decimal with at most `digits` places. */
export const short = (value: number, digits: number): string => String(Number(value.toFixed(digits)));

/** How many decimals keep a drawing of this size exact to about a millionth of it. */
export const digitsFor = (size: number): number =>
  Math.max(0, Math.min(9, 6 - Math.floor(Math.log10(size || 1))));

/** How many decimals keep lines that meet meeting, within the rounding that docs/pockets.md allows to ends. */
export const lineDigitsFor = (size: number): number => digitsFor(size) + 4;

/** Path data for a chain; straight cubics are written as lines, and those without length at this many digits not at all. */
export function pathData(chain: Coords, closed: boolean, digits: number): string {
  const place = (x: number, y: number) => `${short(x, digits)} ${short(y, digits)}`;
  let last = "";
  let begun = "";
  let d = "";
  const sink: PathSink = {
    moveTo: (x, y) => {
      last = place(x, y);
      begun = `M${last}`;
    },
    lineTo: (x, y) => {
      const to = place(x, y);
      if (to !== last) d += `L${to}`;
      last = to;
    },
    bezierCurveTo: (ax, ay, bx, by, x, y) => {
      const [a, b, to] = [place(ax, ay), place(bx, by), place(x, y)];
      if (a !== last || b !== last || to !== last) d += `C${a} ${b} ${to}`;
      last = to;
    },
    closePath: () => {
      d += d === "" ? `L${last}Z` : "Z";
    },
  };
  walkChain(sink, chain, closed);
  // A point is a line without length.
  return `${begun}${d === "" ? `L${last}` : d}`;
}
