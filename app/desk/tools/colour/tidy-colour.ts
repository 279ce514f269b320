import { reshape } from "#core/drawing/shape-edits.ts";
import { speckArea } from "#core/drawing/speck.ts";
import { tidiedShapes } from "#core/lines/tidy-shapes.ts";
import type { Desk } from "../../store/desk-state.ts";

/** Unites shapes of one colour and lets specks go that lie on other colour; says what became of them. */
export function tidyColour({ drawing, edit, tell }: Desk): void {
  const { changes, united, specks } = tidiedShapes(drawing.flatShapes, speckArea(drawing.page));
  const before = Object.keys(drawing.flatShapes).length;
  if (changes.length === 0) {
    tell("Every shape is as it should be: none can be united, and none is a speck.");
    return;
  }
  edit(reshape(changes, "flats", "Tidy shapes"));
  const gone = specks === 0 ? "" : ` ${specks === 1 ? "1 speck" : `${specks} specks`} went.`;
  tell(`${before} shapes are ${before - united - specks} now.${gone}`);
}
