/** What a tool keeps in the store: settings, what it holds while in use, what it has found under the pointer. */
import type { Desk, DeskStore } from "../store/desk-state.ts";
import type { Slot } from "../store/slots.ts";

/** `settings` and `held` are the values to begin with. */
export function toolState<S extends object, H extends object, U = never>(name: string, settings: S, held: H) {
  const settingsSlot: Slot<S> = { name, empty: settings };
  const heldSlot: Slot<H> = { name, empty: held };
  const foundSlot: Slot<U | null> = { name, empty: null };
  const heldBy = (desk: Desk): H => desk.held.of(heldSlot);
  const settingsOf = (desk: Desk): S => desk.settings.of(settingsSlot);
  return {
    name,
    settings: settingsOf,
    change: (desk: DeskStore, part: Partial<S>): void => {
      const state = desk.getState();
      state.changeSettings(settingsSlot, { ...settingsOf(state), ...part });
    },
    held: heldBy,
    hold: (desk: DeskStore, part: Partial<H>): void => {
      const state = desk.getState();
      state.hold(heldSlot, { ...heldBy(state), ...part });
    },
    /** What lies under the pointer, as the tool has found it. */
    under: (desk: Desk): U | null => desk.hover.getState().found.of(foundSlot),
    find: (desk: DeskStore, what: U | null): void => desk.getState().hover.getState().find(foundSlot, what),
  };
}
