/** Copy, cut and paste of lines with what goes along with them: the clipboard holds them as SVG. */
import { useEffect } from "react";
import { carriedBy } from "#core/drawing/carried.ts";
import { pickedDrawing, removeCarried } from "#core/drawing/picked.ts";
import { deliveredSvg } from "#core/formats/svg-write.ts";
import { derive } from "#core/scene/scene.ts";
import { placeFile } from "../parts/place-art.ts";
import type { DeskStore } from "../store/desk-state.ts";
import { isTyping } from "./key-names.ts";

const SVG = /^\s*(<\?xml|<!--|<!doctype svg|<svg)/i;

export function useClipboard(desk: DeskStore): void {
  useEffect(() => {
    const copy = (event: ClipboardEvent) => {
      if (!isTyping(event.target)) take(desk, event);
    };
    const cut = (event: ClipboardEvent) => {
      if (!isTyping(event.target)) take(desk, event, true);
    };
    const paste = (event: ClipboardEvent) => {
      if (!isTyping(event.target)) put(desk, event);
    };
    window.addEventListener("copy", copy);
    window.addEventListener("cut", cut);
    window.addEventListener("paste", paste);
    return () => {
      window.removeEventListener("copy", copy);
      window.removeEventListener("cut", cut);
      window.removeEventListener("paste", paste);
    };
  }, [desk]);
}

function take(desk: DeskStore, event: ClipboardEvent, away = false): void {
  const { drawing, selected, derived, edit, set } = desk.getState();
  if (selected.length === 0) return;
  const { pockets } = derived.whole;
  const carried = carriedBy(drawing, selected, pockets);
  const picked = pickedDrawing(carried);
  event.clipboardData?.setData("text/plain", deliveredSvg(picked, derive(picked, [])));
  event.preventDefault();
  if (away) edit(removeCarried(carried, "Cut"));
  else set({ said: `${selected.length} lines copied` });
}

function put(desk: DeskStore, event: ClipboardEvent): void {
  const [file] = event.clipboardData?.files ?? [];
  const text = event.clipboardData?.getData("text/plain") ?? "";
  const { part, tell } = desk.getState();
  if (file) void placeFile(desk, file, part);
  else if (SVG.test(text)) void placeFile(desk, new File([text], "What was copied.svg"), part);
  else if (text) tell("The clipboard holds words. Lines are pasted as SVG.");
}
