/** The desk once what is shown has been read: what is asked before is asked of older lines. */
import { areFresh } from "../gaps/fresh-gaps.ts";
import type { Desk, DeskStore } from "./desk-state.ts";

function once(desk: DeskStore, ready: (state: Desk) => boolean): Promise<Desk> {
  return new Promise((resolve) => {
    const now = desk.getState();
    if (ready(now)) {
      resolve(now);
      return;
    }
    const stop = desk.subscribe((state) => {
      if (!ready(state)) return;
      stop();
      resolve(state);
    });
  });
}

/** Once the worker has read the lines. */
export const onceRead = (desk: DeskStore): Promise<Desk> => once(desk, ({ reading }) => !reading);

/** Once it has found their openings too. */
export const onceGapsRead = (desk: DeskStore): Promise<Desk> =>
  once(desk, (state) => !state.reading && areFresh(state));
