import { useEffect } from "react";
import { prefs } from "../../prefs/prefs-store.ts";
import { useClipboard } from "./clipboard.ts";
import { comboOf } from "./combo.ts";
import { isTyping, type KeyPress } from "./key-names.ts";
import { asUsual, ownKeysFrom } from "./own-keys.ts";
import { type KeyDesk, pressKey, releaseKey } from "./press-key.ts";

/** Listens to the whole desk; fields that are being typed in keep their keys, but for those that lead elsewhere. */
export function DeskKeys({ keyDesk }: { keyDesk: KeyDesk }) {
  const { desk, onPanning } = keyDesk;
  useClipboard(desk);
  useEffect(() => {
    const down = (event: KeyboardEvent) => {
      const isTyped = isTyping(event.target);
      for (const press of asUsual(event, ownKeysFrom(prefs().keys))) {
        if (isTyped && !leadsElsewhere(press, event.target as HTMLElement)) continue;
        if (!pressKey(keyDesk, press, onPaper(event))) continue;
        event.preventDefault();
        return;
      }
    };
    const up = (event: KeyboardEvent) => {
      for (const press of asUsual(event, ownKeysFrom(prefs().keys))) releaseKey(keyDesk, press);
      releaseKey(keyDesk, event);
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
  }, [keyDesk, desk, onPanning]);
  return null;
}

/** Out of a field to another panel, or to Find; never out of a window, which holds the focus. */
const leadsElsewhere = (press: KeyPress, target: HTMLElement): boolean =>
  ["F6", "Shift+F6", "Ctrl+K"].includes(comboOf(press)) &&
  target.closest("[role=dialog], [role=listbox]") === null;

/** After a click on a button of the desk the paper's keys work on: those who use keys stay where they are, and fields it brought up keep theirs. */
function backToPaper({ detail, target }: MouseEvent): void {
  const button = target instanceof Element ? target.closest(".desk button") : null;
  if (detail === 0 || !button || button.ariaHasPopup || button.closest("[role=dialog]")) return;
  if (document.activeElement instanceof HTMLInputElement) return;
  document.getElementById("paper")?.focus({ preventScroll: true });
}

const onPaper = (event: KeyboardEvent): boolean =>
  event.target === document.body || (event.target as HTMLElement).id === "paper";
