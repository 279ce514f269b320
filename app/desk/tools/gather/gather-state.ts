/** Pockets gathered for one thing to be done to them. */
import { createSelector } from "reselect";
import { allAlike, type SeenColours, touchingAlike } from "#core/pockets/gathering.ts";
import type { Pocket } from "#core/pockets/pockets.ts";
import { paletteOf } from "#core/scene/palette.ts";
import { counted } from "#core/words.ts";
import { type Met, stillThere } from "../../pockets/still-there.ts";
import { describePocket } from "../../pockets/walk.ts";
import type { Desk, DeskStore } from "../../store/desk-state.ts";
import { toolState } from "../tool-state.ts";

/** What a click takes up with the pocket it hits. */
export const TAKES = ["one", "alike", "touching", "part"] as const;

interface Settings {
  readonly takes: (typeof TAKES)[number];
  /** How far colours that count as alike may lie apart: a distance in OKLab times 100. */
  readonly within: number;
}

interface Held {
  /** As they were when they were gathered: where one has gone since, what now lies at its inner point is gathered. */
  readonly pockets: readonly Met[];
}

const NONE: readonly Pocket[] = [];

export const MOST_WITHIN = 30;
export const gather = toolState<Settings, Held>("gather", { takes: "one", within: 0 }, { pockets: NONE });

export const gatheredPockets = createSelector(
  [(desk: Desk) => desk.derived.pockets, (desk: Desk) => gather.held(desk).pockets],
  (pockets, held): readonly Pocket[] => (held.length === 0 ? NONE : stillThere(pockets, held)),
);

export const countGathered = (desk: Desk): number => gatheredPockets(desk).length;

/** Whether pockets replace those that are gathered, join them, or are taken away from them. */
export type GatherWay = "alone" | "add" | "take";

/** Of those gathered already one that is added alone is taken away again. */
export function gatherPockets(desk: DeskStore, pockets: readonly Pocket[], way: GatherWay): void {
  const before = gatheredPockets(desk.getState());
  const goes = new Set(way === "take" || (way === "add" && pockets.length === 1) ? pockets : []);
  const kept = way === "alone" ? [] : before.filter((pocket) => !goes.has(pocket));
  const come = way === "take" || pockets.every((one) => goes.has(one) && before.includes(one)) ? [] : pockets;
  setGathered(desk, [...new Set([...kept, ...come])]);
}

function setGathered(desk: DeskStore, pockets: readonly Pocket[]): void {
  gather.hold(desk, { pockets });
  desk.getState().say(counted(pockets.length, "pocket gathered", "pockets gathered"));
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
  const before = new Set(gatheredPockets(state));
  setGathered(
    desk,
    state.derived.pockets.filter((pocket) => !before.has(pocket)),
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
  state.walkTo(walked);
  state.say(`${all.indexOf(next) + 1} of ${all.length} gathered: ${describePocket(state, walked)}`);
}
