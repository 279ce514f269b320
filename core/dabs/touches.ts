/** Where a dab counts: the triangles of free space that it lies in, and how much of it lies in each. */
import { flatten, polyline } from "../geometry/cubic.ts";
import type { Point } from "../geometry/point.ts";
import type { UnionFind } from "../geometry/union-find.ts";
import { type FreeSpace, triangleAt } from "../pockets/free-space.ts";

/** What of a dab matters to where it counts: a chain of cubics in page units, its width, and whether all of it counts. */
export interface DabStroke {
  readonly points: readonly number[];
  readonly width: number;
  readonly firm?: true;
}

/** The chain of a touch through points; a tap is one without length. */
export const touchChain = (points: readonly Point[]): number[] =>
  polyline(points.length > 1 ? points : [points[0], points[0]]);

/** Page units of a dab's length by triangle. */
export type Touch = ReadonlyMap<number, number>;

/** A chamber counts when it has at least this part of what the chamber with most of the dab has. */
const ENOUGH = 0.5;

/**
 * A dab that was scribbled over a line counts on the side where most of it lies, on several where it lies about equally; a
 * firm one counts wherever it lies. Ink counts nowhere.
 */
export function touchOf(space: FreeSpace, chambers: UnionFind, dab: DabStroke): Touch {
  const touch = new Map<number, number>();
  const shares = new Map<number, number>();
  let triangle = 0;
  for (const { x, y, weight } of samplesOf(dab)) {
    const found = triangleAt(space, [x, y], triangle);
    if (found < 0) continue;
    triangle = found;
    if (space.solid[found]) continue;
    touch.set(found, (touch.get(found) ?? 0) + weight);
    const chamber = chambers.find(found);
    shares.set(chamber, (shares.get(chamber) ?? 0) + weight);
  }
  if (dab.firm) return touch;
  const enough = ENOUGH * Math.max(0, ...shares.values());
  for (const t of [...touch.keys()]) if (shares.get(chambers.find(t))! < enough) touch.delete(t);
  return touch;
}

/** A dab is looked at this many times along its length at most, and twice in each of its widths. */
const MOST_SAMPLES = 400;
/** Of its width: how far the samples may lie off the drawn curve. */
const TOLERANCE = 1 / 8;

/** Evenly spaced places along a dab; their weights come to its length and its width, so that a tap has some too. */
function* samplesOf({ points, width }: DabStroke): Generator<{ x: number; y: number; weight: number }> {
  const flat = flatten(points, width * TOLERANCE);
  let length = 0;
  for (let k = 2; k < flat.length; k += 2)
    length += Math.hypot(flat[k] - flat[k - 2], flat[k + 1] - flat[k - 1]);
  const count = Math.min(MOST_SAMPLES, 1 + Math.ceil((2 * length) / width));
  const weight = (length + width) / count;
  const spacing = count > 1 ? length / (count - 1) : 0;
  let next = 0;
  let before = 0;
  let sent = 0;
  for (let k = 2; k < flat.length && sent < count; k += 2) {
    const [dx, dy] = [flat[k] - flat[k - 2], flat[k + 1] - flat[k - 1]];
    const piece = Math.hypot(dx, dy);
    for (; sent < count && next <= before + piece; next += spacing) {
      const t = piece > 0 ? (next - before) / piece : 0;
      yield { x: flat[k - 2] + t * dx, y: flat[k - 1] + t * dy, weight };
      sent++;
    }
    before += piece;
  }
}
