/** Creases: what lies on one side of a line, in each pocket it runs through, in steps of that pocket's own colour. */
import type { Crease, Drawing, Pour } from "../drawing/drawing.ts";
import { entitiesOf } from "../drawing/entities.ts";
import { boundsOf, diagonal, distance, mix, type Point } from "../geometry/point.ts";
import { regionContains } from "../geometry/polygon.ts";
import { sideOf } from "../light/side-of.ts";
import type { Pocket } from "../pockets/pockets.ts";
import { pocketsAlong } from "../pockets/pockets-along.ts";
import { deeperPaint } from "./deeper-paint.ts";
import type { PocketsDerived, Ranked } from "./flat-of.ts";
import { around, BLUR_REACH } from "./item-box.ts";
import type { Item, ItemPaint } from "./items.ts";
import { memo, sameList } from "./memo.ts";
import type { Palette } from "./palette.ts";

const crossedBy = memo<Crease, readonly number[]>();
const kept = new WeakMap<Crease, WeakMap<Pocket, { readonly of: readonly unknown[]; readonly item: Item }>>();

export const creaseItems = (
  drawing: Drawing,
  part: string,
  { pockets, pourOf }: PocketsDerived,
  palette: Palette,
): Ranked[] =>
  entitiesOf(drawing.creases).flatMap((crease) => {
    const { box } = drawing.page;
    const crossed = crossedBy(crease, [box, pockets], () =>
      pocketsAlong(crease.points, pockets, diagonal(box)),
    );
    return crossed.flatMap((index): Ranked[] => {
      const pour = drawing.pours[pourOf[index] ?? ""];
      const pocket = pockets[index];
      if (pocket.part !== part || !pour?.paint || pour.spot) return [];
      const item = itemOf(crease, pocket, [pour, palette], () => ({
        id: `${crease.id}-${pocket.key}`,
        says: { is: "over" },
        area: { kind: "region", chains: [sideIn(crease, pocket)], evenOdd: false },
        paint: creasePaint(crease, pocket, pour, palette),
        effects: { clip: pocket.cover, ...(crease.soft ? { blur: crease.soft } : {}) },
      }));
      return [{ rank: crease.rank, item }];
    });
  });

/** Beyond the pocket's box, by this part of how large box and crease are together. */
const BEYOND = 1.02;

/** Its side as far as the pocket goes, and a blur beyond it; what reached farther would make renderers' layers large. */
function sideIn({ points, side, soft = 0 }: Crease, { box }: Pocket): number[] {
  const together = around(box, boundsOf([points]))!;
  return sideOf(points, side, BEYOND * diagonal(together) + BLUR_REACH * soft);
}

/** How far it runs out, as a share of how far its ends are apart. */
const RUN_OUT = 0.35;

/** Deeper than its pocket; fainter beyond each end that lies in it, where the crease runs out there. */
function creasePaint(
  { points, deeper, runsOut }: Crease,
  { rings }: Pocket,
  pour: Pour,
  palette: Palette,
): ItemPaint {
  const start: Point = [points[0], points[1]];
  const end: Point = [points[points.length - 2], points[points.length - 1]];
  const [before, after] = [start, end].map((at) => runsOut && regionContains(rings, at));
  const long = distance(start, end);
  if ((!before && !after) || long === 0) return deeperPaint(pour, deeper, palette);
  const tone = palette.toneOf({ colour: pour.paint!.colour, step: pour.paint!.step - deeper });
  const from = mix(start, end, -RUN_OUT);
  const to = mix(start, end, 1 + RUN_OUT);
  const edge = RUN_OUT / (1 + 2 * RUN_OUT);
  const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
  return {
    kind: "gradient",
    shape: "linear",
    base: tone,
    space: [dx, dy, -dy, dx, from[0], from[1]],
    focus: 0,
    stops: [
      { at: 0, tone, opacity: before ? 0 : 1 },
      { at: edge, tone, opacity: 1 },
      { at: 1 - edge, tone, opacity: 1 },
      { at: 1, tone, opacity: after ? 0 : 1 },
    ],
  };
}

function itemOf(crease: Crease, pocket: Pocket, of: readonly unknown[], make: () => Item): Item {
  const items = kept.get(crease) ?? new WeakMap();
  kept.set(crease, items);
  const before = items.get(pocket);
  if (before && sameList(before.of, of)) return before.item;
  const item = make();
  items.set(pocket, { of, item });
  return item;
}
