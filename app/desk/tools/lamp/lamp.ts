/** Lamp: stands on the paper or far off; pockets that are clicked are lit by it, and chosen where they are lit already. */
import { LampDesk } from "lucide-react";
import { setLamp, setMade, setPartCast } from "#core/drawing/light-edits.ts";
import { distance, type Point } from "#core/geometry/point.ts";
import { lampOn } from "#core/light/lamp.ts";
import type { Pocket } from "#core/pockets/pockets.ts";
import { pocketAt } from "#core/scene/scene.ts";
import { arrowOf, isRemoval } from "../../keys/key-names.ts";
import { Crossed } from "../../pockets/crossed.ts";
import { colouredIn } from "../../pockets/pour-in.ts";
import { walkedPocket } from "../../pockets/walk.ts";
import type { Desk, DeskStore } from "../../store/desk-state.ts";
import { askForColour } from "../../store/next-thing.ts";
import type { Gesture, OverlayMark, Press, Tool } from "../tool.ts";
import { chosenMade, lampState, leaveOut, nextMade } from "./lamp-state.ts";
import { lampTray } from "./lamp-tray.tsx";
import { unseenOf } from "./say-unseen.ts";

const GRAB_PIXELS = 14;
const RAYS = 8;

export const lampTool: Tool = {
  name: lampState.name,
  word: "Lamp",
  hint: "Drag the lamp; click coloured pockets to light them by it, lit ones to change how; Delete leaves one out",
  icon: LampDesk,
  cursor: "pointer",
  lights: true,
  press: (press) => {
    const { desk, at, pixel } = press;
    const { drawing } = desk.getState();
    return distance(lampOn(drawing).at, at) <= GRAB_PIXELS * pixel ? moving(press) : shading(press);
  },
  key: (desk, event) => {
    const state = desk.getState();
    const pocket = walkedPocket(state);
    const arrow = arrowOf(event);
    if (event.key === "Enter" && pocket) light(desk, pocket);
    else if (isRemoval(event) && (pocket || chosenMade(state))) leaveOut(desk, pocket);
    else if (arrow && event.shiftKey) nudge(desk, arrow);
    else return false;
    return true;
  },
  places: (desk) => [lampOn(desk.drawing).at, ...desk.derived.pockets.map(({ seed }) => seed)],
  marks: lampMarks,
  settings: lampTray,
};

const shareOf = ({ drawing: { page } }: Desk, [x, y]: Point): Point => [
  (x - page.box.x) / page.box.width,
  (y - page.box.y) / page.box.height,
];

const moving = ({ desk }: Press): Gesture => ({
  move: ({ at }) => {
    const state = desk.getState();
    state.show(setLamp({ at: shareOf(state, at) }));
  },
});

const STEP = 0.02;

function nudge(desk: DeskStore, [dx, dy]: Point): void {
  const state = desk.getState();
  const [x, y] = state.drawing.lamp.at;
  state.edit(setLamp({ at: [x + dx * STEP, y + dy * STEP] }));
}

/** Whether the lamp makes of a pocket, or of its part, what it is to make. */
function isMade(state: Desk, pocket: Pocket): boolean {
  const { makes, castOf } = lampState.settings(state);
  if (makes === "cast" && castOf === "part") return state.drawing.parts[pocket.part]?.cast !== undefined;
  return colouredIn(state, pocket)?.[makes] !== undefined;
}

/**
 * A click makes light of a pocket, and a drag of all pockets it crosses; a click on a pocket that has it already
 * chooses that pocket.
 */
function shading({ desk, at, pixel }: Press): Gesture | undefined {
  const state = desk.getState();
  const first = pocketAt(state.derived.pockets, at);
  if (!first) {
    state.tell("Light by the lamp needs a coloured pocket. Click inside one, or drag the lamp.");
    return undefined;
  }
  if (isMade(state, first)) {
    choose(desk, first);
    return {};
  }
  const crossed = new Crossed(state.derived.pockets, at, pixel);
  const cross = (to: Point) => {
    if (crossed.to(to)) lay(desk, crossed.pockets, "show");
  };
  cross(at);
  const end = () => {
    desk.getState().keep();
    sayUnseen(desk, crossed.pockets);
  };
  return { move: (press) => cross(press.at), end };
}

function light(desk: DeskStore, pocket: Pocket): void {
  if (isMade(desk.getState(), pocket)) choose(desk, pocket);
  else {
    lay(desk, [pocket]);
    sayUnseen(desk, [pocket]);
  }
}

function sayUnseen(desk: DeskStore, pockets: readonly Pocket[]): void {
  const state = desk.getState();
  const { makes } = lampState.settings(state);
  const ids = pockets.flatMap((pocket) => colouredIn(state, pocket)?.id ?? []);
  const unseen = unseenOf(
    state,
    makes,
    ids.filter((id) => state.drawing.pours[id][makes]),
  );
  if (unseen) state.tell(unseen);
}

/** Settings are for this one alone from now on. */
function choose(desk: DeskStore, pocket: Pocket): void {
  const state = desk.getState();
  state.workOn(pocket.part);
  state.say("Chosen: settings change this pocket alone");
  lampState.hold(desk, { pour: colouredIn(state, pocket)?.id ?? null });
}

function lay(desk: DeskStore, pockets: readonly Pocket[], how: "edit" | "show" = "edit"): void {
  const state = desk.getState();
  const { makes, castOf } = lampState.settings(state);
  if (makes === "cast" && castOf === "part") {
    state.workOn(pockets[0].part);
    state[how](setPartCast(pockets[0].part, nextMade(state, "cast")));
    return;
  }
  const ids = [...new Set(pockets.flatMap((pocket) => colouredIn(state, pocket)?.id ?? []))];
  if (ids.length === 0) askForColour(state, "light is made of its ladder");
  else {
    lampState.hold(desk, { pour: ids[ids.length - 1] });
    state[how](setMade(makes, ids, nextMade(state, makes)));
  }
}

/** The lamp with its rays; where it is far off, the way its light comes. */
function lampMarks(desk: Desk): OverlayMark[] {
  const { at, far, middle } = lampOn(desk.drawing);
  const pixel = 1 / desk.view.scale;
  const line = (from: Point, to: Point, dashed = false): OverlayMark => ({
    kind: "chain",
    points: [...from, ...from, ...to, ...to],
    closed: false,
    tint: dashed ? "quiet" : "fern",
    width: dashed ? 1 : 2,
    dashed,
  });
  const rays = Array.from({ length: RAYS }, (_, k): OverlayMark => {
    const angle = (2 * Math.PI * k) / RAYS;
    const end = (reach: number): Point => [
      at[0] + Math.cos(angle) * reach * pixel,
      at[1] + Math.sin(angle) * reach * pixel,
    ];
    return line(end(9), end(14));
  });
  return [
    ...(far ? [line(at, middle, true)] : []),
    ...rays,
    { kind: "dot", at, tint: "fern", shape: "round", filled: true },
  ];
}
