import { type Matrix, mapped, meanScale } from "../geometry/matrix.ts";
import type { ColourShape, FlatShape } from "./drawing.ts";
import { movedGradient } from "./moved-gradient.ts";
import { movedPattern } from "./moved-pattern.ts";

type Moved = Pick<ColourShape, "outline" | "soft" | "gradient"> & Pick<FlatShape, "pattern">;

/** What becomes of a shape of colour through a matrix: what is soft grows as it does. */
export const movedShape = ({ outline, soft, gradient, pattern }: Moved, matrix: Matrix): Moved => ({
  outline: outline.map((chain) => mapped(chain, matrix)),
  ...(soft ? { soft: soft * meanScale(matrix) } : {}),
  ...(gradient ? { gradient: movedGradient(gradient, matrix) } : {}),
  ...(pattern ? { pattern: movedPattern(pattern, matrix) } : {}),
});
