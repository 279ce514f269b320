/** A seedling in a pot, put down loosely: the pot is open at one place, and the upper leaves at several. */
import { Hand, type P } from "./hand.ts";

const BRUSH = 7;
const RIM = { left: 296, right: 664, top: 540, foot: 606 };

export function drawSeedling(): Hand {
  const hand = new Hand([1000, 1000], 29, 1.3);
  leaf(hand, [466, 322], -1, 1);
  leaf(hand, [500, 318], 1, 1.12);
  potFront(hand);
  stem(hand);
  seedLeaf(hand, [474, 462], -1);
  seedLeaf(hand, [492, 446], 1);
  label(hand);
  potBack(hand);
  ground(hand);
  return hand;
}

/** Its edge is left open at the stalk, at the tip and once below; the vein stays within. */
function leaf(hand: Hand, [x, y]: P, side: -1 | 1, size: number): void {
  const at = (along: number, up: number): P => [x + side * along * size, y - up * size];
  hand.line([at(4, 16), at(20, 92), at(84, 146), at(160, 158), at(214, 150)], { width: BRUSH });
  hand.line([at(232, 132), at(214, 78), at(172, 30)], { width: BRUSH });
  hand.line([at(152, 16), at(96, -8), at(22, -2)], { width: BRUSH });
  hand.line([at(30, 24), at(92, 66), at(168, 112)], { width: 5 });
}

/** One of the first two leaves: small, round and closed. */
function seedLeaf(hand: Hand, [x, y]: P, side: -1 | 1): void {
  const at = (along: number, up: number): P => [x + side * along, y - up];
  hand.ring([at(6, 0), at(44, 30), at(96, 26), at(118, -4), at(84, -28), at(38, -20)], { width: BRUSH });
  hand.cover([at(8, 0), at(44, 28), at(96, 24), at(116, -4), at(84, -26), at(38, -18)]);
}

function stem(hand: Hand): void {
  const left: P[] = [
    [468, 590],
    [474, 470],
    [468, 390],
    [470, 322],
  ];
  const right: P[] = [
    [496, 318],
    [492, 390],
    [499, 470],
    [498, 590],
  ];
  hand.line(left, { width: BRUSH });
  hand.line(right, { width: BRUSH });
  hand.cover([...left, ...right]);
}

/** It leans out of the soil, with two words nobody can read. */
function label(hand: Hand): void {
  const side: P[] = [
    [590, 590],
    [638, 392],
    [660, 372],
    [690, 370],
    [706, 386],
    [706, 410],
    [636, 590],
  ];
  hand.line([at(side[1], 16, 22), at(side[1], 34, 28), at(side[1], 48, 30)], { width: 4 });
  hand.line([at(side[1], 8, 50), at(side[1], 26, 57), at(side[1], 36, 58)], { width: 4 });
  hand.line(side, { width: BRUSH });
  hand.cover([...side, [613, 600]]);
}

const at = ([x, y]: P, right: number, down: number): P => [x + right, y + down];

const { left: LEFT, right: RIGHT, top: TOP, foot: FOOT } = RIM;
const MIDDLE = (LEFT + RIGHT) / 2;

/** A rim, and a body whose right side stops short of its foot. */
function potFront(hand: Hand): void {
  const upper: P[] = [
    [LEFT, TOP],
    [LEFT + 70, TOP + 22],
    [MIDDLE, TOP + 30],
    [RIGHT - 70, TOP + 22],
    [RIGHT, TOP],
  ];
  const lower: P[] = [
    [LEFT, TOP],
    [LEFT + 4, TOP + 34],
    [LEFT + 10, FOOT],
    [LEFT + 80, FOOT + 22],
    [MIDDLE, FOOT + 29],
    [RIGHT - 80, FOOT + 22],
    [RIGHT - 10, FOOT],
    [RIGHT - 4, TOP + 34],
    [RIGHT, TOP],
  ];
  hand.line(upper, { width: BRUSH });
  hand.line(lower, { width: BRUSH });
  hand.line(
    [
      [LEFT + 30, FOOT + 10],
      [LEFT + 52, 730],
      [LEFT + 74, 836],
      [LEFT + 120, 856],
      [MIDDLE, 864],
      [RIGHT - 120, 857],
      [RIGHT - 78, 840],
    ],
    { width: BRUSH },
  );
  hand.line(
    [
      [RIGHT - 30, FOOT + 10],
      [RIGHT - 50, 720],
      [RIGHT - 68, 806],
    ],
    { width: BRUSH },
  );
  hand.cover([...upper, ...lower.toReversed()]);
}

/** The far side of the rim, behind what grows. */
function potBack(hand: Hand): void {
  hand.line(
    [
      [LEFT, TOP],
      [LEFT + 60, TOP - 16],
      [MIDDLE, TOP - 22],
      [RIGHT - 60, TOP - 16],
      [RIGHT, TOP],
    ],
    { width: BRUSH },
  );
}

function ground(hand: Hand): void {
  hand.line(
    [
      [150, 846],
      [240, 852],
      [318, 850],
    ],
    { width: 5 },
  );
  hand.line(
    [
      [668, 862],
      [760, 868],
      [852, 860],
    ],
    { width: 5 },
  );
}
