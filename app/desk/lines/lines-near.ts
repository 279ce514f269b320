/** Which line lies under the pointer: ink is picked where it is seen, across its width. */
import type { Drawing, InkShape, Stroke } from "#core/drawing/drawing.ts";
import { entitiesOf } from "#core/drawing/entities.ts";
import type { AnyShape } from "#core/drawing/shape-edits.ts";
import { curveCount, pointAt } from "#core/geometry/cubic.ts";
import { nearestPlace } from "#core/geometry/nearest.ts";
import { distance, type Point } from "#core/geometry/point.ts";
import { profileOf, shareAt } from "#core/lines/profile.ts";
import { isInk } from "#core/pockets/ink-regions.ts";
import { depthOf, isInSight, isPickable } from "../parts/pickable.ts";
import type { Desk } from "../store/desk-state.ts";
import { strokesAround } from "./strokes-around.ts";

const GRAB_PIXELS = 10;

/** The stroke whose ink is nearest to a place, within ten pixels; of several whose ink holds it the topmost. */
export function strokeNear(desk: Desk, at: Point, pixel: number, counts = isPickable): Stroke | undefined {
  const { drawing } = desk;
  const within = GRAB_PIXELS * pixel;
  let best: { stroke: Stroke; gap: number } | undefined;
  for (const stroke of strokesAround(drawing.strokes, at, within)) {
    if (!counts(desk, stroke)) continue;
    const gap = Math.max(0, inkGap(drawing, stroke, at));
    if (gap > within || (best && gap > best.gap)) continue;
    if (!best || gap < best.gap || isBefore(desk, stroke, best.stroke)) best = { stroke, gap };
  }
  return best?.stroke;
}

/** Whether one line lies in front of another. */
function isBefore(desk: Desk, a: Stroke | InkShape, b: Stroke | InkShape): boolean {
  const [one, other] = [depthOf(desk, a), depthOf(desk, b)];
  return one === other ? a.rank > b.rank : one > other;
}

/** From a place to a stroke's ink, in page units; below 0 within it. */
function inkGap({ nibs }: Drawing, stroke: Stroke, at: Point): number {
  const u = nearestPlace(stroke.points, at);
  const profile = profileOf(stroke, stroke.nib ? nibs[stroke.nib] : undefined);
  const share = profile ? shareAt(profile, u / Math.max(1, curveCount(stroke.points))) : 1;
  return distance(pointAt(stroke.points, u), at) - (stroke.width * share) / 2;
}

/** The stroke or ink shape that a hand can take at a place; of those whose ink holds it the topmost. */
export const lineNear = (desk: Desk, at: Point, pixel: number): Stroke | InkShape | undefined =>
  nearest(desk, { at, pixel, counts: isPickable });

/** The same, or one that is locked. */
export const lineInSight = (desk: Desk, at: Point, pixel: number): Stroke | InkShape | undefined =>
  nearest(desk, { at, pixel, counts: isInSight });

interface Place {
  readonly at: Point;
  /** In page units. */
  readonly pixel: number;
  readonly counts: typeof isPickable;
}

function nearest(desk: Desk, { at, pixel, counts }: Place): Stroke | InkShape | undefined {
  const stroke = strokeNear(desk, at, pixel, counts);
  const shape = entitiesOf(desk.drawing.inkShapes)
    .filter((one) => counts(desk, one) && isInk([one], at, pixel))
    .sort((a, b) => (isBefore(desk, a, b) ? -1 : 1))[0];
  if (!stroke || !shape) return stroke ?? shape;
  const held = inkGap(desk.drawing, stroke, at) <= 0;
  return held && isBefore(desk, stroke, shape) ? stroke : shape;
}

/** Chains of a stroke or a shape, for lighting it up. */
export const chainsOf = (line: Stroke | InkShape | AnyShape): readonly (readonly number[])[] =>
  "points" in line ? [line.points] : line.outline;
