import { useEffect } from "react";
import { ranked } from "#core/drawing/drawing.ts";
import { removeFlat, removeShade } from "#core/drawing/edits.ts";
import { pointNumbers } from "#core/lines/bend.ts";
import { fitView, zoomAt } from "../../painting/view.ts";
import { activeTool, type Desk, type DeskStore, STAGES, useDeskStore } from "../store/desk-store.ts";
import { onLineKey } from "../line-keys.ts";
import { refusal, SHEET_OF_TOOL } from "../store/locks.ts";
import { nextSnag } from "../press/next-snag.ts";
import { bridgeOpenings, leaveOpen } from "../gaps/openings.ts";
import { pourInto } from "../pockets/pour-into.ts";
import { bentLine } from "../tools/bend/bend.ts";
import { dipInto } from "../tools/dip/dip.ts";
import { chooseForTidy } from "../tools/tidy/tidy.ts";
import { TRAYS } from "../trays.ts";
import { walk, walkedPocket } from "../pockets/walk.ts";

const TRAY_KEYS = "qwerty";
/** Keys that step through lines and points wherever the focus is. */
const LINE_STEPS = "[]{}";
const ARROWS: Record<string, readonly [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** Listens to the whole desk; fields that are being typed in keep their keys. */
export function DeskKeys({ onPanning }: { onPanning: (panning: boolean) => void }) {
  const desk = useDeskStore();
  useEffect(() => {
    const down = (event: KeyboardEvent) => {
      if (isTyping(event.target)) return;
      const { cancel } = desk.getState().hand;
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
      if (event.key.toLowerCase() === "d") desk.getState().set({ heldTool: null });
    };
    const letGo = () => {
      onPanning(false);
      desk.getState().set({ heldTool: null });
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
  }, [desk, onPanning]);
  return null;
}

/** After a click on a button of the desk the paper's keys work on: those who use keys stay where they are. */
function backToPaper({ detail, target }: MouseEvent): void {
  const button = target instanceof Element ? target.closest(".desk button") : null;
  if (detail === 0 || !button || button.ariaHasPopup || button.closest("[role=dialog]")) return;
  document.getElementById("paper")?.focus({ preventScroll: true });
}

const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  (target.matches("input, textarea, select, [contenteditable]") || target.closest("[role=dialog]") !== null);

/** Keys that also work buttons and sliders are left to whatever has the focus. */
const onPaper = (event: KeyboardEvent): boolean =>
  event.target === document.body || (event.target as HTMLElement).id === "paper";

const isUndo = (event: KeyboardEvent): boolean =>
  (event.ctrlKey || event.metaKey) && event.key.toLowerCase() === "z" && !event.shiftKey;

function onCommand(desk: DeskStore, event: KeyboardEvent): boolean {
  const key = event.key.toLowerCase();
  if (isUndo(event)) desk.getState().undo();
  else if (key === "a") chooseAll(desk);
  else if ((key === "z" && event.shiftKey) || key === "y") desk.getState().redo();
  else return false;
  return true;
}

function onKey(desk: DeskStore, event: KeyboardEvent, onPanning: (panning: boolean) => void): boolean {
  const { stage, set, chooseTool, checkGround } = desk.getState();
  const key = event.key.toLowerCase();
  if (key in { 1: 0, 2: 0, 3: 0, 4: 0, 5: 0 })
    set({ stage: STAGES[Number(key) - 1], leak: null, hovered: null });
  else if (key.length === 1 && TRAY_KEYS.includes(key)) {
    const item = TRAYS[stage][TRAY_KEYS.indexOf(key)];
    if (item) chooseTool(item.tool);
  } else if (key === "d") set({ heldTool: "dip" });
  else if (key === "n") nextSnag(desk, event.shiftKey ? -1 : 1);
  else if (key === "g") set({ checkGround: !checkGround });
  else if (key === "0") fitPage(desk);
  else if (key === "+" || key === "=") zoom(desk, 1.25);
  else if (key === "-") zoom(desk, 0.8);
  else if (key === "," || key === ".") stepColour(desk, key === "." ? 1 : -1);
  else if (key === "escape") letGo(desk);
  else if (stage === "Lines" && LINE_STEPS.includes(event.key)) onLineKey(desk, event);
  else if (!onPaper(event)) return false;
  else if (key === " ") onPanning(true);
  else if (stage === "Lines" && onLineKey(desk, event)) return true;
  else if (event.key in ARROWS) walk(desk, ARROWS[event.key]);
  else if (key === "enter") act(desk, false);
  else if (key === "backspace" || key === "delete") act(desk, true);
  else return false;
  return true;
}

function letGo(desk: DeskStore): void {
  desk.getState().set({
    leak: null,
    walked: null,
    chosenShade: null,
    chosenFlat: null,
    chosenOpening: null,
    reason: null,
    selected: [],
    heldPoints: [],
    pegs: [],
    pegAt: null,
  });
}

/** Chooses all of what the tool in hand works on: lines, or the points of the bent one. */
function chooseAll(desk: DeskStore): void {
  const state = desk.getState();
  const { strokes, inkShapes } = state.history.drawing;
  const tool = activeTool(state);
  const bent = bentLine(state);
  if (tool === "arrange") {
    const selected = [...Object.keys(strokes), ...Object.keys(inkShapes)];
    state.set({ selected, said: `${selected.length} lines chosen` });
  } else if (tool === "tidy") chooseForTidy(desk, Object.keys(strokes));
  else if (tool === "bend" && bent) {
    const heldPoints = pointNumbers(bent.points, bent.closed);
    state.set({ heldPoints, said: `${heldPoints.length} points held` });
  }
}

/** Enter does what the tool of the stage in view is for, delete takes it back. */
function act(desk: DeskStore, away: boolean): void {
  const state = desk.getState();
  const { stage, chosenOpening, chosenShade, chosenFlat, history } = state;
  if (stage === "Gaps" && chosenOpening !== null) {
    if (away) leaveOpen(state, [chosenOpening]);
    else bridgeOpenings(state, [chosenOpening]);
  } else if (stage === "Light" && away && chosenShade) state.edit(removeShade(chosenShade));
  else if (activeTool(state) === "dip" && !away) dipInto(state, walkedPocket(state));
  else if (stage === "Flats" && away && chosenFlat && history.drawing.flatShapes[chosenFlat])
    state.edit(removeFlat(chosenFlat));
  else if (stage === "Flats") pourWalked(state, away || activeTool(state) === "empty");
}

function pourWalked(state: Desk, empty: boolean): void {
  const pocket = walkedPocket(state);
  const refused = refusal(state.history.drawing, SHEET_OF_TOOL.pour);
  const edit = pocket && pourInto(state, [pocket], empty ? null : state.paint);
  if (refused) state.tell(refused);
  else if (edit) state.edit(edit);
}

function stepColour(desk: DeskStore, by: number): void {
  const { history, paint, set } = desk.getState();
  const colours = ranked(history.drawing.tin);
  if (colours.length === 0) return;
  const at = colours.findIndex(({ id }) => id === paint.colour);
  const next = colours[(at + by + colours.length) % colours.length];
  set({ paint: { colour: next.id, step: 0 }, said: next.name });
}

export function fitPage(desk: DeskStore): void {
  const { history, matSize, set } = desk.getState();
  set({ view: fitView(history.drawing.page.box, matSize) });
}

export function zoom(desk: DeskStore, factor: number): void {
  const { view, history, matSize, set } = desk.getState();
  const fitScale = fitView(history.drawing.page.box, matSize).scale;
  set({ view: zoomAt(view, [matSize.width / 2, matSize.height / 2], factor, fitScale) });
}
