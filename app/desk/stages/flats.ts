/** Flats: pouring colour into pockets. */
import { removeShapes } from "#core/drawing/shape-edits.ts";
import { judgeSection } from "../judge/judge-panel.tsx";
import { isRemoval } from "../keys/key-names.ts";
import { pocketCounts } from "../pockets/stats.ts";
import { printSizeSection } from "../press/loupe.tsx";
import { nextPocketSnag } from "../press/next-snag.ts";
import { partsSection } from "../press/parts-section.tsx";
import { sheetsSection } from "../press/sheets-section.tsx";
import { snagsSection } from "../press/snag-list.tsx";
import { chosenShapes } from "../shapes/chosen-shapes.ts";
import { colourTool } from "../tools/colour/colour.ts";
import { dabTool } from "../tools/dab/dab.ts";
import { dipTool } from "../tools/dip/dip.ts";
import { gatherTool } from "../tools/gather/gather.ts";
import { lookTool } from "../tools/look/look.ts";
import { patternTool } from "../tools/pattern/pattern.ts";
import { emptyTool, emptyWalked, pourTool } from "../tools/pour/pour.ts";
import { pourTray } from "../tools/pour/pour-tray.tsx";
import { shapesTool } from "../tools/shapes/shapes.ts";
import { flatsMenu } from "./flats-menu.ts";
import type { Stage } from "./stage.ts";

export const flatsStage: Stage = {
  name: "Flats",
  tools: [pourTool, dabTool, emptyTool, gatherTool, colourTool, shapesTool, patternTool, dipTool, lookTool],
  figure: (desk) => {
    const { all, coloured } = pocketCounts(desk);
    return desk.reading && all === 0 ? "looking…" : `${coloured} of ${all} pockets`;
  },
  keys: "Arrows walk the pockets, Enter uses the tool, Backspace empties.",
  settings: pourTray,
  sections: [partsSection, sheetsSection, snagsSection, printSizeSection, judgeSection],
  rub: emptyTool,
  menu: flatsMenu,
  nextSnag: nextPocketSnag,
  key: (desk, event) => {
    if (!isRemoval(event)) return false;
    const state = desk.getState();
    const chosen = chosenShapes(state);
    if (chosen.length > 0) state.edit(removeShapes(chosen));
    else emptyWalked(desk);
    return true;
  },
};
