/** Edits of dabs: they are laid one by one, and taken or given up together. */
import type { Draft } from "immer";
import { counted } from "../words.ts";
import type { Bridge, Dab } from "./drawing.ts";
import { addBridges, type OnePour, pourEach } from "./edits.ts";
import type { Edit } from "./history.ts";

export const layDab = (dab: Dab): Edit => ({
  sheet: "flats",
  label: dab.paint ? "Dab" : "Dab bare",
  change: (draft) => {
    draft.dabs[dab.id] = { ...dab } as Draft<Dab>;
  },
});

/** What dabs claimed becomes bridges and pours, and they themselves go. */
export function takeDabs(
  ids: readonly string[],
  bridges: readonly Bridge[],
  pours: readonly OnePour[],
): Edit {
  const [bridge, poured] = [addBridges(bridges), pourEach(pours, "")];
  return {
    sheet: "flats",
    label: ids.length > 0 ? `Take ${counted(ids.length, "dab")}` : "Take part of a dab",
    change: (draft) => {
      bridge.change(draft);
      poured.change(draft);
      for (const id of ids) delete draft.dabs[id];
    },
  };
}

export const giveUpDabs = (ids: readonly string[]): Edit => ({
  sheet: "flats",
  label: `Give up ${counted(ids.length, "dab")}`,
  change: (draft) => {
    for (const id of ids) delete draft.dabs[id];
  },
});
