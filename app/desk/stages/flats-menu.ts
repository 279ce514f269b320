/** The menu at the pointer on the Flats stage: for dabs while their tool is in the hand, for a colour shape that is chosen or that the tool would take, or for pockets. */
import { pocketMenu } from "../pockets/pocket-menu.ts";
import { chosenShapes, shapeAt } from "../shapes/chosen-shapes.ts";
import { shapeEntries, shapeMenu } from "../shapes/shape-menu.ts";
import type { Desk } from "../store/desk-state.ts";
import { dabMenu } from "../tools/dab/dab-menu.ts";
import { dabs, dabsInPart } from "../tools/dab/dab-state.ts";
import { shapes } from "../tools/shapes/shapes-state.ts";
import type { StageMenu } from "./menu.ts";

const toolInHand = ({ keyTool, tools }: Desk): string | undefined => keyTool ?? tools.Flats;
const waitsForDabs = (desk: Desk): boolean => toolInHand(desk) === dabs.name && dabsInPart(desk).length > 0;

export const flatsMenu: StageMenu = {
  aim: (press) => {
    const { desk, at, pixel } = press;
    const state = desk.getState();
    if (waitsForDabs(state)) {
      dabMenu.aim(press);
      return;
    }
    const takesShapes = toolInHand(state) === shapes.name;
    if (shapeAt(state, at, pixel, takesShapes ? undefined : chosenShapes(state))) return shapeMenu.aim(press);
    state.choose([]);
    pocketMenu.aim(press);
  },
  entries: (desk) => {
    const state = desk.getState();
    if (waitsForDabs(state)) return dabMenu.entries(desk);
    return chosenShapes(state).length > 0 ? shapeEntries(desk) : pocketMenu.entries(desk);
  },
};
