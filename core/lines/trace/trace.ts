/** From a scan's grey pixels to lines or shapes, step by step, with progress. All lengths are in the scan's pixels. */
import { mend, mendsFor } from "./breaks.ts";
import { centreLinesOf, type TracedLine } from "./centre-lines.ts";
import { agreedLevels, contoursOf } from "./contours.ts";
import { squaredDistances } from "./distance.ts";
import { cleaned, type Graph, graphOf } from "./graph.ts";
import type { Grey } from "./grey.ts";
import { inkOutlinesOf } from "./ink-outlines.ts";
import { type Mask, maskOf, removeSpecks } from "./mask.ts";
import { onEvenPaper } from "./paper.ts";
import { skeletonOf } from "./thin.ts";
import { automaticThreshold } from "./threshold.ts";

export interface TraceSettings {
  /** Level up to which a pixel is ink, 0 to 255; found automatically when left out. */
  readonly threshold?: number;
  /** Runs of ink of fewer pixels are specks. */
  readonly specks: number;
  /** Breaks in the ink up to this many pixels are bridged. */
  readonly breaks: number;
}

/** For scans of any size: specks and breaks as large as dust and a skipping pen leave at the usual pixels per inch. */
export const TRACE_SETTINGS: TraceSettings = { specks: 24, breaks: 4 };

/** Ink found in a scan, ready for either reading. */
export interface FoundInk {
  readonly levels: Grey;
  readonly threshold: number;
  readonly mask: Mask;
  readonly squared: Int32Array;
  readonly graph: Graph;
}

type Progress = (share: number) => void;

const silent: Progress = () => {};

/** Throws TooFine. */
export function findInk(grey: Grey, settings: TraceSettings, onProgress: Progress = silent): FoundInk {
  const even = onEvenPaper(grey);
  onProgress(0.1);
  const threshold = settings.threshold ?? automaticThreshold(even);
  const mask = maskOf(even, threshold);
  removeSpecks(mask, settings.specks);
  onProgress(0.25);
  let squared = squaredDistances(mask);
  onProgress(0.4);
  let graph = skeletonGraph(mask, squared);
  onProgress(0.6);
  const mends = settings.breaks > 0 ? mendsFor(graph, mask, settings.breaks) : [];
  if (mends.length > 0) {
    mend(mask, mends);
    squared = squaredDistances(mask);
    graph = skeletonGraph(mask, squared);
  }
  onProgress(0.8);
  return { levels: agreedLevels(even, mask, threshold), threshold, mask, squared, graph };
}

const skeletonGraph = (mask: Mask, squared: Int32Array): Graph =>
  cleaned(graphOf(skeletonOf(mask, squared), squared));

/** The part of found ink where pixels are wanted; its graph is only made where lines are to be read from it. */
export function inkWhere(
  ink: FoundInk,
  wanted: (x: number, y: number) => boolean,
  asLines: boolean,
): FoundInk {
  const { width, height } = ink.mask;
  const data = ink.mask.data.slice();
  for (let y = 0, i = 0; y < height; y++)
    for (let x = 0; x < width; x++, i++) if (data[i] && !wanted(x + 0.5, y + 0.5)) data[i] = 0;
  const mask = { width, height, data };
  const squared = asLines ? squaredDistances(mask) : ink.squared;
  const graph = asLines ? skeletonGraph(mask, squared) : ink.graph;
  return { ...ink, mask, squared, graph, levels: agreedLevels(ink.levels, mask, ink.threshold) };
}

export const tracedLines = ({ levels: grey, threshold, squared, graph }: FoundInk): TracedLine[] =>
  centreLinesOf(graph, { grey, threshold, squared });

export const tracedShapes = ({ levels, threshold }: FoundInk): number[][][] =>
  inkOutlinesOf(contoursOf(levels, threshold));
