import { colouringState } from "../colour/colour-state.ts";

/** How the next shade is drawn and laid. */
export const shade = colouringState("shade", {
  sheet: "shade",
  trim: "pocket",
  blend: "multiply",
  opacity: 0.45,
});
