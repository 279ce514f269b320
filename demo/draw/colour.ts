/** Colours a drawn demo: every pocket takes the colour of the hint inside it, or of the nearest one. */

import { type Turn, turned, valuesIn } from "../../core/colour/colourways.ts";
import { addColourway, showColourway } from "../../core/drawing/colour-edits.ts";
import type { Drawing, Form, Lamp, Paint, Pattern } from "../../core/drawing/drawing.ts";
import { addBridges, declineOpenings, pour, pourEach } from "../../core/drawing/edits.ts";
import { applyEdit, beginHistory, type Edit } from "../../core/drawing/history.ts";
import { setLamp, setMade } from "../../core/drawing/light-edits.ts";
import { changeStrokes, reshapeLines } from "../../core/drawing/line-edits.ts";
import { newDrawing } from "../../core/drawing/new-drawing.ts";
import { setPattern } from "../../core/drawing/patterns.ts";
import { addShade, addShape, orderShapes } from "../../core/drawing/shape-edits.ts";
import { FIRST_COLOURWAY } from "../../core/drawing/start.ts";
import { readSvg } from "../../core/formats/svg-read.ts";
import { distance } from "../../core/geometry/point.ts";
import { regionContains } from "../../core/geometry/polygon.ts";
import { fitClosed } from "../../core/lines/fit.ts";
import { trimmedLines } from "../../core/lines/trim.ts";
import { anchorOf } from "../../core/pockets/anchors.ts";
import { buildMap } from "../../core/pockets/planar-map.ts";
import { type Pocket, pocketsOf } from "../../core/pockets/pockets.ts";
import { gapsOf, linesOf, longestReach } from "../../core/pockets/reading.ts";
import { tailsOf } from "../../core/pockets/tails.ts";
import { derive, pocketAt } from "../../core/scene/scene.ts";
import type { Hand, Hint, P } from "./hand.ts";

export interface ShadeGesture {
  readonly points: readonly P[];
  readonly seed: P;
  readonly colour: string;
  readonly opacity: number;
}

/** What a person puts right after the first pouring: a place, and its colour or that it stays bare. */
type Mended = readonly [at: P, paint: Paint | null];

export interface Finish {
  /** Tails up to this length in page units are cut off. */
  readonly trim?: number;
  /** What open lines are drawn with, and how many times as wide. */
  readonly nib?: { readonly name: string; readonly times: number };
  readonly shades: readonly ShadeGesture[];
  readonly mended?: readonly Mended[];
  /** Patterns over what is poured at some places, each one cloth. */
  readonly cloths?: readonly { readonly at: readonly P[]; readonly pattern: Omit<Pattern, "cloth" | "at"> }[];
  /** Colour drawn freehand where no line closes, beneath all that is poured. */
  readonly loops?: readonly { readonly points: readonly P[]; readonly paint: Paint }[];
  /** How all coloured pockets are shaded by the lamp, but those at some places. */
  readonly form?: Form;
  readonly unlit?: readonly P[];
  readonly lamp?: Partial<Lamp>;
  /** What else is done, told the id of what is poured at a place. */
  readonly after?: (pourAt: (at: P) => string[], drawing: Drawing) => readonly Edit[];
  /** A second colourway, all colours turned alike. */
  readonly way: { readonly name: string; readonly turn: Turn };
}

export function colouredDemo(
  svg: string,
  title: string,
  hand: Hand,
  { nib, trim = 0, shades, mended = [], cloths = [], loops = [], form, unlit = [], lamp, after, way }: Finish,
): Drawing {
  const { page, strokes, inkShapes } = readSvg(svg);
  let drawing = newDrawing(title, page, strokes, inkShapes);
  const apply = (edit: Edit) => {
    drawing = applyEdit(beginHistory(drawing), edit)?.history.drawing ?? drawing;
  };
  if (nib)
    for (const { id, width, closed } of strokes)
      if (!closed) apply(changeStrokes([id], { nib: nib.name, width: width * nib.times }));
  const map = () => buildMap(linesOf(drawing));
  const tails = tailsOf(map()).filter(({ length }) => length <= trim);
  const lines = new Map(Object.values(drawing.strokes).map(({ id, points }) => [id, points]));
  if (tails.length > 0) apply(reshapeLines(trimmedLines(lines, tails), "Trim tails"));
  const { openings } = gapsOf(map(), longestReach(drawing));
  apply(addBridges(openings.map((opening, i) => ({ id: `bridge-${i + 1}`, points: opening.bridge }))));
  const pockets = pocketsOf(map()).filter(({ hidden }) => !hidden);
  pockets.forEach((pocket, i) => {
      apply(pour([{ anchor: anchorOf(pocket) }], paintFor(pocket, hand.hints), [`pour-${i + 1}`]));
    });
  const pourAt = (at: P) => {
    const { pourOf } = derive(drawing, pockets);
    return drawing.pours[pourOf[pockets.indexOf(pocketAt(pockets, at)!)] ?? ""];
  };
  mended.forEach(([at, paint], i) => {
    const pocket = pocketAt(pockets, at);
    if (!pocket) return;
    const target = { anchor: anchorOf(pocket), pourId: pourAt(at)?.id };
    apply(pourEach([{ target, paint, ...(paint ? {} : { leftBare: true }) }], "Mend", [`mended-${i + 1}`]));
  });
  loops.forEach(({ points, paint }, i) => {
    const id = `loop-${i + 1}`;
    apply(addShape({ id, outline: [fitClosed(points, 1)], evenOdd: false, paint, opacity: 1 }));
    apply(orderShapes(drawing, [drawing.flatShapes[id]], "back"));
  });
  cloths.forEach(({ at, pattern }, i) => {
    const ids = at.flatMap((place) => pourAt(place)?.id ?? []);
    apply(setPattern(drawing, [...new Set(ids)], { ...pattern, cloth: `cloth-${i + 1}`, at: at[0] }));
  });
  shades.forEach(({ points, seed, colour, opacity }, i) => {
    const chain = fitClosed(points, 1);
    apply(
      addShade({
        id: `shade-${i + 1}`,
        outline: [chain],
        kind: "drawn",
        evenOdd: false,
        anchor: anchorOf(pocketAt(pockets, seed)!),
        paint: { colour, step: 0 },
        blend: "multiply",
        opacity,
      }),
    );
  });
  const left = gapsOf(map(), longestReach(drawing)).openings;
  apply(declineOpenings(left.map(({ at }, i) => ({ id: `open-${i + 1}`, at }))));
  if (lamp) apply(setLamp(lamp));
  if (form) {
    const flat = new Set(unlit.flatMap((place) => pourAt(place)?.id ?? []));
    const lit = Object.values(drawing.pours).filter(({ id, paint }) => paint && !flat.has(id));
    apply(setMade("form", lit.map(({ id }) => id), form));
  }
  for (const edit of after?.((at) => [pourAt(at)?.id ?? []].flat(), drawing) ?? []) apply(edit);
  apply(addColourway("second", way.name, turned(valuesIn(drawing), way.turn)));
  apply(showColourway(FIRST_COLOURWAY, "First colours"));
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
