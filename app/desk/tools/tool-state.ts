/**
 * What a tool keeps in the store, under its own name: settings, what it holds while in use, what it has found under the
 * pointer. The store holds them without knowing what they are.
 */
import type { Desk, DeskStore } from "../store/desk-state.ts";

/** `settings` and `held` are what they are before anybody has changed them. */
export function toolState<S extends object, H extends object, U = never>(tool: string, settings: S, held: H) {
  const heldBy = (desk: Desk): H => (desk.held?.tool === tool ? (desk.held.what as H) : held);
  const settingsOf = (desk: Desk): S => (desk.settings[tool] as S | undefined) ?? settings;
  return {
    name: tool,
    settings: settingsOf,
    change: (desk: DeskStore, part: Partial<S>): void => {
      const state = desk.getState();
      state.set({ settings: { ...state.settings, [tool]: { ...settingsOf(state), ...part } } });
    },
    held: heldBy,
    hold: (desk: DeskStore, part: Partial<H>): void => {
      const state = desk.getState();
      state.set({ held: { tool, what: { ...heldBy(state), ...part } } });
    },
    /** What lies under the pointer, as the tool has found it; the same thing again tells nobody. */
    under: (desk: Desk): U | null => {
      const { under } = desk.hover.getState();
      return under?.tool === tool ? (under.what as U) : null;
    },
    find: (desk: DeskStore, what: U | null): void => {
      const { hover } = desk.getState();
      if (hover.getState().under?.what !== what) hover.setState({ under: { tool, what } });
    },
  };
}
