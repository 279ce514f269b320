/** Parts colours that someone can hardly tell apart, as the button of the Judge section does, until none is left. */
import { usedColours } from "../../app/desk/judge/judged.ts";
import type { Desk } from "../../app/desk/store/desk-state.ts";
import { nearColours, toldApart } from "../../core/colour/judging.ts";
import { changeColour } from "../../core/drawing/colour-edits.ts";
import type { Drawing } from "../../core/drawing/drawing.ts";
import { applyEdit, beginHistory } from "../../core/drawing/history.ts";
import { DrawingReader } from "../../core/pockets/drawing-reader.ts";
import { derive } from "../../core/scene/scene.ts";

/** Distances in OKLab times 100; somewhat more than what counts as near, so that it lasts. */
const APART = 5.5;
const MOST_TRIES = 12;

export function partedColours(drawing: Drawing): Drawing {
  const { pockets } = new DrawingReader().read(drawing);
  const derived = derive(drawing, pockets.filter(({ hidden }) => !hidden));
  let next = drawing;
  for (let k = 0; k < MOST_TRIES; k++) {
    const used = usedColours({ drawing: next, derived } as Desk);
    const [pair] = nearColours(used, APART);
    if (!pair) return next;
    const less = pair.one.area < pair.other.area ? pair.one : pair.other;
    const others = used.filter(({ id }) => id !== less.id).map(({ value }) => value);
    const value = toldApart(less.value, others, APART);
    if (!value) throw new Error(`${less.name} cannot be told from all others.`);
    next = applyEdit(beginHistory(next), changeColour(less.id, value, less.name))?.history.drawing ?? next;
  }
  throw new Error("Colours could not be parted.");
}
