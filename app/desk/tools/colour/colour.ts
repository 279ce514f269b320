/** Colour: drawn freehand, with a nib, as an oval or a box; rubbed away; united, cut and moved. */
import { Brush } from "lucide-react";
import type { FlatShape } from "#core/drawing/drawing.ts";
import { removeFlat } from "#core/drawing/edits.ts";
import { newId } from "#core/drawing/new-id.ts";
import { inPart, partOf } from "#core/drawing/parts.ts";
import { addShape, moveShape, type Reshaped, reshape, sheetOf } from "#core/drawing/shape-edits.ts";
import { translation } from "#core/geometry/matrix.ts";
import { boundsOf, boxesApart, distance, type Point } from "#core/geometry/point.ts";
import { type Combining, combined, type Region } from "#core/lines/booleans.ts";
import type { DrawnLine } from "#core/lines/drawn-line.ts";
import { nibOutline } from "#core/lines/nib-outline.ts";
import { profileOf } from "#core/lines/profile.ts";
import { isInk as isWithin } from "#core/pockets/ink-regions.ts";
import { arrowOf, isRemoval } from "../../keys/key-names.ts";
import type { Desk, DeskStore } from "../../store/desk-state.ts";
import { refusal } from "../../store/locks.ts";
import { draw } from "../draw/draw-state.ts";
import { figureGesture } from "../draw/figure.ts";
import { freehandGesture } from "../draw/freehand.ts";
import type { Gesture, Press, Tool } from "../tool.ts";
import { ColourPanel } from "./colour-panel.tsx";
import { chosenShape, colour } from "./colour-state.ts";

/** A press that goes no farther is a click. */
const CLICK_PIXELS = 4;

export const colourTool: Tool = {
  name: "colour",
  word: "Colour",
  hint: "Draw colour without lines to hold it; click a shape to choose it, Alt-drag moves it",
  icon: Brush,
  cursor: "crosshair",
  press: (press) => {
    const state = press.desk.getState();
    const refused = refusal(state.drawing, colour.settings(state).sheet);
    if (refused) {
      state.tell(refused);
      return undefined;
    }
    const shape = press.alt ? shapeAt(state, press.at, press.pixel) : undefined;
    return shape ? moving(press, shape) : drawing(press);
  },
  key: (desk, event) => {
    const state = desk.getState();
    const shape = chosenShape(state);
    const arrow = arrowOf(event);
    if (!shape) return false;
    if (isRemoval(event)) state.edit({ ...removeFlat(shape.id), sheet: sheetOf(shape) });
    else if (arrow) {
      const by = (event.shiftKey ? 10 : 1) / state.view.scale;
      state.edit(moveShape(shape, translation(arrow[0] * by, arrow[1] * by), "Move shape"));
    } else return false;
    return true;
  },
  places: ({ drawing: { flatShapes } }) =>
    Object.values(flatShapes).map(({ outline: [[x, y]] }): Point => [x, y]),
  Panel: ColourPanel,
};

function moving({ desk, at }: Press, shape: FlatShape): Gesture {
  const state = desk.getState();
  state.set({ chosenFlat: shape.id });
  return {
    move: (press) =>
      state.show(moveShape(shape, translation(press.at[0] - at[0], press.at[1] - at[1]), "Move shape")),
  };
}

/** What is drawn becomes a region when let go; a click chooses what lies there. */
function drawing(press: Press): Gesture {
  const { desk, at, pixel } = press;
  const state = desk.getState();
  const { way } = colour.settings(state);
  const { steadying, pressed } = draw.settings(state);
  const put = (region: Region) => (way === "rub" ? rub(desk, region) : putIn(desk, region));
  const gesture =
    way === "oval" || way === "box"
      ? figureGesture(press, way, (points) => put({ outline: [points], evenOdd: false }))
      : freehandGesture(press, {
          steadying,
          pressed: pressed && way === "nib",
          joins: false,
          onLine: (line) => put(regionOf(desk.getState(), line)),
        });
  let farthest = 0;
  return {
    ...gesture,
    move: (next) => {
      farthest = Math.max(farthest, distance(at, next.at));
      gesture.move?.(next);
    },
    end: (next) => {
      if (farthest > CLICK_PIXELS * pixel) gesture.end?.(next);
      else state.set({ chosenFlat: shapeAt(state, at, pixel)?.id ?? null });
    },
  };
}

/** What a line encloses, or what a nib leaves along it. */
function regionOf(desk: Desk, { points, closed, profile }: DrawnLine): Region {
  const { way, width, nib: named } = colour.settings(desk);
  if (way === "loop") {
    const home = closed ? [] : [...points.slice(-2), ...points.slice(0, 2), ...points.slice(0, 2)];
    return { outline: [[...points, ...home]], evenOdd: false };
  }
  const nib = way === "nib" ? desk.drawing.nibs[named] : undefined;
  const outline = nibOutline({
    points,
    closed,
    cap: "round",
    width: width * desk.drawing.page.box.width,
    profile: profileOf({ profile }, nib) ?? [0, 1, 1, 1],
    strands: nib?.strands ?? 1,
  });
  return { outline, evenOdd: false };
}

function putIn(desk: DeskStore, region: Region): void {
  const state = desk.getState();
  const { effect, sheet, trim } = colour.settings(state);
  const chosen = chosenShape(state);
  if (effect !== "add" && chosen) {
    combineWith(state, chosen, region, effect);
    return;
  }
  const id = newId();
  state.edit(
    addShape({
      id,
      ...region,
      paint: state.paint,
      opacity: 1,
      ...(sheet === "flats" ? {} : { sheet }),
      ...(trim === "free" ? {} : { trim }),
      ...inPart(state.part),
    }),
  );
  desk.getState().set({ chosenFlat: id });
}

const LABELS: Readonly<Record<Combining, string>> = {
  unite: "Unite colour",
  subtract: "Cut colour away",
  intersect: "Keep common colour",
};

function combineWith(state: Desk, shape: FlatShape, region: Region, how: Combining): void {
  const after = combined(shape, region, how);
  state.edit(reshape([{ id: shape.id, ...after }], sheetOf(shape), LABELS[how]));
  const curves = after.outline.reduce((sum, chain) => sum + (chain.length - 2) / 6, 0);
  state.set({
    said: after.outline.length === 0 ? "Nothing of it is left" : `${LABELS[how]}: ${curves} points now`,
  });
}

/** Rubs the chosen shape, or with none chosen all that lie on the sheet. */
function rub(desk: DeskStore, region: Region): void {
  const state = desk.getState();
  const { sheet } = colour.settings(state);
  const chosen = chosenShape(state);
  const box = boundsOf(region.outline);
  const meant = chosen
    ? [chosen]
    : Object.values(state.drawing.flatShapes).filter(
        (one) => sheetOf(one) === sheet && partOf(one) === state.part,
      );
  const rubbed = meant.flatMap((shape): Reshaped[] => {
    const own = boundsOf(shape.outline);
    if (!box || !own || boxesApart(box, own)) return [];
    return [{ id: shape.id, ...combined(shape, region, "subtract") }];
  });
  if (rubbed.length > 0) state.edit(reshape(rubbed, chosen ? sheetOf(chosen) : sheet, "Rub colour away"));
}

/** The topmost colour shape at a place, of whatever sheet. */
function shapeAt({ drawing: { flatShapes, page } }: Desk, at: Point, pixel: number): FlatShape | undefined {
  const depth = (shape: FlatShape) => ["ground", "flats", "shade", "light", "gloss"].indexOf(sheetOf(shape));
  return Object.values(flatShapes)
    .sort((a, b) => depth(b) - depth(a) || b.rank - a.rank)
    .find((shape) => isWithin([shape], at, Math.min(pixel, page.box.width / 1000)));
}
