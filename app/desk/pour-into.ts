import type { Paint } from "#core/drawing/drawing.ts";
import { pour } from "#core/drawing/edits.ts";
import type { Edit } from "#core/drawing/history.ts";
import type { Pocket } from "#core/pockets/pockets.ts";
import { newId } from "../keep/shelf.ts";
import type { Desk } from "./desk-store.ts";

/** The edit that pours into pockets of the desk; undefined when all of them hold that paint already. */
export function pourInto(
  { derived, history }: Pick<Desk, "derived" | "history">,
  pockets: readonly Pocket[],
  paint: Paint | null,
): Edit | undefined {
  const { pourOf, pockets: all } = derived;
  const { pours } = history.drawing;
  const targets = pockets.flatMap((pocket) => {
    const pourId = pourOf[all.indexOf(pocket)];
    const now = pourId === undefined ? null : pours[pourId].paint;
    if (now?.colour === paint?.colour && now?.step === paint?.step) return [];
    return [
      { pocket, pourId, shared: pourId !== undefined && pourOf.filter((id) => id === pourId).length > 1 },
    ];
  });
  return targets.length > 0 ? pour(targets, paint, targets.map(newId)) : undefined;
}
