import type { FlatShape } from "#core/drawing/drawing.ts";
import { type AnyShape, isShade, partOfShape, retrimShapes, type TrimTo } from "#core/drawing/shape-edits.ts";
import { pointAt } from "#core/geometry/cubic.ts";
import type { Point } from "#core/geometry/point.ts";
import { anchorAround } from "#core/pockets/anchors.ts";
import { isInk as isWithin } from "#core/pockets/ink-regions.ts";
import type { Pocket } from "#core/pockets/pockets.ts";
import { pocketAt } from "#core/scene/scene.ts";
import { steppedPaint } from "../pockets/pour-into.ts";
import type { Desk, DeskStore } from "../store/desk-state.ts";

export type Trim = NonNullable<FlatShape["trim"]> | "free" | "pocket";

/** Trims shapes otherwise; to their pockets where they lie over any. */
export function retrim(desk: DeskStore, shapes: readonly AnyShape[], trim: Trim): void {
  const state = desk.getState();
  const changes = shapes.flatMap((shape): { shape: AnyShape; to: TrimTo }[] => {
    if (trim !== "pocket") return [{ shape: inOwnColour(state, shape), to: trim }];
    const pockets = pocketsUnder(state, shape);
    return pockets.length > 0 ? [{ shape, to: anchorAround(pockets) }] : [];
  });
  if (changes.length === 0) state.tell("The shape lies over no pocket that it could be trimmed to.");
  else state.edit(retrimShapes(changes));
}

/** A shade that is so many steps of what it lies on in the colour that makes: free it lies on nothing that could say so. */
function inOwnColour({ derived, drawing }: Desk, shape: AnyShape): AnyShape {
  if (!isShade(shape) || shape.deeper === undefined) return shape;
  const [index] = derived.pocketsOf.get(shape.id) ?? [];
  const beneath = drawing.pours[derived.pourOf[index] ?? ""]?.paint;
  return beneath ? { ...shape, paint: steppedPaint(drawing, beneath, -shape.deeper) } : shape;
}

/** The pockets of its part that a shape lies over. */
function pocketsUnder({ derived: { pockets }, drawing }: Desk, shape: AnyShape): Pocket[] {
  const own = pockets.filter(({ part }) => part === partOfShape(shape));
  const knots = shape.outline.flatMap((chain) =>
    Array.from({ length: (chain.length - 2) / 6 }, (_, k): Point => pointAt(chain, k)),
  );
  const crossed = new Set(knots.map((at) => pocketAt(own, at)));
  const within = drawing.page.box.width / 4000;
  return own.filter((pocket) => crossed.has(pocket) || isWithin([shape], pocket.seed, within));
}
