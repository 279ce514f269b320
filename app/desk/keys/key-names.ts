/** Keys by what they mean, for tools and stages alike. */
import type { Point } from "#core/geometry/point.ts";

const ARROWS: Record<string, Point> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** The tools on the tray, from left to right. */
export const TRAY_KEYS = "qwertyuo";

/** The way an arrow key points. */
export const arrowOf = ({ key }: KeyboardEvent): Point | undefined => ARROWS[key];

export const isRemoval = ({ key }: KeyboardEvent): boolean => key === "Backspace" || key === "Delete";

/** Screen pixels that one press of an arrow moves what is held, without Shift and with it. */
const STEP = 2;
const FAR = 20;

/** The way in page units that an arrow moves what is held; undefined for other keys. */
export function nudgeOf(event: KeyboardEvent, scale: number): Point | undefined {
  const arrow = arrowOf(event);
  const step = (event.shiftKey ? FAR : STEP) / scale;
  return arrow && [arrow[0] * step, arrow[1] * step];
}

/** Fields and dialogs keep their keys and their clipboard. */
export const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  (target.matches("input, textarea, select, [role=combobox], [contenteditable]") ||
    target.closest("[role=dialog], [role=listbox]") !== null);
