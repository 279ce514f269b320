/**
 * Stepping through what wants a look: openings on the Gaps stage, uncoloured pockets elsewhere. The part it belongs to
 * becomes the one at work, and so is seen in the press.
 */
import { showLength } from "#core/drawing/length.ts";
import { diagonal } from "#core/geometry/point.ts";
import { partWords } from "../parts/part-actions.ts";
import { pocketCounts } from "../pockets/stats.ts";
import { describePocket } from "../pockets/walk.ts";
import type { DeskStore } from "../store/desk-state.ts";

export function nextOpening(desk: DeskStore, by: number): void {
  const { gaps, chosenOpening } = desk.getState();
  const { length } = gaps.openings;
  if (length > 0) goToOpening(desk, ((chosenOpening ?? (by > 0 ? -1 : 0)) + by + length) % length);
  else isDone(desk, "There are no openings.");
}

export function nextPocketSnag(desk: DeskStore, by: number): void {
  const state = desk.getState();
  const { bare, specks } = pocketCounts(state);
  const todo = [...bare, ...specks];
  const at = state.walked === null ? -1 : todo.indexOf(state.walked);
  if (todo.length > 0) goToPocket(desk, todo[(at + by + todo.length) % todo.length]);
  else isDone(desk, "Every pocket has its colour.");
}

function isDone(desk: DeskStore, word: string): void {
  const state = desk.getState();
  state.lookBack();
  state.tell(word);
}

export function goToOpening(desk: DeskStore, index: number): void {
  const state = desk.getState();
  const { gaps, drawing } = state;
  const opening = gaps.openings[index];
  const { page } = drawing;
  const of = partWords({ drawing }, opening.part, " of ");
  state.chooseOpening(index);
  state.workOn(opening.part);
  state.bringIntoSight(opening.at, opening.width);
  state.say(`Opening ${index + 1} of ${gaps.openings.length}${of}, ${showLength(page, opening.width)} wide`);
}

export function goToPocket(desk: DeskStore, index: number): void {
  const state = desk.getState();
  const { page } = state.drawing;
  const pocket = state.derived.pockets[index];
  const size = Math.max(Math.sqrt(pocket.area), diagonal(page.box) / 500);
  state.hover.getState().overPocket(null);
  state.walkTo(index);
  state.workOn(pocket.part);
  state.bringIntoSight(pocket.seed, size);
  state.say(describePocket(state, index));
}
