import { type Matrix, mapped, meanScale } from "../geometry/matrix.ts";
import type { Crease } from "./drawing.ts";

/** In a mirror image the left hand is the right one. */
export function movedSide(side: Crease["side"], [a, b, c, d]: Matrix): Crease["side"] {
  if (a * d - b * c >= 0) return side;
  return side === 1 ? -1 : 1;
}

export function movedCrease(
  { points, side, soft }: Pick<Crease, "points" | "side" | "soft">,
  matrix: Matrix,
): Pick<Crease, "points" | "side" | "soft"> {
  return {
    points: mapped(points, matrix),
    side: movedSide(side, matrix),
    ...(soft ? { soft: soft * meanScale(matrix) } : {}),
  };
}
