/** Move: drags a line about; pockets follow while it moves. */
import { transformLines } from "#core/drawing/line-edits.ts";
import { translation } from "#core/geometry/matrix.ts";
import { nearestOnLines } from "#core/geometry/nearest.ts";
import type { Point } from "#core/geometry/point.ts";
import { newId } from "../../keep/shelf.ts";
import type { Tool } from "./tool.ts";

const GRAB_PIXELS = 10;

export const moveTool: Tool = {
  cursor: "move",
  lightsPockets: false,
  press: ({ desk, at, pixel }) => {
    const { history, set } = desk.getState();
    const stroke = nearestOnLines(Object.values(history.drawing.strokes), at, GRAB_PIXELS * pixel)?.line;
    if (!stroke) {
      set({ said: "Press on a line to move it." });
      return undefined;
    }
    const gesture = `move-${newId()}`;
    const { drawing } = history;
    const moveBy = (by: Point) =>
      desk
        .getState()
        .edit(
          transformLines(drawing, [stroke.id], translation(by[0], by[1]), {
            scaleWidths: false,
            label: "Move line",
            merge: gesture,
          }),
        );
    return {
      move: (press) => moveBy([press.at[0] - at[0], press.at[1] - at[1]]),
      cancel: () => moveBy([0, 0]),
    };
  },
};
