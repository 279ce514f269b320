/** Drawings and edits for tests. */
import { expect } from "vitest";
import type { Drawing, InkShape, Stroke } from "../core/drawing/drawing.ts";
import { applyEdit, beginHistory, type Edit, redo, undo } from "../core/drawing/history.ts";
import { defaultPage, newDrawing } from "../core/drawing/new-drawing.ts";
import { polyline } from "../core/geometry/cubic.ts";
import type { Point } from "../core/geometry/point.ts";

export const page = defaultPage({ x: 0, y: 0, width: 100, height: 100 });

export const strokeOf = (
  id: string,
  rank: number,
  points: readonly Point[],
  more: Partial<Stroke> = {},
): Stroke => ({
  id,
  rank,
  points: polyline(points),
  closed: false,
  width: 2,
  ...more,
});

export const shapeOf = (id: string, rank: number, points: readonly Point[]): InkShape => ({
  id,
  rank,
  outline: [polyline([...points, points[0]])],
  evenOdd: false,
});

/** Three strokes and an ink shape, from the lowest up: a, b, blot, c. */
export const smallDrawing = (): Drawing =>
  newDrawing(
    "Small",
    page,
    [
      strokeOf("a", 1, [
        [0, 0],
        [10, 0],
      ]),
      strokeOf("b", 2, [
        [0, 10],
        [10, 10],
      ]),
      strokeOf("c", 4, [
        [0, 20],
        [10, 20],
      ]),
    ],
    [
      shapeOf("blot", 3, [
        [50, 50],
        [60, 50],
        [60, 60],
      ]),
    ],
  );

/** What an edit makes of a drawing; fails when undoing and redoing it does not give the same again. */
export function edited(drawing: Drawing, ...edits: readonly Edit[]): Drawing {
  return edits.reduce((now, edit) => {
    const move = applyEdit(beginHistory(now), edit);
    if (!move) return now;
    const back = undo(move.history)!.history;
    const again = redo(back)!.history;
    expect(back.drawing).toEqual(now);
    expect(again.drawing).toEqual(move.history.drawing);
    return move.history.drawing;
  }, drawing);
}
