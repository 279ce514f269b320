/** Finds the main colours of a picture (core/colour/picture-colours.ts). */
import * as Comlink from "comlink";
import { type ColourTree, coloursIn, colourTree, type PictureColour } from "#core/colour/picture-colours.ts";

/** A picture as it is looked at: no larger than colours need. */
export interface SeenPicture {
  readonly width: number;
  readonly height: number;
}

/** Pixels along the longer side. */
const LONGEST = 320;

let tree: ColourTree;

/** Throws where the file is no picture that this browser reads. */
async function look(file: Blob): Promise<SeenPicture> {
  const bitmap = await createImageBitmap(file);
  const scale = Math.min(1, LONGEST / Math.max(bitmap.width, bitmap.height));
  const [width, height] = [bitmap.width, bitmap.height].map((n) => Math.max(1, Math.round(n * scale)));
  const context = new OffscreenCanvas(width, height).getContext("2d", { willReadFrequently: true })!;
  context.drawImage(bitmap, 0, 0, width, height);
  bitmap.close();
  tree = colourTree(context.getImageData(0, 0, width, height));
  return { width, height };
}

/**
 * The wanted number of colours of the picture that was looked at last, and for each pixel the number of its
 * colour.
 */
function colours(count: number): { colours: PictureColour[]; colourOf: Uint8Array } {
  const found = coloursIn(tree, count);
  return Comlink.transfer(found, [found.colourOf.buffer as ArrayBuffer]);
}

const work = { look, colours };

export type PaletteWork = typeof work;

Comlink.expose(work);
