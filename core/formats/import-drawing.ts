/** Makes a drawing of an SVG's text: of a file of ours the one it was, of any other one to be coloured. */
import { MERGE_WITHIN } from "../colour/merge.ts";
import type { Drawing } from "../drawing/drawing.ts";
import { salvaged } from "../drawing/salvage.ts";
import { foreignDrawing } from "./foreign-drawing.ts";
import { type ImportReport, mendedLines } from "./import-report.ts";
import { ourDrawing } from "./our-drawing.ts";
import { readFacts } from "./svg-facts-read.ts";
import { readSvg } from "./svg-read.ts";
import type { SvgReading } from "./svg-reading.ts";

export interface Imported {
  readonly drawing: Drawing;
  readonly report: ImportReport;
}

/** Reads an SVG and makes a drawing of it. Throws a FileProblem when there is nothing to read. */
export function importSvg(
  name: string,
  text: string,
  { mergeWithin, onProgress }: { mergeWithin?: number; onProgress?: (share: number) => void } = {},
): Imported {
  return importedDrawing(name, understood(text, onProgress), mergeWithin);
}

/** A reading whose facts, if it has any, can be read. */
export function understood(text: string, onProgress?: (share: number) => void): SvgReading {
  const reading = readSvg(text, { onProgress });
  return reading.ours && !readFacts(reading.ours.facts)
    ? readSvg(text, { onProgress, asForeign: true })
    : reading;
}

/** What came in is held to the bounds that every drawing has; where that changes something it is told. */
export function importedDrawing(name: string, reading: SvgReading, mergeWithin = MERGE_WITHIN): Imported {
  const read = reading.ours && readFacts(reading.ours.facts);
  const { drawing: before, report } =
    reading.ours && read
      ? ourDrawing(reading.ours.title || name, reading, reading.ours, read)
      : foreignDrawing(name, reading, mergeWithin);
  const { drawing, brought, lost } = salvaged(before);
  const repairs = { brought: [...(read?.brought ?? []), ...brought], lost: [...(read?.lost ?? []), ...lost] };
  return { drawing, report: { ...report, changed: [...report.changed, ...mendedLines(repairs)] } };
}
