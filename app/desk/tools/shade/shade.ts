/** Shade: shapes drawn freehand beneath the ink, trimmed to the pocket they begin in or otherwise. */
import { Sun } from "lucide-react";
import { colouring } from "../colour/colouring.ts";
import type { Tool } from "../tool.ts";
import { shade } from "./shade-state.ts";
import { shadeTray } from "./shade-tray.tsx";

export const shadeTool: Tool = {
  name: shade.name,
  word: "Shade",
  hint: "Draw a shape; it is trimmed to the pocket it begins in. Click a shape to choose it",
  icon: Sun,
  lights: true,
  ...colouring(shade),
  settings: shadeTray,
};
