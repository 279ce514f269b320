/** Deliver: the files to take home. */
import { deliverTray } from "../deliver/deliver-tray.tsx";
import { printSizeSection } from "../press/loupe.tsx";
import { nextPocketSnag } from "../press/next-snag.ts";
import { partsSection } from "../press/parts-section.tsx";
import { sheetsSection } from "../press/sheets-section.tsx";
import { snagsSection } from "../press/snag-list.tsx";
import { lookTool } from "../tools/look/look.ts";
import type { Stage } from "./stage.ts";

export const deliverStage: Stage = {
  name: "Deliver",
  tools: [lookTool],
  figure: ({ lastExport }) => lastExport ?? "no file yet",
  keys: "Arrows walk the pockets.",
  settings: deliverTray,
  sections: [snagsSection, printSizeSection, partsSection, sheetsSection],
  nextSnag: nextPocketSnag,
};
