/** What ends and bridges can hang on: strokes, and the outlines of ink shapes. */
import { createSelector } from "reselect";
import type { Stroke } from "#core/drawing/drawing.ts";
import { partOf } from "#core/drawing/parts.ts";
import { type Ring, ringsOf } from "#core/drawing/rings.ts";
import { knownBox } from "#core/geometry/known-box.ts";
import { boxHolds, grow, type Point } from "#core/geometry/point.ts";
import { pickable } from "../parts/pickable.ts";
import type { Desk } from "../store/desk-state.ts";

type Shown = Pick<Desk, "drawing" | "alone">;

/** Those a hand can take, of one part where one is named. */
export const lineChains = (desk: Shown, part?: string): (Stroke | Ring)[] =>
  [
    ...pickable(desk, desk.drawing.strokes),
    ...pickable(desk, desk.drawing.inkShapes).flatMap(ringsOf),
  ].filter((line) => part === undefined || partOf(line) === part);

/** With their boxes, worked out once a drawing: all are asked with each move of a hand. */
const boxed = createSelector(
  [({ drawing }: Shown) => drawing, ({ alone }: Shown) => alone],
  (drawing, alone) => lineChains({ drawing, alone }).map((line) => ({ line, box: knownBox(line.points) })),
);

/** Those that may come within a distance of a place, in page units. */
export const chainsAround = (desk: Shown, at: Point, within: number): (Stroke | Ring)[] =>
  boxed(desk).flatMap(({ line, box }) => (box && boxHolds(grow(box, within), at) ? line : []));
