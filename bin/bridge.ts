/** `fern bridge`: closes every opening up to a reach and writes the drawing with its bridges. */
import { addBridges } from "#core/drawing/edits.ts";
import { applyEdit, beginHistory } from "#core/drawing/history.ts";
import { newDrawing } from "#core/drawing/new-drawing.ts";
import { readSvg } from "#core/formats/svg-read.ts";
import { writeSvg } from "#core/formats/svg-write.ts";
import { buildMap } from "#core/pockets/planar-map.ts";
import { pocketsOf } from "#core/pockets/pockets.ts";
import { gapsOf, linesOf } from "#core/pockets/reading.ts";
import { derive, sceneOf } from "#core/scene/scene.ts";
import { type PocketsReport, shownPockets } from "./pockets.ts";

export interface BridgeReport {
  readonly viewBox: readonly number[];
  readonly strokes: number;
  readonly bridges: readonly {
    readonly width: number;
    readonly from: readonly number[];
    readonly to: readonly number[];
  }[];
  readonly pockets: PocketsReport["pockets"];
}

export function bridgeReport(
  svg: string,
  { reach, strict }: { reach: number; strict: boolean },
): { report: BridgeReport; svg: string } {
  const { page, strokes, inkShapes } = readSvg(svg);
  const bare = newDrawing("", page, strokes, inkShapes);
  const { openings } = gapsOf(buildMap(linesOf(bare), { strict }), reach);
  const bridges = openings.map((opening, i) => ({ id: `bridge-${i + 1}`, points: opening.bridge }));
  const drawing = applyEdit(beginHistory(bare), addBridges(bridges))?.history.drawing ?? bare;
  const pockets = pocketsOf(buildMap(linesOf(drawing), { strict }));
  return {
    report: {
      viewBox: [page.box.x, page.box.y, page.box.width, page.box.height],
      strokes: strokes.length,
      bridges: openings.map(({ width, from, to }) => ({ width, from, to })),
      pockets: shownPockets(pockets, strict).map(({ area, seed }) => ({ area, seed })),
    },
    svg: writeSvg(sceneOf(drawing, derive(drawing, pockets))),
  };
}
