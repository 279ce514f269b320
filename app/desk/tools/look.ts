/** Look: drags the paper about. */
import type { Tool } from "./tool.ts";

export const lookTool: Tool = { cursor: "grab", lightsPockets: false, press: () => undefined };

/** Inspect: names the line under the pointer; the reading itself is shown by the tray. */
export const inspectTool: Tool = { cursor: "help", lightsPockets: false, press: () => undefined };
