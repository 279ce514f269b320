/** Why a shape would not be seen where it was drawn. */
import type { Drawing } from "#core/drawing/drawing.ts";
import { type AnyShape, isShade, sheetOf } from "#core/drawing/shape-edits.ts";
import { isSeen } from "#core/scene/is-seen.ts";
import { derive, sceneOf } from "#core/scene/scene.ts";
import type { Desk } from "../store/desk-state.ts";

/** A sentence with what to do, or undefined where it is seen. `drawing` is that of the desk with the shape. */
export function whyUnseen(
  { derived, alone, light }: Desk,
  drawing: Drawing,
  shape: AnyShape,
): string | undefined {
  const scene = sceneOf(
    drawing,
    derive(drawing, derived.whole.pockets, { before: derived, only: alone, light }),
  );
  const items = scene.parts.flatMap(({ sheets }) => sheets.flatMap((sheet) => sheet.items));
  const item = items.find(({ id }) => id === shape.id);
  if (!item) return "Light drawn by hand is hidden or at nothing just now. Show it again to draw on it.";
  if (isSeen(item)) return undefined;
  if (sheetOf(shape) === "ink") return "Colour on ink is seen on ink alone, and none lies here.";
  if (isShade(shape)) return "A shade is seen in the pocket it begins in, and none of this lies there.";
  return shape.trim === "part"
    ? "It would be trimmed to its part, and none of that lies here. Draw it free, or in the part it is for."
    : "It would be trimmed to what is coloured, and nothing here is. Draw it free, or colour first.";
}
