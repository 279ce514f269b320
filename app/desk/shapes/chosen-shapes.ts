/** The colour shapes that are chosen, and which of them a stage works on. */
import { createSelector } from "reselect";
import { SHAPE_SHEETS, type SheetName } from "#core/drawing/drawing.ts";
import { partOf } from "#core/drawing/parts.ts";
import { type AnyShape, isShade, shapeNamed, sheetOf } from "#core/drawing/shape-edits.ts";
import type { Point } from "#core/geometry/point.ts";
import { isInk as isWithin } from "#core/pockets/ink-regions.ts";
import { pocketAt } from "#core/scene/scene.ts";
import { depthOf, pickable } from "../parts/pickable.ts";
import type { Desk } from "../store/desk-state.ts";

type Chosen = Pick<Desk, "drawing" | "selected">;

export const chosenShapes = createSelector(
  [
    ({ drawing }: Chosen) => drawing.flatShapes,
    ({ drawing }: Chosen) => drawing.shades,
    ({ selected }: Chosen) => selected,
  ],
  (flatShapes, shades, selected): readonly AnyShape[] =>
    selected.flatMap((id) => shapeNamed({ flatShapes, shades }, id) ?? []),
);

const SHAPE_ORDER: readonly SheetName[] = SHAPE_SHEETS;

/** Sheets of what is light and not local colour. */
const LIGHT: readonly SheetName[] = ["shade", "light", "gloss"];

/** Every shape a hand can take, on whatever sheet. */
export function shapesOfAll(desk: Desk): AnyShape[] {
  const { flatShapes, shades } = desk.drawing;
  const anchored = Object.values(shades).filter(({ id }) => desk.derived.pocketsOf.get(id)?.length);
  return [...pickable(desk, flatShapes), ...anchored];
}

/** What a hand can take on the stage in view: shades and what lies with them on Light, all others on Flats. */
export const shapesInReach = (desk: Desk): AnyShape[] =>
  desk.stage === "Light"
    ? shapesOfAll(desk).filter((shape) => LIGHT.includes(sheetOf(shape)))
    : pickable(desk, desk.drawing.flatShapes);

/** The topmost of them at a place; a shade only where it is seen. */
export function shapeAt(
  desk: Desk,
  at: Point,
  pixel: number,
  among: readonly AnyShape[] = shapesInReach(desk),
): AnyShape | undefined {
  const within = Math.min(pixel, desk.drawing.page.box.width / 1000);
  const pocket = pocketAt(desk.derived.pockets, at);
  const index = pocket ? desk.derived.pockets.indexOf(pocket) : -1;
  const isSeen = (shape: AnyShape) =>
    (!isShade(shape) || desk.derived.pocketsOf.get(shape.id)?.includes(index)) &&
    isWithin([shape], at, within);
  const heightOf = (shape: AnyShape) => SHAPE_ORDER.indexOf(sheetOf(shape));
  const depth = (shape: AnyShape) => depthOf(desk, isShade(shape) ? shape.anchor : shape);
  return [...among]
    .sort((a, b) => depth(b) - depth(a) || heightOf(b) - heightOf(a) || b.rank - a.rank)
    .find(isSeen);
}

/** The shapes of the part at work that lie on a sheet. */
export const shapesOnSheet = ({ drawing, part }: Desk, sheet: SheetName): AnyShape[] =>
  [...Object.values(drawing.flatShapes), ...Object.values(drawing.shades)].filter(
    (shape) => sheetOf(shape) === sheet && partOf(isShade(shape) ? shape.anchor : shape) === part,
  );
