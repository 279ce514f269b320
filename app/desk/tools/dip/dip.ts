/** Dip: takes the colour under the pointer. */
import type { Paint } from "#core/drawing/drawing.ts";
import type { Pocket } from "#core/pockets/pockets.ts";
import { pocketAt } from "#core/scene/scene.ts";
import type { Desk } from "../../store/desk-store.ts";
import { flatAt } from "../../pockets/flats-near.ts";
import type { Tool } from "../tool.ts";

export const dipTool: Tool = {
  cursor: "cell",
  lightsPockets: true,
  press: ({ desk, at }) => {
    const state = desk.getState();
    const flat = flatAt(state, at);
    state.set({ chosenFlat: flat?.id ?? null });
    takeUp(state, flat ? flat.paint : paintIn(state, pocketAt(state.derived.pockets, at)));
    return undefined;
  },
};

function paintIn({ derived, history }: Desk, pocket: Pocket | undefined): Paint | null {
  const id = pocket && derived.pourOf[derived.pockets.indexOf(pocket)];
  return (id !== undefined && history.drawing.pours[id].paint) || null;
}

/** Dips into a pocket, as keys do. */
export const dipInto = (desk: Desk, pocket: Pocket | undefined): void => takeUp(desk, paintIn(desk, pocket));

function takeUp({ history, set, tell }: Desk, paint: Paint | null): void {
  if (paint) set({ paint, said: `Dipped ${history.drawing.tin[paint.colour]?.name}` });
  else tell("There is no colour to dip up here.");
}
