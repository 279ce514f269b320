/** Creases: what lies on one side of a line, in each pocket it runs through, in steps of that pocket's own colour. */
import { type Crease, type Drawing, entitiesOf } from "../drawing/drawing.ts";
import { diagonal } from "../geometry/point.ts";
import { sideOf } from "../light/side-of.ts";
import type { Pocket } from "../pockets/pockets.ts";
import { pocketsAlong } from "../pockets/pockets-along.ts";
import { deeperPaint } from "./deeper-paint.ts";
import type { PocketsDerived, Ranked } from "./flat-of.ts";
import type { Item } from "./items.ts";
import { keeper, sameList } from "./kept.ts";
import type { Palette } from "./palette.ts";

interface Laid {
  readonly side: readonly number[];
  readonly crossed: readonly number[];
}

const laid = keeper<Crease, Laid>();
const kept = new WeakMap<Crease, WeakMap<Pocket, { readonly of: readonly unknown[]; readonly item: Item }>>();

export const creaseItems = (
  drawing: Drawing,
  part: string,
  { pockets, pourOf }: PocketsDerived,
  palette: Palette,
): Ranked[] =>
  entitiesOf(drawing.creases).flatMap((crease) => {
    const { box } = drawing.page;
    const { side, crossed } = laid(crease, [box, pockets], () => ({
      side: sideOf(crease.points, crease.side, FAR * diagonal(box)),
      crossed: pocketsAlong(crease.points, pockets, diagonal(box)),
    }));
    return crossed.flatMap((index): Ranked[] => {
      const pour = drawing.pours[pourOf[index] ?? ""];
      if (pockets[index].part !== part || !pour?.paint || pour.spot) return [];
      return [
        {
          rank: crease.rank,
          item: itemOf(crease, pockets[index], [pour, side, palette], () => ({
            id: `${crease.id}-${pockets[index].key}`,
            says: { is: "over" },
            area: { kind: "region", chains: [side], evenOdd: false },
            paint: deeperPaint(pour, crease.deeper, palette),
            effects: { clip: pockets[index].cover, ...(crease.soft ? { blur: crease.soft } : {}) },
          })),
        },
      ];
    });
  });

/** Page diagonals that a crease goes on for. */
const FAR = 2;

function itemOf(crease: Crease, pocket: Pocket, of: readonly unknown[], make: () => Item): Item {
  const items = kept.get(crease) ?? new WeakMap();
  kept.set(crease, items);
  const before = items.get(pocket);
  if (before && sameList(before.of, of)) return before.item;
  const item = make();
  items.set(pocket, { of, item });
  return item;
}
