import type { Gradient, Paint, Pour } from "../drawing/drawing.ts";
import { gradientPaint } from "./gradient-paint.ts";
import type { ItemPaint } from "./items.ts";
import type { Palette } from "./palette.ts";

/** What a pocket is painted with, its gradient too, so many steps lighter, or darker below 0. */
export function steppedPaint({ paint, gradient }: Pour, by: number, palette: Palette): ItemPaint {
  const step = (own: Paint): Paint => ({ ...own, step: own.step + by });
  const tone = palette.toneOf(step(paint!));
  if (!gradient) return { kind: "tone", tone };
  const deeper: Gradient = {
    ...gradient,
    stops: gradient.stops.map((stop) => ({ ...stop, paint: step(stop.paint) })),
  };
  return gradientPaint(deeper, tone, palette);
}
