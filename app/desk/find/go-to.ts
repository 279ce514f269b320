/** Goes to where something stands on the desk, and puts the focus there. */
import { flushSync } from "react-dom";
import { prefs, setPrefs } from "../../prefs/prefs-store.ts";
import type { DeskStore, StageName } from "../store/desk-state.ts";

const FOCUSABLE = "button:not(:disabled), input:not(:disabled), select, [role=slider], [tabindex='0']";

function focusIn(selector: string): boolean {
  const target = document.querySelector(selector)?.querySelector<HTMLElement>(FOCUSABLE);
  target?.focus();
  return target !== undefined && target !== null;
}

/** Takes up a tool; its stage's first one where it is not named. */
export function goToTool(desk: DeskStore, stage: StageName, tool?: string): void {
  const state = desk.getState();
  if (state.stage !== stage) state.chooseStage(stage);
  if (tool) state.chooseTool(tool);
  document.getElementById("paper")?.focus();
}

export function goToSetting(desk: DeskStore, stage: StageName, tool: string, name: string): void {
  flushSync(() => goToTool(desk, stage, tool));
  const place = `[data-setting="${CSS.escape(name)}"]`;
  if (focusIn(place) || prefs().trayOpen) return;
  flushSync(() => setPrefs({ trayOpen: true }));
  focusIn(place);
}

export function goToSection(desk: DeskStore, stage: StageName, name: string): void {
  flushSync(() => {
    const state = desk.getState();
    if (state.stage !== stage && !document.querySelector(`[data-section="${name}"]`))
      state.chooseStage(stage);
    state.showPanel("press", true);
    state.foldSection(name, true);
  });
  focusIn(`[data-section="${name}"]`);
}
