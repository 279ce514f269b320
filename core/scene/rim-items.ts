/** Rim light, in steps of its pocket's own colour. */
import type { Drawing, Pour } from "../drawing/drawing.ts";
import { lampOn } from "../light/lamp.ts";
import { rimLight } from "../light/rim.ts";
import type { Pocket } from "../pockets/pockets.ts";
import { deeperPaint } from "./deeper-paint.ts";
import type { PocketsDerived, Ranked } from "./flat-of.ts";
import type { Chain, Item } from "./items.ts";
import { lampRank } from "./lamp-order.ts";
import { litPockets } from "./lit-pour.ts";
import { memo } from "./memo.ts";
import type { Palette } from "./palette.ts";

const shaped = memo<Pocket, readonly Chain[]>();
const kept = memo<Pocket, Item>();

/** The rims that are lighter than their pockets, or the deeper ones. */
export const rimItems = (
  which: "lighter" | "deeper",
  drawing: Drawing,
  part: string,
  derived: PocketsDerived,
  palette: Palette,
): Ranked[] =>
  litPockets(drawing, part, derived).flatMap(({ pocket, pour }): Ranked[] => {
    if (!pour.rim || pour.rim.deeper < 0 !== (which === "lighter")) return [];
    const { id, paint, gradient, rim } = pour;
    const chains = rimChains(pocket, rim, drawing);
    if (chains.length === 0) return [];
    const item = kept(pocket, [id, paint, gradient, rim, chains, palette], () => ({
      id: `${id}-rim`,
      says: { is: "over" },
      area: { kind: "region", chains, evenOdd: false },
      paint: deeperPaint(pour, rim.deeper, palette),
      effects: { clip: pocket.cover, ...(rim.soft ? { blur: rim.soft } : {}) },
    }));
    return [{ rank: lampRank(rim.deeper), item }];
  });

/** The shape of a pocket's rim; made anew only where pocket, lamp or rim have changed. */
export const rimChains = (
  pocket: Pocket,
  rim: NonNullable<Pour["rim"]>,
  drawing: Pick<Drawing, "lamp" | "page">,
): readonly Chain[] =>
  shaped(pocket, [drawing.lamp, drawing.page.box, rim], () => rimLight(pocket, lampOn(drawing), rim));
