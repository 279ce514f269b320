/** Bridge: draws a closing line by hand; both ends snap to the nearest line. */
import { addBridges, removeBridge } from "#core/drawing/edits.ts";
import { newId } from "#core/drawing/new-id.ts";
import { polyline } from "#core/geometry/cubic.ts";
import { nearestOnLines } from "#core/geometry/nearest.ts";
import { distance, type Point } from "#core/geometry/point.ts";
import type { DeskStore } from "../../store/desk-store.ts";
import type { Tool } from "../tool.ts";

const SNAP_PIXELS = 14;

function snap(desk: DeskStore, at: Point, pixel: number) {
  return nearestOnLines(Object.values(desk.getState().history.drawing.strokes), at, SNAP_PIXELS * pixel);
}

export const bridgeTool: Tool = {
  cursor: "crosshair",
  lightsPockets: false,
  press: ({ desk, at, pixel }) => {
    const from = snap(desk, at, pixel)?.at ?? at;
    let to = from;
    let snapped = false;
    return {
      move: (press) => {
        const near = snap(desk, press.at, press.pixel);
        to = near?.at ?? press.at;
        snapped = near !== undefined;
      },
      end: (press) => {
        if (distance(from, to) < 2 * press.pixel) return;
        desk.getState().edit(addBridges([{ id: newId(), points: polyline([from, to]) }]));
      },
      trail: () => ({ points: [from, to], closed: false, snapped }),
    };
  },
};

export const unbridgeTool: Tool = {
  cursor: "crosshair",
  lightsPockets: false,
  press: ({ desk, at, pixel }) => {
    const { history, edit, tell } = desk.getState();
    const near = nearestOnLines(Object.values(history.drawing.bridges), at, SNAP_PIXELS * pixel);
    if (near) edit(removeBridge(near.line.id));
    else tell("There is no bridge here.");
    return undefined;
  },
};
