import type { Blend } from "#core/drawing/drawing.ts";
import { toolState } from "../tool-state.ts";

interface Settings {
  readonly blend: Blend;
  readonly opacity: number;
}

/** How the next shade is laid. */
export const shade = toolState<Settings, object>("shade", { blend: "multiply", opacity: 0.45 }, {});
