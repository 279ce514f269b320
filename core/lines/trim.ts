/** Cutting loose tails off lines (see pockets/tails.ts): each then ends exactly on the line it crossed. */
import { between, curveCount } from "../geometry/cubic.ts";
import type { Point } from "../geometry/point.ts";

/** What is cut off a line: everything before or after a parameter. */
export interface Cut {
  readonly line: string;
  readonly start: boolean;
  readonly u: number;
  /** Where the line will end. */
  readonly at: Point;
}

/** A chain with one or both of its ends cut off. */
function trimmed(points: readonly number[], cuts: readonly Cut[]): number[] {
  const head = cuts.find(({ start }) => start);
  const tail = cuts.find(({ start }) => !start);
  const out = between(points, head?.u ?? 0, tail?.u ?? curveCount(points));
  if (head) setPoint(out, 0, head.at);
  if (tail) setPoint(out, out.length - 2, tail.at);
  return out;
}

function setPoint(chain: number[], place: number, [x, y]: Point): void {
  chain[place] = x;
  chain[place + 1] = y;
}

/** The points of the lines that some cuts shorten, by id; what would leave nothing of a line is not cut. */
export function trimmedLines(
  lines: ReadonlyMap<string, readonly number[]>,
  cuts: readonly Cut[],
): Map<string, readonly number[]> {
  const shapes = new Map<string, readonly number[]>();
  for (const id of new Set(cuts.map(({ line }) => line))) {
    const points = lines.get(id);
    if (!points) continue;
    const shape = trimmed(
      points,
      cuts.filter(({ line }) => line === id),
    );
    if (shape.length >= 8) shapes.set(id, shape);
  }
  return shapes;
}

/** Lines without some of their tails. */
export function withoutTails<T extends { readonly id: string; readonly points: ArrayLike<number> }>(
  lines: readonly T[],
  cuts: readonly Cut[],
): T[] {
  const shapes = trimmedLines(new Map(lines.map(({ id, points }) => [id, Array.from(points)])), cuts);
  return lines.map((line) => (shapes.has(line.id) ? { ...line, points: shapes.get(line.id)! } : line));
}
