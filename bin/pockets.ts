/** `fern pockets`: what the pocket engine finds in a drawing, as plain data. */
import { DrawingReader } from "#core/pockets/drawing-reader.ts";
import type { Pocket } from "#core/pockets/pockets.ts";
import { openDrawing } from "./open-drawing.ts";

export interface PocketsReport {
  readonly viewBox: readonly number[];
  readonly strokes: number;
  readonly pockets: readonly { readonly area: number; readonly seed: readonly number[] }[];
  readonly looseEnds: number;
  readonly openings: readonly { readonly width: number; readonly at: readonly number[] }[];
}

/** Pockets under ink are not counted, unless centre lines alone are asked for. */
export const shownPockets = (pockets: readonly Pocket[], strict: boolean): readonly Pocket[] =>
  pockets.filter(({ hidden }) => strict || !hidden);

/** What the desk reads: bridges and parts too, with openings up to `reach`, or to the drawing's own, closed. */
export function pocketsReport(
  text: string,
  { reach, strict }: { reach?: number; strict: boolean },
): PocketsReport {
  const own = openDrawing("", text);
  const drawing = { ...own, reach: reach ?? own.reach, strict: strict || own.strict };
  const reader = new DrawingReader();
  const { pockets } = reader.read(drawing);
  const { looseEnds, openings } = reader.gaps(drawing);
  const { box } = drawing.page;
  return {
    viewBox: [box.x, box.y, box.width, box.height],
    strokes: Object.keys(drawing.strokes).length,
    pockets: [...shownPockets(pockets, drawing.strict)]
      .sort((a, b) => b.area - a.area)
      .map(({ area, seed }) => ({ area, seed })),
    looseEnds: looseEnds.length,
    openings: openings.map(({ width, at }) => ({ width, at })),
  };
}
