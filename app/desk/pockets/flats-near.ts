/** The flat shape that is seen at a place, if one is. */
import type { FlatShape } from "#core/drawing/drawing.ts";
import type { Point } from "#core/geometry/point.ts";
import { isInk as isWithin } from "#core/pockets/ink-regions.ts";
import { pocketAt } from "#core/scene/scene.ts";
import type { Desk } from "../store/desk-state.ts";
import { pourIn } from "./pour-in.ts";

export function flatAt({ derived, drawing }: Desk, at: Point): FlatShape | undefined {
  const { flatShapes, sheets, page, shapeWalls } = drawing;
  // Where their edges part colours, what is between them is meant.
  if (!sheets.flats.visible || shapeWalls) return undefined;
  const pocket = pocketAt(derived.pockets, at);
  const pour = pocket && pourIn({ derived, drawing }, pocket);
  const covered = pour?.paint ? pour.rank : Number.NEGATIVE_INFINITY;
  return Object.values(flatShapes)
    .sort((a, b) => b.rank - a.rank)
    .find((shape) => !shape.sheet && shape.rank > covered && isWithin([shape], at, page.box.width / 4000));
}
