/** Putting art from a file or the clipboard into the drawing on the desk. */
import * as Comlink from "comlink";
import type { Drawing } from "#core/drawing/drawing.ts";
import { unpack } from "#core/drawing/packed.ts";
import { placeDrawing } from "#core/drawing/place-drawing.ts";
import { plural } from "#core/words.ts";
import { toPagePoint } from "../../painting/view.ts";
import { readingClient } from "../../work/clients.ts";
import type { DeskStore } from "../store/desk-state.ts";

/** Puts an SVG or a drawing file in, as lines of a part or as a part of its own, with its lines chosen. */
export async function placeFile(desk: DeskStore, file: File, into?: string): Promise<void> {
  const { tell } = desk.getState();
  const art = await readArt(file);
  if (typeof art === "string") {
    tell(`“${file.name}” was not put in. ${art} The drawing is as it was.`);
    return;
  }
  const { drawing, view, matSize, edit } = desk.getState();
  const middle = toPagePoint(view, [matSize.width / 2, matSize.height / 2]);
  const label = into ? "Paste" : `Put in ${art.name}`;
  const placed = placeDrawing(drawing, art, { middle, into, label });
  edit(placed.edit);
  const now = desk.getState();
  if (now.drawing === drawing) return;
  now.chooseStage("Lines");
  now.chooseTool("arrange");
  now.workOn(placed.part);
  now.choose(placed.lines);
  now.say(`${label}: ${placed.lines.length} ${plural(placed.lines.length, "line")}, chosen`);
}

/** The file as a drawing, or why it is none. */
async function readArt(file: File): Promise<Drawing | string> {
  const { work, stop } = readingClient();
  const noProgress = Comlink.proxy(() => {});
  try {
    const read = await work.read(file, noProgress);
    return read.kind === "problem" ? read.message : unpack(await work.drawing());
  } finally {
    stop();
  }
}
