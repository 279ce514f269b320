/** Pictures of drawings for tests that lay them side by side. */
import { Resvg } from "@resvg/resvg-js";
import type { Drawing } from "../core/drawing/drawing.ts";
import { writeSvg } from "../core/formats/svg-write.ts";
import { DrawingReader } from "../core/pockets/drawing-reader.ts";
import { derive, sceneOf } from "../core/scene/scene.ts";

/** Of 255. */
const ANTI_ALIASING = 40;
const WIDTH = 330;
/** Rendered larger and averaged, so that edges of ink over one another in a pixel count for little. */
const FINER = 3;

/** A drawing with its pockets, what is derived of them, and its SVG. */
export function look(drawing: Drawing) {
  const reader = new DrawingReader();
  const { pockets: all } = reader.read(drawing);
  const pockets = all.filter(({ hidden }) => !hidden);
  const derived = derive(drawing, pockets);
  const svg = writeSvg(sceneOf(drawing, derived));
  return { reader, all, derived, svg };
}

/** The SVG's pixels, RGBA, averaged. */
export function pixelsOf(svg: string): Float64Array {
  const { pixels, width, height } = new Resvg(svg, {
    fitTo: { mode: "width", value: FINER * WIDTH },
  }).render();
  const rows = Math.floor(height / FINER);
  const coarse = new Float64Array(4 * WIDTH * rows);
  for (let y = 0; y < FINER * rows; y++)
    for (let x = 0; x < width; x++)
      for (let c = 0; c < 4; c++)
        coarse[4 * (Math.floor(y / FINER) * WIDTH + Math.floor(x / FINER)) + c] +=
          pixels[4 * (y * width + x) + c] / FINER ** 2;
  return coarse;
}

/** How many pixels differ by more than anti-aliasing leaves. */
export function difference(one: Float64Array, b: string): number {
  const other = pixelsOf(b);
  let pixels = 0;
  for (let k = 0; k < one.length; k += 4)
    if ([0, 1, 2, 3].some((c) => Math.abs(one[k + c] - other[k + c]) > ANTI_ALIASING)) pixels++;
  return pixels;
}
