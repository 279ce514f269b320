/** Fine hatching over flat colour: shade is ink alone, and follows the forms. */
import type { Drawing } from "../../../core/drawing/drawing.ts";
import { Colouring, paint } from "../colouring.ts";
import type { P } from "../hand.ts";
import { drawRadishes } from "../radishes.ts";

const RED: readonly P[] = [[507, 637], [397, 576], [614, 575], [359, 530], [643, 510]];
const PALE: readonly P[] = [[507, 708], [354, 692], [669, 691], [252, 567], [770, 564]];
const LEAVES: readonly P[][] = [
  [[490, 150], [486, 300]],
  [[626, 180], [592, 300]],
  [[286, 190], [350, 320]],
  [[790, 290], [690, 390]],
  [[180, 340], [320, 430]],
];

/** From dark edges inward, by how many strokes. */
const HATCHES: readonly (readonly [from: readonly P[], to: readonly P[], count: number])[] = [
  [[[582, 604], [591, 650], [578, 700]], [[548, 600], [556, 645], [544, 690]], 17],
  [[[424, 596], [418, 640], [424, 684]], [[392, 596], [386, 636], [396, 676]], 15],
  [[[672, 552], [694, 600], [690, 636]], [[644, 562], [660, 600], [656, 632]], 14],
  [[[336, 556], [318, 580], [308, 606]], [[312, 536], [294, 560], [288, 586]], 11],
  [[[592, 600], [600, 640], [596, 684]], [[624, 590], [628, 636], [622, 678]], 14],
  [[[468, 190], [462, 260], [462, 340]], [[508, 176], [504, 240], [484, 316]], 16],
  [[[636, 200], [606, 280], [578, 340]], [[672, 200], [648, 280], [604, 336]], 16],
  [[[280, 220], [322, 300], [362, 366]], [[330, 208], [366, 290], [384, 356]], 16],
  [[[800, 300], [740, 352], [676, 404]], [[826, 322], [764, 376], [690, 420]], 15],
  [[[176, 352], [246, 388], [310, 428]], [[216, 336], [278, 366], [326, 416]], 15],
  [[[570, 504], [574, 530], [566, 556]], [[536, 502], [540, 530], [534, 560]], 9],
];

export function hatchedRadishes(): Drawing {
  const spot = Colouring.of(drawRadishes(), "Bunch of radishes, hatched");
  spot.nib("swell", 1.25);
  const tap = (at: P): P[] => [at, [at[0] + 6, at[1] + 4]];
  spot.dab(paint("radish"), ...RED.map(tap));
  spot.dab(paint("seed-paper", 1), ...PALE.map(tap));
  spot.dab(paint("frond"), ...LEAVES);
  spot.takeDabs(Number.POSITIVE_INFINITY);
  spot.pour(paint("radish"), [682, 527]);
  spot.pour(paint("marigold", 1), [502, 545], [501, 509], [502, 536], [502, 555]);
  spot.pour(paint("marigold"), [643, 496]);
  spot.pour(paint("marigold", -1), [628, 547], [593, 530]);
  spot.pour(paint("seed-paper", 1), [515, 814], [280, 753], [163, 625], [733, 740], [849, 614], [516, 768], [316, 706], [202, 598], [819, 587], [711, 698]);
  for (const [from, to, count] of HATCHES) spot.hatch(from, to, count);
  spot.leaveBare([428, 395]);
  spot.leaveOpen();
  return spot.drawing;
}
