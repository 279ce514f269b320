/** Figures the desk shows, all derived. */
import type { Paint, Pour, Shade } from "#core/drawing/drawing.ts";
import { speckArea } from "#core/drawing/speck.ts";
import { waitingPours } from "#core/pockets/anchors.ts";
import type { Desk } from "../store/desk-state.ts";

export function pocketCounts({ derived, drawing }: Pick<Desk, "derived" | "drawing">) {
  const { pours, page } = drawing;
  const speck = speckArea(page);
  let coloured = 0;
  const bare: number[] = [];
  const specks: number[] = [];
  derived.pockets.forEach((pocket, i) => {
    const id = derived.pourOf[i];
    if (id !== undefined && pours[id].paint) coloured++;
    else if (pocket.area < speck) specks.push(i);
    else bare.push(i);
  });
  return { all: derived.pockets.length, coloured, bare, specks };
}

/** Colour and shade whose pockets are not there now: they come back when the pockets do. */
export function waitingIn({ derived, drawing }: Pick<Desk, "derived" | "drawing">): (Pour | Shade)[] {
  const { pours, shades } = drawing;
  const lost = Object.values(shades).filter(({ id }) => !derived.whole.pocketsOf.get(id)?.length);
  return [...waitingPours(pours, derived.whole), ...lost];
}

/** How many places use each tin colour, on whatever step of its ladder. */
export function usesOf({ drawing, derived }: Desk): Map<string, number> {
  const { pours, flatShapes, shades, strokes, inkShapes, ink } = drawing;
  const uses = new Map<string, number>();
  const count = (paint: Paint | null | undefined) => {
    if (paint) uses.set(paint.colour, (uses.get(paint.colour) ?? 0) + 1);
  };
  for (const id of derived.pourOf) if (id !== undefined) count(pours[id]?.paint);
  for (const { paint } of waitingPours(pours, derived.whole)) count(paint);
  for (const { paint } of [...Object.values(shades), ...Object.values(flatShapes)]) count(paint);
  for (const { paint } of [...Object.values(strokes), ...Object.values(inkShapes)]) count(paint ?? ink);
  return uses;
}
