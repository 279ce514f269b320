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
import type { Grey } from "../core/lines/trace/grey.ts";
import type { Mask } from "../core/lines/trace/mask.ts";
import { findInk, TRACE_SETTINGS } from "../core/lines/trace/trace.ts";
import { readInk, tracedDrawing } from "../core/lines/trace/traced-drawing.ts";
import { LineReader } from "../core/pockets/line-reader.ts";
import type { Pocket } from "../core/pockets/pockets.ts";
import { derive, sceneOf } from "../core/scene/scene.ts";
import { inPixels, type Scan, scanOf } from "../demo/scan/scanner.ts";
import { judge } from "./judge.ts";

const DRAWINGS = ["scan/radishes", "almanac-boot", "almanac-kettle", "almanac-snail", "almanac-lantern"];
const PIXELS = 3000;
const LIMIT_S = 6;
const LINES_IOU = 0.93;
const SHAPES_IOU = 0.97;

export function traceBench(): void {
  largeScan();
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
    const unbridged = findInk(scan.grey, { ...TRACE_SETTINGS, breaks: 0 });
    for (const mode of ["lines", "shapes"] as const) {
      const traced = tracedDrawing("", readInk(unbridged, mode), scan.grey);
      console.log(`  pockets in ${mode}: ${comparePockets(svg, scan, ink.mask, traced)}`);
    }
  }
}

/** A scan of 64 megapixels: one of a quarter as many, each pixel twice along both sides, smoothed. */
function largeScan(): void {
  const svg = readFileSync("demo/almanac-lantern.svg", "utf8");
  const { width, height, data } = doubled(scanOf(svg, { pixels: 4000, seed: 11 }).grey);
  const before = process.memoryUsage().rss;
  let most = before;
  const begun = performance.now();
  const ink = findInk({ width, height, data }, TRACE_SETTINGS, () => {
    most = Math.max(most, process.memoryUsage().rss);
  });
  const { lines } = readInk(ink, "lines");
  const took = (performance.now() - begun) / 1000;
  most = Math.max(most, process.memoryUsage().rss);
  const what = `a scan of ${Math.round((width * height) / 1e6)} megapixels as ${lines.length} lines`;
  judge({ area: "opening", what, measured: took, unit: "s", aim: 12 });
  const memory = (most - before + data.length) / 2 ** 30;
  judge({ area: "opening", what: `${what}: memory`, measured: memory, unit: "GB", aim: 1.5 });
}

function doubled({ width, height, data }: Grey): Grey {
  const wide = 2 * width;
  const out = new Uint8Array(4 * data.length);
  for (let y = 0; y < 2 * height; y++) {
    const [upper, lower] = [y >> 1, Math.min(height - 1, (y + 1) >> 1)];
    for (let x = 0; x < wide; x++) {
      const [left, right] = [x >> 1, Math.min(width - 1, (x + 1) >> 1)];
      const sum =
        data[upper * width + left] +
        data[upper * width + right] +
        data[lower * width + left] +
        data[lower * width + right];
      out[y * wide + x] = sum / 4;
    }
  }
  return { width: wide, height: 2 * height, data: out };
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

/** A scan's blur closes openings this narrow. */
const BLUR_PIXELS = 1.5;

/**
 * Pockets drawn that were found again, those missing, and those beyond: how many of the last the drawing has as well
 * when its ink is as much wider as the scanner blurs it. No breaks in the ink are bridged, which would close more.
 */
function comparePockets(svg: string, scan: Scan, mask: Mask, traced: Drawing): string {
  const { page, strokes, inkShapes } = readSvg(svg);
  const wider = BLUR_PIXELS / Math.sqrt(scaleOf(scan));
  const blurred = strokes.map((stroke) => ({ ...stroke, width: stroke.width + wider }));
  const found = pocketsIn(traced);
  const drawn = pocketsIn(newDrawing("", page, strokes, inkShapes));
  const { missing, beyond } = match(drawn, found, scan);
  const filled = missing.filter(({ seed }) => isInked(mask, inPixels(scan, seed))).length;
  const unblurred = match(pocketsIn(newDrawing("", page, blurred, inkShapes)), found, scan).beyond;
  const shut = beyond.filter((pocket) => !unblurred.includes(pocket)).length;
  return `${drawn.length - missing.length} of ${drawn.length} found again, ${filled} have no white left, ${missing.length - filled} lost; ${beyond.length} more, ${shut} of them with openings under ${BLUR_PIXELS} pixels`;
}

/** Pairs pockets that hold one another's inner point, those most alike in size first; gives those left alone. */
function match(drawn: readonly Pocket[], traced: readonly Pocket[], scan: Scan) {
  const unlike = (a: Pocket, b: Pocket) => Math.abs(Math.log(b.area / (a.area * scaleOf(scan))));
  const pairs = drawn.flatMap((a) =>
    traced.filter((b) => overlap(a, b, scan)).map((b) => ({ a, b, unlike: unlike(a, b) })),
  );
  const missing = new Set(drawn);
  const beyond = new Set(traced);
  for (const { a, b } of pairs.sort((p, q) => p.unlike - q.unlike))
    if (missing.has(a) && beyond.has(b)) {
      missing.delete(a);
      beyond.delete(b);
    }
  return { missing: [...missing], beyond: [...beyond] };
}

const overlap = (drawn: Pocket, traced: Pocket, scan: Scan): boolean =>
  regionContains(traced.rings, inPixels(scan, drawn.seed)) ||
  regionContains(drawn.rings, backOnPage(scan, traced.seed));

const scaleOf = ({ toPixels: [a, b] }: Scan): number => a * a + b * b;

const isInked = ({ width, data }: Mask, [x, y]: Point): boolean =>
  data[Math.floor(y) * width + Math.floor(x)] === 1;

function backOnPage({ toPixels: [a, b, c, d, e, f] }: Scan, [x, y]: Point): Point {
  const det = a * d - b * c;
  return [(d * (x - e) - c * (y - f)) / det, (a * (y - f) - b * (x - e)) / det];
}
