/** `fern pockets`: what the pocket engine finds in an SVG, as plain data. */
import { newDrawing } from "#core/drawing/new-drawing.ts";
import { readSvg } from "#core/formats/svg-read.ts";
import { buildMap } from "#core/pockets/planar-map.ts";
import { type Pocket, pocketsOf } from "#core/pockets/pockets.ts";
import { buildWithReach, gapsOf, linesOf, longestReach } from "#core/pockets/reading.ts";

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

/** Pockets with openings up to `reach` closed; loose ends and openings as they are in the file. */
export function pocketsReport(
  svg: string,
  { reach, strict }: { reach: number; strict: boolean },
): PocketsReport {
  const { page, strokes, inkShapes } = readSvg(svg);
  const drawing = newDrawing("", page, strokes, inkShapes);
  const lines = linesOf(drawing);
  const { looseEnds, openings } = gapsOf(buildMap(lines, { strict }), Math.max(reach, longestReach(drawing)));
  const pockets = shownPockets(pocketsOf(buildWithReach(lines, reach, { strict })), strict);
  return {
    viewBox: [page.box.x, page.box.y, page.box.width, page.box.height],
    strokes: strokes.length,
    pockets: pockets.map(({ area, seed }) => ({ area, seed })),
    looseEnds: looseEnds.length,
    openings: openings.map(({ width, at }) => ({ width, at })),
  };
}
