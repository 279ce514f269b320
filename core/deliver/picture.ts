/** A scene as a PNG, band by band. */
import { PaletteFinder, pngData, pngHead, pngTail, RowFilter } from "../formats/png-chunks.ts";
import type { Size } from "../geometry/point.ts";
import type { Scene } from "../scene/scene.ts";
import { type Bands, type GoOn, goOnOrStop, type Studio } from "./studio.ts";

export interface PictureRequest {
  readonly size: Size;
  readonly ppi: number;
}

/** A PNG in pieces: with a palette where the whole picture has few colours. Throws Stopped where it was stopped. */
export async function pictureOf(
  scene: Scene,
  { size, ppi }: PictureRequest,
  studio: Studio,
  goOn: GoOn,
): Promise<Uint8Array[]> {
  const bands = studio.bands(scene, size);
  const palette = await paletteOf(bands, goOn);
  const head = pngHead({
    ...size,
    ppi,
    title: scene.title,
    ...(palette && { palette: palette.palette() }),
  });
  const filter = new RowFilter(palette ? size.width : 4 * size.width);
  const pixels = await deflated(bands, studio, goOn, (rows) =>
    palette ? filter.numbers(palette.take(rows)!) : filter.colours(rows),
  );
  return [...head, ...pixels.map(pngData), pngTail()];
}

/** All bands through a filter and a deflater. */
export async function deflated(
  bands: Bands,
  studio: Studio,
  goOn: GoOn,
  filtered: (rows: Uint8Array | Uint8ClampedArray, band: number) => Uint8Array,
): Promise<readonly Uint8Array[]> {
  const deflater = studio.deflater();
  try {
    for (let k = 0; k < bands.count; k++) {
      await deflater.write(filtered(bands.paint(k), k));
      await goOnOrStop(goOn, (k + 1) / bands.count);
    }
    return await deflater.end();
  } finally {
    deflater.close();
  }
}

/** The colours of the whole picture where a palette holds them: most pictures have more in their first band. */
async function paletteOf(bands: Bands, goOn: GoOn): Promise<PaletteFinder | undefined> {
  const finder = new PaletteFinder();
  for (let k = 0; k < bands.count; k++) {
    if (!finder.take(bands.paint(k))) return undefined;
    await goOnOrStop(goOn, 0);
  }
  return finder;
}
