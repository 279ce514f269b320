/** How the next crease is laid, and the one that is chosen. */
import type { Crease } from "#core/drawing/drawing.ts";
import { changeCrease, removeCrease } from "#core/drawing/light-edits.ts";
import type { Desk, DeskStore } from "../../store/desk-state.ts";
import { toolState } from "../tool-state.ts";

interface Settings {
  readonly deeper: number;
  /** As a share of the page's width; 0 for a sharp edge. */
  readonly soft: number;
  /** Fainter where it ends inside a pocket. */
  readonly runsOut: boolean;
}

interface Held {
  readonly crease: string | null;
}

/** `under` is the id of the crease beneath the pointer. */
export const creases = toolState<Settings, Held, string>(
  "crease",
  { deeper: 1, soft: 0, runsOut: false },
  { crease: null },
);

export const chosenCrease = (desk: Desk): Crease | undefined =>
  desk.drawing.creases[creases.held(desk).crease ?? ""];

/** Lays the deeper tone on the other side. */
export function flip(desk: DeskStore): void {
  const state = desk.getState();
  const crease = chosenCrease(state);
  if (crease) state.edit(changeCrease(crease.id, { side: crease.side === 1 ? -1 : 1 }));
}

export function removeChosen(desk: DeskStore): void {
  const state = desk.getState();
  const crease = chosenCrease(state);
  if (crease) state.edit(removeCrease(crease.id));
}
