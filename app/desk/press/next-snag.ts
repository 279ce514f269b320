/** Stepping through what wants a look: openings on the Gaps stage, uncoloured pockets elsewhere. */

import { showLength } from "#core/drawing/length.ts";
import { diagonal } from "#core/geometry/point.ts";
import { fitView, viewOn } from "../../painting/view.ts";
import { pocketCounts } from "../pockets/stats.ts";
import { describePocket } from "../pockets/walk.ts";
import type { DeskStore } from "../store/desk-state.ts";

export function nextOpening(desk: DeskStore, by: number): void {
  const { gaps, chosenOpening } = desk.getState();
  const { length } = gaps.openings;
  if (length > 0) goToOpening(desk, ((chosenOpening ?? (by > 0 ? -1 : 0)) + by + length) % length);
}

export function nextPocketSnag(desk: DeskStore, by: number): void {
  const state = desk.getState();
  const { bare, specks } = pocketCounts(state);
  const todo = [...bare, ...specks];
  if (todo.length === 0) return;
  const at = state.walked === null ? -1 : todo.indexOf(state.walked);
  goToPocket(desk, todo[(at + by + todo.length) % todo.length]);
}

export function goToOpening(desk: DeskStore, index: number): void {
  const { gaps, view, matSize, drawing, set } = desk.getState();
  const opening = gaps.openings[index];
  const { page } = drawing;
  const fitScale = fitView(page.box, matSize).scale;
  const said = `Opening ${index + 1} of ${gaps.openings.length}, ${showLength(page, opening.width)} wide`;
  set({ chosenOpening: index, view: viewOn(view, opening.at, matSize, opening.width, fitScale), said });
}

export function goToPocket(desk: DeskStore, index: number): void {
  const state = desk.getState();
  const { page } = state.drawing;
  const pocket = state.derived.pockets[index];
  const fitScale = fitView(page.box, state.matSize).scale;
  const size = Math.max(Math.sqrt(pocket.area), diagonal(page.box) / 500);
  const view = viewOn(state.view, pocket.seed, state.matSize, size, fitScale);
  state.hover.setState({ pocket: null });
  state.set({ walked: index, view, said: describePocket(state, index) });
}
