/** Brings palettes from elsewhere into the tin: a colour it already has, by name and value, is not added twice. */
import { tinOf } from "#core/colour/colourways.ts";
import { type BroughtColour, bringColours } from "#core/drawing/colour-edits.ts";
import { type Colour, type Drawing, ranked } from "#core/drawing/drawing.ts";
import { freeName } from "#core/drawing/free-name.ts";
import { newId } from "#core/drawing/new-id.ts";
import { FIRST_COLOURWAY } from "#core/drawing/start.ts";
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
  if (opened) bring(desk, coloursOf(opened.history.drawing));
  else desk.getState().tell("That drawing could not be opened. The tin is as it was.");
}

/** The first colours of a drawing, whichever colourway is seen, with what they are in the others. */
function coloursOf(drawing: Drawing): PaletteColour[] {
  const others = ranked(drawing.colourways).filter(({ id }) => id !== FIRST_COLOURWAY);
  return ranked(tinOf(drawing, FIRST_COLOURWAY)).map((colour) => ({
    ...colour,
    ways: Object.fromEntries(others.map(({ id, name }) => [name, tinOf(drawing, id)[colour.id].value])),
  }));
}

function bring(desk: DeskStore, colours: readonly PaletteColour[]): void {
  const { drawing, edit, tell } = desk.getState();
  const there = Object.values(tinOf(drawing, FIRST_COLOURWAY));
  const isSame = (one: Colour, { name, value }: PaletteColour) => {
    const [its, own] = [one.name.toLowerCase(), name.toLowerCase()];
    // It may have been numbered when it came before.
    return (
      one.value === value && (its === own || (its.startsWith(own) && /^ \d+$/.test(its.slice(own.length))))
    );
  };
  const names = new Set(Object.values(drawing.tin).map(({ name }) => name.toLowerCase()));
  const brought = colours.map(({ name, value, opacity, group, ladder, ways }): BroughtColour => {
    const known = there.find((one) => isSame(one, { name, value }))?.id;
    return {
      id: known ?? newId(),
      // Another colour of a name that is taken has a number.
      name: known ? name : freeName((one) => names.has(one.toLowerCase()), name),
      value,
      ...(opacity === undefined ? {} : { opacity }),
      ...(group === undefined ? {} : { group }),
      ...(ladder === undefined ? {} : { ladder }),
      ...(ways === undefined ? {} : { ways }),
    };
  });
  const ways = new Set(brought.flatMap((colour) => Object.keys(colour.ways ?? {})));
  edit(bringColours(brought, Object.fromEntries([...ways].map((name) => [name, newId()]))));
  const fresh = brought.filter(({ id }) => !drawing.tin[id]).length;
  const known = brought.length - fresh;
  const count = counted(fresh, "colour");
  tell(`${count} put in the tin${known > 0 ? `; ${counted(known, "was", "were")} there already` : ""}.`);
}
