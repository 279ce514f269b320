/** Loose brush lines, coloured from a touch on each thing. */

import type { Drawing } from "../../../core/drawing/drawing.ts";
import { setLamp } from "../../../core/drawing/light-edits.ts";
import { Colouring, paint } from "../colouring.ts";
import type { P } from "../hand.ts";
import { drawPumpkins } from "../pumpkins.ts";

/** A lighter streak down a rib. */
const glint = (x: number, y: number, high: number): P[] => [
  [x, y],
  [x + 15, y + 0.1 * high],
  [x + 8, y + 0.6 * high],
  [x + 4, y + high],
  [x - 6, y + 0.5 * high],
];

export function colouredPumpkins(): Drawing {
  const spot = Colouring.of(drawPumpkins(), "Pumpkins by the path, coloured");
  spot.nib("taper-at-both", 1.45);
  spot.dab(paint("terracotta"), [[395, 500], [400, 620]], [[190, 520], [192, 580]], [[600, 520], [602, 570]]);
  spot.dab(paint("terracotta", 1), [[280, 520], [285, 600]], [[510, 520], [512, 600]]);
  spot.dab(paint("marigold"), [[700, 420], [702, 480]], [[588, 328], [586, 345]], [[838, 420], [840, 460]]);
  spot.dab(paint("marigold", 1), [[628, 350], [628, 400]], [[778, 420], [780, 470]]);
  spot.dab(paint("frond"), [[200, 250], [260, 260]], [[700, 180], [760, 170]]);
  spot.dab(paint("deep-fern"), [[400, 350], [396, 366]], [[703, 300], [702, 318]]);
  spot.dab(paint("enamel", 1), [[560, 740], [620, 760]]);
  spot.dab(paint("rain-barrel"), [[760, 805], [830, 830]]);
  spot.takeDabs(Number.POSITIVE_INFINITY);
  spot.leaveOpen();
  spot.do(setLamp({ at: [0.12, 0.02], height: 0.4, far: true }));
  spot.form({ tones: 1, deeper: 1, roundness: 0.8, reach: 0.42 }, spot.pouredIn("terracotta", "marigold", "enamel", "rain-barrel"));
  spot.crease([[150, 214], [240, 248], [330, 300]], 1);
  spot.crease([[770, 130], [720, 180], [680, 290]], -1);
  for (const [x, y, high] of [[322, 420, 90], [242, 440, 80], [470, 430, 80], [652, 360, 56], [752, 370, 46]] as const)
    spot.shade([x + 14, y + high], -1, glint(x, y, high));
  spot.shadow([425, 752], 290, 34);
  spot.shadow([735, 566], 170, 24);
  spot.shadow([720, 850], 170, 22);
  return spot.drawing;
}
