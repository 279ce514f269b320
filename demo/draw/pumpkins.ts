/** Two pumpkins and a trowel, put down with a quick brush: strokes stop short, and corners stay open. */
import { Hand, onOval, type P } from "./hand.ts";

const BRUSH = 7;

export function drawPumpkins(): Hand {
  const hand = new Hand([1000, 1000], 87, 1.6);
  trowel(hand, [640, 760]);
  pumpkin(hand, [395, 560], 250, 205);
  pumpkin(hand, [700, 440], 165, 130);
  leaf(hand, [300, 300], 3.6, 180);
  leaf(hand, [690, 250], -1.0, 160);
  tendril(hand);
  ground(hand);
  return hand;
}

/** Ribs side by side, the middle one in front; each is an arc that does not quite come home. */
function pumpkin(hand: Hand, [x, y]: P, wide: number, high: number): void {
  const rib = (at: number, rx: number, from: number, to: number) =>
    hand.arc(x + at * wide, y, rx * wide, high, from, to, { width: BRUSH });
  stem(hand, [x, y - 0.86 * high], 0.3 * wide);
  rib(0, 0.36, -66, 236);
  hand.cover(ring([x, y], 0.36 * wide, high));
  for (const side of [-1, 1]) {
    const turned = (degrees: number) => (side < 0 ? 180 - degrees : degrees);
    rib(side * 0.32, 0.36, turned(-112), turned(104));
    hand.cover(ring([x + side * 0.32 * wide, y], 0.36 * wide, high));
    rib(side * 0.62, 0.38, turned(-118), turned(8));
    rib(side * 0.62, 0.38, turned(18), turned(112));
    hand.cover(ring([x + side * 0.62 * wide, y], 0.38 * wide, high));
  }
}

const ring = ([x, y]: P, rx: number, ry: number): P[] =>
  Array.from({ length: 24 }, (_, i) => onOval(x, y, rx - 2, ry - 2, i * 15));

function stem(hand: Hand, [x, y]: P, size: number): void {
  const at = (along: number, up: number): P => [x + along * size, y - up * size];
  hand.line([at(-0.42, -0.1), at(-0.3, 0.4), at(-0.02, 0.95)], { width: BRUSH });
  hand.line([at(0.06, 1.08), at(0.34, 0.94)], { width: BRUSH });
  hand.line([at(0.36, 0.86), at(0.24, 0.4), at(0.44, -0.06)], { width: BRUSH });
  hand.cover([at(-0.5, -0.2), at(-0.3, 0.4), at(0, 1.1), at(0.4, 0.95), at(0.25, 0.4), at(0.5, -0.2)]);
}

/** Two sides that meet neither at the tip nor at the stalk, and a vein. */
function leaf(hand: Hand, [x, y]: P, turn: number, size: number): void {
  const at = (along: number, aside: number): P => [
    x + size * (along * Math.cos(turn) - aside * Math.sin(turn)),
    y + size * (along * Math.sin(turn) + aside * Math.cos(turn)),
  ];
  hand.line([at(0.03, 0.05), at(0.2, 0.42), at(0.55, 0.46), at(0.82, 0.24), at(0.97, 0.05)], { width: BRUSH });
  hand.line([at(0.05, -0.06), at(0.25, -0.44), at(0.48, -0.45)], { width: BRUSH });
  hand.line([at(0.57, -0.42), at(0.82, -0.24), at(0.95, -0.07)], { width: BRUSH });
  hand.line([at(-0.3, 0.04), at(0.1, 0), at(0.7, 0.02)], { width: 5 });
}

function tendril(hand: Hand): void {
  hand.line(
    [
      [452, 318],
      [500, 240],
      [546, 214],
      [570, 240],
      [546, 264],
      [528, 240],
    ],
    { width: 5 },
  );
}

/** A blade whose shoulder is open, a neck, and a handle with a band. */
function trowel(hand: Hand, [x, y]: P): void {
  const at = (along: number, aside: number): P => [x + along * 0.94 - aside * 0.34, y + along * 0.34 + aside * 0.94];
  hand.line([at(-110, -40), at(-60, -62), at(6, -52)], { width: BRUSH });
  hand.line([at(14, -44), at(30, -14)], { width: BRUSH });
  hand.line([at(-118, -30), at(-150, 4), at(-116, 36)], { width: BRUSH });
  hand.line([at(-104, 44), at(-50, 60), at(16, 46), at(32, 18)], { width: BRUSH });
  hand.cover([at(-146, 4), at(-110, -36), at(-60, -60), at(12, -48), at(32, 0), at(16, 44), at(-50, 58), at(-112, 38)]);
  hand.line([at(40, -10), at(92, -8)], { width: BRUSH });
  hand.line([at(38, 14), at(90, 14)], { width: BRUSH });
  hand.line([at(98, -24), at(104, 0), at(99, 28)], { width: BRUSH });
  hand.line([at(108, -27), at(170, -32), at(222, -20)], { width: BRUSH });
  hand.line([at(236, -10), at(240, 8), at(226, 22)], { width: BRUSH });
  hand.line([at(212, 30), at(160, 36), at(110, 32)], { width: BRUSH });
}

function ground(hand: Hand): void {
  hand.line(
    [
      [60, 782],
      [180, 792],
      [300, 790],
    ],
    { width: 5 },
  );
  hand.line(
    [
      [520, 860],
      [610, 872],
      [700, 866],
    ],
    { width: 5 },
  );
  hand.line(
    [
      [800, 612],
      [870, 620],
      [950, 614],
    ],
    { width: 5 },
  );
}
