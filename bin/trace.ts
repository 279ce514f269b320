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

function decoded(png: Uint8Array): DecodedPng {
  const view = new DataView(png.buffer, png.byteOffset, png.byteLength);
  const pixels = png.length >= SIZE_AT + 8 ? view.getUint32(SIZE_AT) * view.getUint32(SIZE_AT + 4) : 0;
  if (pixels > MOST_PIXELS)
    throw new FileProblem(
      "too-large",
      "The scan has more than 64 million pixels. Scan it at a lower resolution.",
    );
  try {
    return decode(png);
  } catch {
    throw new FileProblem("broken", "The scan cannot be read: it is damaged, or not a PNG.");
  }
}

const METRES_PER_INCH = 0.0254;

function readPng(bytes: Uint8Array): { grey: Grey; ppi?: number } {
  const { width, height, channels, depth, data, palette, resolution } = decoded(bytes);
  const rgba = new Uint8ClampedArray(width * height * 4);
  const level = (i: number) => (depth === 16 ? data[i] >> 8 : data[i]);
  for (let p = 0; p < width * height; p++) {
    const from = p * channels;
    const colour = palette ? palette[data[p]] : undefined;
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
