/** Shades drawn by hand that come with a style: they lie in every pocket that follows it. */
import type { Drawing } from "../drawing/drawing.ts";
import type { Pocket } from "../pockets/pockets.ts";
import { colourItem, paintOfShape } from "./colour-item.ts";
import type { PocketsDerived, Ranked } from "./flat-of.ts";
import type { Item } from "./items.ts";
import { litPockets, styleLight } from "./lit-pour.ts";
import { memo } from "./memo.ts";
import type { Palette } from "./palette.ts";

const kept = memo<Pocket, readonly Item[]>();

export const styleItems = (
  drawing: Drawing,
  part: string,
  derived: PocketsDerived,
  palette: Palette,
): Ranked[] =>
  litPockets(drawing, part, derived).flatMap(({ pocket, pour }): Ranked[] => {
    const light = styleLight(pour, pocket, drawing.styles);
    if (!light) return [];
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
