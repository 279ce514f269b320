/** The item of a colour shape, wherever it lies and whatever it is trimmed to. */
import type { ColourShape } from "../drawing/drawing.ts";
import type { Chain, Effects, Item } from "./items.ts";
import type { Tone } from "./palette.ts";

/** What of a shape its item does not show by itself. */
export const laidAs = ({ opacity, soft }: ColourShape): Pick<ColourShape, "opacity" | "soft"> => ({
  opacity,
  ...(soft ? { soft } : {}),
});

export function colourItem(
  { id, outline, evenOdd, opacity, blend, soft }: ColourShape,
  tone: Tone,
  clip: readonly Chain[] | undefined,
): Omit<Item, "says"> {
  const seen = opacity * (tone.opacity ?? 1);
  const effects: Effects = {
    ...(clip ? { clip } : {}),
    ...(blend && blend !== "normal" ? { blend } : {}),
    ...(soft ? { blur: soft } : {}),
    ...(seen < 1 ? { opacity: seen } : {}),
  };
  return { id, area: { kind: "region", chains: outline, evenOdd }, paint: { kind: "tone", tone }, effects };
}
