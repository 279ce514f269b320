import { useState } from "react";
import { useNotice } from "../../ui/notices.tsx";
import { useDeskStore } from "../store/use-desk.ts";
import { handOver, type Place } from "./hand-over.ts";
import type { TakeHome } from "./request.ts";

/** Delivers files and reports what went wrong; `share` is the part made so far, null while nothing is being made. */
export function useHandOver() {
  const desk = useDeskStore();
  const tell = useNotice();
  const [share, setShare] = useState<number | null>(null);
  const start = async (request: TakeHome, place: Place, what: string): Promise<boolean> => {
    setShare(0);
    try {
      const names = await handOver(desk, request, place, setShare);
      if (!names) tell(`The ${what} was stopped. Your drawing is unchanged.`);
      return names !== undefined;
    } catch (error) {
      const why = error instanceof Error ? error.message : "";
      tell(`The ${what} was not saved. ${why} Your drawing is unchanged.`, { tone: "warn" });
      return false;
    } finally {
      setShare(null);
    }
  };
  return { share, start };
}
