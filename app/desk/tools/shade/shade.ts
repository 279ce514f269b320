/** Shade: shapes drawn freehand beneath the ink, trimmed to the pocket they begin in or otherwise. */
import { Sun } from "lucide-react";
import { colouring } from "../colour/colouring.ts";
import type { Tool } from "../tool.ts";
import { ShadePanel } from "./shade-panel.tsx";
import { shade } from "./shade-state.ts";

export const shadeTool: Tool = {
  name: shade.name,
  word: "Shade",
  hint: "Draw a shape; it is trimmed to the pocket it begins in. Click a shape to choose it",
  icon: Sun,
  lights: true,
  ...colouring(shade),
  Panel: ShadePanel,
};
