/** A picture painted band by band and compressed as it comes: it is never whole in memory. */
import { PaletteFinder, pngData, pngHead, pngTail, RowFilter } from "#core/formats/png-chunks.ts";
import type { Scene } from "#core/scene/scene.ts";
import { type Context, paintParts } from "../painting/canvas-painter.ts";
import type { Size } from "../painting/view.ts";

export interface PngWish {
  readonly size: Size;
  readonly ppi: number;
}

/** Pixels of a band. */
const BAND = 4_000_000;
/** No canvas is wider. */
export const WIDEST = 32_767;
/** Beyond so many standard deviations a blur leaves nothing. */
const BLUR_REACH = 3;
const MOST_MARGIN = 600;

/** Undefined where it was stopped. Tells how much is done, 0 to 1. */
export async function pngOf(
  scene: Scene,
  { size, ppi }: PngWish,
  isStopped: () => boolean,
  onProgress: (share: number) => void,
): Promise<Blob | undefined> {
  if (size.width > WIDEST)
    throw new Error(`The picture would be ${size.width} pixels wide; browsers paint up to ${WIDEST}.`);
  const bands = new Bands(scene, size);
  const palette = await paletteOf(bands, isStopped);
  const facts = { ...size, ppi, title: scene.title, ...(palette && { palette: palette.palette() }) };
  const parts: BlobPart[] = pngHead(facts) as BlobPart[];
  const stream = new CompressionStream("deflate");
  const taken = takeAll(stream.readable, parts);
  const writer = stream.writable.getWriter();
  const filter = new RowFilter(palette ? size.width : 4 * size.width);
  for (let k = 0; k < bands.count; k++) {
    const rows = bands.paint(k);
    await writer.write(
      (palette ? filter.numbers(palette.take(rows)!) : filter.colours(rows)) as Uint8Array<ArrayBuffer>,
    );
    onProgress((k + 1) / bands.count);
    await messagesHeard();
    if (!isStopped()) continue;
    await Promise.allSettled([writer.abort(), taken]);
    return undefined;
  }
  await writer.close();
  await taken;
  parts.push(pngTail() as BlobPart);
  return new Blob(parts, { type: "image/png" });
}

/** A wish to stop comes as a message: it is heard between bands. */
const messagesHeard = (): Promise<void> => new Promise((resolve) => setTimeout(resolve));

async function takeAll(readable: ReadableStream<Uint8Array>, parts: BlobPart[]): Promise<void> {
  const reader = readable.getReader();
  for (;;) {
    const { value, done } = await reader.read();
    if (done) return;
    parts.push(pngData(value) as BlobPart);
  }
}

/** The colours of the whole picture where a palette holds them: most pictures have more in their first band. */
async function paletteOf(bands: Bands, isStopped: () => boolean): Promise<PaletteFinder | undefined> {
  const finder = new PaletteFinder();
  for (let k = 0; k < bands.count; k++) {
    if (!finder.take(bands.paint(k))) return undefined;
    await messagesHeard();
    if (isStopped()) return undefined;
  }
  return finder;
}

/** Runs of rows of a picture. */
class Bands {
  readonly count: number;
  private readonly rows: number;
  private readonly margin: number;
  private readonly context: Context;

  constructor(
    private readonly scene: Scene,
    private readonly size: Size,
  ) {
    const { width, height } = size;
    this.rows = Math.max(1, Math.min(height, Math.floor(BAND / width)));
    this.count = Math.ceil(height / this.rows);
    this.margin = Math.min(MOST_MARGIN, Math.ceil(BLUR_REACH * mostBlur(scene) * this.scale));
    const canvas = new OffscreenCanvas(width, this.rows + 2 * this.margin);
    const context = canvas.getContext("2d", { willReadFrequently: true });
    if (!context) throw new Error("This browser cannot paint a picture that large.");
    this.context = context;
  }

  private get scale(): number {
    return this.size.width / this.scene.box.width;
  }

  /** Straight red, green, blue and alpha. What is soft is painted some way beyond the band too. */
  paint(k: number): Uint8ClampedArray {
    const { context, rows, margin, scale, scene, size } = this;
    const top = k * rows;
    const { x, y, width } = scene.box;
    context.clearRect(0, 0, size.width, rows + 2 * margin);
    const within = { x, y: y + (top - margin) / scale, width, height: (rows + 2 * margin) / scale };
    paintParts(context, scene.parts, { scale, x: -x * scale, y: margin - top - y * scale }, within);
    return context.getImageData(0, margin, size.width, Math.min(rows, size.height - top)).data;
  }
}

const mostBlur = ({ parts }: Scene): number => {
  let most = 0;
  for (const { sheets } of parts)
    for (const { items } of sheets) for (const { effects } of items) most = Math.max(most, effects.blur ?? 0);
  return most;
};
