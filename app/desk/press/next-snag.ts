/** Stepping through what wants a look: openings on the Gaps stage, uncoloured pockets elsewhere. */

import { showLength } from "#core/drawing/length.ts";
import { diagonal } from "#core/geometry/point.ts";
import { fitView, viewOn } from "../../painting/view.ts";
import type { DeskStore } from "../store/desk-store.ts";
import { pocketCounts } from "../pockets/stats.ts";
import { describePocket } from "../pockets/walk.ts";

export function nextSnag(desk: DeskStore, by: number): void {
  const state = desk.getState();
  if (state.stage === "Gaps") {
    const { length } = state.gaps.openings;
    if (length > 0) goToOpening(desk, ((state.chosenOpening ?? (by > 0 ? -1 : 0)) + by + length) % length);
    return;
  }
  const { bare, specks } = pocketCounts(state);
  const todo = [...bare, ...specks];
  if (todo.length === 0) return;
  const at = state.walked === null ? -1 : todo.indexOf(state.walked);
  goToPocket(desk, todo[(at + by + todo.length) % todo.length]);
}

export function goToOpening(desk: DeskStore, index: number): void {
  const { gaps, view, matSize, history, set } = desk.getState();
  const opening = gaps.openings[index];
  const { page } = history.drawing;
  const fitScale = fitView(page.box, matSize).scale;
  const said = `Opening ${index + 1} of ${gaps.openings.length}, ${showLength(page, opening.width)} wide`;
  set({ chosenOpening: index, view: viewOn(view, opening.at, matSize, opening.width, fitScale), said });
}

export function goToPocket(desk: DeskStore, index: number): void {
  const state = desk.getState();
  const { page } = state.history.drawing;
  const pocket = state.derived.pockets[index];
  const fitScale = fitView(page.box, state.matSize).scale;
  const size = Math.max(Math.sqrt(pocket.area), diagonal(page.box) / 500);
  const view = viewOn(state.view, pocket.seed, state.matSize, size, fitScale);
  state.set({ walked: index, hovered: null, view, said: describePocket(state, index) });
}
