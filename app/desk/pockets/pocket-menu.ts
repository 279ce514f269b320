/** The menu at the pointer on the Flats stage: for the pockets that are gathered, or the one it was opened on. */
import type { Pocket } from "#core/pockets/pockets.ts";
import { pocketAt } from "#core/scene/scene.ts";
import { makePart } from "../parts/part-actions.ts";
import type { StageMenu } from "../stages/menu.ts";
import type { DeskStore } from "../store/desk-state.ts";
import { gatheredPockets, gatherPockets } from "../tools/gather/gather-state.ts";
import { pourInto } from "./pour-into.ts";
import { type PourRequest, paintRequest } from "./pour-request.ts";
import { describePocket, walkedPocket } from "./walk.ts";

export const pocketMenu: StageMenu = {
  aim: ({ desk, at }) => {
    const state = desk.getState();
    const pocket = pocketAt(state.derived.pockets, at);
    if (!pocket || gatheredPockets(state).includes(pocket)) return;
    const walked = state.derived.pockets.indexOf(pocket);
    state.walkTo(walked);
    state.say(describePocket(state, walked));
  },
  entries: (desk) => {
    const state = desk.getState();
    const { drawing, paint } = state;
    const pockets = meant(desk);
    if (pockets.length === 0) return [];
    const many = pockets.length > 1 ? ` ${pockets.length} pockets` : "";
    return [
      {
        word: `Pour ${drawing.tin[paint.colour]?.name ?? "colour"}${many && ` into${many}`}`,
        keys: "Enter",
        act: () => pour(desk, pockets, paintRequest(paint)),
      },
      { word: `Empty${many}`, keys: "Backspace", act: () => pour(desk, pockets, paintRequest(null)) },
      { word: "One step lighter", parted: true, act: () => pour(desk, pockets, { kind: "step", by: 1 }) },
      { word: "One step darker", act: () => pour(desk, pockets, { kind: "step", by: -1 }) },
      { word: `Leave${many} bare`, act: () => pour(desk, pockets, { kind: "bare" }) },
      { word: "As spot black", act: () => pour(desk, pockets, { kind: "ink" }) },
      {
        word: "Gather it",
        parted: true,
        act: () => {
          state.chooseTool("gather");
          gatherPockets(desk, pockets, "add");
        },
      },
      { word: "Make a part", act: () => void makePart(desk, { pockets }) },
    ];
  },
};

/** The gathered pockets, unless another one was walked to. */
function meant(desk: DeskStore): readonly Pocket[] {
  const state = desk.getState();
  const walked = walkedPocket(state);
  const gathered = gatheredPockets(state);
  return walked && !gathered.includes(walked) ? [walked] : gathered;
}

function pour(desk: DeskStore, pockets: readonly Pocket[], request: PourRequest): void {
  const state = desk.getState();
  const edit = pourInto(state, pockets, request);
  if (edit) state.edit(edit);
}
