/** The menu at the pointer on the Gaps stage: for the opening it was opened near, and for the place itself. */
import { distance } from "#core/geometry/point.ts";
import type { StageMenu } from "../stages/menu.ts";
import { bridgeOpenings, leaveOpen } from "./openings.ts";

const NEAR_PIXELS = 24;

export const gapMenu: StageMenu = {
  aim: ({ desk, at, pixel }) => {
    const { gaps, chooseOpening } = desk.getState();
    const near = gaps.openings
      .map((opening, index) => ({ index, apart: distance(opening.at, at) - opening.width / 2 }))
      .filter(({ apart }) => apart <= NEAR_PIXELS * pixel)
      .sort((a, b) => a.apart - b.apart);
    chooseOpening(near[0]?.index ?? null);
  },
  entries: (desk) => {
    const state = desk.getState();
    const { chosenOpening: index, gaps } = state;
    const opening = gaps.openings[index ?? -1];
    if (index === null || !opening) return [];
    return [
      { word: "Bridge it", keys: "Enter", act: () => bridgeOpenings(state, [index]) },
      { word: "Leave it open", keys: "Backspace", act: () => leaveOpen(state, [index]) },
    ];
  },
};
