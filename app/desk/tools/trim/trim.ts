/** Trim: the loose tail under the pointer goes with a click, those under a drag with one drag. */
import { Scissors } from "lucide-react";
import { between, curveCount, flatten, pointAt } from "#core/geometry/cubic.ts";
import { nearestOnLines } from "#core/geometry/nearest.ts";
import { distance, mix, type Point } from "#core/geometry/point.ts";
import { regionContains } from "#core/geometry/polygon.ts";
import type { Desk } from "../../store/desk-state.ts";
import type { OverlayMark, Tool } from "../tool.ts";
import { type AnyTail, caughtTails, shortTails, tailsOf, trim } from "./trim-state.ts";
import { trimTails } from "./trim-tails.ts";
import { trimTray } from "./trim-tray.tsx";

const GRAB_PIXELS = 9;

/** The part of a line that a tail is; of an ink shape the piece itself. */
function tailChain({ drawing }: Desk, tail: AnyTail): readonly number[] {
  if ("cut" in tail) return tail.outline;
  const { line, start, u } = tail;
  const points = drawing.strokes[line]?.points ?? [];
  return start ? between(points, 0, u) : between(points, u, curveCount(points));
}

function tailNear(desk: Desk, at: Point, pixel: number): AnyTail | undefined {
  const tails = tailsOf(desk)
    .map((tail) => ({ tail, points: tailChain(desk, tail) }))
    .filter(({ points }) => points.length >= 8);
  const within = tails.find(
    ({ tail, points }) => "cut" in tail && regionContains([flatten(points, pixel)], at),
  );
  return (within ?? nearestOnLines(tails, at, GRAB_PIXELS * pixel)?.line)?.tail;
}

export const trimTool: Tool = {
  name: "trim",
  word: "Trim",
  hint: "Click a loose tail, or drag across many",
  icon: Scissors,
  sheet: "ink",
  cursor: "crosshair",
  places: (desk) =>
    tailsOf(desk).map((tail) => {
      const points = tailChain(desk, tail);
      return pointAt(points, curveCount(points) / 2);
    }),
  press: ({ desk, at, pixel }) => {
    const caught = new Set<AnyTail>();
    let last = at;
    const catchAlong = (to: Point) => {
      const steps = Math.max(1, Math.ceil(distance(last, to) / (GRAB_PIXELS * pixel)));
      for (let k = 0; k <= steps; k++) {
        const tail = tailNear(desk.getState(), mix(last, to, k / steps), pixel);
        if (tail) caught.add(tail);
      }
      last = to;
      trim.find(desk, [...caught]);
    };
    catchAlong(at);
    return {
      move: (press) => catchAlong(press.at),
      end: () => {
        if (caught.size > 0) trimTails(desk, [...caught]);
        else desk.getState().tell("There is no loose tail here: a tail runs on past a crossing.");
      },
      cancel: () => trim.find(desk, null),
    };
  },
  hover: ({ desk, at, pixel }) => {
    const state = desk.getState();
    const tail = tailNear(state, at, pixel);
    const before = caughtTails(state);
    if (tail !== before[0] || before.length > 1) trim.find(desk, tail ? [tail] : null);
  },
  key: (desk, { key }) => {
    if (key !== "Enter") return false;
    trimTails(desk, shortTails(desk.getState()));
    return true;
  },
  marks: (desk): OverlayMark[] => {
    const caught = caughtTails(desk);
    const short = shortTails(desk).filter((tail) => !caught.includes(tail));
    return [
      ...short.map((tail) => markOf(desk, tail, true)),
      ...caught.map((tail) => markOf(desk, tail, false)),
    ];
  },
  settings: trimTray,
};

const markOf = (desk: Desk, tail: AnyTail, dashed: boolean): OverlayMark => ({
  kind: "chain",
  points: tailChain(desk, tail),
  closed: "cut" in tail,
  tint: "ember",
  width: dashed ? 2 : 3,
  dashed,
});
