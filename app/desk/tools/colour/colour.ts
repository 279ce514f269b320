/** Colour: drawn freehand, with a nib, from point to point, as an oval or a box; rubbed away; united and cut. */
import { Brush } from "lucide-react";
import type { Tool } from "../tool.ts";
import { colour } from "./colour-state.ts";
import { colourTray } from "./colour-tray.tsx";
import { colouring } from "./colouring.ts";

export const colourTool: Tool = {
  name: colour.name,
  word: "Colour",
  hint: "Draw colour without lines to hold it; click a shape to choose it, Alt-drag moves it",
  icon: Brush,
  ...colouring(colour),
  settings: colourTray,
};
