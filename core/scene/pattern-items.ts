/** The figures of a pattern over a colour, trimmed to what has it. */
import type { Drawing, Pattern } from "../drawing/drawing.ts";
import type { Box } from "../geometry/point.ts";
import type { Chain, Effects, Item } from "./items.ts";
import type { Palette } from "./palette.ts";
import { figuresIn } from "./pattern-figures.ts";

/** What a pattern lies over. */
interface Beneath {
  readonly id: string;
  readonly box: Box;
  /** By the nonzero rule. */
  readonly region: readonly Chain[];
  /** What becomes of all that lies there. */
  readonly effects?: Pick<Effects, "blend" | "opacity">;
}

export const patternItems = (
  pattern: Pattern,
  { id, box, region, effects = {} }: Beneath,
  { palette, tiles }: Pick<Drawing, "tiles"> & { readonly palette: Palette },
): Item[] =>
  figuresIn(pattern, box, tiles[pattern.tile ?? ""]).map((chains, darker): Item => {
    const { colour, step } = pattern.paint;
    const tone = palette.toneOf({ colour, step: step - darker });
    const seen = (effects.opacity ?? 1) * (tone.opacity ?? 1);
    const { opacity: _, ...mixed } = effects;
    return {
      id: darker === 0 ? `${id}-pattern` : `${id}-pattern-${darker + 1}`,
      says: { is: "over" },
      area: { kind: "region", chains, evenOdd: false },
      paint: { kind: "tone", tone },
      effects: { clip: region, ...mixed, ...(seen < 1 ? { opacity: seen } : {}) },
    };
  });
