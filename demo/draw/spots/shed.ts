/** Flat shapes alone, without a line: the shed at first light. */
import type { Drawing } from "../../../core/drawing/drawing.ts";
import { blankDrawing } from "../../../core/drawing/new-drawing.ts";
import { Colouring, paint } from "../colouring.ts";
import { onOval, type P, through } from "../hand.ts";

const SUN: P = [664, 352];
const RADIUS = 430;
const BEDS = [0, 1, 2, 3];

export function flatShed(): Drawing {
  const spot = new Colouring(blankDrawing("Shed at first light", { width: 100, height: 100, unit: "mm", ppi: 300 }));
  sky(spot);
  hills(spot);
  poplars(spot);
  field(spot);
  shed(spot);
  barrel(spot);
  for (const row of BEDS) bed(spot, row);
  return spot.drawing;
}

const round = ([x, y]: P, rx: number, ry = rx): P[] => Array.from({ length: 20 }, (_, i) => onOval(x, y, rx, ry, i * 18));

/** All lies in a round picture, so that it sits well beside text. */
function sky(spot: Colouring): void {
  spot.shape(paint("lamp-glow", 1), round([500, 500], RADIUS));
  spot.shape(paint("lamp-glow"), round(SUN, 184));
  spot.shape(paint("marigold", 1), round(SUN, 122));
  spot.shape(paint("seed-paper", 2), round(SUN, 74));
  for (const [x, y, wide] of [[250, 250, 90], [380, 190, 60], [810, 210, 50]] as const)
    spot.shape(paint("seed-paper", 2), [[x - wide, y + 10], [x - wide * 0.4, y - 12], [x + wide * 0.2, y - 18], [x + wide, y + 6], [x + wide * 0.3, y + 16], [x - wide * 0.5, y + 18]]);
}

/** All of the round picture below a line that runs from its left edge to its right one. */
function below(top: readonly P[]): P[] {
  const edge = (y: number, way: 1 | -1): P => [500 + way * Math.sqrt(RADIUS ** 2 - (y - 500) ** 2), y];
  const [left, right] = [edge(top[0][1], -1), edge(top[top.length - 1][1], 1)];
  const angle = ([x, y]: P) => (Math.atan2(y - 500, x - 500) * 180) / Math.PI;
  const [from, to] = [angle(right), (angle(left) + 360) % 360];
  const arc = Array.from({ length: 61 }, (_, i) => onOval(500, 500, RADIUS, RADIUS, from + ((to - from) * i) / 60));
  return [...through([left, ...top.slice(1, -1), right], false), ...arc];
}

function hills(spot: Colouring): void {
  spot.block(paint("morning-sky"), below([[0, 450], [180, 396], [330, 372], [480, 410], [640, 380], [790, 400], [0, 440]]));
  spot.block(paint("enamel", 1), below([[0, 530], [200, 470], [360, 490], [520, 452], [700, 478], [830, 452], [0, 500]]));
}

function poplars(spot: Colouring): void {
  for (const [x, foot, high] of [[186, 600, 190], [236, 604, 238], [286, 606, 170], [836, 580, 150]] as const) {
    spot.shape(paint("deep-fern"), [[x - 17, foot], [x - 22, foot - high * 0.4], [x, foot - high], [x + 22, foot - high * 0.4], [x + 17, foot]]);
    spot.shape(paint("deep-fern", 1), [[x + 4, foot], [x + 12, foot - high * 0.4], [x + 1, foot - high + 8], [x + 21, foot - high * 0.4], [x + 16, foot]]);
  }
}

function field(spot: Colouring): void {
  spot.block(paint("frond"), below([[0, 596], [260, 570], [500, 596], [740, 566], [0, 590]]));
  spot.shape(paint("seed-paper"), [[446, 650], [500, 640], [540, 652], [522, 720], [556, 800], [600, 880], [520, 916], [430, 906], [446, 800], [424, 720]]);
}

/** Its lit side faces the sun. */
function shed(spot: Colouring): void {
  spot.block(paint("rain-barrel"), [[330, 470], [490, 470], [490, 660], [330, 660]]);
  spot.block(paint("rain-barrel", 1), [[490, 470], [628, 452], [628, 640], [490, 660]]);
  for (const x of [370, 410, 450]) spot.block(paint("rain-barrel", -1), [[x, 470], [x + 4, 470], [x + 4, 660], [x, 660]]);
  spot.block(paint("rain-barrel"), [[490, 472], [564, 350], [628, 454]]);
  spot.block(paint("radish", -1), [[300, 478], [402, 352], [568, 340], [490, 484]]);
  spot.block(paint("radish"), [[566, 340], [580, 342], [652, 458], [632, 464], [560, 354]]);
  spot.block(paint("potting-soil"), [[384, 530], [438, 530], [438, 660], [384, 660]]);
  spot.shape(paint("marigold"), round([430, 600], 5));
  spot.block(paint("potting-soil"), [[526, 512], [592, 505], [592, 572], [526, 580]]);
  spot.block(paint("lamp-glow"), [[532, 518], [556, 516], [556, 542], [532, 545]]);
  spot.block(paint("lamp-glow"), [[562, 515], [586, 512], [586, 538], [562, 541]]);
  spot.block(paint("lamp-glow", -1), [[532, 551], [556, 548], [556, 571], [532, 574]]);
  spot.block(paint("lamp-glow", -1), [[562, 547], [586, 544], [586, 567], [562, 570]]);
  spot.shape(paint("frond", -1), [[300, 664], [330, 656], [490, 660], [470, 690], [360, 720], [250, 726]]);
}

function barrel(spot: Colouring): void {
  spot.shape(paint("enamel", -1), [[640, 570], [706, 570], [712, 620], [702, 668], [646, 668], [634, 620]]);
  spot.shape(paint("enamel"), [[680, 572], [706, 572], [712, 620], [702, 666], [682, 667], [690, 620]]);
  spot.shape(paint("morning-sky", 1), round([673, 571], 33, 8));
}

/** A bed of earth with heads of lettuce, larger towards the front. */
function bed(spot: Colouring, row: number): void {
  const y = 712 + row * 46;
  const size = 15 + row * 5;
  const [from, to] = [690 - row * 22, 838 - row * 38];
  if (to - from < 60) return;
  spot.shape(paint("potting-soil"), [[from - 26, y + size * 0.7], [from, y], [to, y - 6], [to + 16, y + size * 0.5], [to - 10, y + size * 1.1], [from, y + size * 1.25]]);
  for (let x = from + 8; x < to; x += size * 2.4) {
    spot.shape(paint("deep-fern"), round([x, y], size, size * 0.72));
    spot.shape(paint("frond", 2), round([x + size * 0.16, y - size * 0.16], size * 0.66, size * 0.46));
    spot.shape(paint("frond", 3), round([x + size * 0.26, y - size * 0.24], size * 0.3, size * 0.2));
  }
  const [left, right] = [156 + row * 34, 336 - row * 2];
  spot.shape(paint("potting-soil"), [[left, y + size * 0.6], [left + 26, y + 4], [right, y + 8], [right + 22, y + size], [right - 10, y + size * 1.3], [left + 18, y + size * 1.2]]);
  for (let x = left + 22; x < right; x += size * 2.1) {
    spot.shape(paint("marigold"), [[x - size * 0.22, y + size * 0.5], [x, y + size * 0.3], [x + size * 0.22, y + size * 0.5], [x + size * 0.14, y + size * 0.8], [x - size * 0.14, y + size * 0.8]]);
    for (const lean of [-0.5, 0, 0.5])
      spot.shape(paint("frond", lean > 0 ? 1 : -1), [[x - 2, y + size * 0.4], [x + lean * size - 3, y - size * 0.5], [x + lean * size * 1.4, y - size], [x + lean * size + 4, y - size * 0.5], [x + 3, y + size * 0.4]]);
  }
}
