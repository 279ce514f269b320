import type { Drawing } from "../drawing/drawing.ts";
import { paletteOf } from "../scene/palette.ts";
import type { Scene } from "../scene/scene.ts";

/** What tones are called on a press: their colour's name, and how far up or down its ladder they are. */
export function inkNames(drawing: Drawing, { tones }: Scene): Record<string, string> {
  const { madeOf } = paletteOf(drawing);
  return Object.fromEntries(
    tones.flatMap((tone): [string, string][] => {
      const made = madeOf(tone);
      if (!made || "share" in made) return [];
      const name = drawing.tin[made.colour]?.name ?? tone.variable;
      const steps = Math.abs(made.step);
      return [
        [tone.variable, steps === 0 ? name : `${name}, ${steps} ${made.step < 0 ? "darker" : "lighter"}`],
      ];
    }),
  );
}
