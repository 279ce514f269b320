/** Dip: takes the colour under the pointer; with Shift as it is seen, through all light. */
import { Pipette } from "lucide-react";
import type { Paint } from "#core/drawing/drawing.ts";
import type { Pocket } from "#core/pockets/pockets.ts";
import { pocketAt } from "#core/scene/scene.ts";
import { flatAt } from "../../pockets/flats-near.ts";
import { pourIn } from "../../pockets/pour-in.ts";
import { walkedPocket } from "../../pockets/walk.ts";
import type { Desk } from "../../store/desk-state.ts";
import type { Tool } from "../tool.ts";
import { dipSeen } from "./dip-seen.ts";

export const dipTool: Tool = {
  name: "dip",
  word: "Dip",
  hint: "Take up the colour under the pointer (hold D with any tool); with Shift as it is seen",
  icon: Pipette,
  cursor: "cell",
  lights: true,
  press: ({ desk, at, shift }) => {
    const state = desk.getState();
    if (shift) {
      dipSeen(desk, at);
      return undefined;
    }
    const flat = flatAt(state, at);
    state.choose(flat ? [flat.id] : []);
    takeUp(state, flat ? flat.paint : paintIn(state, pocketAt(state.derived.pockets, at)));
    return undefined;
  },
  key: (desk, { key }) => {
    if (key !== "Enter") return false;
    const state = desk.getState();
    takeUp(state, paintIn(state, walkedPocket(state)));
    return true;
  },
};

const paintIn = (desk: Desk, pocket: Pocket | undefined): Paint | null =>
  (pocket && pourIn(desk, pocket)?.paint) ?? null;

function takeUp({ drawing, takePaint, say, tell }: Desk, paint: Paint | null): void {
  if (!paint) {
    tell("There is no colour to dip up here.");
    return;
  }
  takePaint(paint);
  say(`Dipped ${drawing.tin[paint.colour]?.name}`);
}
