/** A cabbage cut open to the light: leaf upon leaf around a head, each with its rib. */
import { Hand, type P, through } from "./hand.ts";

export interface CabbageLeaf {
  readonly foot: P;
  /** Degrees, 0 to the right, clockwise on the page. */
  readonly turn: number;
  readonly long: number;
  readonly wide: number;
}

/** Front to back. */
export const CABBAGE_LEAVES: readonly CabbageLeaf[] = [
  { foot: [486, 806], turn: -164, long: 330, wide: 200 },
  { foot: [520, 810], turn: -18, long: 340, wide: 200 },
  { foot: [480, 780], turn: -136, long: 440, wide: 250 },
  { foot: [524, 780], turn: -42, long: 445, wide: 250 },
  { foot: [470, 740], turn: -113, long: 545, wide: 260 },
  { foot: [536, 740], turn: -66, long: 560, wide: 260 },
  { foot: [504, 700], turn: -89, long: 585, wide: 300 },
];

/** Places about a leaf's rib: `along` from its foot to its tip, `aside` in shares of its width. */
export function onLeaf({ foot, turn, long, wide }: CabbageLeaf): (along: number, aside: number) => P {
  const angle = (turn * Math.PI) / 180;
  const [ux, uy] = [Math.cos(angle), Math.sin(angle)];
  return (along, aside) => [
    foot[0] + ux * long * along - uy * wide * aside,
    foot[1] + uy * long * along + ux * wide * aside,
  ];
}

/** The head stands between the leaves in front and those behind it. */
const HEAD_AFTER = 2;
const HEAD: P = [502, 596];

export function drawCabbage(): Hand {
  const hand = new Hand([1000, 1000], 61, 1);
  CABBAGE_LEAVES.slice(0, HEAD_AFTER).forEach((one) => {
    leaf(hand, one);
  });
  head(hand);
  CABBAGE_LEAVES.slice(HEAD_AFTER).forEach((one) => {
    leaf(hand, one);
  });
  return hand;
}

function leaf(hand: Hand, one: CabbageLeaf): void {
  const on = onLeaf(one);
  const edge: readonly (readonly [along: number, aside: number])[] = [
    [0.02, 0.1],
    [0.2, 0.36],
    [0.42, 0.66],
    [0.56, 0.62],
    [0.7, 0.74],
    [0.82, 0.56],
    [0.93, 0.5],
    [0.98, 0.22],
    [1.05, 0.02],
    [0.97, -0.2],
    [0.95, -0.48],
    [0.82, -0.56],
    [0.7, -0.74],
    [0.56, -0.62],
    [0.42, -0.66],
    [0.2, -0.36],
    [0.02, -0.1],
  ];
  const outline = edge.map(([along, aside]) => on(along, aside));
  hand.ring(outline, { width: 6.5 });
  hand.line([on(0.16, 0), on(0.4, 0.015), on(0.66, -0.01), on(0.88, 0)], { width: 5, inside: through(outline, true) });
  for (const [share, way] of [
    [0.36, 1],
    [0.42, -1],
    [0.54, 1],
    [0.6, -1],
    [0.71, 1],
    [0.75, -1],
  ] as const)
    hand.line([on(share, 0), on(share + 0.07, way * 0.2), on(share + 0.1, way * 0.42)], {
      width: 3,
      inside: through(outline, true),
    });
  hand.cover(outline);
}

/** Wrapped leaves: a round outline, and three edges that run over it. */
function head(hand: Hand): void {
  const [x, y] = HEAD;
  const at = (right: number, down: number): P => [x + right, y + down];
  hand.ring(
    [at(0, -182), at(88, -160), at(150, -96), at(168, 0), at(140, 110), at(60, 178), at(-60, 178), at(-140, 110), at(-168, 0), at(-150, -96), at(-88, -160)],
    { width: 7, solid: true },
  );
  hand.covered(() => {
    hand.line([at(-160, 40), at(-110, -50), at(-20, -96), at(70, -92), at(126, -132)], { width: 5 });
    hand.line([at(20, -95), at(64, -20), at(70, 60), at(40, 182)], { width: 5 });
    hand.line([at(-60, -80), at(-40, -130), at(10, -160), at(60, -172)], { width: 5 });
    hand.line([at(-96, 130), at(-84, 60), at(-60, 10)], { width: 3 });
    hand.line([at(110, 110), at(120, 50), at(112, 0)], { width: 3 });
  });
}
