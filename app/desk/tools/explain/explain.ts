/** Explain: shows how colour would get out of the place clicked, and what would close it. */
import { HelpCircle } from "lucide-react";
import { pocketAt } from "#core/scene/scene.ts";
import { freshGaps } from "../../gaps/fresh-gaps.ts";
import type { Tool } from "../tool.ts";

export const explainTool: Tool = {
  name: "explain",
  word: "Explain",
  hint: "Click an open area to see how colour would get out",
  icon: HelpCircle,
  cursor: "help",
  lights: true,
  places: (desk) => freshGaps(desk).openings.map(({ at }) => at),
  press: ({ desk, at }) => {
    const { derived, explainLeak, forgetLeak, tell } = desk.getState();
    if (pocketAt(derived.pockets, at)) {
      forgetLeak();
      tell("This pocket is closed: colour stays in it.");
    } else void explainLeak(at);
    return undefined;
  },
};
