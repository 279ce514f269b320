/** Colour shapes: on any sheet but ink, free or trimmed. */
import { type Drawing, entitiesOf, type FlatShape } from "../drawing/drawing.ts";
import type { Pocket } from "../pockets/pockets.ts";
import { type FlatsOf, NO_EFFECTS, type PocketsDerived, type Ranked, withOpacity } from "./flat-of.ts";
import type { Chain, Item } from "./items.ts";
import { keeper } from "./kept.ts";
import type { Palette } from "./palette.ts";

const keptShape = keeper<FlatShape, Item>();

/** The colour shapes of a part that lie on a sheet, from the lowest up. */
export const shapesOn = (
  sheet: NonNullable<FlatShape["sheet"]>,
  drawing: Drawing,
  of: FlatsOf,
  derived: PocketsDerived,
  palette: Palette,
): Item[] =>
  shapeItems(drawing, of, derived, palette, sheet)
    .sort((a, b) => a.rank - b.rank)
    .map(({ item }) => item);

export const shapeItems = (
  { flatShapes, pours }: Drawing,
  { part, region }: FlatsOf,
  derived: PocketsDerived,
  { toneOf }: Palette,
  on: NonNullable<FlatShape["sheet"]>,
): Ranked[] =>
  entitiesOf(flatShapes).flatMap((shape) => {
    const { id, rank, name, outline, evenOdd, opacity, echo, sheet = "flats", trim } = shape;
    if (sheet !== on) return [];
    const isWithin = echo === "within" || trim === "part";
    const clip = isWithin ? region() : trim === "coloured" ? colouredOf(part, pours, derived) : undefined;
    const tone = toneOf(shape.paint);
    const item = keptShape(shape, [tone, clip], () => ({
      id,
      says: { is: "flat", echo, opacity, trim },
      area: { kind: "region", chains: outline, evenOdd },
      paint: { kind: "tone", tone },
      effects: withOpacity(clip ? { clip } : NO_EFFECTS, opacity * (tone.opacity ?? 1)),
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
