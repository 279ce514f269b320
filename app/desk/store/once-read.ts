import type { Desk, DeskStore } from "./desk-state.ts";

/** The desk once its lines are read: what is asked of their worker before is asked of older lines. */
export const onceRead = (desk: DeskStore): Promise<Desk> =>
  new Promise((resolve) => {
    const now = desk.getState();
    if (!now.reading) {
      resolve(now);
      return;
    }
    const stop = desk.subscribe((state) => {
      if (state.reading) return;
      stop();
      resolve(state);
    });
  });
