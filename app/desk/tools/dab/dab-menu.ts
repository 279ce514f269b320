/** The menu at the pointer while the Dab tool is in the hand: for the region and the dab beneath it, and for all. */
import { samePaint } from "#core/drawing/same-paint.ts";
import { counted } from "#core/words.ts";
import type { MenuEntry, StageMenu } from "../../stages/menu.ts";
import { dabAt, holds, regionAt } from "./dab-at.ts";
import { dabs, dabsInPart } from "./dab-state.ts";
import { giveUp, takeRegions } from "./take.ts";

const GRAB_PIXELS = 9;

export const dabMenu: StageMenu = {
  aim: ({ desk, at, pixel }) => {
    const state = desk.getState();
    dabs.hold(desk, {
      aimed: { at, dab: dabAt(state, at, GRAB_PIXELS * pixel)?.id ?? null },
    });
  },
  entries: (desk) => {
    const state = desk.getState();
    const all = dabsInPart(state);
    const { at, dab } = dabs.held(state).aimed;
    const region = at && regionAt(state, at);
    const touched = all.find(({ id }) => id === dab);
    const entries: MenuEntry[] = [];
    if (region) {
      const colour = state.drawing.tin[region.paint.colour]?.name ?? "its colour";
      entries.push(
        { word: "Take this region", keys: "L", act: () => void takeRegions(desk, (one) => holds(one, at)) },
        {
          word: `Take all in ${colour}`,
          act: () => void takeRegions(desk, ({ paint }) => samePaint(paint, region.paint)),
        },
      );
    }
    entries.push({ word: "Take it all", keys: "Enter", act: () => void takeRegions(desk) });
    if (touched) entries.push({ word: "Give up this dab", parted: true, act: () => giveUp(desk, touched) });
    entries.push({
      word: `Give up ${counted(all.length, "dab")}`,
      parted: touched ? undefined : true,
      keys: "Backspace",
      act: () => giveUp(desk),
    });
    return entries;
  },
};
