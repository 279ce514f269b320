/** The shadow on the ground of all that is enclosed: one item beneath everything else on the ground. */
import type { Drawing } from "../drawing/drawing.ts";
import { type Box, boundsOf } from "../geometry/point.ts";
import { ellipseAtFoot, laidFlat } from "../light/cast.ts";
import { lampOn } from "../light/lamp.ts";
import type { Pocket } from "../pockets/pockets.ts";
import { tonePaint } from "./colour-item.ts";
import type { Chain, Item } from "./items.ts";
import { memo } from "./memo.ts";
import type { Palette } from "./palette.ts";

const kept = memo<readonly Pocket[], Item | undefined>();

export function groundShadowItem(
  drawing: Drawing,
  pockets: readonly Pocket[],
  { toneOf }: Palette,
): Item | undefined {
  const { groundShadow, lamp, page } = drawing;
  if (!groundShadow) return undefined;
  const { kind, paint, opacity, soft } = groundShadow;
  const tone = toneOf(paint);
  return kept(pockets, [groundShadow, lamp, page.box, tone], () => {
    const outlines = pockets.map(({ outline: [outer] }) => outer);
    const box = boundsOf(outlines);
    if (!box) return undefined;
    const placed = lampOn(drawing);
    return {
      id: "ground-shadow",
      says: { is: "over" },
      area: {
        kind: "region",
        chains:
          kind === "ellipse"
            ? [ellipseAtFoot(footOf(outlines, box), placed)]
            : laidFlat(outlines, box, placed),
        evenOdd: false,
      },
      paint: tonePaint(tone),
      effects: { opacity: opacity * (tone.opacity ?? 1), ...(soft ? { blur: soft } : {}) },
    };
  });
}

/** Whatever is no higher above the lowest place than this part of the whole height stands on the ground. */
const FOOT = 0.12;

/** The box with the width of what stands on the ground. */
function footOf(outlines: readonly Chain[], box: Box): Box {
  const from = box.y + box.height * (1 - FOOT);
  let [left, right] = [Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY];
  for (const chain of outlines)
    for (let k = 0; k < chain.length; k += 2) {
      if (chain[k + 1] < from) continue;
      left = Math.min(left, chain[k]);
      right = Math.max(right, chain[k]);
    }
  return right > left ? { ...box, x: left, width: right - left } : box;
}
