import { type Matrix, mappedPoint } from "../geometry/matrix.ts";
import type { Gradient } from "./drawing.ts";

/** A gradient that goes along with what it lies on. */
export const movedGradient = (gradient: Gradient, matrix: Matrix): Gradient => ({
  ...gradient,
  from: mappedPoint(gradient.from, matrix),
  to: mappedPoint(gradient.to, matrix),
});
