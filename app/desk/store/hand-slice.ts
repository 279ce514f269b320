import type { GetDesk, HandSlice, SetSlice } from "./desk-state.ts";
import { createHover } from "./hover.ts";
import { Slots } from "./slots.ts";

export function handSlice(set: SetSlice<HandSlice>, get: GetDesk): HandSlice {
  /** Another tool or stage is taken up. */
  const emptyHand = () => {
    get().show(null);
    get().hover.getState().leave();
    get().forgetLeak();
    get().putDown();
  };
  return {
    stage: "Flats",
    tools: {},
    keyTool: null,
    settings: Slots.none,
    held: Slots.none,
    pointer: { at: null, cancel: null },
    keyPointer: null,
    hover: createHover(),
    heldKeys: { shift: false, alt: false },
    holdKeys: (change) => set({ heldKeys: { ...get().heldKeys, ...change } }),
    chooseStage: (stage) => {
      emptyHand();
      get().choose([]);
      get().showAs({ look: "colour" });
      set({ stage });
    },
    chooseTool: (tool) => {
      emptyHand();
      set({ tools: { ...get().tools, [get().stage]: tool } });
    },
    takeKeyTool: (keyTool) => set({ keyTool }),
    changeSettings: (slot, settings) => set({ settings: get().settings.with(slot, settings) }),
    hold: (slot, what) => set({ held: Slots.none.with(slot, what) }),
    putDown: () => set({ held: Slots.none }),
    standAt: (keyPointer) => set({ keyPointer }),
  };
}
