/** What was traced as a drawing in the scan's pixel units: centre lines, ink shapes, or each in regions of its own. */
import type { Drawing, InkShape, Page, Stroke } from "../../drawing/drawing.ts";
import { newDrawing } from "../../drawing/new-drawing.ts";
import { type Box, boxHolds } from "../../geometry/point.ts";
import type { TracedLine } from "./centre-lines.ts";
import { type FoundInk, inkWhere, tracedLines, tracedShapes } from "./trace.ts";

export const READINGS = ["lines", "shapes"] as const;
export type Reading = (typeof READINGS)[number];

/** A part of the scan that is read otherwise than the rest; of two that overlap the later counts. */
export interface ReadRegion {
  readonly box: Box;
  readonly reading: Reading;
}

export interface Traced {
  readonly lines: readonly TracedLine[];
  /** Closed chains of cubics for the even-odd rule. */
  readonly shapes: readonly (readonly (readonly number[])[])[];
}

/** Reads found ink one way, but in some regions the other. */
export function readInk(ink: FoundInk, reading: Reading, regions: readonly ReadRegion[] = []): Traced {
  const partFor = (wanted: Reading): FoundInk | undefined => {
    if (regions.every((region) => region.reading === reading)) return wanted === reading ? ink : undefined;
    return inkWhere(ink, (x, y) => readingAt(reading, regions, x, y) === wanted, wanted === "lines");
  };
  const [forLines, forShapes] = [partFor("lines"), partFor("shapes")];
  return {
    lines: forLines ? tracedLines(forLines) : [],
    shapes: forShapes ? tracedShapes(forShapes) : [],
  };
}

const readingAt = (reading: Reading, regions: readonly ReadRegion[], x: number, y: number): Reading =>
  regions.reduce<Reading>((now, region) => (boxHolds(region.box, [x, y]) ? region.reading : now), reading);

/** Pixels per inch taken for granted where a scan does not say. */
export const USUAL_PPI = 300;

export function tracedDrawing(
  name: string,
  { lines, shapes }: Traced,
  { width, height }: { width: number; height: number },
  ppi = USUAL_PPI,
): Drawing {
  const page: Page = {
    box: { x: 0, y: 0, width, height },
    width: Math.round((width / ppi) * 25.4 * 10) / 10,
    unit: "mm",
    ppi: Math.round(ppi),
  };
  const strokes = lines.map((line, i): Stroke => ({ id: `s${i + 1}`, rank: i + 1, ...line }));
  const inkShapes = shapes.map((outline, i): InkShape => {
    const rank = lines.length + i + 1;
    return { id: `i${rank}`, rank, outline, evenOdd: true };
  });
  return newDrawing(name, page, strokes, inkShapes);
}
