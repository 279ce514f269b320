/** Combinations of keys as they are written and kept: "Ctrl+Shift+Z", "Alt+ArrowLeft", "?", "Space". */

import type { KeyPress } from "./key-names.ts";

/** Signs say by themselves whether Shift makes them, and differ from keyboard to keyboard. */
const isSign = (key: string): boolean => key.length === 1 && !/[\p{L}\p{N} ]/u.test(key);

const HELD = ["Control", "Meta", "Alt", "Shift"];

/** Empty while nothing but Shift, Alt and their like is held. */
export function comboOf({ key, ctrlKey, metaKey, altKey, shiftKey }: KeyPress): string {
  if (HELD.includes(key)) return "";
  const own = key === " " ? "Space" : key.length === 1 ? key.toUpperCase() : key;
  const held = [
    ctrlKey || metaKey ? "Ctrl+" : "",
    altKey ? "Alt+" : "",
    shiftKey && !isSign(key) ? "Shift+" : "",
  ];
  return held.join("") + own;
}

/** The press that a combination is. */
export function pressOf(combo: string): KeyPress {
  const parts = combo.split(/\+(?!$)/);
  const last = parts.at(-1)!;
  const shiftKey = parts.includes("Shift");
  const letter = last.length === 1 && !shiftKey ? last.toLowerCase() : last;
  return {
    key: last === "Space" ? " " : letter,
    ctrlKey: parts.includes("Ctrl"),
    metaKey: false,
    altKey: parts.includes("Alt"),
    shiftKey,
  };
}

const WORDS: Readonly<Record<string, string>> = {
  PageUp: "Page Up",
  PageDown: "Page Down",
  ArrowLeft: "←",
  ArrowRight: "→",
  ArrowUp: "↑",
  ArrowDown: "↓",
};

/** As people read it. */
export const showCombo = (combo: string): string =>
  combo
    .split(/\+(?!$)/)
    .map((part) => WORDS[part] ?? part)
    .join(" ");
