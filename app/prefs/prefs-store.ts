/** The choices of this device: one store for all pages, written through to the browser's storage. */
import { useStore } from "zustand";
import { createStore } from "zustand/vanilla";
import { keepValue, keptValue } from "../keep/kept.ts";
import { type Prefs, prefsFrom, USUAL } from "./prefs.ts";

const KEY = "prefs";

const store = createStore<Prefs>(() => USUAL);

export const prefs = (): Prefs => store.getState();
export const onPrefs = (listener: () => void): (() => void) => store.subscribe(listener);
export const usePrefs = <T>(of: (prefs: Prefs) => T): T => useStore(store, of);

export function setPrefs(change: Partial<Prefs>): void {
  store.setState(change);
  void keepValue(KEY, store.getState());
}

let loading: Promise<void> | undefined;

/** Takes up what was kept, once a visit. */
export function loadPrefs(): Promise<void> {
  loading ??= keptValue(KEY).then((kept) => store.setState(prefsFrom(kept)));
  return loading;
}
