/** The shade sheet. Each kind of shade is a derivation of its own, from facts and pockets to an item. */
import type { Drawing, Pour, Shade } from "../drawing/drawing.ts";
import { entitiesOf } from "../drawing/entities.ts";
import { partOf } from "../drawing/parts.ts";
import type { Pocket } from "../pockets/pockets.ts";
import { colourItem, laidAs, type Painted, paintOfShape } from "./colour-item.ts";
import { deeperPaint } from "./deeper-paint.ts";
import type { PocketsDerived, Ranked } from "./flat-of.ts";
import { withInward } from "./inward-items.ts";
import type { Chain, Item } from "./items.ts";
import { memo } from "./memo.ts";
import type { Palette } from "./palette.ts";

type ShadeOf<K extends Shade["kind"]> = Extract<Shade, { readonly kind: K }>;

/** For each kind the item of a shade in the pockets it lives in; there is at least one. */
const SHADES: {
  readonly [K in Shade["kind"]]: (shade: ShadeOf<K>, pockets: readonly Pocket[], painted: Painted) => Item;
} = { drawn: drawnShade };

export const shadeItems = (
  drawing: Drawing,
  part: string,
  { pockets, pocketsOf, pourOf, light }: PocketsDerived,
  palette: Palette,
): Ranked[] =>
  entitiesOf(drawing.shades).flatMap((shade): Ranked[] => {
    if (partOf(shade.anchor) !== part) return [];
    const indices = pocketsOf.get(shade.id) ?? NONE;
    const place = (shade: Shade, places: readonly number[], painted: Painted) => {
      const item = SHADES[shade.kind](
        shade,
        places.map((index) => pockets[index]),
        painted,
      );
      return { rank: shade.rank, ...withInward(shade, item, { drawing, palette, rings: light }) };
    };
    if (indices.length === 0) return [];
    if (shade.deeper === undefined || shade.gradient)
      return [place(shade, indices, paintOfShape(shade, drawing, palette))];
    return indices.map((index, k) => {
      const own = k === 0 ? shade : namesake(shade, pockets[index].key);
      return place(own, [index], deeperThan(drawing.pours[pourOf[index] ?? ""], own, drawing, palette));
    });
  });

const NONE: readonly number[] = [];
const copies = memo<Shade, Map<number, Shade>>();

/** The same shade in another of its pockets, under a name of its own. */
function namesake(shade: Shade, key: number): Shade {
  const known = copies(shade, [], () => new Map());
  const own = known.get(key) ?? { ...shade, id: `${shade.id}-${key}` };
  known.set(key, own);
  return own;
}

/** Some steps from the colour beneath, along its gradient too; where that has none, in its paint. */
function deeperThan(pour: Pour | undefined, shade: Shade, drawing: Drawing, palette: Palette): Painted {
  return pour?.paint && !pour.spot
    ? keptPaint(shade, [pour, palette], () => ({
        paint: deeperPaint(pour, shade.deeper!, palette),
        strength: 1,
      }))
    : paintOfShape(shade, drawing, palette);
}

const keptPaint = memo<Shade, Painted>();

const kept = memo<Shade, Item>();

/** A freehand shape, trimmed to its pockets. */
function drawnShade(shade: ShadeOf<"drawn">, pockets: readonly Pocket[], painted: Painted): Item {
  const clip: readonly Chain[] =
    pockets.length > 1 ? pockets.flatMap(({ cover }) => cover) : pockets[0].cover;
  return kept(shade, [painted.paint, painted.strength, ...pockets], () => ({
    ...colourItem(shade, painted, clip),
    says: {
      is: "shade",
      at: pockets.map(({ seed }) => seed),
      ...laidAs(shade),
      ...(shade.deeper !== undefined && { deeper: shade.deeper, paint: shade.paint }),
    },
  }));
}
