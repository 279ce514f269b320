/** The box in page units that holds all an item paints; undefined where it paints nothing. */
import { type Box, boundsOf, grow } from "../geometry/point.ts";
import type { Area, Effects, Item, LineArea } from "./items.ts";

interface KnownBox {
  readonly effects: Effects;
  readonly box: Box | undefined;
}

/** Boxes are remembered by area: items that differ in their paint alone share one. */
const boxes = new WeakMap<Area, KnownBox>();

/** Beyond so many standard deviations a blur leaves less than a screen shows. */
export const BLUR_REACH = 3;

export function boxOfItem({ area, effects }: Pick<Item, "area" | "effects">): Box | undefined {
  const known = boxes.get(area);
  if (known?.effects === effects) return known.box;
  const { clip, seam, blur = 0 } = effects;
  const sharp = boxOfArea(area);
  const own = sharp && grow(sharp, BLUR_REACH * blur);
  const clipped = own && clip ? common(own, boundsOf(clip)) : own;
  const seamBox = seam && boundsOf(seam.chains);
  const box = around(clipped, seamBox && grow(seamBox, seam.width));
  boxes.set(area, { effects, box });
  return box;
}

const boxOfArea = (area: Area): Box | undefined =>
  area.kind === "region" ? boundsOf(area.chains) : boxOfLine(area);

function boxOfLine({ points, width, join, miterLimit, cap }: LineArea): Box | undefined {
  const box = boundsOf([points]);
  const reach = Math.max(join === "miter" ? miterLimit : 1, cap === "square" ? Math.SQRT2 : 1);
  return box && grow(box, (width / 2) * reach);
}

/** What two boxes have in common. */
export function common(a: Box, b: Box | undefined): Box | undefined {
  if (!b) return undefined;
  const x = Math.max(a.x, b.x);
  const y = Math.max(a.y, b.y);
  const width = Math.min(a.x + a.width, b.x + b.width) - x;
  const height = Math.min(a.y + a.height, b.y + b.height) - y;
  return width >= 0 && height >= 0 ? { x, y, width, height } : undefined;
}

/** The box around two. */
export function around(a: Box | undefined, b: Box | undefined): Box | undefined {
  if (!a || !b) return a ?? b;
  const x = Math.min(a.x, b.x);
  const y = Math.min(a.y, b.y);
  const width = Math.max(a.x + a.width, b.x + b.width) - x;
  return { x, y, width, height: Math.max(a.y + a.height, b.y + b.height) - y };
}
