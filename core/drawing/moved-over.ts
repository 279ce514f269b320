import { type Matrix, meanScale } from "../geometry/matrix.ts";
import type { Pour } from "./drawing.ts";
import { movedGradient } from "./moved-gradient.ts";
import { movedPattern } from "./patterns.ts";

/** What lies over a pour's colour, gone along through a matrix: lengths grow as the page does. */
export function movedOver(
  { gradient, pattern, bands, form }: Pour,
  matrix: Matrix,
): Pick<Pour, "gradient" | "pattern" | "bands" | "form"> {
  const scale = meanScale(matrix);
  const grown = (width: number) => width * scale;
  return {
    ...(gradient ? { gradient: movedGradient(gradient, matrix) } : {}),
    ...(pattern ? { pattern: movedPattern(pattern, matrix) } : {}),
    ...(bands
      ? { bands: { ...bands, bands: bands.bands.map((band) => ({ ...band, width: grown(band.width) })) } }
      : {}),
    ...(form ? { form: form.soft ? { ...form, soft: grown(form.soft) } : form } : {}),
  };
}
