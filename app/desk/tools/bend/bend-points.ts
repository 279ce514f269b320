/** What can be done with the points of the bent line, by pointer, key or button. */
import type { Stroke } from "#core/drawing/drawing.ts";
import type { Edit } from "#core/drawing/history.ts";
import { reshapeLines } from "#core/drawing/line-edits.ts";
import { drawingOfPart, partOf } from "#core/drawing/parts.ts";
import type { Ring } from "#core/drawing/rings.ts";
import { type AnyShape, type Reshaped, reshape, shapeNamed, sheetOf } from "#core/drawing/shape-edits.ts";
import { nearestPlace } from "#core/geometry/nearest.ts";
import type { Point } from "#core/geometry/point.ts";
import {
  isSmooth,
  withCornerPoint,
  withPointAdded,
  withPointRemoved,
  withPointsMoved,
  withSmoothPoint,
} from "#core/lines/bend.ts";
import { followed, meetsOn } from "#core/lines/meets.ts";
import { plural } from "#core/words.ts";
import type { DeskStore } from "../../store/desk-state.ts";
import { bend, bentLine, heldPoints, holdPoints } from "./bend-state.ts";

/** Gives a line other points, from what it is now; ends that meet it follow where they are to. */
export function bending(
  desk: DeskStore,
  line: Stroke | Ring,
  label: string,
): (points: readonly number[]) => Edit {
  const state = desk.getState();
  const shape = "shape" in line ? shapeNamed(state.drawing, line.shape) : undefined;
  if (shape && "place" in line)
    return (points) => reshape([withRing(shape, line, points)], sheetOf(shape), label);
  const strokes = Object.values(drawingOfPart(state.drawing, partOf(line)).strokes).filter(
    ({ echo }) => !echo,
  );
  const meets = bend.settings(state).follow ? meetsOn(line, strokes) : [];
  const from = new Map(strokes.map(({ id, points }) => [id, points]));
  return (points) =>
    reshapeLines(new Map([...followed(meets, from, line.points, points), [line.id, points]]), label);
}

const withRing = (
  { id, outline, evenOdd }: AnyShape,
  { place }: Ring,
  points: readonly number[],
): Reshaped => ({ id, evenOdd, outline: outline.map((ring, i) => (i === place ? points : ring)) });

/** Bends the bent line in one step. */
function bendNow(desk: DeskStore, label: string, change: (line: Stroke | Ring) => readonly number[]): void {
  const line = bentLine(desk.getState());
  if (line) desk.getState().edit(bending(desk, line, label)(change(line)));
}

/** Moves the held points by a way in page units. */
export function nudgePoints(desk: DeskStore, by: Point): void {
  const held = heldPoints(desk.getState());
  bendNow(desk, "Bend line", ({ points, closed }) => withPointsMoved(points, closed, held, by));
}

/** Makes a smooth point a corner and a corner smooth. */
export function turnPoint(desk: DeskStore, point: number): void {
  const line = bentLine(desk.getState());
  if (!line) return;
  const smooth = isSmooth(line.points, line.closed, point);
  const turn = smooth ? withCornerPoint : withSmoothPoint;
  bendNow(desk, smooth ? "Make a corner" : "Make smooth", ({ points, closed }) =>
    turn(points, closed, point),
  );
}

function addPoint(desk: DeskStore, u: number): void {
  bendNow(desk, "Add point", ({ points }) => withPointAdded(points, u));
  holdPoints(desk, [Math.floor(u) + 1]);
}

export function addPointAt(desk: DeskStore, at: Point): void {
  const line = bentLine(desk.getState());
  if (line) addPoint(desk, nearestPlace(line.points, at));
}

/** Adds a point halfway between a held point and the next. */
export function addPointAfter(desk: DeskStore, point: number): void {
  const line = bentLine(desk.getState());
  if (line) addPoint(desk, Math.min(point, (line.points.length - 2) / 6 - 1) + 0.5);
}

export function removePoints(desk: DeskStore): void {
  const line = bentLine(desk.getState());
  if (!line) return;
  const held = [...heldPoints(desk.getState())].sort((a, b) => b - a);
  const points = held.reduce<readonly number[]>(
    (now, point) => withPointRemoved(now, line.closed, point) ?? now,
    line.points,
  );
  holdPoints(desk, []);
  if (points !== line.points)
    bendNow(desk, `Remove ${plural(held.length, "point", `${held.length} points`)}`, () => points);
}
