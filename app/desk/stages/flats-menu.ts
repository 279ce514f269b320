/** The menu at the pointer on the Flats stage: for a colour shape that is chosen or that the tool would take, or for pockets. */
import { pocketMenu } from "../pockets/pocket-menu.ts";
import { chosenShapes, shapeAt } from "../shapes/chosen-shapes.ts";
import { shapeEntries, shapeMenu } from "../shapes/shape-menu.ts";
import { shapes } from "../tools/shapes/shapes-state.ts";
import type { StageMenu } from "./menu.ts";

export const flatsMenu: StageMenu = {
  aim: (press) => {
    const { desk, at, pixel } = press;
    const state = desk.getState();
    const takesShapes = (state.keyTool ?? state.tools.Flats) === shapes.name;
    if (shapeAt(state, at, pixel, takesShapes ? undefined : chosenShapes(state))) return shapeMenu.aim(press);
    state.choose([]);
    pocketMenu.aim(press);
  },
  entries: (desk) =>
    chosenShapes(desk.getState()).length > 0 ? shapeEntries(desk) : pocketMenu.entries(desk),
};
