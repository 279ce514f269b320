/** Reads files that come from outside, away from the interface: nothing in them is run or fetched. */
import * as Comlink from "comlink";
import type { UsedColour } from "#core/colour/merge.ts";
import type { Drawing } from "#core/drawing/drawing.ts";
import { readDrawingFile } from "#core/formats/drawing-file.ts";
import { checkSize, FileProblem } from "#core/formats/file-problem.ts";
import { coloursIn, type Imported, importedDrawing, understood } from "#core/formats/import-drawing.ts";
import type { SvgReading } from "#core/formats/svg-read.ts";

export type FileReading =
  | { readonly kind: "drawing"; readonly drawing: Drawing }
  /** Line art; its colours can be merged before it becomes a drawing. */
  | { readonly kind: "art"; readonly imported: Imported; readonly colours: readonly UsedColour[] }
  | { readonly kind: "problem"; readonly message: string };

/** Text has no control characters but tabs and line ends. */
const isBinary = (text: string): boolean => [...text].some((c) => c < "\t" || (c > "\r" && c < "\u001b"));

let name = "";
let reading: SvgReading | undefined;

async function read(file: File, onProgress: (share: number) => void): Promise<FileReading> {
  try {
    checkSize(file.size);
    const text = await file.text();
    name = file.name.replace(/\.(svg|fern|json|fern\.json)$/i, "") || "Untitled";
    if (isBinary(text.slice(0, 4096))) {
      throw new FileProblem(
        "not-svg",
        "This is not an SVG; it looks like a picture or another kind of file.",
      );
    }
    if (/^\s*\{/.test(text)) return { kind: "drawing", drawing: await readDrawingFile(text) };
    if (!/^\s*(\uFEFF)?\s*</.test(text)) throw new FileProblem("not-svg", "This is not an SVG.");
    reading = understood(text, inHundredths(onProgress));
    return { kind: "art", imported: importedDrawing(name, reading), colours: coloursIn(reading) };
  } catch (error) {
    if (error instanceof FileProblem) return { kind: "problem", message: error.message };
    return { kind: "problem", message: "The file could not be read." };
  }
}

/** Passes a share on only when it has grown by a hundredth. */
function inHundredths(tell: (share: number) => void): (share: number) => void {
  let told = 0;
  return (share) => {
    if (share < told + 0.01) return;
    told = share;
    tell(share);
  };
}

/** The art read last as a drawing, with colours merged within a CIEDE2000 difference. */
const mergedWithin = (difference: number): Imported => importedDrawing(name, reading!, difference);

const work = { read, mergedWithin };

export type ReadingWork = typeof work;

Comlink.expose(work);
