/** `fern trace`: reads a scan as centre lines or ink shapes and writes them as SVG in the scan's pixel units. */
import { type DecodedPng, decode } from "fast-png";
import { FileProblem } from "#core/formats/file-problem.ts";
import { deliveredSvg } from "#core/formats/svg-write.ts";
import { curveCount } from "#core/geometry/cubic.ts";
import { type Grey, greyOf } from "#core/lines/trace/grey.ts";
import { findInk, type TraceSettings } from "#core/lines/trace/trace.ts";
import { type Reading, readInk, tracedDrawing } from "#core/lines/trace/traced-drawing.ts";
import { derive } from "#core/scene/scene.ts";

export interface TraceReport {
  readonly width: number;
  readonly height: number;
  readonly threshold: number;
  readonly strokes: number;
  readonly inkShapes: number;
  /** Cubics in all of them. */
  readonly cubics: number;
  readonly ms: number;
}

export function traceReport(
  png: Uint8Array,
  { name, mode, settings }: { name: string; mode: Reading; settings: TraceSettings },
): { report: TraceReport; svg: string } {
  const { grey, ppi } = readPng(png);
  const begun = performance.now();
  const ink = findInk(grey, settings);
  const traced = readInk(ink, mode);
  const ms = performance.now() - begun;
  const drawing = tracedDrawing(name, traced, grey, ppi);
  const chains = [...traced.lines.map(({ points }) => points), ...traced.shapes.flat()];
  const report = {
    width: grey.width,
    height: grey.height,
    threshold: ink.threshold,
    strokes: traced.lines.length,
    inkShapes: traced.shapes.length,
    cubics: chains.reduce((sum, chain) => sum + curveCount(chain), 0),
    ms,
  };
  return { report, svg: deliveredSvg(drawing, derive(drawing, [])) };
}

/** Pixels of the largest scan that is read. */
const MOST_PIXELS = 64e6;
/** Where the PNG specification puts width and height. */
const SIZE_AT = 16;

const PNG = [0x89, 0x50, 0x4e, 0x47];
/** How long a PNG's pixels are as they are packed: the lengths of its IDAT chunks together. */
function pixelBytes(view: DataView): number {
  let bytes = 0;
  for (let at = 8; at + 12 <= view.byteLength; ) {
    const length = view.getUint32(at);
    if (view.getUint32(at + 4) === IDAT) bytes += length;
    at += length + 12;
  }
  return bytes;
}

const IDAT = 0x49444154;

/** No packer makes a picture larger than its unpacked pixels by more than this part of them. */
const packedAtMost = (raw: number): number => raw * 1.01 + 65_536;

function decoded(png: Uint8Array): DecodedPng {
  if (!PNG.every((byte, i) => png[i] === byte))
    throw new FileProblem("broken", "The scan cannot be read: it is not a PNG. Save it as PNG first.");
  const view = new DataView(png.buffer, png.byteOffset, png.byteLength);
  const pixels = png.length >= SIZE_AT + 8 ? view.getUint32(SIZE_AT) * view.getUint32(SIZE_AT + 4) : 0;
  if (pixels > MOST_PIXELS)
    throw new FileProblem(
      "too-large",
      "The scan has more than 64 million pixels. Scan it at a lower resolution.",
    );
  // At most four channels of two bytes: what holds more than its pixels is made to burst.
  if (pixelBytes(view) > packedAtMost(8 * pixels))
    throw new FileProblem("broken", "The scan cannot be read: it is larger than its pixels can be.");
  try {
    return decode(png);
  } catch {
    throw new FileProblem("broken", "The scan cannot be read: it is damaged, or not a PNG.");
  }
}

/** The nth number of a picture's data: several lie in a byte where it has fewer bits, rows begin at whole bytes. */
function numbersIn({ width, channels, depth, data }: DecodedPng): (n: number) => number {
  if (depth >= 8) return (n) => data[n];
  const perRow = Math.ceil((width * channels * depth) / 8);
  const mask = 2 ** depth - 1;
  return (n) => {
    const bit = (n % (width * channels)) * depth;
    const byte = data[Math.floor(n / (width * channels)) * perRow + (bit >> 3)];
    return (byte >> (8 - depth - (bit & 7))) & mask;
  };
}

/** The same as levels from 0 to 255. */
function levelsIn(png: DecodedPng): (n: number) => number {
  const number = numbersIn(png);
  const { depth } = png;
  if (depth === 16) return (n) => number(n) >> 8;
  return depth === 8 ? number : (n) => Math.round((number(n) * 255) / (2 ** depth - 1));
}

const METRES_PER_INCH = 0.0254;

function readPng(bytes: Uint8Array): { grey: Grey; ppi?: number } {
  const decodedPng = decoded(bytes);
  const { width, height, channels, palette, resolution } = decodedPng;
  const rgba = new Uint8ClampedArray(width * height * 4);
  const level = levelsIn(decodedPng);
  const indexAt = numbersIn(decodedPng);
  for (let p = 0; p < width * height; p++) {
    const from = p * channels;
    const colour = palette ? palette[indexAt(p)] : undefined;
    const [r, g, b] =
      colour ??
      (channels < 3
        ? [level(from), level(from), level(from)]
        : [level(from), level(from + 1), level(from + 2)]);
    const alpha = colour ? (colour[3] ?? 255) : channels % 2 === 0 ? level(from + channels - 1) : 255;
    rgba.set([r, g, b, alpha], p * 4);
  }
  const ppi = resolution?.unit === 1 ? resolution.x * METRES_PER_INCH : undefined;
  return { grey: greyOf(rgba, width, height), ppi };
}
