import { type Matrix, mapped, meanScale } from "../geometry/matrix.ts";
import type { ColourShape } from "./drawing.ts";

/** What becomes of a shape of colour through a matrix: what is soft grows as it does. */
export const movedShape = (
  { outline, soft }: Pick<ColourShape, "outline" | "soft">,
  matrix: Matrix,
): Pick<ColourShape, "outline" | "soft"> => ({
  outline: outline.map((chain) => mapped(chain, matrix)),
  ...(soft ? { soft: soft * meanScale(matrix) } : {}),
});
