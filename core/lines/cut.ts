/** Cutting lines: the pieces of a chain of cubics for which something holds. */
import { between, curveCount, pointAt } from "../geometry/cubic.ts";
import { distance, type Point } from "../geometry/point.ts";

const PROBES = 8;
const MOST_PROBES = 256;
const HALVINGS = 40;

/**
 * Pieces of a chain where `holds` is true of its parameters, as chains; all of it, as it is, when that is everywhere.
 * It is asked at steps no longer than `step` page units, and each change between two steps is found by halving. The
 * last piece of a closed chain goes on into the first.
 */
export function piecesWhere(
  points: readonly number[],
  closed: boolean,
  holds: (u: number) => boolean,
  step: number,
): (readonly number[])[] {
  const spans = spansWhere(points, holds, step);
  const end = curveCount(points);
  if (spans.length === 1 && spans[0][0] === 0 && spans[0][1] === end) return [points];
  const chains = spans.map(([from, to]) => between(points, from, to)).filter(({ length }) => length >= 8);
  const goesRound = closed && spans.length > 1 && spans[0][0] === 0 && spans[spans.length - 1][1] === end;
  if (!goesRound) return chains;
  const [first, ...rest] = chains;
  const last = rest.pop()!;
  return [...rest, [...last, ...first.slice(2)]];
}

function spansWhere(
  points: readonly number[],
  holds: (u: number) => boolean,
  step: number,
): [from: number, to: number][] {
  const spans: [number, number][] = [];
  let inside = holds(0);
  let from = 0;
  let last = 0;
  for (let c = 0; c < curveCount(points); c++) {
    const steps = probesFor(points, c, step);
    for (let k = 1; k <= steps; k++) {
      const u = c + k / steps;
      const now = holds(u);
      if (now !== inside) {
        const change = changeBetween(holds, last, u, inside);
        if (inside) spans.push([from, change]);
        else from = change;
        inside = now;
      }
      last = u;
    }
  }
  if (inside) spans.push([from, curveCount(points)]);
  return spans.filter(([a, b]) => b - a > 1e-9);
}

function probesFor(points: readonly number[], c: number, step: number): number {
  let length = 0;
  let before = pointAt(points, c);
  for (let k = 1; k <= 4; k++) {
    const at: Point = pointAt(points, c + k / 4);
    length += distance(before, at);
    before = at;
  }
  return Math.max(PROBES, Math.min(MOST_PROBES, Math.ceil(length / step)));
}

function changeBetween(holds: (u: number) => boolean, from: number, to: number, before: boolean): number {
  let [low, high] = [from, to];
  for (let k = 0; k < HALVINGS && high - low > 1e-12; k++) {
    const middle = (low + high) / 2;
    if (holds(middle) === before) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
