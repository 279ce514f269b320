/** Bridge: draws a closing line by hand; both ends snap to the nearest line. */
import { Link2, Unlink2 } from "lucide-react";
import { addBridges, removeBridge } from "#core/drawing/edits.ts";
import { newId } from "#core/drawing/new-id.ts";
import { inPart, partOf } from "#core/drawing/parts.ts";
import { curveCount, pointAt, polyline } from "#core/geometry/cubic.ts";
import { nearestOnLines } from "#core/geometry/nearest.ts";
import { distance, type Point } from "#core/geometry/point.ts";
import { freshGaps } from "../../gaps/fresh-gaps.ts";
import { lineChains } from "../../lines/line-chains.ts";
import { pickable } from "../../parts/pickable.ts";
import type { DeskStore } from "../../store/desk-state.ts";
import type { Tool } from "../tool.ts";

const SNAP_PIXELS = 14;

function snap(desk: DeskStore, at: Point, pixel: number) {
  return nearestOnLines(lineChains(desk.getState()), at, SNAP_PIXELS * pixel);
}

export const bridgeTool: Tool = {
  name: "bridge",
  word: "Bridge",
  hint: "Draw a closing line from line to line",
  icon: Link2,
  cursor: "crosshair",
  places: (desk) => freshGaps(desk).openings.flatMap(({ from, to }) => [from, to]),
  press: ({ desk, at, pixel }) => {
    const begun = snap(desk, at, pixel);
    const from = begun?.at ?? at;
    const part = begun ? partOf(begun.line) : desk.getState().part;
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
        desk.getState().edit(addBridges([{ id: newId(), points: polyline([from, to]), ...inPart(part) }]));
      },
      trail: () => ({ points: [from, to], closed: false, snapped }),
    };
  },
};

export const unbridgeTool: Tool = {
  name: "unbridge",
  word: "Unbridge",
  hint: "Click a bridge to take it away",
  icon: Unlink2,
  cursor: "crosshair",
  places: (desk) =>
    pickable(desk, desk.drawing.bridges).map(({ points }) => pointAt(points, curveCount(points) / 2)),
  press: ({ desk, at, pixel }) => {
    const { drawing, edit, tell } = desk.getState();
    const near = nearestOnLines(pickable(desk.getState(), drawing.bridges), at, SNAP_PIXELS * pixel);
    if (near) edit(removeBridge(near.line.id));
    else tell("There is no bridge here.");
    return undefined;
  },
};
