/** Creases: what lies on one side of a line, in each pocket it runs through, in steps of that pocket's own colour. */
import { type Crease, type Drawing, entitiesOf } from "../drawing/drawing.ts";
import { flatten } from "../geometry/cubic.ts";
import { type Box, boundsOf, boxesApart, boxHolds, diagonal, type Point } from "../geometry/point.ts";
import { regionContains } from "../geometry/polygon.ts";
import { sideOf } from "../light/side-of.ts";
import type { Pocket } from "../pockets/pockets.ts";
import type { PocketsDerived, Ranked } from "./flat-of.ts";
import type { Item } from "./items.ts";
import { keeper, sameList } from "./kept.ts";
import type { Palette } from "./palette.ts";
import { steppedPaint } from "./stepped-paint.ts";

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
      crossed: pocketsAlong(crease, pockets, box),
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
            paint: steppedPaint(pour, -crease.deeper, palette),
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

/** The numbers of the pockets that a crease runs through. */
function pocketsAlong({ points }: Crease, pockets: readonly Pocket[], page: Box): number[] {
  const flat = flatten(points, diagonal(page) / 5000);
  const box = boundsOf([flat]);
  if (!box) return [];
  const step = diagonal(page) / 800;
  const places: Point[] = [];
  for (let k = 2; k < flat.length; k += 2) {
    const [ax, ay, bx, by] = [flat[k - 2], flat[k - 1], flat[k], flat[k + 1]];
    const pieces = Math.max(1, Math.ceil(Math.sqrt((bx - ax) ** 2 + (by - ay) ** 2) / step));
    for (let i = 0; i <= pieces; i++)
      places.push([ax + ((bx - ax) * i) / pieces, ay + ((by - ay) * i) / pieces]);
  }
  return pockets.flatMap((pocket, index) =>
    !boxesApart(pocket.box, box) &&
    places.some((at) => boxHolds(pocket.box, at) && regionContains(pocket.rings, at))
      ? [index]
      : [],
  );
}
