import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { newDrawing } from "../../core/drawing/new-drawing.ts";
import { readSvg } from "../../core/formats/svg-read.ts";
import type { Point } from "../../core/geometry/point.ts";
import { regionContains } from "../../core/geometry/polygon.ts";
import { findInk, TRACE_SETTINGS } from "../../core/lines/trace/trace.ts";
import { readInk, tracedDrawing } from "../../core/lines/trace/traced-drawing.ts";
import { LineReader } from "../../core/pockets/line-reader.ts";
import type { Pocket } from "../../core/pockets/pockets.ts";
import { inPixels, type Scan, type ScanOptions, scanOf } from "./scanner.ts";

const SQUARE =
  '<svg xmlns="http://www.w3.org/2000/svg" viewBox="-50 -50 200 100" fill="none" stroke="#111" stroke-width="4"><path d="M0 -30H60V30H0Z"/><circle cx="110" cy="0" r="25"/></svg>';
const PLAIN: ScanOptions = {
  pixels: 400,
  seed: 1,
  turn: 0,
  shade: 0,
  grain: 0,
  blur: 0.5,
  dust: 0,
  pencil: false,
};

const levelAt = (scan: Scan, at: Point): number => {
  const [x, y] = inPixels(scan, at);
  return scan.grey.data[Math.floor(y) * scan.grey.width + Math.floor(x)];
};

describe("the scanner stand-in", () => {
  it("gives the same scan for the same seed, and another for another", () => {
    const [a, b, c] = [3, 3, 4].map((seed) => scanOf(SQUARE, { pixels: 120, seed }).grey.data);
    expect(a).toEqual(b);
    expect(a).not.toEqual(c);
  });

  it("says where the page's places lie in its pixels, turned as the paper is", () => {
    for (const turn of [0, 0.05, -0.2]) {
      const scan = scanOf(SQUARE, { ...PLAIN, turn });
      expect([scan.grey.width, scan.grey.height]).toEqual([400, 200]);
      for (const ink of [
        [30, -30],
        [60, 0],
        [135, 0],
      ] as Point[])
        expect(levelAt(scan, ink)).toBeLessThan(100);
      for (const white of [
        [30, 0],
        [110, 0],
        [75, 0],
      ] as Point[])
        expect(levelAt(scan, white)).toBeGreaterThan(200);
    }
  });

  it("darkens the paper, more towards an edge and a corner", () => {
    const scan = scanOf(SQUARE, { ...PLAIN, shade: 0.4 });
    const { width, data } = scan.grey;
    const row = (y: number, x: number) => data[y * width + x];
    expect(row(100, 1)).toBeLessThan(row(100, 60));
    expect(row(199, 398)).toBeLessThan(row(10, 60));
  });

  it("leaves pencil and dust that are not ink", () => {
    const clean = scanOf(SQUARE, PLAIN);
    const dirty = scanOf(SQUARE, { ...PLAIN, pencil: true, dust: 400 });
    const darker = dirty.grey.data.filter((level, i) => level < clean.grey.data[i] - 20).length;
    expect(darker).toBeGreaterThan(100);
    const dark = dirty.grey.data.filter((level) => level < 60).length;
    const ink = clean.grey.data.filter((level) => level < 60).length;
    expect(dark).toBeLessThan(1.05 * ink);
  });
});

describe("a scan that is traced", () => {
  const shown = (pockets: readonly Pocket[]) => pockets.filter(({ hidden }) => !hidden);

  it("has the pockets of the drawing that was scanned, as lines and as shapes", () => {
    const svg = readFileSync("demo/scan/radishes.svg", "utf8");
    const { page, strokes, inkShapes } = readSvg(svg);
    const drawn = shown(new LineReader().read(newDrawing("", page, strokes, inkShapes)));
    const scan = scanOf(svg, { pixels: 2400, seed: 7 });
    const ink = findInk(scan.grey, { ...TRACE_SETTINGS, breaks: 0 });
    for (const mode of ["lines", "shapes"] as const) {
      const traced = shown(new LineReader().read(tracedDrawing("", readInk(ink, mode), scan.grey)));
      expect(traced).toHaveLength(drawn.length);
      // Inner points of pockets that ink all but fills may lie under ink.
      const found = drawn.map(({ seed }) =>
        traced.findIndex(({ rings }) => regionContains(rings, inPixels(scan, seed))),
      );
      expect(new Set(found.filter((at) => at >= 0)).size).toBeGreaterThan(0.75 * drawn.length);
    }
  });
});
