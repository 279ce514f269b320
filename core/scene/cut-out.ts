/** Colour shapes cut out where a pour that lies over them says so. */
import type { Drawing } from "../drawing/drawing.ts";
import { enclosedArea, polyline, reversed } from "../geometry/cubic.ts";
import { type Box, diagonal, grow } from "../geometry/point.ts";
import { combined, inset } from "../lines/booleans.ts";
import type { Pocket } from "../pockets/pockets.ts";
import type { PocketsDerived } from "./flat-of.ts";
import type { Chain } from "./items.ts";
import { memo } from "./memo.ts";

/**
 * How far, as a share of the page's diagonal, a shape runs on under what cuts it, so that nothing shows between
 * them.
 */
const UNDER = 1 / 2400;
/** Page diagonals around the page where all is to be seen. */
const FAR = 20;

const holes = memo<Pocket, Chain[]>();
/** By the first pocket that cuts: each part has its own. */
const seen = memo<Pocket, readonly Chain[]>();
const seenOfClip = memo<readonly Chain[], readonly Chain[]>();

/** Where shapes of a part show: what is left of `clip`, or of the whole page, by the nonzero rule. */
export function seenBeside(
  clip: readonly Chain[] | undefined,
  part: string,
  { pours, page }: Pick<Drawing, "pours" | "page">,
  { pockets, pourOf }: PocketsDerived,
): readonly Chain[] | undefined {
  const cutting = pockets.filter((pocket, index) => pocket.part === part && pours[pourOf[index] ?? ""]?.cuts);
  if (cutting.length === 0) return clip;
  const under = UNDER * diagonal(page.box);
  const cut = seen(cutting[0], [page.box, ...cutting], () => [
    around(page.box),
    ...cutting.flatMap((pocket) => holes(pocket, [under], () => holeOf(pocket, under))),
  ]);
  if (!clip) return cut;
  return seenOfClip(
    clip,
    [cut],
    () => combined({ outline: clip, evenOdd: false }, { outline: cut, evenOdd: false }, "intersect").outline,
  );
}

/** The chains wound the other way than what lies around them. */
const holeOf = ({ outline }: Pocket, under: number): Chain[] => {
  const hole = inset({ outline, evenOdd: false }, under);
  const turns = hole.length > 0 ? Math.sign(enclosedArea(hole[0])) : 1;
  return turns > 0 ? hole.map(reversed) : hole;
};

function around(box: Box): Chain {
  const { x, y, width, height } = grow(box, FAR * diagonal(box));
  return polyline([
    [x, y],
    [x + width, y],
    [x + width, y + height],
    [x, y + height],
    [x, y],
  ]);
}
