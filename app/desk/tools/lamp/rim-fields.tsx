import type { Settings } from "../tool.ts";
import { madeLength, madeSoft, madeSteps, madeSwitch } from "./made-fields.tsx";

/** Settings of the light along the edge that faces the lamp. Lengths are shares of the page's width. */
export const rimFields: Settings = {
  "Steps lighter of the rim": madeSteps("rim", "deeper", "Steps lighter", { lighter: true }),
  "Width of the rim": madeLength("rim", "width", "Width of the rim", {
    word: "Width",
    most: 0.06,
    least: 1e-4,
  }),
  "How far the rim stays back": madeLength("rim", "gap", "How far it stays back", {
    word: "Back",
    most: 0.04,
  }),
  "Softness of the rim": madeSoft("rim", "soft"),
  "Rim from behind": madeSwitch("rim", "behind", "From behind"),
};
