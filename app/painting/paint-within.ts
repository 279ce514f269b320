import { type Box, grow } from "#core/geometry/point.ts";
import { type Context, type PaintedPart, paintParts } from "./canvas-painter.ts";
import { boxOnPage, type View } from "./view.ts";

/** Paints some whole pixels of a canvas anew, and no others. */
export function paintWithin(context: Context, parts: readonly PaintedPart[], view: View, pixels: Box): void {
  const { x, y, width, height } = pixels;
  context.save();
  context.setTransform(1, 0, 0, 1, 0, 0);
  context.beginPath();
  context.rect(x, y, width, height);
  context.clip();
  context.clearRect(x, y, width, height);
  paintParts(context, parts, view, boxOnPage(view, grow(pixels, 1)));
  context.restore();
}
