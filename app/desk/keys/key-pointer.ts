/**
 * A pointer that keys move: it stands on the paper, and Enter presses the tool in the hand there and lets it go again. So
 * whatever a tool does with a pointer it does with keys, drags and what is held with Shift included.
 */

import { printed } from "#core/drawing/length.ts";
import type { Point } from "#core/geometry/point.ts";
import { pocketAt } from "#core/scene/scene.ts";
import { onPage, toPagePoint, toScreen } from "../../painting/view.ts";
import type { Hand } from "../canvas/hand.ts";
import { areFresh } from "../gaps/fresh-gaps.ts";
import { describePocket, walkedPocket } from "../pockets/walk.ts";
import { toolOf } from "../stages/index.ts";
import type { Desk, DeskStore } from "../store/desk-state.ts";
import { onceGapsRead } from "../store/once-read.ts";
import type { KeyPress } from "./key-names.ts";
import { arrowOf } from "./key-names.ts";

/** CSS pixels that an arrow moves it; with Shift, and with Alt. */
const STEP = { plain: 8, far: 40, fine: 1 };
/** It stays this many CSS pixels within the mat. */
const EDGE = 48;

/** Whether a key meant something to the pointer, or brought it out. */
export function onPointerKey(desk: DeskStore, hand: Hand, event: KeyPress): boolean {
  if (event.ctrlKey || event.metaKey) return false;
  const { keyPointer: at } = desk.getState();
  // The real one is at work.
  if (!at && hand.gesture) return false;
  const key = event.key.toLowerCase();
  if (key === "j") return goToPlace(desk, hand, event.shiftKey ? -1 : 1);
  if (key === "k") return at ? putAway(desk, hand) : bringOut(desk);
  if (!at) return false;
  const arrow = arrowOf(event);
  if (arrow) moveBy(desk, hand, arrow, event);
  else if (key === "enter") use(desk, hand, event.shiftKey);
  else if (key === "escape" && !hand.gesture) putAway(desk, hand);
  else return false;
  return true;
}

function bringOut(desk: DeskStore): boolean {
  const state = desk.getState();
  const { pointer, view, matSize } = state;
  const middle: Point = [matSize.width / 2, matSize.height / 2];
  const at = walkedPocket(state)?.seed ?? toPagePoint(view, pointer.at ?? middle);
  bringPointerTo(desk, at);
  state.say(
    `Pointer at ${wordsFor(state, at)}. Arrows move it, Enter presses and lets go, J goes to the next place.`,
  );
  return true;
}

function putAway(desk: DeskStore, hand: Hand): boolean {
  if (hand.gesture) hand.cancel();
  const { hover, standAt, say } = desk.getState();
  hover.getState().leave();
  standAt(null);
  say("Pointer put away");
  return true;
}

function moveBy(desk: DeskStore, hand: Hand, [dx, dy]: Point, event: KeyPress): void {
  const { keyPointer, view } = desk.getState();
  const step = event.altKey ? STEP.fine : event.shiftKey ? STEP.far : STEP.plain;
  const [x, y] = onPage(view, [dx * step, dy * step]);
  moveTo(desk, hand, [keyPointer![0] + x, keyPointer![1] + y], event.shiftKey && !hand.gesture);
}

function moveTo(desk: DeskStore, hand: Hand, at: Point, shift = false): void {
  bringPointerTo(desk, at);
  const press = hand.pressAt(at, shift);
  const state = desk.getState();
  if (hand.gesture) hand.move([press]);
  else {
    const tool = toolOf(state);
    tool.hover?.(press);
    const pocket = tool.lights ? (pocketAt(state.derived.pockets, at) ?? null) : null;
    state.hover.getState().overPocket(pocket);
  }
  state.say(wordsFor(state, at));
}

/** Stands somewhere, with the paper drawn along where that would be out of sight. */
/** The pointer that keys move stands there, in page units; the paper is moved where it would be out of sight. */
export function bringPointerTo(desk: DeskStore, at: Point): void {
  const { view, matSize, moveView, standAt, walkTo } = desk.getState();
  const [x, y] = toScreen(view, at);
  const into = (value: number, most: number) =>
    Math.max(Math.min(EDGE, most / 2), Math.min(Math.max(most - EDGE, most / 2), value)) - value;
  const [dx, dy] = [into(x, matSize.width), into(y, matSize.height)];
  if (dx !== 0 || dy !== 0) moveView({ ...view, x: view.x + dx, y: view.y + dy });
  standAt(at);
  walkTo(null);
}

function use(desk: DeskStore, hand: Hand, shift: boolean): void {
  const state = desk.getState();
  const press = hand.pressAt(state.keyPointer!, shift);
  if (hand.gesture) {
    hand.lift(press);
    return;
  }
  const tool = toolOf(state);
  const before = state.said;
  const lasts = hand.press(press, tool);
  if (!hand.gesture) return;
  if (!lasts) hand.lift(press);
  else if (desk.getState().said === before)
    state.say(`${tool.word} pressed. Arrows move it, Enter lets go, Escape gives up.`);
}

/** The next of the places that the tool could be pressed at. */
function goToPlace(desk: DeskStore, hand: Hand, by: number): boolean {
  const state = desk.getState();
  const tool = toolOf(state);
  const places = tool.places?.(state) ?? state.derived.pockets.map(({ seed }) => seed);
  if (places.length === 0) {
    if (state.reading || !areFresh(state)) void goOnceRead(desk, hand, by);
    else state.tell(`${tool.word} finds nothing to be pressed here.`);
    return true;
  }
  const { keyPointer } = state;
  const now = keyPointer
    ? places.findIndex(([x, y]) => Math.hypot(x - keyPointer[0], y - keyPointer[1]) * state.view.scale < 0.5)
    : -1;
  const next = now < 0 ? (by > 0 ? 0 : places.length - 1) : (now + by + places.length) % places.length;
  moveTo(desk, hand, places[next]);
  state.say(`Place ${next + 1} of ${places.length}: ${wordsFor(desk.getState(), places[next])}`);
  return true;
}

/** The lines are still being read: goes there when they are, unless another tool was taken up meanwhile. */
async function goOnceRead(desk: DeskStore, hand: Hand, by: number): Promise<void> {
  const tool = toolOf(desk.getState());
  desk.getState().say("The lines are still being read.");
  if (toolOf(await onceGapsRead(desk)) === tool) goToPlace(desk, hand, by);
}

/** Like "42 mm right, 31 mm down. Pocket 3 of 44, Frond base". */
function wordsFor(desk: Desk, at: Point): string {
  const { page } = desk.drawing;
  const [x, y] = [at[0] - page.box.x, at[1] - page.box.y].map((way) => printed(page, way).toFixed(1));
  const pocket = pocketAt(desk.derived.pockets, at);
  const where = pocket ? describePocket(desk, desk.derived.pockets.indexOf(pocket)) : "in no pocket";
  return `${x} ${page.unit} right, ${y} ${page.unit} down, ${where}`;
}
