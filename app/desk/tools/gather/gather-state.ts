/** Pockets gathered for one thing to be done to them. */

import { allAlike, type SeenColours, touchingAlike } from "#core/pockets/gathering.ts";
import type { Pocket } from "#core/pockets/pockets.ts";
import { paletteOf } from "#core/scene/palette.ts";
import { counted } from "#core/words.ts";
import { describePocket } from "../../pockets/walk.ts";
import type { Desk, DeskStore } from "../../store/desk-state.ts";
import { toolState } from "../tool-state.ts";

/** What a click takes up with the pocket it hits. */
export const TAKES = ["one", "alike", "touching", "part"] as const;

interface Settings {
  readonly takes: (typeof TAKES)[number];
  /** How unlike colours may be that count as alike: a distance in OKLab times 100. */
  readonly within: number;
}

interface Held {
  /** By key: those that have gone since are gathered no more. */
  readonly keys: readonly number[];
}

export const MOST_WITHIN = 30;
export const gather = toolState<Settings, Held>("gather", { takes: "one", within: 0 }, { keys: [] });

export function gatheredPockets(desk: Desk): Pocket[] {
  const keys = new Set(gather.held(desk).keys);
  return keys.size === 0 ? NONE : desk.derived.pockets.filter(({ key }) => keys.has(key));
}

const NONE: Pocket[] = [];

export const countGathered = (desk: Desk): number => gatheredPockets(desk).length;

/** Whether pockets come instead of those gathered, beside them, or go from them. */
export type GatherWay = "alone" | "add" | "take";

/** Of those gathered already one that is added alone is taken away again. */
export function gatherPockets(desk: DeskStore, pockets: readonly Pocket[], way: GatherWay): void {
  const before = gather.held(desk.getState()).keys;
  const fresh = pockets.map(({ key }) => key);
  const goes = new Set(way === "take" || (way === "add" && fresh.length === 1) ? fresh : []);
  const kept = way === "alone" ? [] : before.filter((key) => !goes.has(key));
  const come = way === "take" || fresh.every((key) => goes.has(key) && before.includes(key)) ? [] : fresh;
  setGathered(desk, [...new Set([...kept, ...come])]);
}

function setGathered(desk: DeskStore, keys: readonly number[]): void {
  gather.hold(desk, { keys });
  desk.getState().set({ said: counted(keys.length, "pocket gathered", "pockets gathered") });
}

/** What a click on a pocket takes up. */
export function takenWith(desk: Desk, pocket: Pocket): readonly Pocket[] {
  const { takes, within } = gather.settings(desk);
  const { pockets } = desk.derived;
  const index = pockets.indexOf(pocket);
  if (takes === "part") return pockets.filter(({ part }) => part === pocket.part);
  if (takes === "one" || index < 0) return [pocket];
  const alike = takes === "alike" ? allAlike : touchingAlike;
  return alike(pockets, index, seenColours(desk), within).map((other) => pockets[other]);
}

function seenColours({ derived, drawing }: Desk): SeenColours {
  const { toneOf } = paletteOf(drawing);
  return (index) => {
    const pour = drawing.pours[derived.pourOf[index] ?? ""];
    const paint = pour?.spot ? drawing.ink : pour?.paint;
    return paint ? toneOf(paint).value : undefined;
  };
}

export const gatherBare = (desk: DeskStore): void => {
  const state = desk.getState();
  const seen = seenColours(state);
  gatherPockets(
    desk,
    state.derived.pockets.filter((_, index) => seen(index) === undefined),
    "alone",
  );
};

/** Gathers all but those that are. */
export const turnRound = (desk: DeskStore): void => {
  const state = desk.getState();
  const before = new Set(gather.held(state).keys);
  setGathered(
    desk,
    state.derived.pockets.flatMap(({ key }) => (before.has(key) ? [] : key)),
  );
};

/** Walks to the next of the gathered pockets, or the one before. */
export function walkGathered(desk: DeskStore, by: number): void {
  const state = desk.getState();
  const all = gatheredPockets(state);
  if (all.length === 0) return;
  const { pockets } = state.derived;
  const at = all.findIndex((pocket) => pockets.indexOf(pocket) === state.walked);
  const next = all[(at < 0 && by < 0 ? all.length - 1 : at + by + all.length) % all.length];
  const walked = pockets.indexOf(next);
  state.set({
    walked,
    said: `${all.indexOf(next) + 1} of ${all.length} gathered: ${describePocket(state, walked)}`,
  });
}
