/** The tools each stage lays on the tray. */
import {
  Circle,
  Droplet,
  Eraser,
  Hand,
  HelpCircle,
  Link2,
  type LucideIcon,
  Magnet,
  Move,
  Pipette,
  Ruler,
  Sun,
  Unlink2,
} from "lucide-react";
import type { Stage, ToolName } from "./desk-store.ts";

export interface TrayItem {
  readonly tool: ToolName;
  readonly word: string;
  readonly hint: string;
  readonly icon: LucideIcon;
}

const LOOK: TrayItem = { tool: "look", word: "Look", hint: "Drag the paper about", icon: Hand };

export const TRAYS: Readonly<Record<Stage, readonly TrayItem[]>> = {
  Lines: [
    { tool: "move", word: "Move", hint: "Drag a line; its pockets keep their colours", icon: Move },
    LOOK,
    { tool: "inspect", word: "Inspect", hint: "Point at a line to see its width and name", icon: Ruler },
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
