/** Zooming and turning by button or key. */
import { type Box, boundsOf, diagonal } from "#core/geometry/point.ts";
import { around, boxOfItem } from "#core/scene/item-box.ts";
import { fitView, turnAt } from "../../painting/view.ts";
import { chainsOf } from "../lines/lines-near.ts";
import { chosenShapes } from "../shapes/chosen-shapes.ts";
import type { DeskStore } from "../store/desk-state.ts";
import { chosenLines } from "../tools/arrange/arrange-state.ts";

export function fitPage(desk: DeskStore): void {
  const { drawing, matSize, moveView } = desk.getState();
  moveView(fitView(drawing.page.box, matSize));
}

/** Fills the mat with a box in page units, with as much room around it as a page has. */
function fitBox(desk: DeskStore, box: Box | undefined, nothing: string): void {
  const { drawing, matSize, moveView, tell } = desk.getState();
  if (!box) {
    tell(nothing);
    return;
  }
  const least = diagonal(drawing.page.box) * CLOSEST;
  const roomy = { ...box, width: Math.max(box.width, least), height: Math.max(box.height, least) };
  moveView(fitView(roomy, matSize));
}

/** What is shown whole is never shown larger than this part of the page's diagonal would be. */
const CLOSEST = 0.01;

export function fitDrawing(desk: DeskStore): void {
  const { scene } = desk.getState();
  const boxes = scene.parts.flatMap(({ sheets }) => sheets.flatMap(({ items }) => items.map(boxOfItem)));
  const all = boxes.reduce((box, other) => around(box, other), undefined);
  fitBox(desk, all, "There is nothing drawn yet.");
}

export function fitChosen(desk: DeskStore): void {
  const state = desk.getState();
  const chosen = [...chosenLines(state), ...chosenShapes(state)];
  fitBox(desk, boundsOf(chosen.flatMap(chainsOf)), "Nothing is chosen.");
}

export function zoom(desk: DeskStore, factor: number): void {
  const { matSize, zoom: zoomAbout } = desk.getState();
  zoomAbout([matSize.width / 2, matSize.height / 2], factor);
}

/** Turns the paper about the middle of the mat, by radians clockwise. */
export function turn(desk: DeskStore, by: number): void {
  const { matSize, view, moveView } = desk.getState();
  moveView(turnAt(view, [matSize.width / 2, matSize.height / 2], by));
}

export const straighten = (desk: DeskStore): void => turn(desk, -(desk.getState().view.turn ?? 0));
