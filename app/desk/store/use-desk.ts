/** The desk as components read it. */
import { createContext, useContext } from "react";
import { useStore } from "zustand";
import type { Desk, DeskStore } from "./desk-state.ts";

export const DeskContext = createContext<DeskStore | null>(null);

export function useDeskStore(): DeskStore {
  const store = useContext(DeskContext);
  if (!store) throw new Error("useDeskStore is for components on the desk");
  return store;
}

/** Reads a part of the desk; the component is drawn again when that part changes. */
export const useDesk = <T>(select: (desk: Desk) => T): T => useStore(useDeskStore(), select);
