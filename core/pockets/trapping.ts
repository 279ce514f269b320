/**
 * Trapping, a printer's word: colour runs a little way under the ink that bounds it, so that no fringe shows. Along
 * strokes a pocket reaches the centre line by itself. Along the outline of an ink shape it is grown into the ink, far
 * enough that two colours overlap beneath it, but never as far as the ink goes.
 */
import { curveCount, flatten, pointAt, polyline, stepsFor } from "../geometry/cubic.ts";
import { distance, type Point } from "../geometry/point.ts";
import { inkAlong, linesAlong, OWN } from "./ink-along.ts";
import type { InkedMap } from "./inked-map.ts";
import type { Run } from "./outlines.ts";
import type { PlanarMap } from "./planar-map.ts";
import { toLatticeX, toLatticeY } from "./segments.ts";

/** How far colour runs under an ink shape, as a part of the flattening tolerance of the drawing. */
const TRAP = 250;
/** Of the ink's own thickness colour takes at most this part. */
const MOST = 0.85;
/** Points are at most this many traps apart. */
const APART = 1.6;

/** From a point of an outline to where colour ends in the ink. */
interface Rung {
  readonly at: Point;
  readonly far: Point;
}

/**
 * A cycle of a pocket's outline, grown where it runs along ink shapes, as closed chains of cubics for the nonzero
 * rule: the cycle, and patches where it turns over itself.
 */
export function grownCycle(inked: InkedMap, runs: readonly Run[], pieces: readonly number[][]): number[][] {
  const { lines, lattice } = inked.map;
  const { tolerance } = lattice;
  const isInk = runs.map(({ line }) => lines[line].region !== undefined);
  if (!isInk.includes(false)) {
    const points = spaced(
      pieces.flatMap((piece) => pointsOf(piece, tolerance)),
      tolerance,
    );
    const rungs = rungsAround(inked, points);
    return [polyline(rungs.map(({ far }) => far)), ...patchesOf(rungs)];
  }
  const chain: number[] = [];
  const patches: number[][] = [];
  const first = isInk.indexOf(false);
  const at = (k: number) => (first + k) % pieces.length;
  for (let k = 0; k < pieces.length; ) {
    const before = pieces[at(k)];
    append(chain, before);
    k++;
    const stretch: Point[] = [];
    for (; k < pieces.length && isInk[at(k)]; k++) stretch.push(...pointsOf(pieces[at(k)], tolerance));
    if (stretch.length === 0) continue;
    const rungs = rungsAlong(inked, spaced(stretch, tolerance), endsOf(before), endsOf(pieces[at(k)]));
    append(chain, polyline(rungs.map(({ far }) => far)));
    patches.push(...patchesOf(rungs));
  }
  append(chain, [chain[0], chain[1]]);
  return [chain, ...patches];
}

/** Points without those that lie too near the one before to show a direction; the last one stays. */
function spaced(points: readonly Point[], tolerance: number): Point[] {
  const kept = [points[0]];
  const last = points[points.length - 1];
  for (const point of points)
    if (distance(point, kept[kept.length - 1]) > tolerance && distance(point, last) > tolerance)
      kept.push(point);
  return [...kept, last];
}

/** Goes on with a piece, by a straight line where it does not begin where the chain ends. */
function append(chain: number[], piece: readonly number[]): void {
  const n = chain.length;
  if (n > 0 && (chain[n - 2] !== piece[0] || chain[n - 1] !== piece[1])) {
    const way = polyline([
      [chain[n - 2], chain[n - 1]],
      [piece[0], piece[1]],
    ]);
    for (let k = 2; k < way.length; k++) chain.push(way[k]);
  }
  for (let k = n > 0 ? 2 : 0; k < piece.length; k++) chain.push(piece[k]);
}

/** Points along a curve where it begins and where it ends, few between. */
function endsOf(piece: readonly number[]): Point[] {
  const flat = flatten(piece, Number.POSITIVE_INFINITY);
  return Array.from({ length: flat.length / 2 }, (_, k): Point => [flat[2 * k], flat[2 * k + 1]]);
}

/**
 * What two rungs span winds as the outline does, and adds to it; where rungs cross, a part of it winds the other way
 * and would cut colour out. A patch of the same shape makes up for each such part.
 */
function patchesOf(rungs: readonly Rung[]): number[][] {
  const patches: number[][] = [];
  for (let i = 0; i + 1 < rungs.length; i++) {
    const [a, b] = [rungs[i], rungs[i + 1]];
    for (const [p, q, r] of [
      [a.far, b.far, b.at],
      [a.far, b.at, a.at],
    ])
      if (turnOf(p, q, r) < 0) patches.push(polyline([p, r, q, p]));
  }
  return patches;
}

/** Twice the area of a triangle, above 0 where it winds as outlines do. */
const turnOf = ([ax, ay]: Point, [bx, by]: Point, [cx, cy]: Point): number =>
  (bx - ax) * (cy - ay) - (by - ay) * (cx - ax);

/**
 * Where a bridge, and no ink, parts two colours, the one painted first runs on under the other: a strip across the
 * bridge into the neighbour beyond it, as a closed chain of cubics that winds as outlines do. `piece` is the bridge as it
 * runs along the pocket's outline.
 */
export function seamStrip(inked: InkedMap, line: number, piece: readonly number[]): number[] {
  const { map } = inked;
  const points = prolonged(inked, pointsOf(piece, map.lattice.tolerance));
  const outward = points.map((at, i) => outwardAt(points[i - 1] ?? at, at, points[i + 1] ?? at));
  const reach = (at: Point, [dx, dy]: Point) => roomAlong(map, line, at, [dx, dy]);
  const out = points.map((at, i) => reach(at, outward[i]));
  const home = points.map((at, i) => reach(at, [-outward[i][0], -outward[i][1]]));
  const side = (ways: readonly number[]) =>
    points.map(([x, y], i): Point => [x + outward[i][0] * ways[i], y + outward[i][1] * ways[i]]);
  return ringBetween(side(out), side(home.map((way) => -way / 2)));
}

/** The points of a bridge, and one more at each end as far as colour runs into the ink of a shape there. */
function prolonged(inked: InkedMap, points: readonly Point[]): Point[] {
  const beyond = (end: Point, before: Point): Point[] => {
    const way = wayOf(before, end);
    const own = 2 * OWN * inked.map.lattice.tolerance;
    const inside: Point = [end[0] + way[0] * own, end[1] + way[1] * own];
    if (!inked.ink.holds(inside)) return [];
    return [rungAt(inked, end, way).far];
  };
  const last = points.length - 1;
  return [...beyond(points[0], points[1]), ...points, ...beyond(points[last], points[last - 1])];
}

/** How far colour runs in a direction before another line is near, in page units. */
function roomAlong(map: PlanarMap, own: number, at: Point, [dx, dy]: Point): number {
  const { lattice } = map;
  const most = TRAP * lattice.tolerance;
  const length = most / MOST / lattice.step;
  const [x, y] = [toLatticeX(lattice, at[0]), toLatticeY(lattice, at[1])];
  const [nearest = 1] = linesAlong(map, (line) => line !== own, x, y, dx * length, dy * length);
  return nearest * most;
}

/** The closed chain between two rows of points beside one another, the first with the other to its left. */
const ringBetween = (row: readonly Point[], other: readonly Point[]): number[] =>
  polyline([...row, ...[...other].reverse(), row[0]]);

/** Points on a piece, near enough to one another that the ink's thickness hardly changes between them. */
function pointsOf(piece: readonly number[], tolerance: number): Point[] {
  const points: Point[] = [[piece[0], piece[1]]];
  for (let c = 0; c < curveCount(piece); c++) {
    const o = 6 * c;
    const across = distance([piece[o], piece[o + 1]], [piece[o + 6], piece[o + 7]]);
    const parts = Math.ceil(across / (APART * TRAP * tolerance));
    const steps = Math.max(stepsFor(piece, o, tolerance * 4), parts);
    for (let k = 1; k <= steps; k++) points.push(pointAt(piece, c + k / steps));
  }
  return points;
}

/** Rungs from all points of an outline that runs along ink alone; its last point is its first. */
function rungsAround(inked: InkedMap, points: readonly Point[]): Rung[] {
  const count = points.length - 1;
  const rungs = points.slice(0, -1).map((at, i) => {
    const outward = outwardAt(points[(i + count - 1) % count], at, points[i + 1]);
    return rungAt(inked, at, outward);
  });
  return [...rungs, rungs[0]];
}

/**
 * Rungs from points along an ink outline between two curves that leave the ink: at its ends one more rung goes on the
 * way they come from.
 */
function rungsAlong(
  inked: InkedMap,
  points: readonly Point[],
  before: readonly Point[],
  after: readonly Point[],
): Rung[] {
  const rungs = points.map((at, i) =>
    rungAt(inked, at, outwardAt(points[i - 1] ?? at, at, points[i + 1] ?? at)),
  );
  return [
    rungAt(inked, points[0], wayOf(before.at(-2), before.at(-1)!)),
    ...rungs,
    rungAt(inked, points[points.length - 1], wayOf(after[1], after[0])),
  ];
}

function rungAt(inked: InkedMap, at: Point, [dx, dy]: Point): Rung {
  const way = inkAlong(inked, at, [dx, dy], (TRAP * inked.map.lattice.tolerance) / MOST) * MOST;
  return { at, far: [at[0] + dx * way, at[1] + dy * way] };
}

/** Zero from a curve without length, which is a single point. */
function wayOf(from: Point | undefined, to: Point): Point {
  if (!from) return [0, 0];
  const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
  const length = Math.hypot(dx, dy) || 1;
  return [dx / length, dy / length];
}

/** The direction away from the pocket, which lies to the left of the way from one point over the next to the third. */
function outwardAt(from: Point, at: Point, to: Point): Point {
  const a = rightOf(from, at);
  const b = rightOf(at, to);
  const x = a[0] + b[0];
  const y = a[1] + b[1];
  const length = Math.hypot(x, y);
  return length > 1e-9 ? [x / length, y / length] : a;
}

function rightOf(from: Point, to: Point): Point {
  const x = to[0] - from[0];
  const y = to[1] - from[1];
  const length = Math.hypot(x, y) || 1;
  return [y / length, -x / length];
}
