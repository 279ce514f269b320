/** Scans of the demo drawings traced: how long it takes, how well the ink is covered, whether the pockets are those drawn. */
import { readFileSync } from "node:fs";
import { Resvg } from "@resvg/resvg-js";
import type { Drawing } from "../core/drawing/drawing.ts";
import { newDrawing } from "../core/drawing/new-drawing.ts";
import { readSvg } from "../core/formats/svg-read.ts";
import { writeSvg } from "../core/formats/svg-write.ts";
import { curveCount } from "../core/geometry/cubic.ts";
import type { Point } from "../core/geometry/point.ts";
import { regionContains } from "../core/geometry/polygon.ts";
import { lengthOf } from "../core/lines/trace/centre-lines.ts";
import type { Mask } from "../core/lines/trace/mask.ts";
import { findInk, TRACE_SETTINGS } from "../core/lines/trace/trace.ts";
import { readInk, tracedDrawing } from "../core/lines/trace/traced-drawing.ts";
import { LineReader } from "../core/pockets/line-reader.ts";
import type { Pocket } from "../core/pockets/pockets.ts";
import { derive, sceneOf } from "../core/scene/scene.ts";
import { inPixels, type Scan, scanOf } from "../demo/scan/scanner.ts";

const DRAWINGS = ["scan/radishes", "almanac-boot", "almanac-kettle", "almanac-snail", "almanac-lantern"];
const PIXELS = 3000;
const LIMIT_S = 6;
const LINES_IOU = 0.93;
const SHAPES_IOU = 0.97;

export function traceBench(): void {
  for (const [k, file] of DRAWINGS.entries()) {
    const svg = readFileSync(`demo/${file}.svg`, "utf8");
    const scan = scanOf(svg, { pixels: PIXELS, seed: 7 + k });
    const begun = performance.now();
    const ink = findInk(scan.grey, TRACE_SETTINGS);
    const found = performance.now();
    const lines = readInk(ink, "lines");
    const lined = performance.now();
    const shapes = readInk(ink, "shapes");
    const shaped = performance.now();
    const asLines = tracedDrawing("", lines, scan.grey);
    const asShapes = tracedDrawing("", shapes, scan.grey);
    const length = lines.lines.reduce((sum, line) => sum + lengthOf(line), 0);
    const cubics = lines.lines.reduce((sum, line) => sum + curveCount(line.points), 0);
    console.log(`${file}: ${scan.grey.width} x ${scan.grey.height} pixels`);
    console.log(
      `  lines in ${seconds(lined - begun)} s, shapes in ${seconds(found - begun + shaped - lined)} s (limit ${LIMIT_S} s)`,
    );
    console.log(
      `  lines:  ${lines.lines.length}, one cubic every ${(length / cubics).toFixed(0)} pixels; IoU ${iou(asLines, ink.mask.data).toFixed(4)} (limit ${LINES_IOU})`,
    );
    console.log(
      `  shapes: ${shapes.shapes.length}; IoU ${iou(asShapes, ink.mask.data).toFixed(4)} (limit ${SHAPES_IOU})`,
    );
    console.log(
      `  pockets: lines ${comparePockets(svg, scan, ink.mask, asLines)}; shapes ${comparePockets(svg, scan, ink.mask, asShapes)}`,
    );
  }
}

const seconds = (ms: number): string => (ms / 1000).toFixed(2);

const pocketsIn = (drawing: Drawing): Pocket[] =>
  new LineReader().read(drawing).filter(({ hidden }) => !hidden);

/** Ink in common by all ink, of the traced drawing rendered again and the scan. */
function iou(drawing: Drawing, mask: Uint8Array): number {
  const svg = writeSvg(sceneOf(drawing, derive(drawing, [])));
  const { pixels } = new Resvg(svg, { fitTo: { mode: "width", value: drawing.page.box.width } }).render();
  let both = 0;
  let either = 0;
  for (let i = 0; i < mask.length; i++) {
    const drawn = pixels[4 * i + 3] >= 128;
    if (drawn && mask[i]) both++;
    if (drawn || mask[i]) either++;
  }
  return both / either;
}

/**
 * Pockets drawn that were found again, those missing, and those beyond: of the last, how many are closed to the eye as
 * well, where two lines' sides touch and the drawing, read by its centre lines, leaves them open.
 */
function comparePockets(svg: string, scan: Scan, mask: Mask, traced: Drawing): string {
  const { page, strokes, inkShapes } = readSvg(svg);
  const drawn = pocketsIn(newDrawing("", page, strokes, inkShapes));
  const left = new Set(pocketsIn(traced));
  let found = 0;
  let filled = 0;
  for (const pocket of drawn) {
    const match = [...left].find((other) => isSame(pocket, other, scan));
    if (!match) {
      if (isInked(mask, inPixels(scan, pocket.seed))) filled++;
      continue;
    }
    left.delete(match);
    found++;
  }
  const eye = whiteRegions(svg);
  const seen = [...left].filter(({ seed }) => eye(backOnPage(scan, seed))).length;
  return `${found} of ${drawn.length} found again (${filled} of the rest have no white left in the scan), ${seen} more that the eye sees closed too, ${left.size - seen} others`;
}

/** Pockets between ink shapes lack what lies beneath the ink, so that small ones are much smaller. */
const LIKE = 0.2;

const isInked = ({ width, data }: Mask, [x, y]: Point): boolean =>
  data[Math.floor(y) * width + Math.floor(x)] === 1;

/** One pocket holds the other's inner point, and they are of about one size. */
function isSame(drawn: Pocket, traced: Pocket, scan: Scan): boolean {
  const scale = scan.toPixels[0] ** 2 + scan.toPixels[1] ** 2;
  const ratio = traced.area / (drawn.area * scale);
  if (ratio < LIKE || ratio > 1 / LIKE) return false;
  return (
    regionContains(traced.rings, inPixels(scan, drawn.seed)) ||
    regionContains(drawn.rings, backOnPage(scan, traced.seed))
  );
}

function backOnPage({ toPixels: [a, b, c, d, e, f] }: Scan, [x, y]: Point): Point {
  const det = a * d - b * c;
  return [(d * (x - e) - c * (y - f)) / det, (a * (y - f) - b * (x - e)) / det];
}

/** Whether a place of the page, in the drawing rendered cleanly, lies in white that does not reach the page's edge. */
function whiteRegions(svg: string): (at: Point) => boolean {
  const { width, pixels } = new Resvg(svg, {
    fitTo: { mode: "width", value: PIXELS },
    background: "#fff",
  }).render();
  const height = pixels.length / 4 / width;
  const outside = new Uint8Array(width * height);
  const stack = [0];
  outside[0] = 1;
  while (stack.length > 0) {
    const i = stack.pop()!;
    const x = i % width;
    for (const j of [x > 0 ? i - 1 : -1, x < width - 1 ? i + 1 : -1, i - width, i + width])
      if (j >= 0 && j < outside.length && !outside[j] && pixels[4 * j] >= 128) {
        outside[j] = 1;
        stack.push(j);
      }
  }
  const scale = width / readSvg(svg).page.box.width;
  return ([x, y]) => outside[Math.floor(y * scale) * width + Math.floor(x * scale)] === 0 && height > 0;
}
