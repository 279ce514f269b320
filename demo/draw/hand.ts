/**
 * A hand that draws: gestures become strokes of smooth cubics with a slight wobble. Everything is made from one
 * seed, so that a drawing comes out the same each time.
 */

import { digitsFor, pathData, short } from "../../core/formats/svg-path.ts";
import { regionContains } from "../../core/geometry/polygon.ts";
import { fitOpen } from "../../core/lines/fit.ts";

export type P = readonly [x: number, y: number];

/** A colour wanted where a point lies, for the drawing that opens coloured. */
export interface Hint {
  readonly at: P;
  readonly colour: string;
  readonly step: number;
}

interface Drawn {
  readonly d: string;
  readonly width: number;
}

export interface LineOptions {
  readonly width?: number;
  /** Wobble in page units; the hand's own by default. */
  readonly wobble?: number;
  readonly closed?: boolean;
  /** What lies behind the line's own shape is hidden from then on. */
  readonly solid?: boolean;
  /** Only what lies inside this outline is drawn. */
  readonly inside?: readonly P[];
}

const FIT = 0.5;
const SHORTEST = 5;

/** A filled outline with a box for quick answers. */
class Outline {
  private readonly ring: number[];
  private readonly box: readonly [number, number, number, number];

  constructor(points: readonly P[]) {
    this.ring = points.flat();
    const xs = points.map(([x]) => x);
    const ys = points.map(([, y]) => y);
    this.box = [Math.min(...xs), Math.min(...ys), Math.max(...xs), Math.max(...ys)];
  }

  holds([x, y]: P): boolean {
    const [left, top, right, bottom] = this.box;
    return x > left && x < right && y > top && y < bottom && regionContains([this.ring], [x, y]);
  }
}

/** The parts of a path that can be seen, cut where they go out of sight. */
function visibleRuns(path: readonly P[], seen: (p: P) => boolean): P[][] {
  const runs: P[][] = [];
  let run: P[] = [];
  path.forEach((p, i) => {
    const now = seen(p);
    const before = i > 0 && seen(path[i - 1]);
    if (i > 0 && now !== before) run.push(edgeOfSight(now ? path[i - 1] : p, now ? p : path[i - 1], seen));
    if (now) run.push(p);
    else if (run.length > 0) {
      runs.push(run);
      run = [];
    }
  });
  return run.length > 0 ? [...runs, run] : runs;
}

/** Between a hidden and a seen point, the last hidden one: the line then ends just under what hides it. */
function edgeOfSight(hidden: P, shown: P, seen: (p: P) => boolean): P {
  for (let k = 0; k < 12; k++) {
    const middle = mix(hidden, shown, 0.5);
    if (seen(middle)) shown = middle;
    else hidden = middle;
  }
  return hidden;
}

/** On a closed path that begins in sight, the last run goes on into the first. */
function joinedAtStart(runs: P[][], path: readonly P[]): P[][] {
  const first = runs[0];
  const last = runs[runs.length - 1];
  if (runs.length < 2 || first[0] !== path[0] || last[last.length - 1] !== path[path.length - 1]) return runs;
  return [[...last, ...first.slice(1)], ...runs.slice(1, -1)];
}

export class Hand {
  readonly strokes: Drawn[] = [];
  readonly hints: Hint[] = [];
  private readonly covers: Outline[] = [];
  private state: number;

  constructor(
    readonly size: P,
    seed: number,
    private readonly steadiness = 0.9,
  ) {
    this.state = seed;
  }

  /** Uniform in 0..1 (mulberry32). */
  random(): number {
    this.state = (this.state + 0x6d2b79f5) | 0;
    let t = Math.imul(this.state ^ (this.state >>> 15), 1 | this.state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  }

  between(low: number, high: number): number {
    return low + (high - low) * this.random();
  }

  /** A line through points, as a hand would draw it: smooth, with a slow wobble, hidden behind what is solid. */
  line(points: readonly P[], options: LineOptions = {}): void {
    const { width = 3, wobble = this.steadiness, closed = false, solid = false, inside } = options;
    const path = this.wobbled(through(points, closed), wobble, closed);
    const seen = (p: P) => !this.covers.some((cover) => cover.holds(p)) && (!inside || clip!.holds(p));
    const clip = inside && new Outline(inside);
    const runs = visibleRuns(path, seen);
    const whole = closed && runs.length === 1 && runs[0].length === path.length;
    for (const run of closed && !whole ? joinedAtStart(runs, path) : runs) this.ink(run, width, whole);
    if (solid) this.covers.push(new Outline(path));
  }

  /** Hides whatever is drawn later behind an outline. */
  cover(points: readonly P[]): void {
    this.covers.push(new Outline(through(points, true)));
  }

  /** Draws on top of what was covered last, such as veins on a leaf. */
  covered(draw: () => void): void {
    const last = this.covers.pop();
    draw();
    if (last) this.covers.push(last);
  }

  private ink(path: readonly P[], width: number, closed: boolean): void {
    if (path.length < 2 || lengthOf(path) < SHORTEST) return;
    const chain = fitOpen(path, FIT);
    this.strokes.push({ d: pathData(chain, closed, digitsFor(this.size[0]) - 2), width });
  }

  /** A closed line. */
  ring(points: readonly P[], options: LineOptions = {}): void {
    this.line(points, { ...options, closed: true });
  }

  oval(cx: number, cy: number, rx: number, ry: number, options: LineOptions & { turn?: number } = {}): void {
    this.ring(ovalPoints(cx, cy, rx, ry, options.turn ?? 0), options);
  }

  /** Part of an oval, angles in degrees, clockwise on the page. */
  arc(
    cx: number,
    cy: number,
    rx: number,
    ry: number,
    from: number,
    to: number,
    options: LineOptions & { turn?: number } = {},
  ): void {
    const count = Math.max(5, Math.ceil(Math.abs(to - from) / 20));
    const points = Array.from({ length: count + 1 }, (_, i) =>
      onOval(cx, cy, rx, ry, from + ((to - from) * i) / count, options.turn ?? 0),
    );
    this.line(points, options);
  }

  /** A run of short strokes from points on one line towards points on another. */
  hatch(
    from: readonly P[],
    to: readonly P[],
    count: number,
    { width = 1.4, wobble = 0.5, inside }: LineOptions = {},
  ): void {
    const a = through(from, false);
    const b = through(to, false);
    for (let i = 0; i < count; i++) {
      const t = (i + 0.5 + this.between(-0.18, 0.18)) / count;
      const start = at(a, t);
      const end = mix(start, at(b, t), this.between(0.72, 1));
      const bow = mix(mix(start, end, 0.5), [start[0] + (end[1] - start[1]) * 0.06, start[1]], 0.12);
      this.line([start, bow, end], { width, wobble, inside });
    }
  }

  hint(x: number, y: number, colour: string, step = 0): void {
    this.hints.push({ at: [x, y], colour, step });
  }

  private wobbled(path: readonly P[], amount: number, closed: boolean): P[] {
    if (amount === 0) return [...path];
    const phases = Array.from({ length: 4 }, () => this.random() * Math.PI * 2);
    const total = lengthOf(path);
    let gone = 0;
    return path.map((p, i) => {
      if (i > 0) gone += span(path[i - 1], p);
      const ends = closed ? 1 : Math.min(1, gone / 24, (total - gone) / 24);
      const slow = (k: number) =>
        Math.sin((gone / 46) * (k + 1) * 0.8 + phases[k]) + 0.5 * Math.sin(gone / 17 + phases[k + 1]);
      const fade = closed ? Math.min(1, gone / 30, (total - gone) / 30) : ends;
      return [p[0] + slow(0) * amount * 0.6 * fade, p[1] + slow(2) * amount * 0.6 * fade] as P;
    });
  }

  svg(title: string): string {
    const [width, height] = this.size;
    const paths = this.strokes.map(({ d, width: w }) => `<path stroke-width="${short(w, 2)}" d="${d}"/>`);
    return [
      `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}" width="${width / 10}mm" height="${height / 10}mm">`,
      `<title>${title}</title>`,
      '<g id="ink" fill="none" stroke="#221b18" stroke-linecap="round" stroke-linejoin="round">',
      ...paths,
      "</g>",
      "</svg>",
      "",
    ].join("\n");
  }
}

const span = (a: P, b: P): number => Math.hypot(b[0] - a[0], b[1] - a[1]);
export const mix = (a: P, b: P, t: number): P => [a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t];

function lengthOf(path: readonly P[]): number {
  let length = 0;
  for (let i = 1; i < path.length; i++) length += span(path[i - 1], path[i]);
  return length;
}

/** The point a share of the way along a path. */
export function at(path: readonly P[], share: number): P {
  let left = lengthOf(path) * Math.max(0, Math.min(1, share));
  for (let i = 1; i < path.length; i++) {
    const step = span(path[i - 1], path[i]);
    if (left <= step) return mix(path[i - 1], path[i], step ? left / step : 0);
    left -= step;
  }
  return path[path.length - 1];
}

export function onOval(cx: number, cy: number, rx: number, ry: number, degrees: number, turn = 0): P {
  const a = (degrees * Math.PI) / 180;
  const t = (turn * Math.PI) / 180;
  const x = Math.cos(a) * rx;
  const y = Math.sin(a) * ry;
  return [cx + x * Math.cos(t) - y * Math.sin(t), cy + x * Math.sin(t) + y * Math.cos(t)];
}

const ovalPoints = (cx: number, cy: number, rx: number, ry: number, turn = 0): P[] =>
  Array.from({ length: 16 }, (_, i) => onOval(cx, cy, rx, ry, i * 22.5, turn));

/** Dense points on a centripetal Catmull-Rom curve through the given ones (Yuksel and others, 2011). */
export function through(points: readonly P[], closed: boolean): P[] {
  const n = points.length;
  if (n < 3 && !closed) return dense(points);
  const get = (i: number): P => {
    if (closed) return points[(i + n) % n];
    if (i < 0) return [2 * points[0][0] - points[1][0], 2 * points[0][1] - points[1][1]];
    if (i >= n) return [2 * points[n - 1][0] - points[n - 2][0], 2 * points[n - 1][1] - points[n - 2][1]];
    return points[i];
  };
  const out: P[] = [points[0]];
  for (let i = 0; i < (closed ? n : n - 1); i++) {
    const [p0, p1, p2, p3] = [get(i - 1), get(i), get(i + 1), get(i + 2)];
    const knot = (a: P, b: P) => Math.max(1e-3, Math.sqrt(span(a, b)));
    const t1 = knot(p0, p1);
    const t2 = t1 + knot(p1, p2);
    const t3 = t2 + knot(p2, p3);
    const steps = Math.max(3, Math.ceil(span(p1, p2) / 5));
    for (let k = 1; k <= steps; k++) {
      const t = t1 + ((t2 - t1) * k) / steps;
      const lerp = (a: P, b: P, ta: number, tb: number) => mix(a, b, (t - ta) / (tb - ta));
      const a1 = lerp(p0, p1, 0, t1);
      const a2 = lerp(p1, p2, t1, t2);
      const a3 = lerp(p2, p3, t2, t3);
      out.push(lerp(lerp(a1, a2, 0, t2), lerp(a2, a3, t1, t3), t1, t2));
    }
  }
  return out;
}

function dense([a, b]: readonly P[]): P[] {
  const steps = Math.max(4, Math.ceil(span(a, b) / 6));
  return Array.from({ length: steps + 1 }, (_, i) => mix(a, b, i / steps));
}
