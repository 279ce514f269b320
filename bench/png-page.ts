/** Runs in the browser for bench/png.ts: a drawing as PNG, band by band and whole. */
import { paintParts } from "../app/painting/canvas-painter.ts";
import { canvasStudio } from "../app/work/canvas-studio.ts";
import { pictureOf } from "../core/deliver/picture.ts";
import { readDrawingFile } from "../core/formats/drawing-file.ts";
import { DrawingReader } from "../core/pockets/drawing-reader.ts";
import { derive, sceneOf } from "../core/scene/scene.ts";

export interface PngTimes {
  readonly pixels: number;
  /** Seconds, and bytes of the file. */
  readonly banded: number;
  readonly bytes: number;
  /** The same as one canvas, where that is asked for and can be had. */
  readonly whole?: number;
}

/** `deflate` is the text of the worker that compresses. */
const studioWith = (deflate: string) =>
  canvasStudio(() => new Worker(URL.createObjectURL(new Blob([deflate], { type: "text/javascript" }))));

async function pngTimes(
  text: string,
  width: number,
  height: number,
  beside: boolean,
  deflate: string,
): Promise<PngTimes> {
  const read = readDrawingFile(text);
  const { box } = read.page;
  const page = { ...read.page, box: { ...box, height: (box.width * height) / width } };
  const drawing = { ...read, page };
  const pockets = new DrawingReader().read(drawing).pockets.filter(({ hidden }) => !hidden);
  const scene = sceneOf(drawing, derive(drawing, pockets));
  const studio = studioWith(deflate);
  const begun = performance.now();
  const parts = await pictureOf(scene, { size: { width, height }, ppi: 350 }, studio, async () => true);
  const blob = new Blob(parts as BlobPart[]);
  const banded = (performance.now() - begun) / 1000;
  const sizes = { pixels: width * height, banded, bytes: blob.size };
  if (!beside) return sizes;
  const again = performance.now();
  const canvas = new OffscreenCanvas(width, height);
  const scale = width / page.box.width;
  paintParts(canvas.getContext("2d")!, scene.parts, {
    scale,
    x: -page.box.x * scale,
    y: -page.box.y * scale,
  });
  await canvas.convertToBlob({ type: "image/png" });
  return { ...sizes, whole: (performance.now() - again) / 1000 };
}

Object.assign(globalThis, { pngTimes });
