/** Gaps: finding openings and closing them. */
import { counted } from "#core/words.ts";
import { gapMenu } from "../gaps/gap-menu.ts";
import { gapsTray } from "../gaps/gaps-tray.tsx";
import { bridgeOpenings, leaveOpen, sortOpenings } from "../gaps/openings.ts";
import { isRemoval } from "../keys/key-names.ts";
import { printSizeSection } from "../press/loupe.tsx";
import { nextOpening } from "../press/next-snag.ts";
import { partsSection } from "../press/parts-section.tsx";
import { sheetsSection } from "../press/sheets-section.tsx";
import { openingsSection } from "../press/snag-list.tsx";
import { bridgeTool, unbridgeTool } from "../tools/bridge/bridge.ts";
import { explainTool } from "../tools/explain/explain.ts";
import { lookTool } from "../tools/look/look.ts";
import { pullTool } from "../tools/pull/pull.ts";
import type { Stage } from "./stage.ts";

export const gapsStage: Stage = {
  name: "Gaps",
  tools: [explainTool, bridgeTool, unbridgeTool, pullTool, lookTool],
  figure: (desk) => countOpenings(sortOpenings(desk).open.length),
  keys: "N steps through openings, Enter bridges, Backspace leaves open.",
  settings: gapsTray,
  sections: [openingsSection, sheetsSection, partsSection, printSizeSection],
  rub: unbridgeTool,
  menu: gapMenu,
  nextSnag: nextOpening,
  key: (desk, event) => {
    const state = desk.getState();
    const { chosenOpening } = state;
    if (chosenOpening === null) return false;
    if (isRemoval(event)) leaveOpen(state, [chosenOpening]);
    else if (event.key === "Enter") bridgeOpenings(state, [chosenOpening]);
    else return false;
    return true;
  },
};

const countOpenings = (count: number): string => counted(count, "opening");
