/** Dab: touches of colour that find for themselves how far they were meant to go; Enter takes what they claim. */
import { Stamp } from "lucide-react";
import { touchChain } from "#core/dabs/touches.ts";
import { layDab } from "#core/drawing/dab-edits.ts";
import { newId } from "#core/drawing/new-id.ts";
import { inPart } from "#core/drawing/parts.ts";
import { distance, type Point } from "#core/geometry/point.ts";
import { toPagePoint } from "../../../painting/view.ts";
import { isRemoval } from "../../keys/key-names.ts";
import { walkedPocket } from "../../pockets/walk.ts";
import type { DeskStore } from "../../store/desk-state.ts";
import type { Gesture, Press, Tool } from "../tool.ts";
import { holds, regionAt } from "./dab-at.ts";
import { colourOf, dabMarks } from "./dab-marks.ts";
import { dabs } from "./dab-state.ts";
import { dabTray } from "./dab-tray.tsx";
import { giveUp, takeRegions } from "./take.ts";
import { useDabReading } from "./use-dab-reading.ts";

/** How wide a touch is, in CSS pixels, and how far the hand goes between two of its points. */
const WIDTH_PIXELS = 10;
const STEP_PIXELS = 3;

export const dabTool: Tool = {
  name: dabs.name,
  word: "Dab",
  hint: "Touch what is to be coloured, closed or not; Alt keeps bare, Shift makes it firm, Enter takes it",
  icon: Stamp,
  sheet: "flats",
  cursor: "crosshair",
  press: touching,
  key: (desk, event) => {
    const state = desk.getState();
    const walked = walkedPocket(state);
    if (event.key === "Enter" && walked && !regionAt(state, walked.seed))
      lay(desk, [walked.seed], widthAt(desk), { bare: event.altKey, firm: event.shiftKey });
    else if (event.key === "Enter") void takeRegions(desk);
    else if (event.key.toLowerCase() === "l") takeUnderPointer(desk);
    else if (isRemoval(event)) giveUp(desk);
    else return false;
    return true;
  },
  marks: dabMarks,
  settings: dabTray,
  useInHand: useDabReading,
};

function touching({ desk, at, pixel, shift, alt }: Press): Gesture {
  const points: Point[] = [at];
  const width = WIDTH_PIXELS * pixel;
  const bare = alt || dabs.settings(desk.getState()).lays === "bare";
  return {
    move: (press) => {
      if (distance(points[points.length - 1], press.at) >= STEP_PIXELS * pixel) points.push(press.at);
    },
    end: () => lay(desk, points, width, { bare, firm: shift }),
    marks: () => {
      const state = desk.getState();
      const colour = bare ? null : colourOf(state, state.paint);
      return [{ kind: "touch", points: touchChain(points), width, colour }];
    },
  };
}

function lay(
  desk: DeskStore,
  points: readonly Point[],
  width: number,
  { bare, firm }: { readonly bare: boolean; readonly firm: boolean },
): void {
  const { paint, part, edit } = desk.getState();
  edit(
    layDab({
      id: newId(),
      ...inPart(part),
      paint: bare ? null : paint,
      points: touchChain(points),
      width,
      ...(firm ? { firm } : {}),
    }),
  );
}

const widthAt = (desk: DeskStore): number => WIDTH_PIXELS / desk.getState().view.scale;

function takeUnderPointer(desk: DeskStore): void {
  const state = desk.getState();
  const { view, pointer, keyPointer } = state;
  const under = keyPointer ?? (pointer.at && toPagePoint(view, pointer.at));
  if (under && regionAt(state, under)) void takeRegions(desk, (region) => holds(region, under));
  else state.tell("Point at something that dabs claim: L takes it alone.");
}
