/** The item of a colour shape, wherever it lies and whatever it is trimmed to. */
import type { ColourShape, Drawing, Gradient } from "../drawing/drawing.ts";
import { gradientPaint, isPainted } from "./gradient-paint.ts";
import type { Chain, Effects, Item, ItemPaint, Laid } from "./items.ts";
import { memo } from "./memo.ts";
import type { Palette, Tone } from "./palette.ts";

/** What a shape has that its item does not show. */
export const laidAs = ({ rank, opacity, soft, gradient, paint }: ColourShape): Laid => ({
  rank,
  opacity,
  ...(soft ? { soft } : {}),
  ...(gradient ? { gradient, paint } : {}),
});

/** What a shape is painted with, and how much of it shows. */
export interface Painted {
  readonly paint: ItemPaint;
  readonly strength: number;
}

/** Its gradient, as strong as all are, or where it begins; else the tone of its paint. */
export function paintOfShape(
  shape: ColourShape,
  { gradientStrength }: Pick<Drawing, "gradientStrength">,
  palette: Palette,
): Painted {
  const { gradient } = shape;
  const tone = palette.toneOf(shape.paint);
  if (gradient && !isPainted(gradient)) {
    const [first] = [...gradient.stops].sort((a, b) => a.at - b.at);
    return { paint: tonePaint(palette.toneOf(first.paint)), strength: gradientStrength * first.opacity };
  }
  if (gradient)
    return {
      paint: keptGradient(gradient, [palette, tone], () => gradientPaint(gradient, tone, palette)),
      strength: gradientStrength,
    };
  return { paint: tonePaint(tone), strength: tone.opacity ?? 1 };
}

const keptGradient = memo<Gradient, ItemPaint>();
const keptTone = memo<Tone, ItemPaint>();

/** One for each tone, so that a thousand uses of it are sent as one. */
export const tonePaint = (tone: Tone): ItemPaint => keptTone(tone, [], () => ({ kind: "tone", tone }));

export function colourItem(
  { id, outline, evenOdd, opacity, blend, soft }: ColourShape,
  { paint, strength }: Painted,
  clip: readonly Chain[] | undefined,
): Omit<Item, "says"> {
  const seen = opacity * strength;
  const effects: Effects = {
    ...(clip ? { clip } : {}),
    ...(blend && blend !== "normal" ? { blend } : {}),
    ...(soft ? { blur: soft } : {}),
    ...(seen < 1 ? { opacity: seen } : {}),
  };
  return { id, area: { kind: "region", chains: outline, evenOdd }, paint, effects };
}
