/** Zooming by button or key. */
import { fitView, zoomAt } from "../../painting/view.ts";
import type { DeskStore } from "../store/desk-state.ts";

export function fitPage(desk: DeskStore): void {
  const { drawing, matSize, set } = desk.getState();
  set({ view: fitView(drawing.page.box, matSize) });
}

export function zoom(desk: DeskStore, factor: number): void {
  const { view, drawing, matSize, set } = desk.getState();
  const fitScale = fitView(drawing.page.box, matSize).scale;
  set({ view: zoomAt(view, [matSize.width / 2, matSize.height / 2], factor, fitScale) });
}
