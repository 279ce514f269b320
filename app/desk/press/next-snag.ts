/**
 * Stepping through what wants a look: openings on the Gaps stage, uncoloured pockets elsewhere. The part it belongs to
 * becomes the one at work, and so is seen in the press.
 */
import { showLength } from "#core/drawing/length.ts";
import { diagonal } from "#core/geometry/point.ts";
import { fitView, viewOn } from "../../painting/view.ts";
import { partWords } from "../parts/part-actions.ts";
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
  const of = partWords({ drawing }, opening.part, " of ");
  const said = `Opening ${index + 1} of ${gaps.openings.length}${of}, ${showLength(page, opening.width)} wide`;
  const onIt = viewOn(view, opening.at, matSize, opening.width, fitScale);
  set({ chosenOpening: index, part: opening.part, view: onIt, said });
}

export function goToPocket(desk: DeskStore, index: number): void {
  const state = desk.getState();
  const { page } = state.drawing;
  const pocket = state.derived.pockets[index];
  const fitScale = fitView(page.box, state.matSize).scale;
  const size = Math.max(Math.sqrt(pocket.area), diagonal(page.box) / 500);
  const view = viewOn(state.view, pocket.seed, state.matSize, size, fitScale);
  state.hover.setState({ pocket: null });
  state.set({ walked: index, part: pocket.part, view, said: describePocket(state, index) });
}
