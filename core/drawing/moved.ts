/** Entities that go along when the paper is moved, turned, scaled or mirrored. */
import { type Matrix, mapped, mappedPoint, meanScale } from "../geometry/matrix.ts";
import type { RecordClass } from "./checked.ts";
import { type Changes, changedBy } from "./meaning.ts";

/** An entity where a matrix takes it: lengths grow as the paper does. */
export const moved = <T extends object>(record: RecordClass, entity: T, matrix: Matrix): T =>
  changedBy(record, entity, movesBy(matrix));

export function movesBy(matrix: Matrix): Changes {
  const scale = meanScale(matrix);
  const [a, b, c, d] = matrix;
  const isMirrored = a * d - b * c < 0;
  const turned = (Math.atan2(b, a) * 180) / Math.PI;
  return {
    chain: (points) => mapped(points, matrix),
    chains: (chains) => chains.map((points) => mapped(points, matrix)),
    place: (at) => mappedPoint(at, matrix),
    length: (length) => length * scale,
    lengths: (lengths) => lengths.map((length) => length * scale),
    area: (area) => area * scale ** 2,
    // A mirror image turns the other way, and its left hand is the right one.
    turn: (turn) => (((isMirrored ? turned - turn : turned + turn) + 540) % 360) - 180,
    side: (side) => (isMirrored ? (-side as 1 | -1) : side),
  };
}
