/** Copy, cut and paste of lines with what goes along with them: the clipboard holds them as SVG. */
import { useEffect } from "react";
import { carriedBy } from "#core/drawing/carried.ts";
import { pickedDrawing, removeCarried } from "#core/drawing/picked.ts";
import { readPath } from "#core/formats/svg-path.ts";
import { deliveredSvg } from "#core/formats/svg-write.ts";
import { boundsOf } from "#core/geometry/point.ts";
import { derive } from "#core/scene/scene.ts";
import { counted } from "#core/words.ts";
import { placeFile } from "../parts/place-art.ts";
import type { DeskStore } from "../store/desk-state.ts";
import { isTyping } from "./key-names.ts";

const SVG = /^\s*(<\?xml|<!--|<!doctype svg|<svg)/i;
/** Bare path data, as people copy it out of files. */
const PATH = /^\s*m[\s\d.,+-]+[mzlhvcsqtae\s\d.,+-]*$/i;

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

/** The chosen lines with what goes along as SVG, and what is left to do once it is in the clipboard. */
function picked(desk: DeskStore, away: boolean): { readonly text: string; readonly done: () => void } {
  const { drawing, selected, derived, edit, say } = desk.getState();
  const carried = carriedBy(drawing, selected, derived.whole.pockets);
  const alone = pickedDrawing(carried);
  return {
    text: deliveredSvg(alone, derive(alone, [])),
    done: () =>
      away ? edit(removeCarried(carried, "Cut")) : say(`${counted(selected.length, "line")} copied`),
  };
}

function take(desk: DeskStore, event: ClipboardEvent, away = false): void {
  if (desk.getState().selected.length === 0) return;
  const { text, done } = picked(desk, away);
  event.clipboardData?.setData("text/plain", text);
  event.preventDefault();
  done();
}

/** Copies or cuts the chosen lines where no key was pressed: the browser may want to be asked. */
export async function copyChosen(desk: DeskStore, away = false): Promise<void> {
  const { text, done } = picked(desk, away);
  try {
    await navigator.clipboard.writeText(text);
    done();
  } catch {
    desk.getState().tell(`The browser gives no clipboard to a menu here. Ctrl ${away ? "X" : "C"} works.`);
  }
}

/** Pastes where no key was pressed. */
export async function pasteHere(desk: DeskStore): Promise<void> {
  try {
    putText(desk, await navigator.clipboard.readText());
  } catch {
    desk.getState().tell("The browser gives no clipboard to a menu here. Ctrl V works.");
  }
}

function put(desk: DeskStore, event: ClipboardEvent): void {
  const [file] = event.clipboardData?.files ?? [];
  if (file) void placeFile(desk, file, desk.getState().part);
  else putText(desk, event.clipboardData?.getData("text/plain") ?? "");
}

function putText(desk: DeskStore, text: string): void {
  const { part, tell } = desk.getState();
  const svg = SVG.test(text) ? text : PATH.test(text) ? svgAround(text) : undefined;
  if (svg) void placeFile(desk, new File([svg], "What was copied.svg"), part);
  else if (text) tell("The clipboard holds words. Lines are pasted as SVG.");
}

/** An SVG of one line as large as the path is; undefined where the data makes no line. */
function svgAround(data: string): string | undefined {
  const box = boundsOf(readPath(data).chains.map(({ points }) => points));
  if (!box) return undefined;
  const { x, y, width, height } = box;
  const view = [x, y, Math.max(width, 1e-3), Math.max(height, 1e-3)].join(" ");
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="${view}"><path d="${data.trim()}" fill="none" stroke="#000"/></svg>`;
}
