/** Palettes that come from elsewhere into the tin: what it has already, by name and value, stays one. */

import { tinOf } from "#core/colour/colourways.ts";
import { addColours } from "#core/drawing/colour-edits.ts";
import { ranked } from "#core/drawing/drawing.ts";
import { newId } from "#core/drawing/new-id.ts";
import { checkSize, FileProblem } from "#core/formats/file-problem.ts";
import { type PaletteColour, readPalette } from "#core/formats/palette-read.ts";
import { counted } from "#core/words.ts";
import { openDrawing } from "../../keep/shelf.ts";
import type { DeskStore } from "../store/desk-state.ts";

export async function bringFile(desk: DeskStore, file: File): Promise<void> {
  const { tell } = desk.getState();
  try {
    checkSize(file.size);
    bring(desk, readPalette(await file.text()));
  } catch (error) {
    const why = error instanceof FileProblem ? error.message : "It could not be read.";
    tell(`“${file.name}” was not brought in. ${why} The tin is as it was.`);
  }
}

export async function bringFromDrawing(desk: DeskStore, id: string): Promise<void> {
  const opened = await openDrawing(id).catch(() => undefined);
  if (opened) bring(desk, ranked(tinOf(opened.history.drawing)));
  else desk.getState().tell("That drawing could not be opened. The tin is as it was.");
}

function bring(desk: DeskStore, colours: readonly PaletteColour[]): void {
  const { drawing, edit, tell } = desk.getState();
  const key = ({ name, value }: PaletteColour) => `${value} ${name.toLowerCase()}`;
  const there = new Set(Object.values(tinOf(drawing)).map(key));
  const fresh = colours.filter((colour) => !there.has(key(colour)));
  if (fresh.length > 0)
    edit(
      addColours(
        fresh.map(({ name, value, opacity, group, ladder }) => ({
          id: newId(),
          name,
          value,
          ...(opacity === undefined ? {} : { opacity }),
          ...(group === undefined ? {} : { group }),
          ...(ladder === undefined ? {} : { ladder }),
        })),
      ),
    );
  const known = colours.length - fresh.length;
  const count = counted(fresh.length, "colour");
  tell(`${count} put in the tin${known > 0 ? `; ${counted(known, "was", "were")} there already` : ""}.`);
}
