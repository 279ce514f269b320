import type { Paint, Pour } from "#core/drawing/drawing.ts";
import type { Pocket } from "#core/pockets/pockets.ts";
import type { Desk } from "../store/desk-state.ts";

type Shown = Pick<Desk, "derived" | "drawing">;

/** What was poured into a pocket, or left bare there on purpose. */
export const pourIn = ({ derived, drawing }: Shown, pocket: Pocket): Pour | undefined =>
  drawing.pours[derived.pourOf[derived.pockets.indexOf(pocket)] ?? ""];

/** The pour, where it has a colour of its own that something can lie over. */
export function colouredIn(desk: Shown, pocket: Pocket): (Pour & { readonly paint: Paint }) | undefined {
  const pour = pourIn(desk, pocket);
  return pour?.paint && !pour.spot ? { ...pour, paint: pour.paint } : undefined;
}
