/** Lines that stop short of another: which gate lies ahead of an end, and the way the line would go on through it. */
import type { Point } from "../geometry/point.ts";
import type { Vertices } from "./free-vertices.ts";
import type { Gates } from "./gate-widths.ts";
import { nextInTriangle } from "./triangle-mesh.ts";
import type { Triangulation } from "./triangulation.ts";
import type { Walls } from "./walls.ts";

/** Straight means within this angle. */
const AHEAD = Math.cos((40 * Math.PI) / 180);

/** The gate at an end that leads best straight on to another line, by nearness and direction; -1 if there is none. */
export function gateAhead(
  mesh: Triangulation,
  leaving: readonly number[],
  { loose }: Vertices,
  gates: Gates,
  onward: Point,
): number {
  let best = -1;
  let least = Infinity;
  for (const e of leaving) {
    if (mesh.fixed[e] || mesh.twins[e] < 0) continue;
    if (loose[mesh.triangles[nextInTriangle(e)]]) continue;
    const [from, to] = gates.across(e);
    const [x, y] = [to[0] - from[0], to[1] - from[1]];
    const straight = (x * onward[0] + y * onward[1]) / Math.hypot(x, y);
    const cost = gates.width[e] * (2 - straight);
    if (!(straight >= AHEAD && cost < least)) continue;
    least = cost;
    best = e;
  }
  return best;
}

const ARC_STEPS = 8;

/** Going straight on may be this many times as far as the shortest way. */
export const MOST_ASTRAY = 1.8;

/**
 * The way a line would go on from its end to the next line, at the curvature it came with, as a chain of one cubic;
 * undefined where it meets none within `most` page units.
 */
export function arcToWall(
  { xy }: Vertices,
  walls: Walls,
  v: number,
  [dx, dy]: Point,
  curvature: number,
  most: number,
): number[] | undefined {
  const start = Math.atan2(dy, dx);
  const from: Point = [xy[2 * v], xy[2 * v + 1]];
  const along = (length: number): Point => {
    const chord = start + (curvature * length) / 2;
    const part = curvature * length;
    const reach = Math.abs(part) < 1e-6 ? length : (2 * Math.sin(part / 2)) / curvature;
    return [from[0] + reach * Math.cos(chord), from[1] + reach * Math.sin(chord)];
  };
  let last = from;
  for (let k = 1; k <= ARC_STEPS; k++) {
    const length = (most * k) / ARC_STEPS;
    const next = along(length);
    const hit = walls.first(last, next, v);
    if (hit < Infinity) return arcChain(from, start, curvature, (most * (k - 1 + hit)) / ARC_STEPS, along);
    last = next;
  }
  return undefined;
}

function arcChain(
  from: Point,
  start: number,
  curvature: number,
  length: number,
  along: (length: number) => Point,
): number[] {
  const to = along(length);
  const end = start + curvature * length;
  const handle = length / 3;
  return [
    ...from,
    from[0] + handle * Math.cos(start),
    from[1] + handle * Math.sin(start),
    to[0] - handle * Math.cos(end),
    to[1] - handle * Math.sin(end),
    ...to,
  ];
}
