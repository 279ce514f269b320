/** Colour and shade whose pockets have gone: shown where they were, and forgotten when asked to. */
import { stepWord } from "#core/colour/ladder.ts";
import { letWaitingGo } from "#core/drawing/edits.ts";
import { fitView, viewOn } from "../../painting/view.ts";
import type { Desk, DeskStore } from "../store/desk-state.ts";
import { waitingIn } from "./stats.ts";

/** Shows the place of the next that waits, and says what it is. */
export function goToWaiting(desk: DeskStore): void {
  const state = desk.getState();
  const waiting = waitingIn(state);
  if (waiting.length === 0) return;
  const next = (waiting.findIndex(({ id }) => id === state.shownWaiting) + 1) % waiting.length;
  const { id, anchor, paint } = waiting[next];
  const { page, tin } = state.drawing;
  const fitScale = fitView(page.box, state.matSize).scale;
  const view = viewOn(state.view, anchor.seed, state.matSize, page.box.width / 20, fitScale);
  const colour = paint ? `${tin[paint.colour]?.name}, ${stepWord(paint.step)},` : "Colour";
  state.set({ shownWaiting: id, view });
  state.tell(`${colour} waits for its pocket: ${next + 1} of ${waiting.length}.`);
}

export function letGoOfWaiting(desk: Desk): void {
  const { pours, shades } = desk.drawing;
  const ids = waitingIn(desk).map(({ id }) => id);
  desk.edit(
    letWaitingGo(
      ids.filter((id) => pours[id]),
      ids.filter((id) => shades[id]),
    ),
  );
}
