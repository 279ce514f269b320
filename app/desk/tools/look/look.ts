/** Look: drags the paper about. */
import type { Tool } from "../tool.ts";

export const lookTool: Tool = { cursor: "grab", lightsPockets: false, press: () => undefined };
