/** Pull: a click pulls a loose end onto the line it should meet; a drag takes it to any line. */
import { Magnet } from "lucide-react";
import { reshapeLine } from "#core/drawing/line-edits.ts";
import { partOf } from "#core/drawing/parts.ts";
import { nearestOnLines } from "#core/geometry/nearest.ts";
import { distance, type Point } from "#core/geometry/point.ts";
import { pulledEnd } from "#core/lines/pull.ts";
import type { LooseEnd } from "#core/pockets/reading.ts";
import { areFresh, freshGaps, standingEnds } from "../../gaps/fresh-gaps.ts";
import { lineChains } from "../../lines/line-chains.ts";
import type { Desk, DeskStore } from "../../store/desk-state.ts";
import type { Tool } from "../tool.ts";

const GRAB_PIXELS = 16;
const SNAP_PIXELS = 14;

function nearestEnd(desk: Desk, at: Point, within: number): LooseEnd | undefined {
  const byDistance = (a: LooseEnd, b: LooseEnd) => distance(a.at, at) - distance(b.at, at);
  return standingEnds(desk)
    .filter((end) => distance(end.at, at) <= within)
    .sort(byDistance)[0];
}

/** Where the opening at an end would be closed; undefined when the end is at none. */
function meetingPlace(desk: Desk, end: LooseEnd): Point | undefined {
  const near = (point: Point) => distance(point, end.at) < 1e-3 + 1e-6 * Math.abs(end.at[0]);
  for (const { bridge } of freshGaps(desk).openings) {
    const first: Point = [bridge[0], bridge[1]];
    const last: Point = [bridge[bridge.length - 2], bridge[bridge.length - 1]];
    if (near(first)) return last;
    if (near(last)) return first;
  }
  return undefined;
}

function pull(desk: DeskStore, end: LooseEnd, to: Point): void {
  const { drawing, edit } = desk.getState();
  const stroke = drawing.strokes[end.line];
  if (stroke) edit(reshapeLine(stroke.id, pulledEnd(stroke.points, end.start, to), "Pull end"));
}

export const pullTool: Tool = {
  name: "pull",
  word: "Pull",
  hint: "Click a loose end to pull it onto the line it should meet, or drag it there",
  icon: Magnet,
  sheet: "ink",
  cursor: "crosshair",
  places: (desk) => standingEnds(desk).map(({ at }) => at),
  press: ({ desk, at, pixel }) => {
    const end = nearestEnd(desk.getState(), at, GRAB_PIXELS * pixel);
    if (!end) {
      desk.getState().tell("Press on a loose end, marked with a square.");
      return undefined;
    }
    let to: Point | undefined;
    let snapped = false;
    return {
      move: (press) => {
        const state = desk.getState();
        const part = partOf(state.drawing.strokes[end.line] ?? {});
        const others = lineChains(state, part).filter(({ id }) => id !== end.line);
        const near = nearestOnLines(others, press.at, SNAP_PIXELS * press.pixel);
        to = near?.at ?? press.at;
        snapped = near !== undefined;
      },
      end: (press) => {
        const dragged = to && distance(at, press.at) > 4 * press.pixel;
        const place = dragged ? to : meetingPlace(desk.getState(), end);
        if (place) pull(desk, end, place);
        else
          desk
            .getState()
            .tell(
              areFresh(desk.getState())
                ? "No line is near this end. Drag it onto the one it should meet."
                : "The lines are being read anew. Try again in a moment.",
            );
      },
      trail: () => ({ points: [end.at, to ?? end.at], closed: false, snapped }),
    };
  },
};
