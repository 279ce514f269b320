/** Look: drags the paper about. */
import { Hand } from "lucide-react";
import type { Tool } from "../tool.ts";

/** Drags follow the pointer in screen pixels, since the page moves under it. */
export const lookTool: Tool = {
  name: "look",
  word: "Look",
  hint: "Drag the paper about",
  icon: Hand,
  cursor: "grab",
  press: ({ desk, screen }) => {
    let last = screen;
    return {
      move: ({ screen: [x, y] }) => {
        const { view, moveView } = desk.getState();
        moveView({ ...view, x: view.x + x - last[0], y: view.y + y - last[1] });
        last = [x, y];
      },
    };
  },
};
