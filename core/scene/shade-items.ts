/** The shade sheet. Each kind of shade is a derivation of its own, from facts and pockets to an item. */
import { type Drawing, entitiesOf, type Shade } from "../drawing/drawing.ts";
import { partOf } from "../drawing/parts.ts";
import type { Matches } from "../pockets/anchors.ts";
import type { Pocket } from "../pockets/pockets.ts";
import { colourItem, laidAs, type Painted, paintOfShape } from "./colour-item.ts";
import type { Ranked } from "./flat-of.ts";
import { withInward } from "./inward-items.ts";
import type { Chain, Item } from "./items.ts";
import { keeper } from "./kept.ts";
import type { Palette } from "./palette.ts";

type ShadeOf<K extends Shade["kind"]> = Extract<Shade, { readonly kind: K }>;

/** For each kind the item of a shade in the pockets it lives in; there is at least one. */
const SHADES: {
  readonly [K in Shade["kind"]]: (shade: ShadeOf<K>, pockets: readonly Pocket[], painted: Painted) => Item;
} = { drawn: drawnShade };

export const shadeItems = (
  drawing: Drawing,
  part: string,
  { pockets, pocketsOf }: Matches & { readonly pockets: readonly Pocket[] },
  palette: Palette,
): Ranked[] =>
  entitiesOf(drawing.shades).flatMap((shade) => {
    if (partOf(shade.anchor) !== part) return [];
    const places = (pocketsOf.get(shade.id) ?? []).map((index) => pockets[index]);
    if (places.length === 0) return [];
    const item = SHADES[shade.kind](shade, places, paintOfShape(shade, drawing, palette));
    return [{ rank: shade.rank, ...withInward(shade, item, drawing, palette) }];
  });

const kept = keeper<Shade, Item>();

/** A freehand shape, trimmed to its pockets. */
function drawnShade(shade: ShadeOf<"drawn">, pockets: readonly Pocket[], painted: Painted): Item {
  const clip: readonly Chain[] =
    pockets.length > 1 ? pockets.flatMap(({ cover }) => cover) : pockets[0].cover;
  return kept(shade, [painted.paint, painted.strength, ...pockets], () => ({
    ...colourItem(shade, painted, clip),
    says: { is: "shade", at: pockets.map(({ seed }) => seed), ...laidAs(shade) },
  }));
}
