/** Draw: lines freehand, from point to point, as ovals and boxes. */

import { figureGesture } from "./figure.ts";
import { handGesture } from "./freehand.ts";
import { finishPegs, hoverPeg, pegGesture, pegMarks } from "./pegs.ts";
import type { Gesture, Press, Tool } from "../tool.ts";

export const drawTool: Tool = {
  cursor: "crosshair",
  lightsPockets: false,
  press: (press: Press): Gesture | undefined => {
    const { way } = press.desk.getState().drawSettings;
    if (way === "pegs") return pegGesture(press);
    return way === "hand" ? handGesture(press) : figureGesture(press, way);
  },
  hover: (press) => {
    if (press.desk.getState().drawSettings.way === "pegs") hoverPeg(press);
  },
  doublePress: ({ desk }) => {
    if (desk.getState().drawSettings.way === "pegs") finishPegs(desk, false);
  },
  marks: (desk) => (desk.drawSettings.way === "pegs" ? pegMarks(desk) : []),
};
