/** The tools each stage lays on the tray. */
import {
  Circle,
  Droplet,
  Eraser,
  Feather,
  Hand,
  HelpCircle,
  Link2,
  type LucideIcon,
  Magnet,
  PenLine,
  Pipette,
  Scissors,
  Shapes,
  Spline,
  Sun,
  Unlink2,
} from "lucide-react";
import type { Stage, ToolName } from "./store/desk-store.ts";

export interface TrayItem {
  readonly tool: ToolName;
  readonly word: string;
  readonly hint: string;
  readonly icon: LucideIcon;
}

const LOOK: TrayItem = { tool: "look", word: "Look", hint: "Drag the paper about", icon: Hand };

export const TRAYS: Readonly<Record<Stage, readonly TrayItem[]>> = {
  Lines: [
    {
      tool: "draw",
      word: "Draw",
      hint: "Draw a line freehand, from point to point, as an oval or a box",
      icon: PenLine,
    },
    {
      tool: "tidy",
      word: "Tidy",
      hint: "Fewer points, within a tolerance; click corners to pin them",
      icon: Feather,
    },
    { tool: "trim", word: "Trim", hint: "Click a loose tail, or drag across many", icon: Scissors },
    { tool: "bend", word: "Bend", hint: "Drag the points and handles of a line", icon: Spline },
    { tool: "arrange", word: "Arrange", hint: "Choose lines to move, scale, turn or recolour", icon: Shapes },
    LOOK,
  ],
  Gaps: [
    {
      tool: "explain",
      word: "Explain",
      hint: "Click an open area to see how colour would get out",
      icon: HelpCircle,
    },
    { tool: "bridge", word: "Bridge", hint: "Draw a closing line from line to line", icon: Link2 },
    { tool: "unbridge", word: "Unbridge", hint: "Click a bridge to take it away", icon: Unlink2 },
    {
      tool: "pull",
      word: "Pull",
      hint: "Click a loose end to pull it onto the line it should meet, or drag it there",
      icon: Magnet,
    },
    LOOK,
  ],
  Flats: [
    { tool: "pour", word: "Pour", hint: "Click a pocket, or drag across many", icon: Droplet },
    { tool: "empty", word: "Empty", hint: "Take the colour out again", icon: Eraser },
    {
      tool: "dip",
      word: "Dip",
      hint: "Take up the colour under the pointer (hold D with any tool)",
      icon: Pipette,
    },
    LOOK,
  ],
  Light: [
    {
      tool: "shade",
      word: "Shade",
      hint: "Draw a shape; it is trimmed to the pocket it begins in",
      icon: Sun,
    },
    { tool: "adjust", word: "Adjust", hint: "Click a shade to change or remove it", icon: Circle },
    {
      tool: "dip",
      word: "Dip",
      hint: "Take up the colour under the pointer (hold D with any tool)",
      icon: Pipette,
    },
    LOOK,
  ],
  Deliver: [LOOK],
};
