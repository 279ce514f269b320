/** What of a part has colour: its poured pockets, what is coloured freehand, or with an undercoat all of it. */
import type { Drawing, FlatShape } from "../drawing/drawing.ts";
import { entitiesOf } from "../drawing/entities.ts";
import { united } from "../lines/booleans.ts";
import type { Pocket } from "../pockets/pockets.ts";
import type { FlatsOf, PocketsDerived } from "./flat-of.ts";
import type { Chain } from "./items.ts";
import { memo } from "./memo.ts";

const coloured = memo<readonly Pocket[], readonly Chain[]>();

/** Where a shape that lies on what is coloured is seen; by the nonzero rule. `drawing` is that of the part. */
export function colouredBelow(
  shape: FlatShape,
  { undercoat, pours, flatShapes }: Drawing,
  { part, region }: FlatsOf,
  { pockets, pourOf }: PocketsDerived,
): readonly Chain[] {
  if (undercoat) return region();
  const own = pockets.filter((pocket, index) => pocket.part === part && pours[pourOf[index] ?? ""]?.paint);
  const free = entitiesOf(flatShapes).filter((one) => isGround(one) && isBelow(one, shape));
  return coloured(pockets, [...own, ...free], () => {
    const covers = own.map(({ cover }) => ({ outline: cover, evenOdd: false }));
    return free.length > 0 ? united([...covers, ...free]) : covers.flatMap(({ outline }) => outline);
  });
}

/** The colour that shapes are trimmed to; a shape that is itself trimmed to colour adds nothing to it. */
const isGround = ({ sheet, trim, echo }: FlatShape): boolean => !sheet && trim !== "coloured" && !echo;

/** Whether a shape of the flats lies below another, on whatever sheet. */
const isBelow = (one: FlatShape, { id, rank, sheet }: FlatShape): boolean =>
  one.id !== id && (sheet !== undefined || one.rank < rank);
