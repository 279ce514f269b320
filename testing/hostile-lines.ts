/** Line works that try the engine, for its tests: each follows from its seed alone. */
import type { Point } from "../core/geometry/point.ts";
import type { Line } from "../core/pockets/segments.ts";
import { straight } from "./line-work.ts";
import { randomFrom } from "./random.ts";

type Random = () => number;

const between = (random: Random, low: number, high: number): number => low + (high - low) * random();
const whole = (random: Random, low: number, high: number): number =>
  Math.floor(between(random, low, high + 1));
const oneOf = <T>(random: Random, items: readonly T[]): T => items[whole(random, 0, items.length - 1)];
const somewhere = (random: Random, size: number): Point => [random() * size, random() * size];

/** Ink as wide as lines are drawn in a picture of this size; now and then none, or far too wide. */
const inkFor = (random: Random, size: number): number =>
  size * oneOf(random, [0, 0.001, 0.005, 0.02, 0.02, 0.3]);

const curve = (id: string, points: readonly number[], width: number): Line => ({
  id,
  points: [...points],
  closed: false,
  width,
  bridge: false,
});

const randomCubics = (random: Random, size: number, count: number): Line[] =>
  Array.from({ length: count }, (_, i) => {
    const points = Array.from({ length: 8 + 6 * whole(random, 0, 2) }, () => random() * size);
    return curve(`cubic-${i}`, points, inkFor(random, size));
  });

const randomStraights = (random: Random, size: number, count: number): Line[] =>
  Array.from({ length: count }, (_, i) => {
    const points = Array.from({ length: whole(random, 2, 6) }, () => somewhere(random, size));
    return straight(random() < 0.3 ? [...points, points[0]] : points, inkFor(random, size), `straight-${i}`);
  });

/** Lines so near one another that rounding could not tell them apart. */
function nearlyTheSame(random: Random, size: number, count: number): Line[] {
  const points = Array.from({ length: 14 }, () => random() * size);
  const apart = size * 10 ** between(random, -15, -3);
  const bent = random() < 0.5;
  const width = inkFor(random, size);
  return Array.from({ length: count }, (_, i) => {
    const off = points.map((n) => n + (random() - 0.5) * apart);
    const ends: Point[] = [
      [off[0], off[1]],
      [off[6], off[7]],
      [off[12], off[13]],
    ];
    return bent ? curve(`near-${i}`, off, width) : straight(ends, width, `near-${i}`);
  });
}

/** Lines through one point, or through points that are hardly apart. */
function bundle(random: Random, size: number, count: number): Line[] {
  const [x, y] = somewhere(random, size);
  const apart = oneOf(random, [0, 1e-12, 1e-9, 1e-6, 1e-4]) * size;
  const width = inkFor(random, size);
  return Array.from({ length: count }, (_, i) => {
    const angle = random() * Math.PI * 2;
    const [dx, dy] = [Math.cos(angle) * size, Math.sin(angle) * size];
    const [cx, cy] = [x + (random() - 0.5) * apart, y + (random() - 0.5) * apart];
    const ends: Point[] = [
      [cx - dx * random(), cy - dy * random()],
      [cx + dx * random(), cy + dy * random()],
    ];
    return straight(random() < 0.3 ? [ends[0], [cx, cy]] : ends, width, `ray-${i}`);
  });
}

/** A few spirals of many turns, with lines across. */
function spirals(random: Random, size: number, count: number): Line[] {
  const width = inkFor(random, size);
  return Array.from({ length: count }, (_, i) => {
    if (i >= 3) return straight([somewhere(random, size), somewhere(random, size)], width, `across-${i}`);
    const [x, y] = somewhere(random, size);
    const turns = 10 ** between(random, 0, 2);
    const fall = oneOf(random, [1, 0.98, 0.8]);
    const points: Point[] = [];
    for (let k = 0; k <= turns * 12; k++) {
      const radius = fall === 1 ? (size * k) / (turns * 12) : size * fall ** k;
      points.push([x + radius * Math.cos((k * Math.PI) / 6), y + radius * Math.sin((k * Math.PI) / 6)]);
    }
    return straight(points, width, `spiral-${i}`);
  });
}

const placed = (line: Line, id: string, scale: number, [x, y]: Point): Line => ({
  ...line,
  id,
  width: line.width * scale,
  points: Array.from(line.points, (n, k) => n * scale + (k % 2 ? y : x)),
});

/** One picture within another that is smaller by many powers of ten. */
function tinyBesideHuge(random: Random, size: number, count: number): Line[] {
  const make = oneOf(random, [randomCubics, randomStraights, bundle, nearlyTheSame, spirals]);
  const half = count >> 1;
  const scale = 10 ** between(random, -12, -2);
  const at = somewhere(random, size);
  const tiny = make(random, size, half).map((line, i) => placed(line, `tiny-${i}`, scale, at));
  // As in pictures of one pen: the ink of the tiny ones is now and then as wide as that of the huge ones.
  const penned = random() < 0.3 ? tiny.map((line) => ({ ...line, width: line.width / scale })) : tiny;
  return [...randomStraights(random, size, count - half), ...penned];
}

/** Points on a coarse raster: lines overlap, touch and end on one another all the time. */
const onRaster = (random: Random, size: number, count: number): Line[] =>
  Array.from({ length: count }, (_, i) => {
    const place = (): Point => [(whole(random, 0, 6) * size) / 6, (whole(random, 0, 6) * size) / 6];
    return straight(Array.from({ length: whole(random, 2, 5) }, place), inkFor(random, size), `raster-${i}`);
  });

/** A few lines, thousands of times over: whole, in part, and the other way round. */
function coincident(random: Random, size: number): Line[] {
  const few = randomStraights(random, size, whole(random, 2, 4)).map(({ points }) => Array.from(points));
  const count = whole(random, 1000, 3000);
  const width = oneOf(random, [0, 0.004 * size]);
  return Array.from({ length: count }, (_, i) => {
    const points = oneOf(random, few);
    const piece = 6 * whole(random, 0, (points.length - 8) / 6);
    const own = random() < 0.5 ? points : points.slice(piece, piece + 8);
    const turned: number[] = [];
    for (let k = own.length - 2; k >= 0; k -= 2) turned.push(own[k], own[k + 1]);
    return curve(`again-${i}`, random() < 0.5 ? own : turned, width);
  });
}

/** Cubics that turn on the spot: handles that cross, lie on their ends or on one another. */
const cusps = (random: Random, size: number): Line[] =>
  Array.from({ length: whole(random, 8, 40) }, (_, i) => {
    const [a, d] = [somewhere(random, size), somewhere(random, size)];
    const past = (from: Point, to: Point, share: number): Point => [
      from[0] + share * (to[0] - from[0]),
      from[1] + share * (to[1] - from[1]),
    ];
    const share = oneOf(random, [0, 1, 1.5, -0.5, 4 / 3]);
    const ways: readonly [Point, Point][] = [
      [past(a, d, share), past(d, a, share)],
      [a, a],
      [d, a],
      [somewhere(random, size), a],
    ];
    const [b, c] = oneOf(random, ways);
    return curve(`cusp-${i}`, [...a, ...b, ...c, ...d], inkFor(random, size));
  });

/** Everything on one point: lines without length, rings hardly larger, lines that begin, end and pass there. */
function onOnePoint(random: Random, size: number): Line[] {
  const at = somewhere(random, size);
  const tiny = size * oneOf(random, [0, 1e-15, 1e-12, 1e-9]);
  const near = (): Point => [at[0] + (random() - 0.5) * tiny, at[1] + (random() - 0.5) * tiny];
  return Array.from({ length: whole(random, 20, 400) }, (_, i) => {
    const makes = [
      () => straight([at, at], inkFor(random, size), `dot-${i}`),
      () => straight([near(), near(), near(), near()], inkFor(random, size), `knot-${i}`),
      () => straight([somewhere(random, size), at], 0, `in-${i}`),
      () => straight([somewhere(random, size), near(), somewhere(random, size)], 0, `through-${i}`),
    ];
    return oneOf(random, makes)();
  });
}

const EXTREMES = [coincident, cusps, onOnePoint];

/** Line works of few places and many lines, from a billionth of a page unit to a billion of them across. */
export function extremeLines(seed: number): Line[] {
  const random = randomFrom(seed);
  return EXTREMES[seed % EXTREMES.length](random, random() < 0.5 ? 100 : 10 ** between(random, -9, 9));
}

const KINDS = [randomCubics, randomStraights, nearlyTheSame, bundle, spirals, tinyBesideHuge, onRaster];

/** About 25 strokes, anywhere from a billionth of a page unit to a billion of them across, near the origin or far off. */
export function hostileLines(seed: number): Line[] {
  const random = randomFrom(seed);
  const make = KINDS[seed % KINDS.length];
  const size = random() < 0.5 ? 100 : 10 ** between(random, -9, 12);
  const away: Point = random() < 0.7 ? [0, 0] : [size * 10 ** between(random, 0, 6), -size * random()];
  return make(random, size, whole(random, 4, 30)).map((line) => placed(line, line.id, 1, away));
}

/** One change of a line work: the line at a place of the list goes, or becomes another, which then comes last. */
export function hostileEdit(seed: number, lines: readonly Line[]): { gone: Line; come: Line | undefined } {
  const random = randomFrom(seed ^ 0x5bd1e995);
  const gone = oneOf(random, lines);
  if (random() < 0.25) return { gone, come: undefined };
  const like = oneOf(random, lines);
  const part = random() < 0.5 ? 1e-3 * random() : random();
  const points = Array.from(
    gone.points,
    (n, k) => n + part * ((like.points[k % like.points.length] ?? n) - n),
  );
  if (gone.closed) points.splice(-2, 2, points[0], points[1]);
  return { gone, come: { ...gone, points } };
}
