import { reshape } from "#core/drawing/shape-edits.ts";
import { speckArea } from "#core/drawing/speck.ts";
import { tidiedShapes } from "#core/lines/tidy-shapes.ts";
import { counted, plural } from "#core/words.ts";
import type { Desk } from "../../store/desk-state.ts";

/** Makes flat-coloured art light (lines/tidy-shapes.ts); says what became of it. */
export function tidyColour({ drawing, edit, tell }: Desk): void {
  const { changes, united, specks, joined } = tidiedShapes(drawing.flatShapes, speckArea(drawing.page));
  const before = Object.keys(drawing.flatShapes).length;
  if (changes.length === 0) {
    tell("Every shape is as it should be: none can be united, none is a speck, and no edges nearly meet.");
    return;
  }
  edit(reshape(changes, "flats", "Tidy shapes"));
  const told = [
    `${counted(before, "shape is", "shapes are")} ${before - united - specks} now.`,
    ...(specks > 0 ? [`${counted(specks, "speck")} went to what is around.`] : []),
    ...(joined > 0
      ? [`${counted(joined, "shape meets", "shapes meet")} what ${plural(joined, "it", "they")} nearly met.`]
      : []),
  ];
  tell(told.join(" "));
}
