import type { Settings } from "../tool.ts";
import { madeShare, madeSoft, madeSteps, madeSwitch } from "./made-fields.tsx";

/** Settings of form shade. */
export const formFields: Settings = {
  "Tones of form shade": madeSteps("form", "tones", "Tones", { min: 1, max: 3 }),
  "Steps of form shade": madeSteps("form", "deeper", "Steps"),
  "Reach of form shade": madeShare("form", "reach", "Reach"),
  Roundness: madeShare("form", "roundness", "Round"),
  "Softness of form shade": madeSoft("form", "soft"),
  Shine: madeShare("form", "shine", "Shine"),
  "Ink folds": madeSwitch("form", "folds", "Ink folds"),
  "Part as one form": madeSwitch("form", "whole", "Part as one"),
};
