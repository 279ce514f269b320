/**
 * Ends of ink that face one another: each points at the other, none has a better partner, and a smooth line leads
 * from one to the other. Good continuation is what makes people see one line with a gap rather than two lines
 * (Wertheimer, 1923); the curve is the cubic that carries on both directions, after the "hobby" spline's handles.
 */
import Flatbush from "flatbush";
import { derivativeAt, flatten, reversed } from "../geometry/cubic.ts";
import { distance, type Point } from "../geometry/point.ts";
import type { Line } from "./segments.ts";

/** An end of ink and the direction in which its line would go on. */
export interface EndPoint {
  readonly at: Point;
  /** Unit length. */
  readonly onward: Point;
  /** It meets another line already; a loose end may still belong to it. */
  readonly met: boolean;
  /** The line meets nothing anywhere. */
  readonly floating: boolean;
  readonly line: number;
  /** How far the line runs back before it meets another, page units. */
  readonly tail: number;
}

/** Two ends that face one another, by their numbers. `sure` is false where both lines touch nothing: then room decides. */
export interface FacingPair {
  readonly a: number;
  readonly b: number;
  readonly sure: boolean;
}

/** Both ends must point at the other within this angle; a closer one where one of them meets a line already. */
const STRAY = Math.cos((55 * Math.PI) / 180);
const STRAY_MET = Math.cos((35 * Math.PI) / 180);

/** The direction in which a line would go on past one of its ends. */
export function onwardFrom({ points }: Pick<Line, "points">, start: boolean): Point {
  const count = (points.length - 2) / 6;
  for (const back of [0, 0.05, 0.25, 1]) {
    const [x, y] = derivativeAt(points, start ? back : count - back);
    const length = Math.hypot(x, y) * (start ? -1 : 1);
    if (Math.abs(length) > 1e-12) return [x / length, y / length];
  }
  return [0, 0];
}

/**
 * How a line turns towards one of its ends, seen over the last `length` page units of it: radians a page unit, positive
 * to the right on the page.
 */
export function curvatureAt({ points }: Pick<Line, "points">, start: boolean, length: number): number {
  const flat = flatten(start ? reversed(points) : points, length / 50);
  const n = flat.length;
  const tip: Point = [flat[n - 2], flat[n - 1]];
  let k = n - 4;
  while (k > 0 && distance([flat[k], flat[k + 1]], tip) < length) k -= 2;
  const back: Point = [flat[k], flat[k + 1]];
  const onward = onwardFrom({ points }, start);
  const x = tip[0] - back[0];
  const y = tip[1] - back[1];
  const turn = Math.atan2(x * onward[1] - y * onward[0], x * onward[0] + y * onward[1]);
  return (2 * turn) / Math.max(distance(tip, back), 1e-9);
}

/** Pairs of ends no farther apart than `reach`, each end in one pair at most. */
export function facingPairs(ends: readonly EndPoint[], reach: number): FacingPair[] {
  if (ends.length === 0) return [];
  const best = ends.map(() => ({ partner: -1, cost: Infinity }));
  const index = indexOf(ends);
  const note = (a: number, partner: number, cost: number) => {
    const isBetter = cost < best[a].cost || (cost === best[a].cost && partner < best[a].partner);
    if (isBetter) best[a] = { partner, cost };
  };
  for (let a = 0; a < ends.length; a++) {
    const [x, y] = ends[a].at;
    const mayFace = (b: number) => b > a && !(ends[a].met && ends[b].met);
    for (const b of index.search(x - reach, y - reach, x + reach, y + reach, mayFace)) {
      const cost = costOf(ends[a], ends[b], reach);
      note(a, b, cost);
      note(b, a, cost);
    }
  }
  return best.flatMap(({ partner }, a) => {
    if (partner <= a || best[partner].partner !== a) return [];
    const apart = ends[a].line !== ends[partner].line;
    return [{ a, b: partner, sure: !(apart && ends[a].floating && ends[partner].floating) }];
  });
}

function indexOf(ends: readonly EndPoint[]): Flatbush {
  const index = new Flatbush(ends.length);
  for (const { at } of ends) index.add(at[0], at[1], at[0], at[1]);
  index.finish();
  return index;
}

/** Distance, lengthened by how far the ends point past one another; Infinity where they do not face. One of them at most is met. */
function costOf(a: EndPoint, b: EndPoint, reach: number): number {
  const apart = distance(a.at, b.at);
  if (apart > reach || apart === 0) return Infinity;
  const stray = a.met || b.met ? STRAY_MET : STRAY;
  const turnA = turn(a, b, apart);
  if (turnA < stray) return Infinity;
  const turnB = turn(b, a, apart);
  return turnB < stray ? Infinity : apart * (3 - turnA - turnB);
}

/** Cosine of the angle between an end's direction and the way to another. */
const turn = ({ at, onward }: EndPoint, to: EndPoint, apart: number): number =>
  onward[0] * ((to.at[0] - at[0]) / apart) + onward[1] * ((to.at[1] - at[1]) / apart);

/** The smooth line from end to end, as a chain of one cubic. */
export function smoothBridge(a: EndPoint, b: EndPoint): number[] {
  const apart = distance(a.at, b.at);
  const handle = (2 / 3) * (apart / (1 + (turn(a, b, apart) + turn(b, a, apart)) / 2));
  return [
    ...a.at,
    a.at[0] + a.onward[0] * handle,
    a.at[1] + a.onward[1] * handle,
    b.at[0] + b.onward[0] * handle,
    b.at[1] + b.onward[1] * handle,
    ...b.at,
  ];
}
