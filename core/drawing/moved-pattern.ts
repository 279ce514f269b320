import { type Matrix, mappedPoint, meanScale } from "../geometry/matrix.ts";
import type { Pattern } from "./drawing.ts";

/** A pattern that goes along with what it lies over. */
export function movedPattern(pattern: Pattern, matrix: Matrix): Pattern {
  const [a, b, c, d] = matrix;
  const turned = (Math.atan2(b, a) * 180) / Math.PI;
  // A mirror image turns the other way.
  const turn = a * d - b * c < 0 ? turned - pattern.turn : turned + pattern.turn;
  return {
    ...pattern,
    at: mappedPoint(pattern.at, matrix),
    size: pattern.size * meanScale(matrix),
    turn: ((turn + 540) % 360) - 180,
  };
}
