/**
 * The scanner stand-in: renders line art as an office scanner would see it on paper, with grain, blur, uneven light, the
 * shadow of the page's edge, dust, pencil left under the ink, and lying a little askew. Same seed, same scan.
 */
import { Resvg } from "@resvg/resvg-js";
import { composed, type Matrix, mappedPoint } from "../../core/geometry/matrix.ts";
import type { Point } from "../../core/geometry/point.ts";
import { type Grey, greyOf, sampled } from "../../core/lines/trace/grey.ts";

export interface ScanOptions {
  /** Along the longer side. */
  readonly pixels: number;
  readonly seed: number;
  /** How far the paper is turned, in radians. */
  readonly turn?: number;
  /** Share of the paper's light that is lost at its darkest. */
  readonly shade?: number;
  /** Grain of paper and sensor, in grey levels. */
  readonly grain?: number;
  /** Blur of the lens, in pixels. */
  readonly blur?: number;
  /** Specks of dust a million pixels. */
  readonly dust?: number;
  /** Pencil lines under the ink. */
  readonly pencil?: boolean;
}

export interface Scan {
  readonly grey: Grey;
  /** From the drawing's page units to the scan's pixels. */
  readonly toPixels: Matrix;
}

const PAPER = 236;
const INK = 34;

export function scanOf(svg: string, options: ScanOptions): Scan {
  const {
    pixels,
    seed,
    turn = 0.012,
    shade = 0.22,
    grain = 3.5,
    blur = 0.8,
    dust = 3,
    pencil = true,
  } = options;
  const random = randomFrom(seed);
  const clean = rendered(svg, pixels);
  const { width, height } = clean;
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  const [cx, cy] = [width / 2, height / 2];
  const soft = blurred(turned(clean, cos, sin), blur);
  if (pencil) drawPencil(soft, random);
  const data = new Uint8Array(soft.data.length);
  for (let y = 0, i = 0; y < height; y++) {
    for (let x = 0; x < width; x++, i++) {
      const lit = 1 - shade * lossAt(x / width, y / height);
      const level =
        (INK + ((PAPER - INK) * soft.data[i]) / 255) * lit + (random() + random() + random() - 1.5) * grain;
      data[i] = Math.max(0, Math.min(255, level + 0.5));
    }
  }
  scatterDust({ width, height, data }, (dust * width * height) / 1e6, random);
  const view = viewOf(svg);
  const scale = width / view.width;
  const toPicture: Matrix = [scale, 0, 0, scale, -view.x * scale, -view.y * scale];
  const turning: Matrix = [cos, sin, -sin, cos, cx - cos * cx + sin * cy, cy - sin * cx - cos * cy];
  return { grey: { width, height, data }, toPixels: composed(turning, toPicture) };
}

export const inPixels = ({ toPixels }: Scan, at: Point): Point => mappedPoint(at, toPixels);

function rendered(svg: string, pixels: number): Grey {
  const view = viewOf(svg);
  const mode = view.width >= view.height ? "width" : "height";
  const picture = new Resvg(svg, { fitTo: { mode, value: pixels }, background: "#fff" }).render();
  return greyOf(picture.pixels, picture.width, picture.height);
}

function viewOf(svg: string): { x: number; y: number; width: number; height: number } {
  const [x, y, width, height] = /viewBox="([^"]+)"/
    .exec(svg)![1]
    .split(/[\s,]+/)
    .map(Number);
  return { x, y, width, height };
}

function turned(grey: Grey, cos: number, sin: number): Grey {
  const { width, height } = grey;
  const data = new Uint8Array(width * height);
  const [cx, cy] = [width / 2, height / 2];
  for (let y = 0, i = 0; y < height; y++)
    for (let x = 0; x < width; x++, i++) {
      const [dx, dy] = [x + 0.5 - cx, y + 0.5 - cy];
      data[i] = sampled(grey, cx + cos * dx + sin * dy, cy - sin * dx + cos * dy) + 0.5;
    }
  return { width, height, data };
}

/** Light is lost towards one corner and in a band along the edge of the page. */
function lossAt(x: number, y: number): number {
  const corner = 0.55 * Math.max(0, x - 0.25) * y;
  const edge = 0.9 * Math.exp(-x / 0.012);
  return Math.min(1, corner + edge);
}

function blurred({ width, height, data }: Grey, sigma: number): Grey {
  const reach = Math.ceil(sigma * 3);
  const weights = Array.from({ length: 2 * reach + 1 }, (_, k) =>
    Math.exp(-((k - reach) ** 2) / (2 * sigma * sigma)),
  );
  const sum = weights.reduce((a, b) => a + b, 0);
  const pass = (from: Float32Array, step: number, last: (i: number) => number): Float32Array => {
    const out = new Float32Array(from.length);
    for (let i = 0; i < from.length; i++) {
      const [before, after] = [last(i), lastAfter(i, step)];
      let total = 0;
      for (let k = -reach; k <= reach; k++)
        total += weights[k + reach] * from[i + step * Math.max(-before, Math.min(after, k))];
      out[i] = total / sum;
    }
    return out;
  };
  const lastAfter = (i: number, step: number) =>
    step === 1 ? width - 1 - (i % width) : height - 1 - Math.floor(i / width);
  const across = pass(Float32Array.from(data), 1, (i) => i % width);
  const both = pass(across, width, (i) => Math.floor(i / width));
  return { width, height, data: Uint8Array.from(both, (level) => level + 0.5) };
}

/** A few faint construction lines right across, lighter than any ink. */
function drawPencil({ width, height, data }: Grey, random: () => number): void {
  for (let line = 0; line < 4; line++) {
    const [x0, y0, angle] = [random() * width, random() * height, random() * Math.PI];
    const half = Math.max(1, width / 900);
    const [nx, ny] = [-Math.sin(angle), Math.cos(angle)];
    for (let y = 0, i = 0; y < height; y++)
      for (let x = 0; x < width; x++, i++) {
        const off = Math.abs((x - x0) * nx + (y - y0) * ny);
        if (off < half) data[i] = Math.min(data[i], 190);
      }
  }
}

function scatterDust({ width, height, data }: Grey, count: number, random: () => number): void {
  for (let k = 0; k < count; k++) {
    const [x, y, r] = [random() * width, random() * height, 0.6 + random() * 1.2];
    for (let py = Math.floor(y - r); py <= y + r; py++)
      for (let px = Math.floor(x - r); px <= x + r; px++)
        if (px >= 0 && py >= 0 && px < width && py < height && Math.hypot(px - x, py - y) <= r)
          data[py * width + px] = 70;
  }
}

/** Uniform in 0..1 (mulberry32). */
function randomFrom(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}
