/** Prints the drawings of the fringe test as JSON: what each shows at every scale, and what of it has to be covered. */
import {
  clothedArt,
  glazedArt,
  type InkedArt,
  litArt,
  outlinedArt,
  partedArt,
  SCALES,
  scannedArt,
  windowOf,
} from "./inked-art.ts";
import { SOAK } from "./long-runs.ts";

const viewsOf = (art: InkedArt) =>
  SCALES.map((scale) => {
    const { pixels, shown } = windowOf(art, scale);
    const name = `${art.name} at ${scale} pixels a unit`;
    return { name, pixels, svg: shown(art.svg), covered: shown(art.covered) };
  });

const art = [
  ...outlinedArt().slice(0, SOAK ? 12 : 1),
  ...scannedArt(),
  ...clothedArt().slice(0, SOAK ? 2 : 1),
  ...glazedArt().slice(0, SOAK ? 2 : 1),
  ...litArt().slice(0, 1),
  ...partedArt().slice(0, SOAK ? 2 : 1),
];

process.stdout.write(JSON.stringify(art.map(viewsOf)));
