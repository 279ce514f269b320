/** A drawing from whatever the desk opens: a drawing file, an SVG of ours or one from elsewhere. */
import type { Drawing } from "#core/drawing/drawing.ts";
import { readDrawingFile } from "#core/formats/drawing-file.ts";
import { importSvg } from "#core/formats/import-drawing.ts";

/** Throws a FileProblem for a file that cannot be read. */
export const openDrawing = (name: string, text: string): Drawing =>
  text.trimStart().startsWith("{") ? readDrawingFile(text) : importSvg(name, text).drawing;
