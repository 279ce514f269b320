/** A drawing as it begins: bare line art with a starting tin. */
import type { Box } from "../geometry/point.ts";
import type { Drawing, InkShape, Page, Stroke } from "./drawing.ts";
import { startingFields } from "./fields.ts";

/** The printed width a page gets when its file does not say: spots run small. */
const DEFAULT_LONGER_SIDE_MM = 100;

export function defaultPage(box: Box): Page {
  const scale = DEFAULT_LONGER_SIDE_MM / Math.max(box.width, box.height);
  return { box, width: Math.round(box.width * scale * 10) / 10, unit: "mm", ppi: 300 };
}

/** Page units along the longer side of a page that begins blank. */
const LONGER_SIDE = 1000;

/** A drawing without lines on a page of a printed size. */
export function blankDrawing(
  name: string,
  { width, height, unit, ppi }: Pick<Page, "width" | "unit" | "ppi"> & { readonly height: number },
): Drawing {
  const scale = LONGER_SIDE / Math.max(width, height);
  const box = { x: 0, y: 0, width: width * scale, height: height * scale };
  return newDrawing(name, { box, width, unit, ppi }, []);
}

export function newDrawing(
  name: string,
  page: Page,
  strokes: readonly Stroke[],
  inkShapes: readonly InkShape[] = [],
): Drawing {
  return {
    ...startingFields(),
    name,
    page,
    strokes: Object.fromEntries(strokes.map((stroke) => [stroke.id, stroke])),
    inkShapes: Object.fromEntries(inkShapes.map((shape) => [shape.id, shape])),
  };
}
