import { useEffect } from "react";
import { ranked } from "#core/drawing/drawing.ts";
import type { Hand } from "../canvas/hand.ts";
import { movePart } from "../parts/part-actions.ts";
import { walk } from "../pockets/walk.ts";
import { STAGES, stageOf, toolOf } from "../stages/index.ts";
import type { DeskStore } from "../store/desk-state.ts";
import { refusal } from "../store/locks.ts";
import { useDeskStore } from "../store/use-desk.ts";
import { stepColourway } from "../tin/colourways/step-colourway.ts";
import { duplicateChosen } from "../tools/arrange/arrange-state.ts";
import { dipTool } from "../tools/dip/dip.ts";
import { fitChosen, fitDrawing, fitPage, zoom } from "../tray/zoom.ts";
import { useClipboard } from "./clipboard.ts";
import { arrowOf, isRemoval, isTyping, TRAY_KEYS } from "./key-names.ts";
import { onPointerKey } from "./key-pointer.ts";

/** Keys that step through lines and points wherever the focus is. */
const LINE_STEPS = "[]{}";
/** Listens to the whole desk; fields that are being typed in keep their keys. */
export function DeskKeys({ hand, onPanning }: { hand: Hand; onPanning: (panning: boolean) => void }) {
  const desk = useDeskStore();
  useClipboard(desk);
  useEffect(() => {
    const down = (event: KeyboardEvent) => {
      if (isTyping(event.target)) return;
      if (onPaper(event) && onPointerKey(desk, hand, event)) {
        event.preventDefault();
        return;
      }
      const { cancel } = desk.getState().pointer;
      if (cancel) {
        // A gesture is under way: it can be given up, and nothing else happens meanwhile.
        if (event.key === "Escape" || isUndo(event)) cancel();
        if (event.key !== "Shift") event.preventDefault();
        return;
      }
      const handled = event.ctrlKey || event.metaKey ? onCommand(desk, event) : onKey(desk, event, onPanning);
      if (handled) event.preventDefault();
    };
    const up = (event: KeyboardEvent) => {
      if (event.key === " ") onPanning(false);
      if (event.key.toLowerCase() === "d") desk.getState().takeKeyTool(null);
      if (event.key.toLowerCase() === "f") desk.getState().showAs({ compared: null });
    };
    const letGo = () => {
      onPanning(false);
      const { takeKeyTool, showAs } = desk.getState();
      takeKeyTool(null);
      showAs({ compared: null });
    };
    window.addEventListener("click", backToPaper);
    window.addEventListener("keydown", down);
    window.addEventListener("keyup", up);
    window.addEventListener("blur", letGo);
    return () => {
      window.removeEventListener("click", backToPaper);
      window.removeEventListener("keydown", down);
      window.removeEventListener("keyup", up);
      window.removeEventListener("blur", letGo);
    };
  }, [desk, hand, onPanning]);
  return null;
}

/** After a click on a button of the desk the paper's keys work on: those who use keys stay where they are, and fields it brought up keep theirs. */
function backToPaper({ detail, target }: MouseEvent): void {
  const button = target instanceof Element ? target.closest(".desk button") : null;
  if (detail === 0 || !button || button.ariaHasPopup || button.closest("[role=dialog]")) return;
  if (document.activeElement instanceof HTMLInputElement) return;
  document.getElementById("paper")?.focus({ preventScroll: true });
}

/** Keys that also work buttons and sliders are left to whatever has the focus. */
const onPaper = (event: KeyboardEvent): boolean =>
  event.target === document.body || (event.target as HTMLElement).id === "paper";

const isUndo = (event: KeyboardEvent): boolean =>
  (event.ctrlKey || event.metaKey) && event.key.toLowerCase() === "z" && !event.shiftKey;

function onCommand(desk: DeskStore, event: KeyboardEvent): boolean {
  const key = event.key.toLowerCase();
  const state = desk.getState();
  if (isUndo(event)) state.undo();
  else if (key === "a") toolOf(state).chooseAll?.(desk);
  else if (key === "d") duplicateChosen(desk);
  else if ((key === "z" && event.shiftKey) || key === "y") state.redo();
  else return false;
  return true;
}

function onKey(desk: DeskStore, event: KeyboardEvent, onPanning: (panning: boolean) => void): boolean {
  const state = desk.getState();
  const stage = stageOf(state);
  const key = event.key.toLowerCase();
  const stop = STAGES[Number(key) - 1];
  if (stop) state.chooseStage(stop.name);
  else if (key.length === 1 && TRAY_KEYS.includes(key)) {
    const tool = stage.tools[TRAY_KEYS.indexOf(key)];
    if (tool) state.chooseTool(tool.name);
  } else if (key === "d") state.takeKeyTool(dipTool.name);
  else if (key === "f") state.showAs({ compared: event.shiftKey ? "shade" : "flats" });
  else if (key === "n") stage.nextSnag(desk, event.shiftKey ? -1 : 1);
  else if (key === "g") state.showAs({ checkGround: !state.checkGround });
  else if (key === "0") fitPage(desk);
  else if (key === "9") fitDrawing(desk);
  else if (key === "8") fitChosen(desk);
  else if (key === "+" || key === "=") zoom(desk, 1.25);
  else if (key === "-") zoom(desk, 0.8);
  else if (key === "c") stepColourway(desk, event.shiftKey ? -1 : 1);
  else if (key === "," || key === ".") stepColour(desk, key === "." ? 1 : -1);
  else if (key === "pageup") movePart(desk, state.part, 1);
  else if (key === "pagedown") movePart(desk, state.part, -1);
  else if (key === "escape") letGo(desk);
  else if (LINE_STEPS.includes(event.key)) return onStageKey(desk, event);
  else if (!onPaper(event)) return false;
  else if (key === " ") onPanning(true);
  else if (onStageKey(desk, event)) return true;
  else {
    const arrow = arrowOf(event);
    if (arrow) walk(desk, arrow);
    return arrow !== undefined;
  }
  return true;
}

/** The tool in the hand knows its keys first, then its stage; where its sheet is locked it says so. */
function onStageKey(desk: DeskStore, event: KeyboardEvent): boolean {
  const state = desk.getState();
  const tool = toolOf(state);
  const refused = refusal(state.drawing, tool.sheet);
  if (refused && (event.key === "Enter" || isRemoval(event))) {
    state.tell(refused);
    return true;
  }
  return (tool.key?.(desk, event) ?? false) || (stageOf(state).key?.(desk, event) ?? false);
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
