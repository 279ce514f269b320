/** Keys by what they mean, for tools and stages alike. */
import type { Point } from "#core/geometry/point.ts";
import { onPage, type View } from "../../painting/view.ts";

/** What a press of a key says. */
export type KeyPress = Pick<KeyboardEvent, "key" | "ctrlKey" | "metaKey" | "altKey" | "shiftKey">;

const ARROWS: Record<string, Point> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** The tools on the tray, from left to right. */
export const TRAY_KEYS = "qwertyuop";

/** The way an arrow key points. */
export const arrowOf = ({ key }: Pick<KeyPress, "key">): Point | undefined => ARROWS[key];

export const isRemoval = ({ key }: Pick<KeyPress, "key">): boolean => key === "Backspace" || key === "Delete";

/** Screen pixels that one press of an arrow moves what is held, without Shift and with it. */
const STEP = 2;
const FAR = 20;

/** The way in page units that an arrow moves what is held, as it points on the screen; undefined for other keys. */
export function nudgeOf(press: KeyPress, view: View): Point | undefined {
  const arrow = arrowOf(press);
  const pixels = press.shiftKey ? FAR : STEP;
  return arrow && onPage(view, [arrow[0] * pixels, arrow[1] * pixels]);
}

/** Fields and dialogs keep their keys and their clipboard. */
export const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  (target.matches("input, textarea, select, [role=combobox], [contenteditable]") ||
    target.closest("[role=dialog], [role=listbox]") !== null);
