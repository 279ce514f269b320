/** Reads files that come from outside, away from the interface: nothing in them is run or fetched. */
import * as Comlink from "comlink";
import type { Drawing } from "#core/drawing/drawing.ts";
import { readDrawingFile } from "#core/formats/drawing-file.ts";
import { checkSize, FileProblem } from "#core/formats/file-problem.ts";
import { importSvg } from "#core/formats/import-drawing.ts";

export type FileReading =
  | { readonly ok: true; readonly drawing: Drawing; readonly notes: readonly string[] }
  | { readonly ok: false; readonly message: string };

/** Text has no control characters but tabs and line ends. */
const isBinary = (text: string): boolean => [...text].some((c) => c < "\t" || (c > "\r" && c < "\u001b"));

async function readFile(file: File): Promise<FileReading> {
  try {
    checkSize(file.size);
    const text = await file.text();
    const name = file.name.replace(/\.(svg|fern|json|fern\.json)$/i, "") || "Untitled";
    if (isBinary(text.slice(0, 4096))) {
      throw new FileProblem(
        "not-svg",
        "This is not an SVG; it looks like a picture or another kind of file.",
      );
    }
    if (/^\s*\{/.test(text)) return { ok: true, drawing: await readDrawingFile(text), notes: [] };
    if (!/^\s*(\uFEFF)?\s*</.test(text)) throw new FileProblem("not-svg", "This is not an SVG.");
    const { drawing } = importSvg(name, text);
    return { ok: true, drawing, notes: [] };
  } catch (error) {
    if (error instanceof FileProblem) return { ok: false, message: error.message };
    return { ok: false, message: "The file could not be read." };
  }
}

const work = { readFile };

export type ReadingWork = typeof work;

Comlink.expose(work);
