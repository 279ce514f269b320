/** Flats: pouring colour into pockets. */

import { removeFlat } from "#core/drawing/edits.ts";
import { JudgePanel } from "../judge/judge-panel.tsx";
import { isRemoval } from "../keys/key-names.ts";
import { pocketMenu } from "../pockets/pocket-menu.ts";
import { pocketCounts } from "../pockets/stats.ts";
import { nextPocketSnag } from "../press/next-snag.ts";
import { colourTool } from "../tools/colour/colour.ts";
import { dipTool } from "../tools/dip/dip.ts";
import { gatherTool } from "../tools/gather/gather.ts";
import { lookTool } from "../tools/look/look.ts";
import { patternTool } from "../tools/pattern/pattern.ts";
import { emptyTool, emptyWalked, pourTool } from "../tools/pour/pour.ts";
import { PourPanel } from "../tools/pour/pour-panel.tsx";
import type { Stage } from "./stage.ts";

export const flatsStage: Stage = {
  name: "Flats",
  sheet: "flats",
  tools: [pourTool, emptyTool, gatherTool, colourTool, patternTool, dipTool, lookTool],
  figure: (desk) => {
    const { all, coloured } = pocketCounts(desk);
    return desk.reading && all === 0 ? "looking…" : `${coloured} of ${all} pockets`;
  },
  keys: "Arrows walk the pockets, Enter uses the tool, Backspace empties.",
  List: JudgePanel,
  Panel: PourPanel,
  menu: pocketMenu,
  nextSnag: nextPocketSnag,
  key: (desk, event) => {
    if (!isRemoval(event)) return false;
    const { chosenFlat, edit } = desk.getState();
    if (chosenFlat) edit(removeFlat(chosenFlat));
    else emptyWalked(desk);
    return true;
  },
};
