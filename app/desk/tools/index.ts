import type { ToolName } from "../store/desk-store.ts";
import { arrangeTool } from "./arrange/arrange.ts";
import { bendTool } from "./bend/bend.ts";
import { bridgeTool, unbridgeTool } from "./bridge/bridge.ts";
import { dipTool } from "./dip/dip.ts";
import { drawTool } from "./draw/draw.ts";
import { explainTool } from "./explain/explain.ts";
import { lookTool } from "./look/look.ts";
import { emptyTool, pourTool } from "./pour/pour.ts";
import { pullTool } from "./pull/pull.ts";
import { adjustTool, shadeTool } from "./shade/shade.ts";
import { tidyTool } from "./tidy/tidy.ts";
import type { Tool } from "./tool.ts";
import { trimTool } from "./trim/trim.ts";

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
