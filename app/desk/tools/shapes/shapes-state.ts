import { toolState } from "../tool-state.ts";

interface Settings {
  /** Whether shapes are taken as a whole, or one of them by its points. */
  readonly by: "whole" | "points";
}

export const shapes = toolState<Settings, object>("shapes", { by: "whole" }, {});
