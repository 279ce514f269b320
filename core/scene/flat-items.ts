/** The flats sheet: the undercoat, then poured pockets and shapes of colour in the order they were laid. */
import type { Drawing } from "../drawing/drawing.ts";
import type { FlatsOf, PocketsDerived, Ranked } from "./flat-of.ts";
import type { Item } from "./items.ts";
import type { Palette } from "./palette.ts";
import { pourItems } from "./pour-items.ts";
import { shapeItems } from "./shape-items.ts";
import { undercoatItems } from "./undercoat-items.ts";

export const flatItems = (
  drawing: Drawing,
  of: FlatsOf,
  derived: PocketsDerived,
  palette: Palette,
): Item[] => [
  ...undercoatItems(drawing, of, derived, palette),
  ...inOrder(
    pourItems(drawing, of, derived, palette),
    shapeItems(drawing, of, derived, palette, "flats"),
  ).flatMap(({ item, over }) => (over ? [item, ...over] : item)),
];

/** Two lists by rank; the first is in order already. */
const inOrder = (poured: readonly Ranked[], shapes: readonly Ranked[]): readonly Ranked[] =>
  shapes.length === 0 ? poured : [...poured, ...shapes].sort((a, b) => a.rank - b.rank);
