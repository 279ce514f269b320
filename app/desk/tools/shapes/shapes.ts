/** Shapes: colour shapes are chosen, moved, scaled and turned, or bent by their points, as lines are. */
import { LassoSelect } from "lucide-react";
import { ringsOf } from "#core/drawing/rings.ts";
import { type AnyShape, removeShapes } from "#core/drawing/shape-edits.ts";
import { shapeAt, shapesInReach } from "../../shapes/chosen-shapes.ts";
import type { Desk } from "../../store/desk-state.ts";
import { arranging } from "../arrange/arrange.ts";
import { bendingOf, ringNear } from "../bend/bend.ts";
import type { Tool } from "../tool.ts";
import { shapes } from "./shapes-state.ts";
import { shapesTray } from "./shapes-tray.tsx";

const rings = (desk: Desk) => shapesInReach(desk).flatMap(ringsOf);

const whole = arranging({ near: shapeAt, all: shapesInReach }, (chosen) =>
  removeShapes(chosen as readonly AnyShape[]),
);

/** The nearest outline, or that of the shape that lies there. */
const byPoints = bendingOf({
  near: (desk, at, pixel) => {
    const shape = shapeAt(desk, at, pixel);
    return ringNear(rings(desk), at, pixel) ?? (shape && ringsOf(shape)[0]);
  },
  all: rings,
});

const now = (desk: Desk): ReturnType<typeof bendingOf> | ReturnType<typeof arranging> =>
  shapes.settings(desk).by === "whole" ? whole : byPoints;

const bent = (desk: Desk) => (shapes.settings(desk).by === "points" ? byPoints : undefined);

export const shapesTool: Tool = {
  name: shapes.name,
  word: "Shapes",
  hint: "Choose colour shapes to move, scale and turn them, or to bend them by their points",
  icon: LassoSelect,
  cursor: "default",
  press: (press) => now(press.desk.getState()).press(press),
  hover: (press) => now(press.desk.getState()).hover?.(press),
  doublePress: (press) => bent(press.desk.getState())?.doublePress?.(press),
  places: (desk) => now(desk).places?.(desk) ?? [],
  key: (desk, event) => now(desk.getState()).key?.(desk, event) ?? false,
  chooseAll: (desk) => now(desk.getState()).chooseAll?.(desk),
  marks: (desk) => now(desk).marks?.(desk) ?? [],
  settings: shapesTray,
};
