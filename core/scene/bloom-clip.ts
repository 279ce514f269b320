/** Where a bloom is seen: on the ink around it, and nowhere else. */
import type { Drawing } from "../drawing/drawing.ts";
import { enclosedArea, reversed } from "../geometry/cubic.ts";
import { type Box, boundsOf, boxesApart } from "../geometry/point.ts";
import type { PocketsDerived } from "./flat-of.ts";
import { inkOf } from "./ink-items.ts";
import type { Chain } from "./items.ts";

/** Closed chains by the nonzero rule: the ink of a part's seen lines and spot blacks that comes near a box. */
export function inkAround(
  box: Box,
  { strokes, inkShapes, nibs, pours }: Drawing,
  part: string,
  { pockets, pourOf }: PocketsDerived,
): readonly Chain[] {
  const near = (chains: readonly Chain[]) => {
    const own = boundsOf(chains);
    return own && !boxesApart(own, box) ? chains : [];
  };
  const lines = Object.values(strokes).flatMap((stroke) =>
    stroke.hidden || stroke.dash ? [] : near(inkOf(stroke, nibs[stroke.nib ?? ""])),
  );
  const shapes = Object.values(inkShapes).flatMap(({ hidden, outline }) => (hidden ? [] : near(outline)));
  const spots = pockets.flatMap((pocket, index) =>
    pocket.part === part && pours[pourOf[index] ?? ""]?.spot ? near(pocket.cover) : [],
  );
  return [...lines, ...alike(shapes), ...alike(spots)];
}

/** Wound alike, so that none cuts another out; holes keep the opposite winding. */
function alike(chains: readonly Chain[]): readonly Chain[] {
  const [outer] = chains;
  return outer && enclosedArea(outer) < 0 ? chains.map(reversed) : chains;
}
