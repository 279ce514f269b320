/** The mat beneath the paper: a quiet grid measured in the page's own unit, the paper, the check ground. */
import type { Drawing } from "#core/drawing/drawing.ts";
import type { Size } from "#core/geometry/point.ts";
import type { View } from "../../painting/view.ts";

/** A ground no art of ours uses, so that missed whites stand out. */
export const CHECK_GROUND = "#f0f";

interface MatColours {
  readonly mat: string;
  readonly line: string;
  readonly paper: string;
}

export function paintMat(
  context: CanvasRenderingContext2D,
  { page }: Drawing,
  view: View,
  { width, height }: Size,
  colours: MatColours,
  density: number,
): void {
  context.setTransform(density, 0, 0, density, 0, 0);
  context.fillStyle = colours.mat;
  context.fillRect(0, 0, width, height);
  const { box } = page;
  const left = box.x * view.scale + view.x;
  const top = box.y * view.scale + view.y;
  const step = gridStep((box.width / page.width) * view.scale);
  context.beginPath();
  for (let x = left % step; x < width; x += step) {
    context.moveTo(Math.round(x) + 0.5, 0);
    context.lineTo(Math.round(x) + 0.5, height);
  }
  for (let y = top % step; y < height; y += step) {
    context.moveTo(0, Math.round(y) + 0.5);
    context.lineTo(width, Math.round(y) + 0.5);
  }
  context.strokeStyle = colours.line;
  context.lineWidth = 1;
  context.stroke();
  const paper = [left, top, box.width * view.scale, box.height * view.scale] as const;
  // A drawn edge stands in for a shadow: blurring one takes longer than a frame without a graphics card.
  context.fillStyle = "rgb(0 0 0 / 0.1)";
  for (const spread of [3, 1.5])
    context.fillRect(left - spread, top - spread + 1.5, paper[2] + 2 * spread, paper[3] + 2 * spread);
  context.fillStyle = colours.paper;
  context.fillRect(...paper);
}

/** Pixels between grid lines: 1, 2 or 5 times a power of ten of the printed unit, at least 40 pixels apart. */
function gridStep(pixelsPerUnit: number): number {
  for (let decade = 0.001; ; decade *= 10) {
    for (const k of [1, 2, 5]) {
      const step = k * decade * pixelsPerUnit;
      if (step >= 40) return step;
    }
  }
}
