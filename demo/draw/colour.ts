/** Colours a drawn demo: every pocket takes the colour of the hint inside it, or of the nearest one. */

import type { Drawing, Paint } from "../../core/drawing/drawing.ts";
import { addBridges, addShade, pour } from "../../core/drawing/edits.ts";
import { applyEdit, beginHistory, type Edit } from "../../core/drawing/history.ts";
import { newDrawing } from "../../core/drawing/new-drawing.ts";
import { readSvg } from "../../core/formats/svg-read.ts";
import { distance } from "../../core/geometry/point.ts";
import { regionContains } from "../../core/geometry/polygon.ts";
import { fitClosed } from "../../core/lines/fit.ts";
import { anchorOf } from "../../core/pockets/anchors.ts";
import { buildMap } from "../../core/pockets/planar-map.ts";
import { type Pocket, pocketsOf } from "../../core/pockets/pockets.ts";
import { gapsOf, linesOf, longestReach } from "../../core/pockets/reading.ts";
import { pocketAt } from "../../core/scene/scene.ts";
import type { Hand, Hint, P } from "./hand.ts";

export interface ShadeGesture {
  readonly points: readonly P[];
  readonly seed: P;
  readonly colour: string;
  readonly opacity: number;
}

export function colouredDemo(
  svg: string,
  title: string,
  hand: Hand,
  shades: readonly ShadeGesture[],
): Drawing {
  const { page, strokes, inkShapes } = readSvg(svg);
  let drawing = newDrawing(title, page, strokes, inkShapes);
  const apply = (edit: Edit) => {
    drawing = applyEdit(beginHistory(drawing), edit)?.history.drawing ?? drawing;
  };
  const map = () => buildMap(linesOf(drawing));
  const { openings } = gapsOf(map(), longestReach(drawing));
  apply(addBridges(openings.map((opening, i) => ({ id: `bridge-${i + 1}`, points: opening.bridge }))));
  const pockets = pocketsOf(map()).filter(({ hidden }) => !hidden);
  pockets.forEach((pocket, i) => {
      apply(pour([{ anchor: anchorOf(pocket) }], paintFor(pocket, hand.hints), [`pour-${i + 1}`]));
    });
  shades.forEach(({ points, seed, colour, opacity }, i) => {
    const chain = fitClosed(points, 1);
    apply(
      addShade({
        id: `shade-${i + 1}`,
        points: chain,
        kind: "drawn",
        anchor: anchorOf(pocketAt(pockets, seed)!),
        paint: { colour, step: 0 },
        blend: "multiply",
        opacity,
      }),
    );
  });
  return drawing;
}

function paintFor(pocket: Pocket, hints: readonly Hint[]): Paint {
  const inside = hints.find(({ at }) => regionContains(pocket.rings, at));
  const nearest = hints.reduce((best, hint) =>
    distance(hint.at, pocket.seed) < distance(best.at, pocket.seed) ? hint : best,
  );
  const { colour, step } = inside ?? nearest;
  return { colour, step };
}
