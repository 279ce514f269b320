/** Zooming by button or key. */
import { type Box, boundsOf, diagonal } from "#core/geometry/point.ts";
import { around, boxOfItem } from "#core/scene/item-box.ts";
import { fitView, zoomAt } from "../../painting/view.ts";
import type { DeskStore } from "../store/desk-state.ts";

export function fitPage(desk: DeskStore): void {
  const { drawing, matSize, set } = desk.getState();
  set({ view: fitView(drawing.page.box, matSize) });
}

/** Fills the mat with a box in page units, with as much room around it as a page has. */
function fitBox(desk: DeskStore, box: Box | undefined, nothing: string): void {
  const { drawing, matSize, set, tell } = desk.getState();
  if (!box) {
    tell(nothing);
    return;
  }
  const least = diagonal(drawing.page.box) * CLOSEST;
  const roomy = { ...box, width: Math.max(box.width, least), height: Math.max(box.height, least) };
  set({ view: fitView(roomy, matSize) });
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
  const { drawing, selected, chosenFlat } = desk.getState();
  const { strokes, inkShapes, flatShapes } = drawing;
  const lines = selected.flatMap((id) =>
    strokes[id] ? [strokes[id].points] : (inkShapes[id]?.outline ?? []),
  );
  const flat = flatShapes[chosenFlat ?? ""]?.outline ?? [];
  fitBox(desk, boundsOf([...lines, ...flat]), "Nothing is chosen.");
}

export function zoom(desk: DeskStore, factor: number): void {
  const { view, drawing, matSize, set } = desk.getState();
  const fitScale = fitView(drawing.page.box, matSize).scale;
  set({ view: zoomAt(view, [matSize.width / 2, matSize.height / 2], factor, fitScale) });
}
