/** Crease: a line across pockets; one side of it lies deeper. Its points are dragged, its side is turned. */
import { Waves } from "lucide-react";
import type { Crease } from "#core/drawing/drawing.ts";
import { addCrease, changeCrease } from "#core/drawing/light-edits.ts";
import { newId } from "#core/drawing/new-id.ts";
import { inPart } from "#core/drawing/parts.ts";
import { curveCount, derivativeAt, pointAt } from "#core/geometry/cubic.ts";
import { nearestOnLines } from "#core/geometry/nearest.ts";
import { diagonal, type Point } from "#core/geometry/point.ts";
import { lampOn } from "#core/light/lamp.ts";
import { pointNear, pointNumbers, pointOf, withPointsMoved } from "#core/lines/bend.ts";
import { pocketsAlong } from "#core/pockets/pockets-along.ts";
import { isRemoval } from "../../keys/key-names.ts";
import { pickable } from "../../parts/pickable.ts";
import type { Desk, DeskStore } from "../../store/desk-state.ts";
import { askForColour } from "../../store/next-thing.ts";
import { clickOr } from "../click-or.ts";
import { draw } from "../draw/draw-state.ts";
import { freehandGesture } from "../draw/freehand.ts";
import type { Gesture, OverlayMark, Press, Tool } from "../tool.ts";
import { chosenCrease, creases, flip, removeChosen } from "./crease-state.ts";
import { creaseTray } from "./crease-tray.tsx";

const GRAB_PIXELS = 9;

export const creaseTool: Tool = {
  name: creases.name,
  word: "Crease",
  hint: "Draw a line across coloured pockets: one side of it lies deeper; Enter turns the side",
  icon: Waves,
  sheet: "shade",
  cursor: "crosshair",
  press: (press) => pointGesture(press) ?? drawing(press),
  hover: ({ desk, at, pixel }) => creases.find(desk, creaseNear(desk.getState(), at, pixel)?.id ?? null),
  key: (desk, event) => {
    if (!chosenCrease(desk.getState())) return false;
    if (event.key === "Enter") flip(desk);
    else if (isRemoval(event)) removeChosen(desk);
    else return false;
    return true;
  },
  places: (desk) => {
    const chosen = chosenCrease(desk);
    const own = chosen ? pointNumbers(chosen.points, false).map((k) => pointOf(chosen.points, k)) : [];
    const middles = pickable(desk, desk.drawing.creases).map(({ points }) =>
      pointAt(points, curveCount(points) / 2),
    );
    return [...own, ...middles, ...desk.derived.pockets.map(({ seed }) => seed)];
  },
  marks: creaseMarks,
  settings: creaseTray,
};

const creaseNear = (desk: Desk, at: Point, pixel: number): Crease | undefined =>
  nearestOnLines(pickable(desk, desk.drawing.creases), at, GRAB_PIXELS * pixel)?.line;

/** A point of the chosen crease is dragged. */
function pointGesture({ desk, at, pixel }: Press): Gesture | undefined {
  const state = desk.getState();
  const crease = chosenCrease(state);
  const point = crease && pointNear(crease.points, false, at, GRAB_PIXELS * pixel);
  if (!crease || point === undefined) return undefined;
  return {
    move: (press) =>
      state.show(
        changeCrease(crease.id, {
          points: withPointsMoved(crease.points, false, [point], [press.at[0] - at[0], press.at[1] - at[1]]),
        }),
      ),
  };
}

function drawing(press: Press): Gesture {
  const { desk, at, pixel } = press;
  const gesture = freehandGesture(press, {
    steadying: draw.settings(desk.getState()).steadying,
    pressed: false,
    joins: false,
    onLine: ({ points }) => lay(desk, points),
  });
  return clickOr(gesture, press, () =>
    creases.hold(desk, { crease: creaseNear(desk.getState(), at, pixel)?.id ?? null }),
  );
}

function lay(desk: DeskStore, points: readonly number[]): void {
  const state = desk.getState();
  if (!runsThroughColour(state, points)) {
    askForColour(state, "a crease makes coloured pockets deeper, and this one runs through none");
    return;
  }
  const { deeper, soft, runsOut } = creases.settings(state);
  const id = newId();
  state.edit(
    addCrease({
      id,
      points,
      side: sideFromLamp(state, points),
      deeper,
      ...(runsOut ? { runsOut } : {}),
      ...(soft > 0 ? { soft: soft * state.drawing.page.box.width } : {}),
      ...inPart(state.part),
    }),
  );
  creases.hold(desk, { crease: id });
}

function runsThroughColour({ derived, drawing, part }: Desk, points: readonly number[]): boolean {
  const { pockets, pourOf } = derived;
  return pocketsAlong(points, pockets, diagonal(drawing.page.box)).some((index) => {
    const pour = drawing.pours[pourOf[index] ?? ""];
    return pockets[index].part === part && pour?.paint && !pour.spot;
  });
}

/** The side that is turned away from the lamp. */
function sideFromLamp({ drawing }: Desk, points: readonly number[]): 1 | -1 {
  const { at, far, middle } = lampOn(drawing);
  const half = curveCount(points) / 2;
  const here = pointAt(points, half);
  const [dx, dy] = derivativeAt(points, half);
  const from = far ? middle : here;
  const toLamp: Point = [at[0] - from[0], at[1] - from[1]];
  return dy * toLamp[0] - dx * toLamp[1] > 0 ? -1 : 1;
}

function creaseMarks(desk: Desk): OverlayMark[] {
  const chosen = chosenCrease(desk);
  const under = desk.drawing.creases[creases.under(desk) ?? ""];
  const line = ({ points }: Crease, tint: "fern" | "quiet"): OverlayMark => ({
    kind: "chain",
    points,
    closed: false,
    tint,
    width: 1.5,
    dashed: tint === "quiet",
  });
  const others = pickable(desk, desk.drawing.creases).filter((one) => one !== chosen && one !== under);
  return [
    ...others.map((one) => line(one, "quiet")),
    ...(under && under !== chosen ? [line(under, "fern")] : []),
    ...(chosen
      ? [
          line(chosen, "fern"),
          ...pointNumbers(chosen.points, false).map(
            (k): OverlayMark => ({
              kind: "dot",
              at: pointOf(chosen.points, k),
              tint: "fern",
              shape: "round",
              filled: false,
            }),
          ),
        ]
      : []),
  ];
}
