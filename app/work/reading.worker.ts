/** Reads files that come from outside, away from the interface: nothing in them is run or fetched. */
import * as Comlink from "comlink";
import { MERGE_WITHIN, type UsedColour } from "#core/colour/merge.ts";
import type { Drawing } from "#core/drawing/drawing.ts";
import { applyEdit, beginHistory } from "#core/drawing/history.ts";
import type { Packed } from "#core/drawing/packed.ts";
import { type Mended, mendedBy, sayMended } from "#core/drawing/say-repairs.ts";
import { reshape } from "#core/drawing/shape-edits.ts";
import { speckArea } from "#core/drawing/speck.ts";
import { drawingFileText, openDrawingFile } from "#core/formats/drawing-file.ts";
import { checkSize, FileProblem } from "#core/formats/file-problem.ts";
import { coloursIn } from "#core/formats/foreign-drawing.ts";
import { importedDrawing, understood } from "#core/formats/import-drawing.ts";
import type { ImportReport } from "#core/formats/import-report.ts";
import { type TidiedShapes, tidiedShapes } from "#core/lines/tidy-shapes.ts";
import { readAside } from "../keep/mend.ts";
import { addDrawing, addHistory } from "../keep/shelf.ts";
import { handOver } from "./hand-over.ts";
import "./unfrozen.ts";

/** What a file is. The drawing stays here until it is asked for. */
export type FileReading =
  | {
      readonly kind: "drawing" /** What had to be done to read it, in words; nothing where it is whole. */;
      readonly mended: string;
    }
  /** Line art; its colours can be merged before it becomes a drawing. */
  | {
      readonly kind: "art";
      readonly report: ImportReport;
      readonly colours: readonly UsedColour[];
      /** What tidying would do to its colour shapes; null where it would do nothing. */
      readonly tidying: Tidying | null;
    }
  | { readonly kind: "problem"; readonly message: string };

export type Tidying = Omit<TidiedShapes, "changes"> & { readonly shapes: number };

/** With more shapes than this it is done only when it is asked for on the desk. */
const MOST_TIDIED = 3000;

function tidyingOf({ flatShapes, page }: Drawing): Tidying | null {
  const shapes = Object.keys(flatShapes).length;
  if (shapes > MOST_TIDIED) return null;
  const { changes, ...counts } = tidiedShapes(flatShapes, speckArea(page));
  return changes.length > 0 ? { ...counts, shapes } : null;
}

const tidied = (drawing: Drawing): Drawing => {
  const { changes } = tidiedShapes(drawing.flatShapes, speckArea(drawing.page));
  return (
    applyEdit(beginHistory(drawing), reshape(changes, "flats", "Tidy shapes"))?.history.drawing ?? drawing
  );
};

/** Text has no control characters but tabs and line ends. */
const isBinary = (text: string): boolean => [...text].some((c) => c < "\t" || (c > "\r" && c < "\u001b"));

/** The file read last as a drawing, with colours merged within a CIEDE2000 difference where it is art. */
let drawingWithin: (difference?: number) => Drawing;
/** Its steps too, where it was a file that had been put aside. */
let aside: ReturnType<typeof readAside>;

async function read(file: File, onProgress: (share: number) => void): Promise<FileReading> {
  try {
    checkSize(file.size);
    const text = drawingFileText(new Uint8Array(await file.arrayBuffer()));
    const name = file.name.replace(/\.(svg|fern|json|fern\.json)$/i, "") || "Untitled";
    if (isBinary(text.slice(0, 4096))) {
      throw new FileProblem(
        "not-svg",
        "This is not an SVG; it looks like a picture or another kind of file.",
      );
    }
    const first = text.replace(/^\uFEFF/, "").trimStart()[0];
    if (first === "{") return readOwn(text);
    if (first !== "<") throw new FileProblem("not-svg", "This is not an SVG.");
    const reading = understood(text, inHundredths(onProgress));
    const { drawing, report } = importedDrawing(name, reading);
    drawingWithin = (difference = MERGE_WITHIN) =>
      difference === MERGE_WITHIN ? drawing : importedDrawing(name, reading, difference).drawing;
    return { kind: "art", report, colours: coloursIn(reading), tidying: tidyingOf(drawing) };
  } catch (error) {
    if (error instanceof FileProblem) return { kind: "problem", message: error.message };
    return { kind: "problem", message: "The file could not be read." };
  }
}

/** A drawing file, or what was put aside of a drawing that had gone bad in storage. */
function readOwn(text: string): FileReading {
  aside = readAside(text);
  const { drawing, mended } = aside ? { drawing: aside.history.drawing, mended: aside.mended } : opened(text);
  drawingWithin = () => drawing;
  return { kind: "drawing", mended: mended ? sayMended(mended) : "" };
}

function opened(text: string): { readonly drawing: Drawing; readonly mended: Mended } {
  const { drawing, ...repairs } = openDrawingFile(text);
  return { drawing, mended: mendedBy(repairs) };
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

/** The file read last, as a drawing. */
const drawing = (): Packed<Drawing> => handOver(drawingWithin());

/** How the file read last is to come onto the shelf. */
export interface Finishing {
  readonly name?: string;
  /** Colours of art nearer than this CIEDE2000 difference become one. */
  readonly mergeWithin?: number;
  /** Whether its colour shapes are tidied (lines/tidy-shapes.ts). */
  readonly tidy?: boolean;
}

let finished: Drawing;

/** The file read last, as it is to be put on the shelf. */
function finish({ name, mergeWithin, tidy }: Finishing): Packed<Drawing> {
  const merged = drawingWithin(mergeWithin);
  const own = tidy ? tidied(merged) : merged;
  finished = name === undefined ? own : { ...own, name };
  return handOver(finished);
}

/** A drawing that was put on the shelf. */
export interface Shelved {
  readonly id: string;
  /** Whether it has steps from before. */
  readonly hasSteps: boolean;
}

/** Puts what was finished on the shelf, and then this worker ends; the desk makes its picture. */
async function shelve(): Promise<Shelved> {
  const drawing = finished;
  const { id } = await (aside ? addHistory(aside, "") : addDrawing(drawing, ""));
  // Once the answer is on its way.
  setTimeout(() => self.close());
  return { id, hasSteps: aside !== undefined };
}

const work = { read, drawing, finish, shelve };

export type ReadingWork = typeof work;

Comlink.expose(work);
