/** What lies under the pointer: a store of its own, since it changes with every move and no panel listens to it. */
import { createStore, type StoreApi } from "zustand";
import type { Pocket } from "#core/pockets/pockets.ts";
import { type Slot, Slots } from "./slots.ts";

export interface Hover {
  readonly pocket: Pocket | null;
  /** The id of the colour pointed at in the tin: its uses light up. */
  readonly colour: string | null;
  /** Keys of pockets pointed at in a chart. */
  readonly keys: readonly number[] | null;
  /** What the tool in hand has found there. */
  readonly found: Slots;
  readonly overPocket: (pocket: Pocket | null) => void;
  readonly overColour: (id: string | null) => void;
  readonly overKeys: (keys: readonly number[] | null) => void;
  /** The same thing again tells nobody. */
  readonly find: <T>(slot: Slot<T>, what: T) => void;
  /** The pointer is over nothing any more. */
  readonly leave: () => void;
}

export type HoverStore = Pick<StoreApi<Hover>, "getState" | "subscribe" | "getInitialState">;

export const createHover = (): HoverStore =>
  createStore<Hover>()((set, get) => ({
    pocket: null,
    colour: null,
    keys: null,
    found: Slots.none,
    overPocket: (pocket) => {
      if (pocket !== get().pocket) set({ pocket });
    },
    overColour: (colour) => set({ colour }),
    overKeys: (keys) => set({ keys }),
    find: (slot, what) => {
      if (get().found.of(slot) !== what) set({ found: Slots.none.with(slot, what) });
    },
    leave: () => set({ pocket: null, found: Slots.none }),
  }));
