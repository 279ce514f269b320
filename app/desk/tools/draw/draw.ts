/** Draw: lines freehand, from point to point, as ovals and boxes. */
import { PenLine } from "lucide-react";
import type { Tool } from "../tool.ts";
import { draw } from "./draw-state.ts";
import { drawTray } from "./draw-tray.tsx";
import { figureGesture } from "./figure.ts";
import { freehandGesture } from "./freehand.ts";
import { addDrawn } from "./new-stroke.ts";
import { finishPegs, hoverPeg, type Pegging, pegGesture, pegKey, pegMarks } from "./pegs.ts";

const pegging = (desk: Parameters<typeof draw.settings>[0]): boolean => draw.settings(desk).way === "pegs";

const PEGGING: Pegging = {
  joins: true,
  onLine: (desk, line) => addDrawn(desk, line, "Draw from point to point"),
};

export const drawTool: Tool = {
  name: "draw",
  word: "Draw",
  hint: "Draw a line freehand, from point to point, as an oval or a box",
  icon: PenLine,
  sheet: "ink",
  cursor: "crosshair",
  press: (press) => {
    const { desk } = press;
    const { way, steadying, pressed } = draw.settings(desk.getState());
    if (way === "pegs") return pegGesture(press, PEGGING);
    if (way === "hand")
      return freehandGesture(press, {
        steadying,
        pressed,
        joins: true,
        onLine: (line) => addDrawn(desk, line),
      });
    const label = way === "oval" ? "Draw oval" : "Draw box";
    return figureGesture(press, way, (points) => addDrawn(desk, { points, closed: true }, label));
  },
  hover: (press) => {
    if (pegging(press.desk.getState())) hoverPeg(press, PEGGING);
  },
  doublePress: ({ desk }) => {
    if (pegging(desk.getState())) finishPegs(desk, false, PEGGING);
  },
  key: (desk, event) => pegging(desk.getState()) && pegKey(desk, event, PEGGING),
  marks: (desk) => (pegging(desk) ? pegMarks(desk) : []),
  settings: drawTray,
};
