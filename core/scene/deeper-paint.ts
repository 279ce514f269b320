import type { Pour } from "../drawing/drawing.ts";
import { steppedGradient } from "../drawing/gradients.ts";
import { gradientPaint, isPainted } from "./gradient-paint.ts";
import type { ItemPaint } from "./items.ts";
import type { Palette } from "./palette.ts";

/** What a pocket is painted with, also its gradient along a line or round a centre, so many steps darker, or lighter below 0. */
export function deeperPaint({ paint, gradient }: Pour, steps: number, palette: Palette): ItemPaint {
  const tone = palette.toneOf({ colour: paint!.colour, step: paint!.step - steps });
  return gradient && isPainted(gradient)
    ? gradientPaint({ ...steppedGradient(gradient, -steps), kind: gradient.kind }, tone, palette)
    : { kind: "tone", tone };
}
