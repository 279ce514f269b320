/** Figures the desk shows, all derived: many components ask for them, and they are worked out once for all. */
import { createSelector, weakMapMemoize } from "reselect";
import type { Drawing, Gradient, Paint, Pour, Shade } from "#core/drawing/drawing.ts";
import { entitiesOf } from "#core/drawing/entities.ts";
import { speckArea } from "#core/drawing/speck.ts";
import { waitingPours } from "#core/pockets/anchors.ts";
import type { Desk } from "../store/desk-state.ts";

type Shown = Pick<Desk, "derived" | "drawing">;
const derivedOf = ({ derived }: Shown) => derived;
const drawingOf = ({ drawing }: Shown) => drawing;

export const pocketCounts = createSelector(
  [
    ({ derived }: Shown) => derived.pockets,
    ({ derived }: Shown) => derived.pourOf,
    ({ drawing }: Shown) => drawing.pours,
    ({ drawing }: Shown) => drawing.page,
  ],
  (pockets, pourOf, pours, page) => {
    const speck = speckArea(page);
    let coloured = 0;
    let leftBare = 0;
    const bare: number[] = [];
    const specks: number[] = [];
    pockets.forEach((pocket, i) => {
      const id = pourOf[i];
      if (id !== undefined && pours[id].paint) coloured++;
      else if (id !== undefined) leftBare++;
      else if (pocket.area < speck) specks.push(i);
      else bare.push(i);
    });
    return { all: pockets.length - leftBare, coloured, bare, specks };
  },
);

/** Colour and shade whose pockets are not there now: they come back when the pockets do. */
export const waitingIn = createSelector(
  [derivedOf, drawingOf],
  (derived, { pours, shades }): (Pour | Shade)[] => {
    const lost = entitiesOf(shades).filter(({ id }) => !derived.whole.pocketsOf.get(id)?.length);
    return [...waitingPours(pours, derived.whole), ...lost];
  },
);

/** How many places use each tin colour, on whatever step of its ladder. */
export const usesOf = createSelector(
  [derivedOf, drawingOf],
  (derived, drawing): ReadonlyMap<string, number> => {
    const { pours, flatShapes, shades, strokes, inkShapes, ink, undercoat } = drawing;
    const uses = new Map(usesByLines(strokes, inkShapes, ink.colour));
    const count = (paint: Paint | null | undefined) => {
      if (paint) uses.set(paint.colour, (uses.get(paint.colour) ?? 0) + 1);
    };
    count(undercoat);
    for (const id of derived.pourOf) if (id !== undefined) count(pours[id]?.spot ? ink : pours[id]?.paint);
    for (const { pattern } of [...entitiesOf(pours), ...entitiesOf(flatShapes)]) count(pattern?.paint);
    for (const { bands } of entitiesOf(pours)) for (const { paint } of bands?.bands ?? []) count(paint);
    for (const { paint } of waitingPours(pours, derived.whole)) count(paint);
    for (const { paint, deeper } of entitiesOf(shades)) if (deeper === undefined) count(paint);
    for (const { paint } of entitiesOf(flatShapes)) count(paint);
    for (const { gradient } of [pours, shades, flatShapes].flatMap((table) =>
      Object.values<{ readonly gradient?: Gradient }>(table),
    ))
      for (const { paint } of gradient?.stops ?? []) count(paint);
    return uses;
  },
);

/** How many lines have each colour: there are many, and few edits change any. */
const usesByLines = weakMapMemoize(
  (
    strokes: Drawing["strokes"],
    inkShapes: Drawing["inkShapes"],
    ink: string,
  ): ReadonlyMap<string, number> => {
    const uses = new Map<string, number>();
    for (const lines of [entitiesOf(strokes), entitiesOf(inkShapes)])
      for (const { paint } of lines) {
        const colour = paint?.colour ?? ink;
        uses.set(colour, (uses.get(colour) ?? 0) + 1);
      }
    return uses;
  },
);
