/** Where the browser makes pictures: painted on a canvas band by band, compressed meanwhile by a worker of its own. */
import * as Comlink from "comlink";
import type { Bands, Deflater, Studio } from "#core/deliver/studio.ts";
import type { Size } from "#core/geometry/point.ts";
import { BLUR_REACH } from "#core/scene/item-box.ts";
import type { Scene } from "#core/scene/scene.ts";
import { paintParts } from "../painting/canvas-painter.ts";
import type { DeflateWork } from "./deflate.worker.ts";

/** `startDeflate` starts deflate.worker.ts. */
export const canvasStudio = (startDeflate: () => Worker): Studio => ({
  bands: canvasBands,
  deflater: () => deflaterIn(startDeflate()),
});

/** Pixels of a band. */
const BAND = 4_000_000;
/** No canvas is wider. */
const WIDEST = 32_767;
/** Pixels of a canvas, with what is painted beyond the band because it is soft. */
const MOST_PIXELS = 32_000_000;
/** Browsers dither gradients by the pixel's place on its canvas, in squares of this many pixels. */
const DITHER = 8;

/** What is soft is painted some way beyond a band too. */
function canvasBands(scene: Scene, size: Size): Bands {
  const { width, height } = size;
  if (width > WIDEST)
    throw new Error(`The picture would be ${width} pixels wide; browsers paint up to ${WIDEST}.`);
  const scale = width / scene.box.width;
  const soft = Math.min(BLUR_REACH * mostBlur(scene) * scale, MOST_PIXELS / 3 / width);
  const margin = DITHER * Math.ceil(soft / DITHER);
  const wanted = Math.min(height, Math.max(BAND / width, margin));
  const rows = DITHER * Math.ceil(wanted / DITHER);
  const canvas = new OffscreenCanvas(width, rows + 2 * margin);
  const context = canvas.getContext("2d", { willReadFrequently: true });
  if (!context) throw new Error("This browser cannot paint a picture that large.");
  const { x, y } = scene.box;
  const paint = (k: number) => {
    const top = k * rows;
    context.clearRect(0, 0, width, rows + 2 * margin);
    const within = {
      x,
      y: y + (top - margin) / scale,
      width: scene.box.width,
      height: (rows + 2 * margin) / scale,
    };
    paintParts(context, scene.parts, { scale, x: -x * scale, y: margin - top - y * scale }, within);
    return context.getImageData(0, margin, width, Math.min(rows, height - top)).data;
  };
  return { count: Math.ceil(height / rows), paint };
}

const mostBlur = ({ parts }: Scene): number => {
  let most = 0;
  for (const { sheets } of parts)
    for (const { items } of sheets) for (const { effects } of items) most = Math.max(most, effects.blur ?? 0);
  return most;
};

/** One band is compressed while the next is painted; a third waits. */
function deflaterIn(worker: Worker): Deflater {
  const work = Comlink.wrap<DeflateWork>(worker);
  let before: Promise<void> = Promise.resolve();
  return {
    write: async (bytes) => {
      await before;
      before = work.write(Comlink.transfer(bytes, [bytes.buffer]));
      // Whoever writes next, or ends it, hears of it.
      before.catch(() => {});
    },
    end: async () => {
      await before;
      return work.end();
    },
    close: () => worker.terminate(),
  };
}
