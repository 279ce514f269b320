import type { ToolName } from "../desk-store.ts";
import { arrangeTool } from "./arrange.ts";
import { bendTool } from "./bend.ts";
import { bridgeTool, unbridgeTool } from "./bridge.ts";
import { dipTool } from "./dip.ts";
import { drawTool } from "./draw.ts";
import { explainTool } from "./explain.ts";
import { lookTool } from "./look.ts";
import { emptyTool, pourTool } from "./pour.ts";
import { pullTool } from "./pull.ts";
import { adjustTool, shadeTool } from "./shade.ts";
import { tidyTool } from "./tidy.ts";
import type { Tool } from "./tool.ts";
import { trimTool } from "./trim.ts";

export const TOOLS: Readonly<Record<ToolName, Tool>> = {
  look: lookTool,
  draw: drawTool,
  tidy: tidyTool,
  trim: trimTool,
  bend: bendTool,
  arrange: arrangeTool,
  explain: explainTool,
  bridge: bridgeTool,
  unbridge: unbridgeTool,
  pull: pullTool,
  pour: pourTool,
  empty: emptyTool,
  dip: dipTool,
  shade: shadeTool,
  adjust: adjustTool,
};
