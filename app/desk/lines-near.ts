/** Which line lies under the pointer. */
import type { InkShape, Stroke } from "#core/drawing/drawing.ts";
import { nearestOnLines } from "#core/geometry/nearest.ts";
import type { Point } from "#core/geometry/point.ts";
import { isInk } from "#core/pockets/ink-regions.ts";
import type { Desk } from "./desk-store.ts";

const GRAB_PIXELS = 10;

/** The stroke nearest to a place, within ten pixels or its own ink. */
export function strokeNear({ history }: Desk, at: Point, pixel: number): Stroke | undefined {
  return nearestOnLines(Object.values(history.drawing.strokes), at, GRAB_PIXELS * pixel)?.line;
}

/** The stroke or ink shape under the pointer. */
export function lineNear(desk: Desk, at: Point, pixel: number): Stroke | InkShape | undefined {
  return (
    strokeNear(desk, at, pixel) ??
    Object.values(desk.history.drawing.inkShapes).find((shape) => isInk([shape], at, pixel))
  );
}

/** Chains of a stroke or an ink shape, for lighting it up. */
export const chainsOf = (line: Stroke | InkShape): readonly (readonly number[])[] =>
  "points" in line ? [line.points] : line.outline;
