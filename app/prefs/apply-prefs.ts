/** The choices as marks on the page's root, by which styles go (app.css). */
import { useSyncExternalStore } from "react";
import type { Prefs } from "./prefs.ts";
import { onPrefs, prefs } from "./prefs-store.ts";

const HAS_FINGERS = "(pointer: coarse)";
const IS_DARK = "(prefers-color-scheme: dark)";

const matches = (query: string): boolean => window.matchMedia(query).matches;

/** Whether controls are as large as a finger needs. */
export const isForFingers = ({ targets }: Prefs): boolean =>
  targets === "device" ? matches(HAS_FINGERS) : targets === "touch";

const isDark = ({ frame }: Prefs): boolean => (frame === "system" ? matches(IS_DARK) : frame === "dark");

/** CSS pixels of a rem, where the reader has not chosen another size in the browser. */
export const REM = 16;

function mark(): void {
  const now = prefs();
  const { documentElement: root } = document;
  root.toggleAttribute("data-touch", isForFingers(now));
  root.toggleAttribute("data-left-handed", now.hand === "left");
  root.dataset.frame = isDark(now) ? "dark" : "light";
  root.style.fontSize = now.textSize === 1 ? "" : `${100 * now.textSize}%`;
}

/** Keeps the marks as the choices and the device are; gives back what ends it. */
export function applyPrefs(): () => void {
  const media = [HAS_FINGERS, IS_DARK].map((query) => window.matchMedia(query));
  const stop = onPrefs(mark);
  for (const one of media) one.addEventListener("change", mark);
  mark();
  return () => {
    stop();
    for (const one of media) one.removeEventListener("change", mark);
  };
}

const onFingers = (listener: () => void): (() => void) => {
  const media = window.matchMedia(HAS_FINGERS);
  media.addEventListener("change", listener);
  const stop = onPrefs(listener);
  return () => {
    media.removeEventListener("change", listener);
    stop();
  };
};

export const useForFingers = (): boolean =>
  useSyncExternalStore(
    onFingers,
    () => isForFingers(prefs()),
    () => false,
  );
