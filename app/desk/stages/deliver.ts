/** Deliver: the files to take home. */
import { DeliverPanel } from "../deliver/deliver-panel.tsx";
import { nextPocketSnag } from "../press/next-snag.ts";
import { lookTool } from "../tools/look/look.ts";
import type { Stage } from "./stage.ts";

export const deliverStage: Stage = {
  name: "Deliver",
  sheet: null,
  tools: [lookTool],
  figure: ({ lastExport }) => lastExport ?? "no file yet",
  keys: "Arrows walk the pockets.",
  Panel: DeliverPanel,
  nextSnag: nextPocketSnag,
};
