import { ColouringPanel } from "../colour/colour-panel.tsx";
import { shade } from "./shade-state.ts";

/** How shade is drawn, what it is trimmed to, and how it lies over what is beneath. */
export const ShadePanel = () => (
  <ColouringPanel
    of={shade}
    sheets={["shade", "light", "gloss"]}
    trims={["pocket", "part", "coloured", "free"]}
  />
);
