/** Gradient: drawn over the colour of a pocket or in a shape, changed by its handles on the drawing. */
import { Blend } from "lucide-react";
import type { Gradient, Paint } from "#core/drawing/drawing.ts";
import { gradientOf, setGradient } from "#core/drawing/gradients.ts";
import { newId } from "#core/drawing/new-id.ts";
import { shapeNamed } from "#core/drawing/shape-edits.ts";
import { type Box, boundsOf, distance, type Point } from "#core/geometry/point.ts";
import { isRemoval } from "../../keys/key-names.ts";
import { colouredIn } from "../../pockets/pour-in.ts";
import { steppedPaint } from "../../pockets/pour-into.ts";
import { walkedPocket } from "../../pockets/walk.ts";
import { shapesOfAll } from "../../shapes/chosen-shapes.ts";
import { colouredAt } from "../../shapes/coloured-at.ts";
import type { Desk, DeskStore } from "../../store/desk-state.ts";
import { askForColour } from "../../store/next-thing.ts";
import { CLICK_PIXELS } from "../click-or.ts";
import type { Gesture, Press, Tool } from "../tool.ts";
import { drawnTo, gradientMarks, handlesOf, shareOf } from "./gradient-handles.ts";
import {
  addStop,
  changeChosen,
  chosenGradient,
  chosenStop,
  gradients,
  takeStopOrAll,
} from "./gradient-state.ts";
import { gradientTray } from "./gradient-tray.tsx";

const GRAB_PIXELS = 9;

export const gradientTool: Tool = {
  name: gradients.name,
  word: "Gradient",
  hint: "Drag across a coloured pocket or a shape; its handles change it, a double click on its line adds a stop",
  icon: Blend,
  cursor: "crosshair",
  lights: true,
  press: (press) => handleGesture(press) ?? onHolder(press),
  doublePress: ({ desk, at, pixel }) => {
    const gradient = chosenGradient(desk.getState());
    if (!gradient || isOnHandle(gradient, at, pixel)) return;
    const share = shareOf(gradient, at);
    if (share > 0 && share < 1) addStop(desk, share);
  },
  key: (desk, event) => {
    const state = desk.getState();
    const pocket = walkedPocket(state);
    if (event.key === "Enter" && pocket) layAcross(desk, colouredIn(state, pocket)?.id, pocket.box);
    else if (isRemoval(event) && chosenGradient(state)) takeStopOrAll(desk);
    else return false;
    return true;
  },
  marks: (desk) => {
    const gradient = chosenGradient(desk);
    return gradient ? gradientMarks(gradient, chosenStop(desk)) : [];
  },
  places: (desk) => {
    const gradient = chosenGradient(desk);
    const own = gradient ? handlesOf(gradient).map(({ at }) => at) : [];
    return [...own, ...desk.derived.pockets.map(({ seed }) => seed)];
  },
  settings: gradientTray,
};

const isOnHandle = (gradient: Gradient, at: Point, pixel: number): boolean =>
  handlesOf(gradient).some(
    (handle) => handle.role !== "middle" && distance(handle.at, at) <= GRAB_PIXELS * pixel,
  );

function handleGesture({ desk, at, pixel }: Press): Gesture | undefined {
  const gradient = chosenGradient(desk.getState());
  const handle = gradient && handlesOf(gradient).find((one) => distance(one.at, at) <= GRAB_PIXELS * pixel);
  if (!handle) return undefined;
  if (handle.index >= 0 && handle.role !== "middle") gradients.hold(desk, { stop: handle.index });
  return {
    move: (press) => changeChosen(desk, drawnTo(gradient, handle, press.at, press.alt), "show"),
  };
}

/** Chooses the gradient that lies there, takes the chosen one along, or draws one anew. */
function onHolder({ desk, at, pixel }: Press): Gesture | undefined {
  const state = desk.getState();
  const holder = colouredAt(state, at, pixel, shapesOfAll(state))?.id;
  if (!holder) {
    state.tell("A gradient lies over the colour of a pocket, or in a shape. Begin in one of them.");
    return undefined;
  }
  const lying = gradientOf(state.drawing, holder);
  const chosen = chosenGradient(state);
  if (lying && lying.cloth !== chosen?.cloth) {
    gradients.hold(desk, { cloth: lying.cloth, stop: 0 });
    return undefined;
  }
  if (chosen && !lying && gradients.settings(state).oneOverMany) {
    state.edit(setGradient(state.drawing, [holder], chosen));
    return undefined;
  }
  return drawing(desk, holder, at, pixel);
}

function drawing(desk: DeskStore, holder: string, from: Point, pixel: number): Gesture {
  const state = desk.getState();
  const cloth = newId();
  let drawn = false;
  return {
    move: ({ at: to }) => {
      if (!drawn && distance(from, to) <= CLICK_PIXELS * pixel) return;
      if (!drawn) gradients.hold(desk, { cloth, stop: 1 });
      drawn = true;
      state.show(setGradient(state.drawing, [holder], { ...begun(state, holder), cloth, from, to }));
    },
    end: () => {
      if (!drawn && !gradientOf(state.drawing, holder)) layAcross(desk, holder, boxOf(state, holder));
    },
  };
}

function boxOf({ drawing, derived }: Desk, holder: string): Box | undefined {
  const shape = shapeNamed(drawing, holder);
  if (shape) return boundsOf(shape.outline);
  const pockets = derived.pockets.filter((_, index) => derived.pourOf[index] === holder);
  return boundsOf(pockets.flatMap(({ outline }) => outline));
}

/** From the upper left of a box to its lower right, or from its edge half way in. */
function layAcross(desk: DeskStore, holder: string | undefined, box: Box | undefined): void {
  const state = desk.getState();
  if (holder === undefined || !box) {
    askForColour(state, "a gradient lies over it");
    return;
  }
  const cloth = newId();
  const { x, y, width, height } = box;
  const { kind } = gradients.settings(state);
  const middle = y + height / 2;
  const ends: Pick<Gradient, "from" | "to"> =
    kind === "inward"
      ? { from: [x, middle], to: [x + Math.min(width, height) / 2, middle] }
      : { from: [x, y], to: [x + width, y + height] };
  state.edit(setGradient(state.drawing, [holder], { ...begun(state, holder), cloth, ...ends }));
  gradients.hold(desk, { cloth, stop: 1 });
}

/** From the colour that is there to the one in hand; where that is the same, to two steps darker. */
function begun(state: Desk, holder: string): Omit<Gradient, "cloth" | "from" | "to"> {
  const { drawing } = state;
  const own = (drawing.pours[holder]?.paint ?? shapeNamed(drawing, holder)?.paint) as Paint;
  const { kind, mix } = gradients.settings(state);
  const other = state.paint.colour === own.colour ? steppedPaint(drawing, own, -2) : state.paint;
  return {
    kind,
    mix,
    stops: [
      { at: 0, paint: own, opacity: 1 },
      { at: 1, paint: other, opacity: 1 },
    ],
  };
}
