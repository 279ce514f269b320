/** What a pen says beside its place: how firmly it presses, the way it leans, the button on it and its other end. */
import { throughCurve } from "#core/lines/pen.ts";
import type { Prefs } from "../../prefs/prefs.ts";
import { stageOf } from "../stages/index.ts";
import type { DeskStore } from "../store/desk-state.ts";
import { dipTool } from "../tools/dip/dip.ts";
import { lookTool } from "../tools/look/look.ts";
import type { Tool } from "../tools/tool.ts";

const BARREL = { button: 2, held: 2 };
const OTHER_END = { button: 5, held: 32 };

/** From this much upright on a pen leans no way. Radians. */
const UPRIGHT = 1.4;

/** 0 to 1; half for a mouse, and for a touch that knows none. */
export function pressureOf({ pointerType, pressure }: PointerEvent, { pressure: curve }: Prefs): number {
  if (pointerType === "pen") return throughCurve(curve, pressure);
  return pointerType === "mouse" || pressure === 0 ? 0.5 : pressure;
}

/** On the screen, in radians from its x axis; undefined where a pen stands upright. */
export function leanOf({ pointerType, altitudeAngle, azimuthAngle }: PointerEvent): number | undefined {
  return pointerType === "pen" && altitudeAngle < UPRIGHT ? azimuthAngle : undefined;
}

const isOn = ({ button, buttons }: PointerEvent, which: typeof BARREL): boolean =>
  button === which.button || (buttons & which.held) !== 0;

/** What a press of a pen by its button or its other end is set to do; undefined for one by its point. */
export function penButton(event: PointerEvent, { barrel, eraser }: Prefs): Prefs["barrel"] | undefined {
  if (event.pointerType !== "pen") return undefined;
  if (isOn(event, OTHER_END)) return eraser;
  return isOn(event, BARREL) ? barrel : undefined;
}

/** The tool that it takes up; null, with a sentence, where there is nothing to rub. */
export function toolOfButton(desk: DeskStore, does: Exclude<Prefs["barrel"], "menu">): Tool | null {
  if (does === "dip") return dipTool;
  if (does === "move") return lookTool;
  const state = desk.getState();
  const { rub, name } = stageOf(state);
  if (!rub) state.tell(`There is nothing to rub on ${name}.`);
  return rub ?? null;
}
