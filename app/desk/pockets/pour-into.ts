import type { Paint } from "#core/drawing/drawing.ts";
import { pour } from "#core/drawing/edits.ts";
import type { Edit } from "#core/drawing/history.ts";
import type { Pocket } from "#core/pockets/pockets.ts";
import { pourTargets } from "#core/pockets/pouring.ts";
import type { Desk } from "../store/desk-state.ts";

/** The edit that pours into pockets of the desk; undefined when all of them hold that paint already. */
export function pourInto(
  { derived, drawing }: Pick<Desk, "derived" | "drawing">,
  pockets: readonly Pocket[],
  paint: Paint | null,
): Edit | undefined {
  const wanting = pockets
    .map((pocket) => derived.pockets.indexOf(pocket))
    .filter((index) => {
      const now = drawing.pours[derived.pourOf[index] ?? ""]?.paint;
      return now?.colour !== paint?.colour || now?.step !== paint?.step;
    });
  return wanting.length > 0 ? pour(pourTargets(drawing, derived, wanting), paint) : undefined;
}
