/** What tools do that draw colour freehand: on the flats without lines to hold it, on Light as shade. */
import type { SheetName } from "#core/drawing/drawing.ts";
import { applyEdit, type Edit } from "#core/drawing/history.ts";
import { newId } from "#core/drawing/new-id.ts";
import { inPart } from "#core/drawing/parts.ts";
import {
  type AnyShape,
  addShade,
  addShape,
  moveShapes,
  type Reshaped,
  removeShapes,
  reshape,
  shapeNamed,
  sheetOf,
} from "#core/drawing/shape-edits.ts";
import { translation } from "#core/geometry/matrix.ts";
import { boundsOf, boxesApart, type Point } from "#core/geometry/point.ts";
import { type Combining, combined, type Region } from "#core/lines/booleans.ts";
import type { DrawnLine } from "#core/lines/drawn-line.ts";
import { nibOutline } from "#core/lines/nib-outline.ts";
import { profileOf } from "#core/lines/profile.ts";
import { anchorOf } from "#core/pockets/anchors.ts";
import { pocketAt } from "#core/scene/scene.ts";
import { isRemoval, nudgeOf } from "../../keys/key-names.ts";
import { chosenShapes, shapeAt, shapesInReach, shapesOnSheet } from "../../shapes/chosen-shapes.ts";
import { shapeMarks } from "../../shapes/shape-marks.ts";
import { whyUnseen } from "../../shapes/why-unseen.ts";
import type { Desk, DeskStore } from "../../store/desk-state.ts";
import { refusal } from "../../store/locks.ts";
import { clickOr } from "../click-or.ts";
import { draw } from "../draw/draw-state.ts";
import { figureGesture } from "../draw/figure.ts";
import { freehandGesture } from "../draw/freehand.ts";
import { finishPegs, hoverPeg, type Pegging, pegGesture, pegKey, pegMarks } from "../draw/pegs.ts";
import type { Gesture, Press, Tool } from "../tool.ts";
import type { ColouringState } from "./colour-state.ts";

export function colouring(
  of: ColouringState,
): Pick<Tool, "cursor" | "press" | "hover" | "doublePress" | "key" | "places" | "chooseAll" | "marks"> {
  const pegging: Pegging = {
    joins: false,
    onLine: (desk, line, at) => lay(of, desk, regionOf(of, desk.getState(), line), at),
  };
  const isPegging = (desk: Desk) => of.settings(desk).way === "points";
  return {
    cursor: "crosshair",
    press: (press) => {
      const state = press.desk.getState();
      const refused = refusal(state.drawing, sheetNow(of, state));
      if (refused) {
        state.tell(refused.text, refused.next);
        return undefined;
      }
      const shape = press.alt ? shapeAt(state, press.at, press.pixel) : undefined;
      if (shape) return moving(press, shape);
      return isPegging(state) ? pegGesture(press, pegging) : drawing(of, press);
    },
    hover: (press) => {
      if (isPegging(press.desk.getState())) hoverPeg(press, pegging);
    },
    doublePress: ({ desk }) => {
      if (isPegging(desk.getState())) finishPegs(desk, false, pegging);
    },
    key: (desk, event) => {
      const state = desk.getState();
      const shapes = chosenShapes(state);
      const nudge = nudgeOf(event, state.view);
      if (isPegging(state) && pegKey(desk, event, pegging)) return true;
      if (shapes.length === 0) return false;
      if (isRemoval(event)) state.edit(removeShapes(shapes));
      else if (nudge)
        state.edit({
          ...moveShapes(shapes, translation(...nudge), "Move shape"),
          merge: `nudge-${state.selected.join()}`,
        });
      else return false;
      return true;
    },
    places: (desk) => shapesInReach(desk).map(({ outline: [[x, y]] }): Point => [x, y]),
    chooseAll: (desk) => {
      const state = desk.getState();
      const all = shapesInReach(state);
      state.choose(all.map(({ id }) => id));
      state.say(`${all.length} shapes chosen`);
    },
    marks: (desk) => [...shapeMarks(desk), ...(isPegging(desk) ? pegMarks(desk) : [])],
  };
}

/** The sheet that what is drawn now lies on. */
const sheetNow = (of: ColouringState, desk: Desk): SheetName =>
  of.settings(desk).trim === "pocket" ? "shade" : of.settings(desk).sheet;

function moving({ desk, at }: Press, shape: AnyShape): Gesture {
  const state = desk.getState();
  const chosen = chosenShapes(state);
  const moved = chosen.includes(shape) ? chosen : [shape];
  state.choose(moved.map(({ id }) => id));
  return {
    move: (press) =>
      state.show(moveShapes(moved, translation(press.at[0] - at[0], press.at[1] - at[1]), "Move shape")),
  };
}

/** What is drawn becomes a region when let go; a click chooses what lies there. */
function drawing(of: ColouringState, press: Press): Gesture {
  const { desk, at } = press;
  const state = desk.getState();
  const { way } = of.settings(state);
  const { steadying, pressed } = draw.settings(state);
  const put = (region: Region) => lay(of, desk, region, at);
  const gesture =
    way === "oval" || way === "box"
      ? figureGesture(press, way, (points) => put({ outline: [points], evenOdd: false }))
      : freehandGesture(press, {
          steadying,
          pressed: pressed && way === "nib",
          joins: false,
          onLine: (line) => put(regionOf(of, desk.getState(), line)),
        });
  return clickOr(gesture, press, () => chooseAt(state, press));
}

/** With Shift it is chosen in addition to the others, or let go of. */
function chooseAt(state: Desk, { at, pixel, shift }: Press): void {
  const id = shapeAt(state, at, pixel)?.id;
  const { selected } = state;
  const toggled = selected.includes(id ?? "")
    ? selected.filter((one) => one !== id)
    : [...selected, ...(id ? [id] : [])];
  state.choose(shift ? toggled : id ? [id] : []);
}

/** What a line encloses, or what a nib leaves along it. */
function regionOf(of: ColouringState, desk: Desk, { points, closed, profile }: DrawnLine): Region {
  const { way, width, nib: named } = of.settings(desk);
  if (way === "loop" || way === "points") {
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

/** `begun` is where the hand began: what is trimmed to a pocket is trimmed to the one there. */
function lay(of: ColouringState, desk: DeskStore, region: Region, begun: Point): void {
  const state = desk.getState();
  const { way, effect } = of.settings(state);
  const [chosen] = chosenShapes(state);
  if (way === "rub") rub(of, desk, region);
  else if (effect !== "add" && chosen) combineWith(state, chosen, region, effect);
  else addNew(of, state, region, begun);
}

function addNew(of: ColouringState, state: Desk, region: Region, begun: Point): void {
  const { sheet, trim, blend, opacity, soft } = of.settings(state);
  const id = newId();
  const own = {
    id,
    ...region,
    paint: state.paint,
    opacity,
    ...(blend === "normal" ? {} : { blend }),
    ...(soft > 0 ? { soft: soft * state.drawing.page.box.width } : {}),
  };
  if (trim === "pocket") {
    const pocket = pocketAt(state.derived.pockets, begun);
    if (!pocket) {
      state.tell("Begin inside a pocket: a shade is trimmed to the pocket it begins in.");
      return;
    }
    layWhereSeen(state, addShade({ ...own, kind: "drawn", anchor: anchorOf(pocket) }), id);
  } else {
    const trimmed = trim === "free" ? {} : { trim };
    const shape = { ...own, ...(sheet === "flats" ? {} : { sheet }), ...trimmed, ...inPart(state.part) };
    layWhereSeen(state, addShape(shape), id);
  }
}

/**
 * Nothing is drawn that would not be seen: what hides it is said instead. The drawn shape is not chosen, so that
 * settings are for the next one.
 */
function layWhereSeen(state: Desk, edit: Edit, id: string): void {
  const move = applyEdit(state.history, edit);
  const shape = move && shapeNamed(move.history.drawing, id);
  const unseen = shape && whyUnseen(state, move.history.drawing, shape);
  if (unseen) state.tell(unseen);
  else state.edit(edit);
}

const LABELS: Readonly<Record<Combining, string>> = {
  unite: "Unite colour",
  subtract: "Cut colour away",
  intersect: "Keep common colour",
};

function combineWith(state: Desk, shape: AnyShape, region: Region, how: Combining): void {
  const after = combined(shape, region, how);
  state.edit(reshape([{ id: shape.id, ...after }], sheetOf(shape), LABELS[how]));
  const curves = after.outline.reduce((sum, chain) => sum + (chain.length - 2) / 6, 0);
  state.say(after.outline.length === 0 ? "Nothing of it is left" : `${LABELS[how]}: ${curves} points now`);
}

/** Rubs the chosen shapes, or with none chosen all that lie on the sheet. */
function rub(of: ColouringState, desk: DeskStore, region: Region): void {
  const state = desk.getState();
  const chosen = chosenShapes(state);
  const box = boundsOf(region.outline);
  const meant = chosen.length > 0 ? chosen : shapesOnSheet(state, sheetNow(of, state));
  const rubbed = meant.flatMap((shape): Reshaped[] => {
    const own = boundsOf(shape.outline);
    if (!box || !own || boxesApart(box, own)) return [];
    return [{ id: shape.id, ...combined(shape, region, "subtract") }];
  });
  if (rubbed.length > 0) state.edit(reshape(rubbed, [...new Set(meant.map(sheetOf))], "Rub colour away"));
}
