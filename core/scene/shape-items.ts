/** Colour shapes: on any sheet but ink, free or trimmed. */
import { type Drawing, entitiesOf, type FlatShape } from "../drawing/drawing.ts";
import type { Pocket } from "../pockets/pockets.ts";
import { colourItem, laidAs, paintOfShape } from "./colour-item.ts";
import { seenBeside } from "./cut-out.ts";
import type { FlatsOf, PocketsDerived, Ranked } from "./flat-of.ts";
import type { Chain, Item } from "./items.ts";
import { keeper } from "./kept.ts";
import type { Palette } from "./palette.ts";

const keptShape = keeper<FlatShape, Item>();

/** The colour shapes of a part that lie on a sheet. */
export const shapeItems = (
  drawing: Drawing,
  { part, region }: FlatsOf,
  derived: PocketsDerived,
  palette: Palette,
  on: NonNullable<FlatShape["sheet"]>,
): Ranked[] =>
  entitiesOf(drawing.flatShapes).flatMap((shape) => {
    const { rank, name, echo, sheet = "flats", trim } = shape;
    if (sheet !== on) return [];
    const isWithin = echo === "within" || trim === "part";
    const clip = isWithin
      ? region()
      : trim === "coloured"
        ? colouredOf(part, drawing.pours, derived)
        : undefined;
    const seen = on === "flats" ? seenBeside(clip, part, drawing, derived) : clip;
    const painted = paintOfShape(shape, drawing, palette);
    const item = keptShape(shape, [painted.paint, painted.strength, seen], () => ({
      ...colourItem(shape, painted, seen),
      says: { is: "flat", echo, trim, ...laidAs(shape) },
      name,
    }));
    return [{ rank, item }];
  });

const coloured = keeper<readonly Pocket[], readonly Chain[]>();

/** What of a part has colour. */
function colouredOf(
  part: string,
  pours: Drawing["pours"],
  { pockets, pourOf }: PocketsDerived,
): readonly Chain[] {
  const own = pockets.filter((pocket, index) => pocket.part === part && pours[pourOf[index] ?? ""]?.paint);
  return coloured(pockets, own, () => own.flatMap(({ cover }) => cover));
}
