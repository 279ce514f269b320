/** The menu at the pointer on the Light stage: for the shapes that are chosen. */
import { changeShapes, orderShapes, removeShapes } from "#core/drawing/shape-edits.ts";
import { chosenShapes, shapeAt } from "../../shapes/chosen-shapes.ts";
import type { StageMenu } from "../../stages/menu.ts";
import { duplicateChosen } from "../arrange/arrange-state.ts";

export const shadeMenu: StageMenu = {
  aim: ({ desk, at, pixel }) => {
    const state = desk.getState();
    const shape = shapeAt(state, at, pixel);
    if (!shape || !state.selected.includes(shape.id)) state.set({ selected: shape ? [shape.id] : [] });
  },
  entries: (desk) => {
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
  },
};
