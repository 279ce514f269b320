/** The menu at the pointer for colour shapes: that of the Light stage, and of the Flats stage where it opens on one. */
import { changeShapes, orderShapes, removeShapes } from "#core/drawing/shape-edits.ts";
import type { MenuEntry, StageMenu } from "../stages/menu.ts";
import type { DeskStore } from "../store/desk-state.ts";
import { duplicateChosen } from "../tools/arrange/arrange-state.ts";
import { chosenShapes, shapeAt } from "./chosen-shapes.ts";

export const shapeMenu: StageMenu = {
  aim: ({ desk, at, pixel }) => {
    const state = desk.getState();
    if (shapeAt(state, at, pixel, chosenShapes(state))) return;
    const shape = shapeAt(state, at, pixel);
    state.choose(shape ? [shape.id] : []);
  },
  entries: shapeEntries,
};

/** For the shapes that are chosen. */
export function shapeEntries(desk: DeskStore): readonly MenuEntry[] {
  const state = desk.getState();
  const { drawing, paint, edit } = state;
  const shapes = chosenShapes(state);
  if (shapes.length === 0) return [];
  const colour = drawing.tin[paint.colour]?.name ?? "colour";
  return [
    { word: `Give it ${colour}`, act: () => edit(changeShapes(shapes, { paint })) },
    { word: "Copy a little aside", keys: "Ctrl D", act: () => duplicateChosen(desk) },
    { word: "Bring it forward", parted: true, act: () => edit(orderShapes(drawing, shapes, "front")) },
    { word: "Send it back", act: () => edit(orderShapes(drawing, shapes, "back")) },
    { word: "Remove", parted: true, keys: "Backspace", act: () => edit(removeShapes(shapes)) },
  ];
}
