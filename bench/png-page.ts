/** Runs in the browser for bench/png.ts: a drawing as PNG, band by band and whole. */
import { paintParts } from "../app/painting/canvas-painter.ts";
import { canvasStudio } from "../app/work/canvas-studio.ts";
import { filesOf } from "../core/deliver/files.ts";
import { pictureOf } from "../core/deliver/picture.ts";
import { readDrawingFile } from "../core/formats/drawing-file.ts";
import { writeSvg } from "../core/formats/svg-write.ts";
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

function sceneIn(text: string, ratio?: number) {
  const read = readDrawingFile(text);
  const { box } = read.page;
  const page = { ...read.page, box: { ...box, height: ratio ? box.width * ratio : box.height } };
  const drawing = { ...read, page };
  const pockets = new DrawingReader().read(drawing).pockets.filter(({ hidden }) => !hidden);
  return sceneOf(drawing, derive(drawing, pockets));
}

/** Seconds that another kind of file takes at 18 in and 350 ppi. */
async function fileTime(text: string, as: "pdf" | "layers", deflate: string): Promise<number> {
  const scene = sceneIn(text, 4 / 3);
  const begun = performance.now();
  await filesOf(
    scene,
    { as, name: "lantern", ppi: 350, widthInches: 18 },
    studioWith(deflate),
    async () => true,
  );
  return (performance.now() - begun) / 1000;
}

/** Milliseconds of painting at a width, by us and by the browser's own SVG: the middle of seven each, in turn. */
async function paintTimes(text: string, width: number): Promise<{ ours: number; svg: number }> {
  const scene = sceneIn(text);
  const scale = width / scene.box.width;
  const canvas = new OffscreenCanvas(width, Math.round(scene.box.height * scale));
  const context = canvas.getContext("2d", { willReadFrequently: true })!;
  const picture = new Image();
  picture.src = URL.createObjectURL(new Blob([writeSvg(scene)], { type: "image/svg+xml" }));
  await picture.decode();
  const timed = (paint: () => void): number => {
    const begun = performance.now();
    context.clearRect(0, 0, canvas.width, canvas.height);
    paint();
    context.getImageData(0, 0, 1, 1);
    return performance.now() - begun;
  };
  const view = { scale, x: -scene.box.x * scale, y: -scene.box.y * scale };
  const times = Array.from({ length: 9 }, (_, k) => [
    timed(() => paintParts(context, scene.parts, view)),
    // Drawn a little wider each time, so that no kept picture of it serves.
    timed(() => context.drawImage(picture, 0, 0, canvas.width + k, canvas.height + k)),
  ]).slice(2);
  const middle = (of: number) => times.map((pair) => pair[of]).sort((a, b) => a - b)[3];
  return { ours: middle(0), svg: middle(1) };
}

async function pngTimes(
  text: string,
  width: number,
  height: number,
  beside: boolean,
  deflate: string,
): Promise<PngTimes> {
  const scene = sceneIn(text, height / width);
  const studio = studioWith(deflate);
  const begun = performance.now();
  const parts = await pictureOf(scene, { size: { width, height }, ppi: 350 }, studio, async () => true);
  const blob = new Blob(parts as BlobPart[]);
  const banded = (performance.now() - begun) / 1000;
  const sizes = { pixels: width * height, banded, bytes: blob.size };
  if (!beside) return sizes;
  const again = performance.now();
  const canvas = new OffscreenCanvas(width, height);
  const scale = width / scene.box.width;
  paintParts(canvas.getContext("2d")!, scene.parts, {
    scale,
    x: -scene.box.x * scale,
    y: -scene.box.y * scale,
  });
  await canvas.convertToBlob({ type: "image/png" });
  return { ...sizes, whole: (performance.now() - again) / 1000 };
}

Object.assign(globalThis, { pngTimes, fileTime, paintTimes });
