import type { Pour } from "../drawing/drawing.ts";
import { steppedGradient } from "../drawing/gradients.ts";
import { gradientPaint } from "./gradient-paint.ts";
import type { ItemPaint } from "./items.ts";
import type { Palette } from "./palette.ts";

/** What a pocket is painted with, its gradient too, so many steps darker, or lighter below 0. */
export function deeperPaint({ paint, gradient }: Pour, steps: number, palette: Palette): ItemPaint {
  const tone = palette.toneOf({ colour: paint!.colour, step: paint!.step - steps });
  return gradient ? gradientPaint(steppedGradient(gradient, -steps), tone, palette) : { kind: "tone", tone };
}
