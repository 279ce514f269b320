import { colouringTray } from "../colour/colour-tray.tsx";
import { shade } from "./shade-state.ts";

/** How shade is drawn, what it is trimmed to, and how it lies over what is beneath. */
export const shadeTray = colouringTray({
  of: shade,
  sheets: ["shade", "light", "gloss"],
  trims: ["pocket", "part", "coloured", "free"],
});
