/** Moving about: the view maps page units to CSS pixels of the mat. */
import { type Matrix, mappedPoint } from "#core/geometry/matrix.ts";
import type { Box, Point, Size } from "#core/geometry/point.ts";

/** Screen or picture pixels = page units turned and scaled, + offset. */
export interface View {
  readonly scale: number;
  readonly x: number;
  readonly y: number;
  /** Radians clockwise; upright where left out. */
  readonly turn?: number;
}

export function matrixOf({ scale, x, y, turn = 0 }: View): Matrix {
  const [along, across] = [scale * Math.cos(turn), scale * Math.sin(turn)];
  return [along, across, -across, along, x, y];
}

/** A way in pixels as one in page units. */
export function onPage({ scale, turn = 0 }: View, [dx, dy]: Point): Point {
  const [cos, sin] = [Math.cos(turn) / scale, Math.sin(turn) / scale];
  return [cos * dx + sin * dy, cos * dy - sin * dx];
}

export const toPagePoint = (view: View, [px, py]: Point): Point => onPage(view, [px - view.x, py - view.y]);
export const toScreen = (view: View, at: Point): Point => mappedPoint(at, matrixOf(view));

const cornersOf = ({ x, y, width, height }: Box): readonly Point[] => [
  [x, y],
  [x + width, y],
  [x, y + height],
  [x + width, y + height],
];

/** The box in pixels around one in page units, and the other way round. */
export const boxOnScreen = (view: View, box: Box): Box =>
  boxAround(cornersOf(box).map((corner) => toScreen(view, corner)));
export const boxOnPage = (view: View, pixels: Box): Box =>
  boxAround(cornersOf(pixels).map((corner) => toPagePoint(view, corner)));

function boxAround(points: readonly Point[]): Box {
  const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)];
  const [x, y] = [Math.min(...xs), Math.min(...ys)];
  return { x, y, width: Math.max(...xs) - x, height: Math.max(...ys) - y };
}

/** With a page point at a place on the screen. */
function showing(at: Point, [px, py]: Point, scale: number, turn: number | undefined): View {
  const [x, y] = toScreen({ scale, turn, x: 0, y: 0 }, at);
  return { scale, x: px - x, y: py - y, ...(turn ? { turn } : {}) };
}

/** Turns by radians clockwise about a place on the screen. */
export function turnAt(view: View, at: Point, by: number): View {
  const turn = (((((view.turn ?? 0) + by + Math.PI) % FULL) + FULL) % FULL) - Math.PI;
  return showing(toPagePoint(view, at), at, view.scale, Math.abs(turn) < 1e-9 ? 0 : turn);
}

const FULL = 2 * Math.PI;

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

export const isSameView = (one: View, other: View): boolean =>
  one.scale === other.scale && one.x === other.x && one.y === other.y && one.turn === other.turn;

/** Zooms so that the page point under the pointer stays there; scale is kept between a tenth of and 400 times fit. */
export function zoomAt(view: View, [px, py]: Point, factor: number, fitScale: number): View {
  const scale = Math.max(fitScale / 10, Math.min(fitScale * 400, view.scale * factor));
  const k = scale / view.scale;
  return { ...view, scale, x: px - (px - view.x) * k, y: py - (py - view.y) * k };
}

/** The size in pixels at which something is easy to see, and its least distance from the edges of the mat. */
const SEEN_PIXELS = 24;
const SEEN_WITHIN = 40;

/**
 * The same view where something of this size is visible in it; otherwise one that has it in the middle, close
 * enough to see.
 */
export function viewOn(
  view: View,
  at: Point,
  { width, height }: Size,
  pageSize: number,
  fitScale: number,
): View {
  const [sx, sy] = toScreen(view, at);
  const isWithin = (at: number, length: number) => at > SEEN_WITHIN && at < length - SEEN_WITHIN;
  if (pageSize * view.scale >= SEEN_PIXELS && isWithin(sx, width) && isWithin(sy, height)) return view;
  const wanted = Math.min(width, height) / (pageSize * 14);
  const scale = Math.min(Math.max(view.scale, fitScale * 1.6, Math.min(wanted, fitScale * 4)), fitScale * 40);
  return showing(at, [width / 2, height / 2], scale, view.turn);
}
