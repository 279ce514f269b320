/** Trim: the loose tail under the pointer goes with a click, those under a drag with one drag. */
import { reshapeLines } from "#core/drawing/line-edits.ts";
import { between, curveCount } from "#core/geometry/cubic.ts";
import { nearestOnLines } from "#core/geometry/nearest.ts";
import { distance, mix, type Point } from "#core/geometry/point.ts";
import { trimmedLines } from "#core/lines/trim.ts";
import type { Tail } from "#core/pockets/tails.ts";
import type { Desk, DeskStore } from "../../store/desk-store.ts";
import { shortTails } from "../../lines/line-settings.ts";
import type { OverlayMark, Tool } from "../tool.ts";

const GRAB_PIXELS = 9;

/** The part of a line that a tail is. */
export function tailChain({ history }: Desk, { line, start, u }: Tail): readonly number[] {
  const points = history.drawing.strokes[line]?.points ?? [];
  return start ? between(points, 0, u) : between(points, u, curveCount(points));
}

function tailNear(desk: Desk, at: Point, pixel: number): Tail | undefined {
  const tails = desk.gaps.tails
    .map((tail) => ({ tail, points: tailChain(desk, tail) }))
    .filter(({ points }) => points.length >= 8);
  return nearestOnLines(tails, at, GRAB_PIXELS * pixel)?.line.tail;
}

export function trimTails(desk: DeskStore, tails: readonly Tail[]): void {
  const { history, edit, set } = desk.getState();
  const lines = new Map(Object.values(history.drawing.strokes).map(({ id, points }) => [id, points]));
  const shapes = trimmedLines(lines, tails);
  set({ hoveredTails: [] });
  if (shapes.size > 0)
    edit(reshapeLines(shapes, tails.length === 1 ? "Trim tail" : `Trim ${tails.length} tails`));
}

export const trimTool: Tool = {
  cursor: "crosshair",
  lightsPockets: false,
  press: ({ desk, at, pixel }) => {
    const caught = new Set<Tail>();
    let last = at;
    const catchAlong = (to: Point) => {
      const steps = Math.max(1, Math.ceil(distance(last, to) / (GRAB_PIXELS * pixel)));
      for (let k = 0; k <= steps; k++) {
        const tail = tailNear(desk.getState(), mix(last, to, k / steps), pixel);
        if (tail) caught.add(tail);
      }
      last = to;
      desk.getState().set({ hoveredTails: [...caught] });
    };
    catchAlong(at);
    return {
      move: (press) => catchAlong(press.at),
      end: () => {
        if (caught.size > 0) trimTails(desk, [...caught]);
        else desk.getState().tell("There is no loose tail here: a tail runs on past a crossing.");
      },
      cancel: () => desk.getState().set({ hoveredTails: [] }),
    };
  },
  hover: ({ desk, at, pixel }) => {
    const { hoveredTails, set } = desk.getState();
    const tail = tailNear(desk.getState(), at, pixel);
    if (tail !== hoveredTails[0] || hoveredTails.length > 1) set({ hoveredTails: tail ? [tail] : [] });
  },
  marks: (desk): OverlayMark[] => {
    const caught = new Set(desk.hoveredTails);
    const short = shortTails(desk).filter((tail) => !caught.has(tail));
    return [
      ...short.map((tail) => markOf(desk, tail, true)),
      ...desk.hoveredTails.map((tail) => markOf(desk, tail, false)),
    ];
  },
};

const markOf = (desk: Desk, tail: Tail, dashed: boolean): OverlayMark => ({
  kind: "chain",
  points: tailChain(desk, tail),
  closed: false,
  tone: "ember",
  width: dashed ? 2 : 3,
  dashed,
});
