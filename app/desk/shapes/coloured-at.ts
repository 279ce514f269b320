import type { Paint, Pour } from "#core/drawing/drawing.ts";
import { type AnyShape, sheetOf } from "#core/drawing/shape-edits.ts";
import type { Point } from "#core/geometry/point.ts";
import { pocketAt } from "#core/scene/scene.ts";
import { colouredIn } from "../pockets/pour-in.ts";
import type { Desk } from "../store/desk-state.ts";
import { shapeAt } from "./chosen-shapes.ts";

type ColouredPour = Pour & { readonly paint: Paint };

/** The colour that is seen at a place: one of some shapes, or a pour; the ground lies beneath both. */
export function colouredAt<T extends AnyShape>(
  desk: Desk,
  at: Point,
  pixel: number,
  shapes: readonly T[],
): T | ColouredPour | undefined {
  const shape = shapeAt(desk, at, pixel, shapes) as T | undefined;
  if (shape && sheetOf(shape) !== "ground") return shape;
  const pocket = pocketAt(desk.derived.pockets, at);
  return (pocket && colouredIn(desk, pocket)) ?? shape;
}
