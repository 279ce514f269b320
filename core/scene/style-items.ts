/** Shades drawn by hand that come with a style: they lie in every pocket that follows it. */
import type { Drawing } from "../drawing/drawing.ts";
import type { Pocket } from "../pockets/pockets.ts";
import { colourItem, paintOfShape } from "./colour-item.ts";
import type { PocketsDerived, Ranked } from "./flat-of.ts";
import type { Item } from "./items.ts";
import { keeper } from "./kept.ts";
import { styleLight } from "./lit-pour.ts";
import type { Palette } from "./palette.ts";

const kept = keeper<Pocket, readonly Item[]>();

export const styleItems = (
  drawing: Drawing,
  part: string,
  { pockets, pourOf }: PocketsDerived,
  palette: Palette,
): Ranked[] =>
  pockets.flatMap((pocket, index): Ranked[] => {
    const pour = pocket.part === part ? drawing.pours[pourOf[index] ?? ""] : undefined;
    const light = pour && styleLight(pour, pocket, drawing.styles);
    if (!light || pour.spot) return [];
    const items = kept(pocket, [light, palette], () =>
      light.shapes.map((shape, k): Item => {
        const own = { ...shape, id: `${pour.id}-${pocket.key}-style-${k + 1}`, rank: k };
        return {
          ...colourItem(own, paintOfShape(own, drawing, palette), pocket.cover),
          says: { is: "over" },
        };
      }),
    );
    return items.map((item) => ({ rank: 0, item }));
  });
