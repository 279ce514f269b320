/** Moving about: the view maps page units to CSS pixels of the mat. */
import type { Box, Point, Size } from "#core/geometry/point.ts";

/** Screen or picture pixels = page units x scale + offset. */
export interface View {
  readonly scale: number;
  readonly x: number;
  readonly y: number;
}

export const toPagePoint = ({ scale, x, y }: View, [px, py]: Point): Point => [
  (px - x) / scale,
  (py - y) / scale,
];
export const toScreen = ({ scale, x, y }: View, [px, py]: Point): Point => [px * scale + x, py * scale + y];

const MARGIN = 28;

/** The whole page, centred. */
export function fitView(box: Box, { width, height }: Size): View {
  const scale = Math.min((width - 2 * MARGIN) / box.width, (height - 2 * MARGIN) / box.height);
  return {
    scale,
    x: width / 2 - (box.x + box.width / 2) * scale,
    y: height / 2 - (box.y + box.height / 2) * scale,
  };
}

/** Zooms so that the page point under the pointer stays there; scale is kept between a tenth of and 400 times fit. */
export function zoomAt(view: View, [px, py]: Point, factor: number, fitScale: number): View {
  const scale = Math.max(fitScale / 10, Math.min(fitScale * 400, view.scale * factor));
  const k = scale / view.scale;
  return { scale, x: px - (px - view.x) * k, y: py - (py - view.y) * k };
}

/** How large in pixels something is seen well, and how far from the edges of the mat at the least. */
const SEEN_PIXELS = 24;
const SEEN_WITHIN = 40;

/** The same view where something of the given size can be seen in it; or one with it in the middle, close enough for that. */
export function viewOn(
  view: View,
  [x, y]: Point,
  { width, height }: Size,
  pageSize: number,
  fitScale: number,
): View {
  const [sx, sy] = toScreen(view, [x, y]);
  const isWithin = (at: number, length: number) => at > SEEN_WITHIN && at < length - SEEN_WITHIN;
  if (pageSize * view.scale >= SEEN_PIXELS && isWithin(sx, width) && isWithin(sy, height)) return view;
  const wanted = Math.min(width, height) / (pageSize * 14);
  const scale = Math.min(Math.max(view.scale, fitScale * 1.6, Math.min(wanted, fitScale * 4)), fitScale * 40);
  return { scale, x: width / 2 - x * scale, y: height / 2 - y * scale };
}
