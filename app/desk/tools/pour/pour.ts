/** Pour: a click fills a pocket, a drag fills every pocket it crosses, as one step. Flat shapes on top are painted as pockets are. */
import { Droplet, Eraser } from "lucide-react";
import type { FlatShape } from "#core/drawing/drawing.ts";
import { changeShapes, removeShapes } from "#core/drawing/shape-edits.ts";
import { distance, type Point } from "#core/geometry/point.ts";
import type { Pocket } from "#core/pockets/pockets.ts";
import { Crossed } from "../../pockets/crossed.ts";
import { flatAt } from "../../pockets/flats-near.ts";
import { pourIn } from "../../pockets/pour-in.ts";
import { paintAfter, pourInto, steppedPaint } from "../../pockets/pour-into.ts";
import { type PourRequest, paintRequest } from "../../pockets/pour-request.ts";
import { walkedPocket } from "../../pockets/walk.ts";
import type { Desk, DeskStore } from "../../store/desk-state.ts";
import type { Gesture, Press, Tool } from "../tool.ts";
import { requestOf } from "./pour-state.ts";

function pouring({ desk, at, pixel }: Press, request: PourRequest): Gesture {
  const begun = desk.getState();
  const crossed = new Crossed(begun.derived.pockets, at, pixel);
  const cross = (to: Point) => {
    if (crossed.to(to)) begun.show(pourInto(begun, crossed.pockets, request) ?? null);
  };
  const flat = flatAt(begun, at);
  if (!flat) cross(at);
  begun.forgetLeak();
  begun.choose(flat ? [flat.id] : []);
  return {
    move: (press) => {
      if (flat && distance(at, press.at) < DRAG_PIXELS * pixel) return;
      cross(press.at);
    },
    end: () => {
      if (crossed.pockets.length > 0) {
        if (desk.getState().underway === null) sayNoStep(desk, crossed.pockets[0], request);
        return;
      }
      if (flat) paintFlat(begun, flat, request);
      else void begun.explainLeak(at, { at, pour: request });
    },
    marks: () => crossed.pockets.map((pocket) => ({ kind: "pocket", pocket })),
  };
}

/** A press on a flat shape is meant for the pockets beneath once it goes this far. */
const DRAG_PIXELS = 6;

function paintFlat(desk: Desk, flat: FlatShape, request: PourRequest): void {
  const { drawing, edit } = desk;
  const paint =
    request.kind === "step"
      ? steppedPaint(drawing, flat.paint, request.by)
      : request.kind === "ink"
        ? drawing.ink
        : request.kind === "paint"
          ? request.paint
          : null;
  edit(paint ? changeShapes([flat], { paint }) : removeShapes([flat]));
}

function pourWalked(desk: DeskStore, request: PourRequest): void {
  const state = desk.getState();
  const pocket = walkedPocket(state);
  const edit = pocket && pourInto(state, [pocket], request);
  if (edit) state.edit(edit);
  else if (pocket) sayNoStep(desk, pocket, request);
}

/** Says why a pocket is not made lighter or darker. */
function sayNoStep(desk: DeskStore, pocket: Pocket, request: PourRequest): void {
  if (request.kind !== "step") return;
  const state = desk.getState();
  const poured = pourIn(state, pocket);
  const way = request.by > 0 ? "lighter" : "darker";
  const name = poured?.paint && !poured.spot ? state.drawing.tin[poured.paint.colour]?.name : undefined;
  state.tell(
    name
      ? `${name} goes no ${way}: this is the end of its ladder.`
      : `Nothing is poured here that could be made ${way}.`,
  );
}

const onEnter =
  (act: (desk: DeskStore) => void): Tool["key"] =>
  (desk, { key }) => {
    if (key === "Enter") act(desk);
    return key === "Enter";
  };

export const pourTool: Tool = {
  name: "pour",
  word: "Pour",
  hint: "Click a pocket, or drag across many",
  icon: Droplet,
  sheet: "flats",
  cursor: "crosshair",
  lights: true,
  lays: (desk, pocket) => paintAfter(desk, pocket, requestOf(desk)),
  press: (press) => pouring(press, requestOf(press.desk.getState())),
  key: onEnter((desk) => pourWalked(desk, requestOf(desk.getState()))),
};

export const emptyTool: Tool = {
  name: "empty",
  word: "Empty",
  hint: "Take the colour out again",
  icon: Eraser,
  sheet: "flats",
  cursor: "crosshair",
  lights: true,
  press: (press) => pouring(press, paintRequest(null)),
  key: onEnter((desk) => pourWalked(desk, paintRequest(null))),
};

/** Takes the colour out of the pocket walked to. */
export const emptyWalked = (desk: DeskStore): void => pourWalked(desk, paintRequest(null));
