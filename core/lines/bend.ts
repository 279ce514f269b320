/**
 * Bending lines by their points and handles. A chain's points are numbered along it from 0; on a closed one the last
 * is the first. Handle numbers are places in the chain itself: two before each point, two after.
 */
import { between, curveCount, pointAt } from "../geometry/cubic.ts";
import { distance, type Point } from "../geometry/point.ts";
import { leastSquares, placesOf } from "./least-cubic.ts";

export const pointOf = (chain: readonly number[], index: number): Point => [
  chain[6 * index],
  chain[6 * index + 1],
];

/** Numbers of a chain's points; a closed one's last, which is its first, left out. */
export const pointNumbers = (chain: readonly number[], closed: boolean): number[] =>
  Array.from({ length: curveCount(chain) + (closed ? 0 : 1) }, (_, i) => i);

/** The number of the point nearest to a place, when it comes within a distance. */
export function pointNear(
  chain: readonly number[],
  closed: boolean,
  at: Point,
  within: number,
): number | undefined {
  let best: number | undefined;
  let least = within;
  for (const index of pointNumbers(chain, closed)) {
    const gap = distance(pointOf(chain, index), at);
    if (gap > least || (gap === least && best !== undefined)) continue;
    best = index;
    least = gap;
  }
  return best;
}

/** The points, by number, that lie exactly where point `index` does: on a closed chain its first and last. */
const twins = (chain: readonly number[], closed: boolean, index: number): number[] =>
  closed && (index === 0 || index === curveCount(chain)) ? [0, curveCount(chain)] : [index];

/** Moves points by a way in page units; their handles go along. */
export function withPointsMoved(
  chain: readonly number[],
  closed: boolean,
  indices: readonly number[],
  [dx, dy]: Point,
): number[] {
  const out = [...chain];
  const all = new Set(indices.flatMap((index) => twins(chain, closed, index)));
  for (const index of all)
    for (const place of [6 * index - 2, 6 * index, 6 * index + 2])
      if (place >= 0 && place + 1 < out.length) {
        out[place] += dx;
        out[place + 1] += dy;
      }
  return out;
}

/** The two handles of a point as places in the chain, before and after; -1 where a line ends. */
export function handlesOf(
  chain: readonly number[],
  closed: boolean,
  index: number,
): [before: number, after: number] {
  const end = 6 * curveCount(chain);
  const at = 6 * index;
  const before = at > 0 ? at - 2 : closed ? end - 2 : -1;
  const after = at < end ? at + 2 : closed ? 2 : -1;
  return [before, after];
}

/** Moves a handle; at a smooth point the other one turns with it and keeps its length. */
export function withHandleMoved(
  chain: readonly number[],
  closed: boolean,
  index: number,
  handle: number,
  to: Point,
): number[] {
  const out = [...chain];
  const [before, after] = handlesOf(chain, closed, index);
  const other = handle === before ? after : before;
  const at = pointOf(chain, index);
  const turns = other >= 0 && isSmooth(chain, closed, index);
  out[handle] = to[0];
  out[handle + 1] = to[1];
  if (turns) {
    const length = distance(at, [chain[other], chain[other + 1]]);
    const away = distance(at, to) || 1;
    out[other] = at[0] - ((to[0] - at[0]) / away) * length;
    out[other + 1] = at[1] - ((to[1] - at[1]) / away) * length;
  }
  return out;
}

const SMOOTH = Math.cos((4 * Math.PI) / 180);

/** Whether a line goes through a point without turning. */
export function isSmooth(chain: readonly number[], closed: boolean, index: number): boolean {
  const [before, after] = handlesOf(chain, closed, index);
  if (before < 0 || after < 0) return false;
  const [x, y] = pointOf(chain, index);
  const [ax, ay] = [x - chain[before], y - chain[before + 1]];
  const [bx, by] = [chain[after] - x, chain[after + 1] - y];
  const lengths = Math.hypot(ax, ay) * Math.hypot(bx, by);
  return lengths > 0 && (ax * bx + ay * by) / lengths >= SMOOTH;
}

/** Turns a point's two handles onto one straight way, as long as they are. */
export function withSmoothPoint(chain: readonly number[], closed: boolean, index: number): number[] {
  const [before, after] = handlesOf(chain, closed, index);
  if (before < 0 || after < 0) return [...chain];
  const [x, y] = pointOf(chain, index);
  const out = [...chain];
  const lengthBefore = handleLength(chain, index, before, -1, closed);
  const lengthAfter = handleLength(chain, index, after, 1, closed);
  const [ax, ay] = directionOr(
    [x - chain[before], y - chain[before + 1]],
    [x, y],
    neighbourOf(chain, index, -1, closed),
    -1,
  );
  const [bx, by] = directionOr(
    [chain[after] - x, chain[after + 1] - y],
    [x, y],
    neighbourOf(chain, index, 1, closed),
    1,
  );
  const [sx, sy] = [ax + bx, ay + by];
  const size = Math.hypot(sx, sy);
  const [ux, uy] = size > 1e-9 ? [sx / size, sy / size] : [-ay, ax];
  out[before] = x - ux * lengthBefore;
  out[before + 1] = y - uy * lengthBefore;
  out[after] = x + ux * lengthAfter;
  out[after + 1] = y + uy * lengthAfter;
  return out;
}

function neighbourOf(chain: readonly number[], index: number, way: 1 | -1, closed: boolean): Point {
  const count = curveCount(chain);
  const next = index + way;
  return pointOf(chain, closed ? (next + count) % count : Math.max(0, Math.min(count, next)));
}

/** A handle's length, a third of the way to the next point where it has none. */
function handleLength(
  chain: readonly number[],
  index: number,
  handle: number,
  way: 1 | -1,
  closed: boolean,
): number {
  const at = pointOf(chain, index);
  const length = distance(at, [chain[handle], chain[handle + 1]]);
  return length > 1e-9 ? length : distance(at, neighbourOf(chain, index, way, closed)) / 3;
}

function directionOr([dx, dy]: Point, at: Point, neighbour: Point, way: 1 | -1): Point {
  const size = Math.hypot(dx, dy);
  if (size > 1e-9) return [dx / size, dy / size];
  const [nx, ny] = [(neighbour[0] - at[0]) * way, (neighbour[1] - at[1]) * way];
  const length = Math.hypot(nx, ny) || 1;
  return [nx / length, ny / length];
}

/** Draws a point's handles in, so that the line may turn there. */
export function withCornerPoint(chain: readonly number[], closed: boolean, index: number): number[] {
  const out = [...chain];
  const at = pointOf(chain, index);
  const [before, after] = handlesOf(chain, closed, index);
  for (const [handle, way] of [
    [before, -1],
    [after, 1],
  ] as const) {
    if (handle < 0) continue;
    const to = neighbourOf(chain, index, way, closed);
    out[handle] = at[0] + (to[0] - at[0]) / 3;
    out[handle + 1] = at[1] + (to[1] - at[1]) / 3;
  }
  return out;
}

/** A chain with one more point at parameter u; its shape stays. */
export function withPointAdded(chain: readonly number[], u: number): number[] {
  const c = Math.min(curveCount(chain) - 1, Math.floor(u));
  const before = between(chain, 0, u);
  const after = between(chain, u, curveCount(chain));
  return u <= c || u >= c + 1 ? [...chain] : [...before, ...after.slice(2)];
}

/**
 * A chain without a point: its neighbours are joined by one cubic that leaves and arrives as the line did, its
 * handles as long as they must be to pass where the point was as nearly as one can (Schneider, 1990). Undefined when
 * nothing would be left.
 */
export function withPointRemoved(
  chain: readonly number[],
  closed: boolean,
  index: number,
): number[] | undefined {
  const count = curveCount(chain);
  if (count < 2 || (closed && count < 3)) return undefined;
  if (!closed && index === 0) return chain.slice(6);
  if (!closed && index === count) return chain.slice(0, -6);
  const at = closed && index === 0 ? rotated(chain, 1) : [...chain];
  const i = closed && index === 0 ? curveCount(at) - 1 : index;
  const o = 6 * (i - 1);
  const p0: Point = [at[o], at[o + 1]];
  const p3: Point = [at[o + 12], at[o + 13]];
  const leaving = directionOr([at[o + 2] - p0[0], at[o + 3] - p0[1]], p0, [at[o + 6], at[o + 7]], 1);
  const arriving = directionOr([at[o + 10] - p3[0], at[o + 11] - p3[1]], p3, [at[o + 6], at[o + 7]], 1);
  const piece = at.slice(o, o + 14);
  const us = Float64Array.from({ length: FIT_STEPS + 1 }, (_, k) => k / FIT_STEPS);
  const { xy } = placesOf(Array.from(us, (u) => pointAt(piece, 2 * u)));
  const joined = leastSquares({ xy, us }, 0, FIT_STEPS, leaving, arriving);
  return [...at.slice(0, o), ...joined, ...at.slice(o + 14)];
}

const FIT_STEPS = 12;

/** A closed chain that begins at another of its points. */
function rotated(chain: readonly number[], index: number): number[] {
  return [...chain.slice(6 * index), ...chain.slice(2, 6 * index + 2)];
}
