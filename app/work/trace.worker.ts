/** Reads a scan: keeps its pixels and what has been found in them, away from the interface. */
import * as Comlink from "comlink";
import type { Drawing, Tile } from "#core/drawing/drawing.ts";
import { type Grey, greyOf, type Placing, placed } from "#core/lines/trace/grey.ts";
import { onEvenPaper } from "#core/lines/trace/paper.ts";
import { automaticThreshold } from "#core/lines/trace/threshold.ts";
import { tileOf } from "#core/lines/trace/tile.ts";
import { TooFine } from "#core/lines/trace/too-fine.ts";
import { type FoundInk, findInk, type TraceSettings } from "#core/lines/trace/trace.ts";
import {
  type Reading,
  type ReadRegion,
  readInk,
  type Traced,
  tracedDrawing,
} from "#core/lines/trace/traced-drawing.ts";

/** Megapixels of the largest scan: A3 at 600 pixels per inch. */
export const MOST_MEGAPIXELS = 70;
/** Rows that are turned to grey in one go. */
const BAND_ROWS = 512;

export type Loaded =
  | { readonly ok: true; readonly width: number; readonly height: number }
  | { readonly ok: false; readonly message: string };

/** A scan on even paper, small enough to try thresholds on as fast as a hand moves. */
export interface PaperPreview {
  readonly grey: Grey;
  /** Pixels of the scan to one of the preview. */
  readonly scale: number;
  /** The threshold that was found. */
  readonly threshold: number;
}

let scan: Grey | undefined;
let laid: Grey | undefined;
let ink: FoundInk | undefined;
let traced: Traced | undefined;

/** The picture's own orientation is heeded. */
async function load(file: Blob): Promise<Loaded> {
  try {
    const picture = await createImageBitmap(file, { imageOrientation: "from-image" });
    const { width, height } = picture;
    if (width * height > MOST_MEGAPIXELS * 1e6)
      return {
        ok: false,
        message: `The picture has ${Math.round((width * height) / 1e6)} megapixels; Fern Pocket reads up to ${MOST_MEGAPIXELS}.`,
      };
    scan = greyInBands(picture);
    picture.close();
    laid = scan;
    return { ok: true, width, height };
  } catch {
    return { ok: false, message: "This picture cannot be read; PNG, JPEG and WebP can." };
  }
}

/** Band by band: all of its colours at once would take four times the memory. */
function greyInBands(picture: ImageBitmap): Grey {
  const { width, height } = picture;
  const data = new Uint8Array(width * height);
  const canvas = new OffscreenCanvas(width, Math.min(height, BAND_ROWS));
  const context = canvas.getContext("2d", { willReadFrequently: true })!;
  for (let top = 0; top < height; top += BAND_ROWS) {
    const rows = Math.min(BAND_ROWS, height - top);
    context.clearRect(0, 0, width, rows);
    context.drawImage(picture, 0, -top);
    data.set(greyOf(context.getImageData(0, 0, width, rows).data, width, rows).data, top * width);
  }
  return { width, height, data };
}

const PREVIEW_PIXELS = 1100;

/** Turns and crops the scan from how it was loaded. */
function lay(placing: Placing): PaperPreview {
  laid = placed(scan!, placing);
  ink = undefined;
  traced = undefined;
  const scale = Math.max(1, Math.max(laid.width, laid.height) / PREVIEW_PIXELS);
  const grey = onEvenPaper(smaller(laid, scale));
  return { grey, scale, threshold: automaticThreshold(grey) };
}

/** A picture with each pixel the mean of those it stands for. */
function smaller(grey: Grey, scale: number): Grey {
  if (scale === 1) return grey;
  const width = Math.round(grey.width / scale);
  const height = Math.round(grey.height / scale);
  const data = new Uint8Array(width * height);
  for (let y = 0, i = 0; y < height; y++)
    for (let x = 0; x < width; x++, i++) {
      let sum = 0;
      let count = 0;
      const bottom = Math.min(grey.height, Math.ceil((y + 1) * scale));
      const right = Math.min(grey.width, Math.ceil((x + 1) * scale));
      for (let py = Math.floor(y * scale); py < bottom; py++)
        for (let px = Math.floor(x * scale); px < right; px++) {
          sum += grey.data[py * grey.width + px];
          count++;
        }
      data[i] = sum / count;
    }
  return { width, height, data };
}

export interface ReadOptions {
  readonly settings: TraceSettings;
  readonly reading: Reading;
  readonly regions: readonly ReadRegion[];
}

export type Read =
  | { readonly ok: true; readonly traced: Traced }
  | { readonly ok: false; readonly message: string };

/** Reads the ink; what was found before is kept for as long as its settings are the same. */
function read(
  { settings, reading, regions }: ReadOptions,
  again: boolean,
  onProgress: (share: number) => void,
): Read {
  try {
    if (again || !ink) ink = findInk(laid!, settings, (share) => onProgress(share * 0.8));
    onProgress(0.8);
    traced = readInk(ink, reading, regions);
    onProgress(1);
    return { ok: true, traced };
  } catch (error) {
    ink = undefined;
    if (error instanceof TooFine) return { ok: false, message: error.message };
    return { ok: false, message: "The ink could not be read. Another threshold or crop may help." };
  }
}

/** Pixels along the longer side of a picture that is to repeat. */
const TILE_PIXELS = 240;
const TILE_TONES = 3;

/** A picture as a tile. Throws where the file is no picture that this browser reads. */
async function tile(file: Blob): Promise<Pick<Tile, "ratio" | "tones">> {
  const picture = await createImageBitmap(file, { imageOrientation: "from-image" });
  const scale = Math.min(1, TILE_PIXELS / Math.max(picture.width, picture.height));
  const [width, height] = [picture.width, picture.height].map((n) => Math.max(1, Math.round(n * scale)));
  const context = new OffscreenCanvas(width, height).getContext("2d")!;
  context.drawImage(picture, 0, 0, width, height);
  picture.close();
  return tileOf(greyOf(context.getImageData(0, 0, width, height).data, width, height), TILE_TONES);
}

/** What was read last as a drawing. */
const drawing = (name: string, ppi: number): Drawing => tracedDrawing(name, traced!, laid!, ppi);

const work = { load, lay, read, drawing, tile };

export type TraceWork = typeof work;

Comlink.expose(work);
