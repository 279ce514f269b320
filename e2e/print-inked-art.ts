/** Prints the drawings of the fringe test as JSON: what each shows at every scale, and what of it has to be covered. */
import "reflect-metadata";
import { type InkedArt, outlinedArt, SCALES, scannedArt, windowOf } from "../core/formats/inked-art.ts";

const viewsOf = (art: InkedArt) =>
  SCALES.map((scale) => {
    const { pixels, shown } = windowOf(art, scale);
    const name = `${art.name} at ${scale} pixels a unit`;
    return { name, pixels, svg: shown(art.svg), covered: shown(art.covered) };
  });

process.stdout.write(JSON.stringify([...outlinedArt().slice(0, 12), ...scannedArt()].map(viewsOf)));
