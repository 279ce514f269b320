/** Takes the colour as it is seen, through all light: the step of the tin that looks so, or a new colour. */
import { stepWord } from "#core/colour/ladder.ts";
import { colourName } from "#core/colour/name.ts";
import { nearestPaint } from "#core/colour/nearest-paint.ts";
import { addColour } from "#core/drawing/colour-edits.ts";
import { freeName } from "#core/drawing/free-name.ts";
import { newId } from "#core/drawing/new-id.ts";
import type { Point } from "#core/geometry/point.ts";
import { toScreen } from "../../../painting/view.ts";
import type { DeskStore } from "../../store/desk-state.ts";
import { shownTin } from "../../tin/shown-tin.ts";

/** Colours this near look the same: a distance in OKLab times 100. */
const SAME = 2;

export function dipSeen(desk: DeskStore, at: Point): void {
  const state = desk.getState();
  const { art, view, edit, takePaint, say, tell } = state;
  const value = art.colourAt("art", toScreen(view, at));
  if (!value) {
    tell("There is no colour to dip up here.");
    return;
  }
  const near = nearestPaint(shownTin(state), value);
  if (near && near.apart <= SAME) {
    const { colour, step } = near.paint;
    takePaint(near.paint);
    say(`Dipped ${state.drawing.tin[colour].name}, ${stepWord(step)}`);
    return;
  }
  const id = newId();
  const taken = new Set(Object.values(state.drawing.tin).map((colour) => colour.name));
  const name = freeName((one) => taken.has(one), colourName(value));
  edit(addColour(id, name, value));
  takePaint({ colour: id, step: 0 });
  tell(`No step of the tin looks like this: ${name} was put in.`);
}
