import { showColourway } from "#core/drawing/colour-edits.ts";
import { ranked } from "#core/drawing/drawing.ts";
import type { DeskStore } from "../../store/desk-state.ts";

/** Shows the next colourway, or the one before. */
export function stepColourway(desk: DeskStore, by: number): void {
  const { drawing, edit, say } = desk.getState();
  const ways = ranked(drawing.colourways);
  if (ways.length < 2) {
    say("There is one colourway");
    return;
  }
  const at = ways.findIndex(({ id }) => id === drawing.shown);
  const { id, name } = ways[(at + by + ways.length) % ways.length];
  edit(showColourway(id, name));
  say(name);
}
