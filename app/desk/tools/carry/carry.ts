/** Carry: takes the light of one pocket and lays it on others. */
import { Replace } from "lucide-react";
import type { Point } from "#core/geometry/point.ts";
import { pocketAt } from "#core/scene/scene.ts";
import { isRemoval } from "../../keys/key-names.ts";
import { Crossed } from "../../pockets/crossed.ts";
import { walkedPocket } from "../../pockets/walk.ts";
import type { Gesture, Press, Tool } from "../tool.ts";
import { carry, hasLight, lay, take } from "./carry-state.ts";
import { carryTray } from "./carry-tray.tsx";

export const carryTool: Tool = {
  name: carry.name,
  word: "Carry",
  hint: "Click a lit pocket to take its light, then others to lay it there; Alt takes anew",
  icon: Replace,
  sheet: "shade",
  cursor: "copy",
  lights: true,
  press: (press) => {
    const state = press.desk.getState();
    const pocket = pocketAt(state.derived.pockets, press.at);
    if (!pocket) state.tell("Light is carried from pocket to pocket. Click inside one.");
    else if (press.alt || !hasLight(state)) take(press.desk, pocket);
    else return laying(press);
    return undefined;
  },
  key: (desk, event) => {
    const state = desk.getState();
    const pocket = walkedPocket(state);
    if (event.key === "Enter" && pocket) {
      if (event.altKey || !hasLight(state)) take(desk, pocket);
      else lay(desk, [pocket]);
    } else if (isRemoval(event)) carry.change(desk, { taken: null, style: null });
    else return false;
    return true;
  },
  settings: carryTray,
};

/** On all that the hand crosses. */
function laying({ desk, at, pixel }: Press): Gesture {
  const crossed = new Crossed(desk.getState().derived.pockets, at, pixel);
  const cross = (to: Point) => {
    if (crossed.to(to)) lay(desk, crossed.pockets, "show");
  };
  cross(at);
  return { move: (press) => cross(press.at) };
}
