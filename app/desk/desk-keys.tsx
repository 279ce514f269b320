import { useEffect } from "react";
import { ranked } from "#core/drawing/drawing.ts";
import { removeShade } from "#core/drawing/edits.ts";
import { type DeskStore, STAGES, useDeskStore } from "./desk-store.ts";
import { onLineKey } from "./line-keys.ts";
import { nextSnag } from "./next-snag.ts";
import { bridgeOpenings, leaveOpen } from "./openings.ts";
import { pourInto } from "./tools/pour.ts";
import { TRAYS } from "./trays.ts";
import { fitView, zoomAt } from "./view.ts";
import { walk, walkedPocket } from "./walk.ts";

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
    window.addEventListener("keydown", down);
    window.addEventListener("keyup", up);
    window.addEventListener("blur", letGo);
    return () => {
      window.removeEventListener("keydown", down);
      window.removeEventListener("keyup", up);
      window.removeEventListener("blur", letGo);
    };
  }, [desk, onPanning]);
  return null;
}

const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  (target.matches("input, textarea, select, [contenteditable]") || target.closest("[role=dialog]") !== null);

/** Keys that also work buttons and sliders are left to whatever has the focus. */
const onPaper = (event: KeyboardEvent): boolean =>
  event.target === document.body || (event.target as HTMLElement).id === "paper";

function onCommand(desk: DeskStore, event: KeyboardEvent): boolean {
  const key = event.key.toLowerCase();
  if (key === "z" && !event.shiftKey) desk.getState().undo();
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
    chosenOpening: null,
    selected: [],
    heldPoints: [],
    pegs: [],
    pegAt: null,
  });
}

/** Enter does what the stage is for, delete takes it back: openings are bridged or left open, pockets poured. */
function act(desk: DeskStore, away: boolean): void {
  const state = desk.getState();
  const { chosenOpening } = state;
  if (state.stage !== "Gaps" || chosenOpening === null) pourWalked(desk, away);
  else if (away) leaveOpen(state, [chosenOpening]);
  else bridgeOpenings(state, [chosenOpening]);
}

function pourWalked(desk: DeskStore, empty: boolean): void {
  const state = desk.getState();
  if (empty && state.stage === "Light" && state.chosenShade) {
    state.edit(removeShade(state.chosenShade));
    return;
  }
  const pocket = walkedPocket(state);
  const edit = pocket && pourInto(state, [pocket], empty ? null : state.paint);
  if (edit) state.edit(edit);
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
