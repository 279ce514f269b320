/** The items of a gradient along an outline inward. */
import type { ColourShape, Drawing, Gradient } from "../drawing/drawing.ts";
import type { Region } from "../lines/booleans.ts";
import { tonePaint } from "./colour-item.ts";
import type { Ranked, RingSource, Rings } from "./flat-of.ts";
import { isPainted } from "./gradient-paint.ts";
import { inwardRings, inwardSteps } from "./inward-steps.ts";
import type { Effects, Item } from "./items.ts";
import { memo } from "./memo.ts";
import type { Palette } from "./palette.ts";

interface Owner {
  readonly id: string;
  /** 0 to 1. */
  readonly strength: number;
  /** What else becomes of all of them. */
  readonly effects?: Effects;
}

/** `within` as inwardRings gives them. */
export const inwardItems = (
  region: Region,
  within: Rings,
  gradient: Gradient,
  palette: Palette,
  { id, strength, effects = {} }: Owner,
): Item[] =>
  inwardSteps(region, within, gradient, palette, effects.blend !== undefined).map(
    ({ chains, evenOdd, tone, opacity }, k): Item => {
      const seen = strength * opacity * (tone.opacity ?? 1);
      return {
        id: `${id}-${k + 1}`,
        says: { is: "over" },
        area: { kind: "region", chains, evenOdd },
        paint: tonePaint(tone),
        effects: seen < 1 ? { ...effects, opacity: seen } : effects,
      };
    },
  );

const kept = memo<Item, Omit<Ranked, "rank">>();

interface Around {
  readonly drawing: Pick<Drawing, "gradientStrength">;
  readonly palette: Palette;
  readonly rings?: RingSource;
}

/** A shape with the steps of its gradient, if that runs along its outline: they are seen in its place, trimmed and mixed as it is. */
export function withInward(
  { id, gradient, outline, evenOdd, opacity }: ColourShape,
  item: Item,
  { drawing: { gradientStrength }, palette, rings }: Around,
): Omit<Ranked, "rank"> {
  if (!gradient || isPainted(gradient)) return { item };
  const region = { outline, evenOdd };
  const within = inwardRings(region, gradient, palette, { rings });
  return kept(item, [palette, gradientStrength, within], () => {
    const { opacity: _, ...effects } = item.effects;
    const own = { id: `${id}-gradient`, strength: gradientStrength * opacity, effects };
    const over = inwardItems(region, within, gradient, palette, own);
    return { item: { ...item, effects: { ...effects, opacity: 0 } }, over };
  });
}
