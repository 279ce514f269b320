import type { ToolName } from "../desk-store.ts";
import { bridgeTool, unbridgeTool } from "./bridge.ts";
import { dipTool } from "./dip.ts";
import { explainTool } from "./explain.ts";
import { inspectTool, lookTool } from "./look.ts";
import { moveTool } from "./move.ts";
import { emptyTool, pourTool } from "./pour.ts";
import { pullTool } from "./pull.ts";
import { adjustTool, shadeTool } from "./shade.ts";
import type { Tool } from "./tool.ts";

export const TOOLS: Readonly<Record<ToolName, Tool>> = {
  look: lookTool,
  inspect: inspectTool,
  explain: explainTool,
  bridge: bridgeTool,
  unbridge: unbridgeTool,
  pull: pullTool,
  move: moveTool,
  pour: pourTool,
  empty: emptyTool,
  dip: dipTool,
  shade: shadeTool,
  adjust: adjustTool,
};
