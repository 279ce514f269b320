/** The mat beneath the paper: a quiet grid measured in the page's own unit, the paper, the check ground. */
import type { Drawing } from "#core/drawing/drawing.ts";
import type { Size } from "#core/geometry/point.ts";
import { boxOnPage, toScreen, type View } from "../../painting/view.ts";

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
  // From here on in pixels along the sides of the paper, from its corner.
  const { box } = page;
  const { scale, turn = 0 } = view;
  const [left, top] = toScreen(view, [box.x, box.y]);
  context.translate(turn === 0 ? Math.round(left) : left, turn === 0 ? Math.round(top) : top);
  context.rotate(turn);
  const seen = boxOnPage(view, { x: 0, y: 0, width, height });
  const from = [(seen.x - box.x) * scale, (seen.y - box.y) * scale];
  const to = [from[0] + seen.width * scale, from[1] + seen.height * scale];
  const step = gridStep((box.width / page.width) * scale);
  context.beginPath();
  for (let x = Math.ceil(from[0] / step) * step; x < to[0]; x += step) {
    context.moveTo(Math.round(x) + 0.5, from[1]);
    context.lineTo(Math.round(x) + 0.5, to[1]);
  }
  for (let y = Math.ceil(from[1] / step) * step; y < to[1]; y += step) {
    context.moveTo(from[0], Math.round(y) + 0.5);
    context.lineTo(to[0], Math.round(y) + 0.5);
  }
  context.strokeStyle = colours.line;
  context.lineWidth = 1;
  context.stroke();
  const paper = [box.width * scale, box.height * scale] as const;
  // A drawn edge stands in for a shadow: blurring one takes longer than a frame without a graphics card.
  context.fillStyle = "rgb(0 0 0 / 0.1)";
  for (const spread of [3, 1.5])
    context.fillRect(-spread, -spread + 1.5, paper[0] + 2 * spread, paper[1] + 2 * spread);
  context.fillStyle = colours.paper;
  context.fillRect(0, 0, ...paper);
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
