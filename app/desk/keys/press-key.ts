/** What a press of a key means on the desk, by the usual combinations (keys.ts). */
import { ranked } from "#core/drawing/drawing.ts";
import { helpAbout } from "../../help/pages.ts";
import type { Hand } from "../canvas/hand.ts";
import { stepPanel } from "../frame/step-panel.ts";
import { movePart } from "../parts/part-actions.ts";
import { walk } from "../pockets/walk.ts";
import { STAGES, stageOf, toolOf } from "../stages/index.ts";
import type { DeskStore } from "../store/desk-state.ts";
import { refusal } from "../store/locks.ts";
import { stepColourway } from "../tin/colourways/step-colourway.ts";
import { duplicateChosen } from "../tools/arrange/arrange-state.ts";
import { dipTool } from "../tools/dip/dip.ts";
import { fitChosen, fitDrawing, fitPage, straighten, turn, zoom } from "../tray/zoom.ts";
import { arrowOf, isRemoval, type KeyPress, TRAY_KEYS } from "./key-names.ts";
import { onPointerKey } from "./key-pointer.ts";

export interface KeyDesk {
  readonly desk: DeskStore;
  readonly hand: Hand;
  readonly onPanning: (panning: boolean) => void;
}

/** Radians that a key turns the paper. */
const TURN = Math.PI / 12;

/** Keys that step through lines and points wherever the focus is. */
const LINE_STEPS = "[]{}";

/**
 * Whether a press meant something. Keys that also work buttons and sliders are left to whatever has the focus, unless that is the paper.
 */
export function pressKey({ desk, hand, onPanning }: KeyDesk, press: KeyPress, onPaper: boolean): boolean {
  if (onPaper && onPointerKey(desk, hand, press)) return true;
  const { cancel } = desk.getState().pointer;
  if (cancel) {
    // A gesture is under way: it can be given up, and nothing else happens meanwhile.
    if (press.key === "Escape" || isUndo(press)) cancel();
    return press.key !== "Shift";
  }
  if (press.key === "F1") return helpInHand(desk);
  if (press.key === "F6") return stepPanel(press.shiftKey ? -1 : 1);
  return press.ctrlKey || press.metaKey ? onCommand(desk, press) : onKey(desk, press, onPanning, onPaper);
}

function helpInHand(desk: DeskStore): boolean {
  const state = desk.getState();
  state.openHelp(helpAbout(`tool ${toolOf(state).name}`)?.name ?? null);
  return true;
}

/** A key that lasts as long as it is held was let go. */
export function releaseKey({ desk, onPanning }: KeyDesk, { key }: KeyPress): void {
  const { takeKeyTool, showAs } = desk.getState();
  if (key === " ") onPanning(false);
  if (key.toLowerCase() === "d") takeKeyTool(null);
  if (key.toLowerCase() === "f") showAs({ compared: null });
}

const isUndo = (press: KeyPress): boolean =>
  (press.ctrlKey || press.metaKey) && press.key.toLowerCase() === "z" && !press.shiftKey;

function onCommand(desk: DeskStore, press: KeyPress): boolean {
  const key = press.key.toLowerCase();
  const state = desk.getState();
  if (isUndo(press)) state.undo();
  else if (key === "k") state.openWindow("find");
  else if (key === "a") toolOf(state).chooseAll?.(desk);
  else if (key === "d") duplicateChosen(desk);
  else if ((key === "z" && press.shiftKey) || key === "y") state.redo();
  else return false;
  return true;
}

function onKey(
  desk: DeskStore,
  press: KeyPress,
  onPanning: (panning: boolean) => void,
  onPaper: boolean,
): boolean {
  const state = desk.getState();
  const stage = stageOf(state);
  const key = press.key.toLowerCase();
  const stop = STAGES[Number(key) - 1];
  if (stop) state.chooseStage(stop.name);
  else if (key.length === 1 && TRAY_KEYS.includes(key)) {
    const tool = stage.tools[TRAY_KEYS.indexOf(key)];
    if (tool) state.chooseTool(tool.name);
  } else if (key === "d") state.takeKeyTool(dipTool.name);
  else if (key === "f") state.showAs({ compared: press.shiftKey ? "shade" : "flats" });
  else if (key === "n") stage.nextSnag(desk, press.shiftKey ? -1 : 1);
  else if (key === "g") state.showAs({ checkGround: !state.checkGround });
  else if (key === "?") state.openWindow("keys");
  else if (key === "0") fitPage(desk);
  else if (key === "9") fitDrawing(desk);
  else if (key === "8") fitChosen(desk);
  else if (key === "+" || key === "=") zoom(desk, 1.25);
  else if (key === "-") zoom(desk, 0.8);
  else if (key === ">" || key === "<") turn(desk, key === ">" ? TURN : -TURN);
  else if (key === "/") straighten(desk);
  else if (key === "c") stepColourway(desk, press.shiftKey ? -1 : 1);
  else if (key === "," || key === ".") stepColour(desk, key === "." ? 1 : -1);
  else if (key === "pageup") movePart(desk, state.part, 1);
  else if (key === "pagedown") movePart(desk, state.part, -1);
  else if (key === "escape") letGo(desk);
  else if (LINE_STEPS.includes(press.key)) return onStageKey(desk, press);
  else if (!onPaper) return false;
  else if (key === " ") onPanning(true);
  else if (onStageKey(desk, press)) return true;
  else {
    const arrow = arrowOf(press);
    if (arrow) walk(desk, arrow);
    return arrow !== undefined;
  }
  return true;
}

/** The tool in the hand knows its keys first, then its stage; where its sheet is locked it says so. */
function onStageKey(desk: DeskStore, press: KeyPress): boolean {
  const state = desk.getState();
  const tool = toolOf(state);
  const refused = refusal(state.drawing, tool.sheet);
  if (refused && (press.key === "Enter" || isRemoval(press))) {
    state.tell(refused.text, refused.next);
    return true;
  }
  return (tool.key?.(desk, press) ?? false) || (stageOf(state).key?.(desk, press) ?? false);
}

function letGo(desk: DeskStore): void {
  const state = desk.getState();
  state.hover.getState().leave();
  state.lookBack();
  state.forgetLeak();
  state.walkTo(null);
  state.chooseOpening(null);
  state.hush();
  state.choose([]);
  state.putDown();
}

function stepColour(desk: DeskStore, by: number): void {
  const { drawing, paint, takePaint, say } = desk.getState();
  const colours = ranked(drawing.tin);
  if (colours.length === 0) return;
  const at = colours.findIndex(({ id }) => id === paint.colour);
  const next = colours[(at + by + colours.length) % colours.length];
  takePaint({ colour: next.id, step: 0 });
  say(next.name);
}
