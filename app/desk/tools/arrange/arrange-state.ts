/** The lines or colour shapes that are arranged, and how they are moved as one. */
import { createSelector } from "reselect";
import { carriedBy } from "#core/drawing/carried.ts";
import type { InkShape, Stroke } from "#core/drawing/drawing.ts";
import type { Edit } from "#core/drawing/history.ts";
import { transformLines } from "#core/drawing/line-edits.ts";
import { duplicateCarried } from "#core/drawing/picked.ts";
import { type AnyShape, duplicateShapes, moveShapes } from "#core/drawing/shape-edits.ts";
import { aboutPoint, type Matrix, translation } from "#core/geometry/matrix.ts";
import { type Box, boundsOf, type Point } from "#core/geometry/point.ts";
import { plural } from "#core/words.ts";
import { chainsOf } from "../../lines/lines-near.ts";
import { chosenShapes } from "../../shapes/chosen-shapes.ts";
import type { Desk, DeskStore } from "../../store/desk-state.ts";
import { toolState } from "../tool-state.ts";

interface Settings {
  /** Whether the ink's width is scaled with its lines. */
  readonly scaleWidths: boolean;
}

/** `under` is the id of the line beneath the pointer. */
export const arrange = toolState<Settings, object, string>("arrange", { scaleWidths: true }, {});

export type Arranged = Stroke | InkShape | AnyShape;

export const chosenLines = ({
  drawing,
  selected,
}: Pick<Desk, "drawing" | "selected">): (Stroke | InkShape)[] =>
  selected.flatMap((id) => drawing.strokes[id] ?? drawing.inkShapes[id] ?? []);

/** Lines and shapes are never chosen at once. */
export const chosenThings = (desk: Pick<Desk, "drawing" | "selected">): readonly Arranged[] => [
  ...chosenLines(desk),
  ...chosenShapes(desk),
];

export const countThings = (things: readonly Arranged[], one?: string): string => {
  const [first] = things;
  const word = first && "paint" in first && "opacity" in first ? "shape" : "line";
  return plural(things.length, one ?? word, `${things.length} ${word}s`);
};

export const frameOf: (desk: Pick<Desk, "drawing" | "selected">) => Box | undefined = createSelector(
  [(desk: Pick<Desk, "drawing">) => desk.drawing, (desk: Pick<Desk, "selected">) => desk.selected],
  (drawing, selected) => boundsOf(chosenThings({ drawing, selected }).flatMap(chainsOf)),
);

/** Transforms what is chosen from where it is now: lines with all that goes along. */
export function transforming(desk: DeskStore, label: string): (matrix: Matrix) => Edit {
  const state = desk.getState();
  const shapes = chosenShapes(state);
  if (shapes.length > 0) return (matrix) => moveShapes(shapes, matrix, label);
  const carried = carriedBy(state.drawing, state.selected, state.derived.pockets);
  const { scaleWidths } = arrange.settings(state);
  return (matrix) => transformLines(carried, matrix, { scaleWidths, label });
}

/** Moves, scales, turns or mirrors what is chosen in one step. */
export function transformChosen(desk: DeskStore, matrix: Matrix, label: string): void {
  const { selected, edit } = desk.getState();
  if (selected.length > 0) edit(transforming(desk, label)(matrix));
}

/** Moves what is chosen a little: nudges that follow one another are one step. */
export function nudgeChosen(desk: DeskStore, by: Point, label: string): void {
  const { selected, edit } = desk.getState();
  edit({ ...transforming(desk, label)(translation(...by)), merge: `nudge-${selected.join()}` });
}

/** Copies what is chosen, lines with all that goes along, a little aside or mirrored beside a box. */
export function duplicateChosen(desk: DeskStore, mirroredBeside?: Box): void {
  const { drawing, selected, derived, view, edit, choose } = desk.getState();
  if (selected.length === 0) return;
  const shapes = chosenShapes({ drawing, selected });
  const matrix = mirroredBeside
    ? aboutPoint([mirroredBeside.x + mirroredBeside.width, mirroredBeside.y], -1, 1, 0)
    : translation(16 / view.scale, 16 / view.scale);
  const copies =
    shapes.length > 0
      ? duplicateShapes(drawing, shapes, matrix)
      : duplicateCarried(carriedBy(drawing, selected, derived.pockets), matrix);
  edit(copies.edit);
  if (desk.getState().drawing !== drawing) choose(copies.ids);
}
