/** Pockets gathered for one thing to be done to them. */
import type { Pocket } from "#core/pockets/pockets.ts";
import type { Desk, DeskStore } from "../../store/desk-state.ts";
import { toolState } from "../tool-state.ts";

interface Held {
  /** By key: those that have gone since are gathered no more. */
  readonly keys: readonly number[];
}

export const gather = toolState<object, Held>("gather", {}, { keys: [] });

export function gatheredPockets(desk: Desk): Pocket[] {
  const keys = new Set(gather.held(desk).keys);
  return keys.size === 0 ? NONE : desk.derived.pockets.filter(({ key }) => keys.has(key));
}

const NONE: Pocket[] = [];

export const countGathered = (desk: Desk): number => gatheredPockets(desk).length;

/** Gathers pockets alone, or adds them to those that are; takes one away that is gathered already and comes alone. */
export function gatherPockets(desk: DeskStore, pockets: readonly Pocket[], adds: boolean): void {
  const state = desk.getState();
  const before = gather.held(state).keys;
  const fresh = pockets.map(({ key }) => key);
  const takesAway = adds && fresh.length === 1 && before.includes(fresh[0]);
  const keys = takesAway
    ? before.filter((key) => key !== fresh[0])
    : [...new Set([...(adds ? before : []), ...fresh])];
  gather.hold(desk, { keys });
  state.set({ said: keys.length === 1 ? "1 pocket gathered" : `${keys.length} pockets gathered` });
}
