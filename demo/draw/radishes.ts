/** A bunch of radishes tied with string, drawn in clear ink for the scanner: the demo that begins on paper. */
import { at, Hand, mix, type P, through } from "./hand.ts";

export function drawRadishes(): Hand {
  const hand = new Hand([1000, 1000], 29, 0.8);
  knot(hand);
  for (const root of ROOTS) radish(hand, root);
  for (const leaf of LEAVES) bladeOf(hand, leaf);
  crumbs(hand);
  return hand;
}

interface Root {
  readonly neck: P;
  readonly middle: P;
  readonly radius: number;
  /** Where the tail ends. */
  readonly tail: readonly P[];
  /** The pale tip begins at this part of the way down. */
  readonly pale: number;
}

/** Front to back. */
const ROOTS: readonly Root[] = [
  { neck: [500, 560], middle: [508, 668], radius: 84, tail: [[520, 790], [508, 850], [526, 916]], pale: 0.62 },
  { neck: [462, 552], middle: [372, 640], radius: 76, tail: [[300, 722], [262, 772], [226, 792]], pale: 0.6 },
  { neck: [540, 552], middle: [642, 636], radius: 78, tail: [[724, 712], [748, 770], [796, 786]], pale: 0.64 },
  { neck: [440, 540], middle: [268, 574], radius: 60, tail: [[178, 606], [140, 648], [104, 646]], pale: 0.58 },
  { neck: [566, 540], middle: [748, 566], radius: 62, tail: [[838, 596], [866, 636], [904, 640]], pale: 0.6 },
];

/** Points about a root's long axis: `along` from the neck to the tail, `aside` to its left. */
function placesOn({ neck, middle, radius }: Root): (along: number, aside: number) => P {
  const length = Math.hypot(middle[0] - neck[0], middle[1] - neck[1]);
  const [ux, uy] = [(middle[0] - neck[0]) / length, (middle[1] - neck[1]) / length];
  const reach = length + radius * 1.15;
  return (along, aside) => [
    neck[0] + ux * reach * along - uy * radius * aside,
    neck[1] + uy * reach * along + ux * radius * aside,
  ];
}

function radish(hand: Hand, root: Root): void {
  const on = placesOn(root);
  const tailFoot = on(1, 0);
  const outline: P[] = [
    on(0.02, 0.24),
    on(0.16, 0.72),
    on(0.42, 1.02),
    on(0.7, 0.86),
    on(0.9, 0.38),
    tailFoot,
    on(0.9, -0.36),
    on(0.7, -0.84),
    on(0.42, -1),
    on(0.16, -0.7),
    on(0.02, -0.22),
  ];
  hand.line(outline, { width: 6.5 });
  hand.cover([...through(outline, false)]);
  hand.covered(() => {
    const p = root.pale;
    hand.line([on(p, 0.97), on(p + 0.07, 0.5), on(p + 0.04, 0.1), on(p + 0.1, -0.4), on(p + 0.03, -0.93)], { width: 3.2 });
    hand.line([on(0.24, 0.5), on(0.36, 0.66), on(0.5, 0.62)], { width: 3 });
    hand.line([on(0.3, 0.36), on(0.4, 0.46), on(0.47, 0.44)], { width: 2.6 });
  });
  // The tail: two sides that draw together.
  const [first, second, tip] = root.tail;
  const back = (p: P, by: number): P => [p[0] + by, p[1] + by * 0.4];
  hand.line([on(0.93, 0.24), mix(on(0.97, 0.1), first, 0.5), back(first, 5), back(second, 3), tip], { width: 4 });
  hand.line([on(0.93, -0.24), mix(on(0.97, -0.1), first, 0.5), back(first, -5), back(second, -3), tip], { width: 4 });
}

function knot(hand: Hand): void {
  hand.ring([[424, 498], [500, 486], [578, 500], [584, 540], [560, 562], [500, 570], [440, 560], [418, 536]], { width: 5.5, solid: true });
  hand.covered(() => {
    hand.line([[423, 514], [500, 503], [580, 516]], { width: 3.4 });
    hand.line([[421, 532], [500, 521], [582, 533]], { width: 3.4 });
    hand.line([[430, 549], [500, 540], [572, 550]], { width: 3.4 });
  });
  hand.ring([[582, 506], [640, 466], [694, 470], [690, 506], [634, 524], [585, 526]], { width: 5, solid: true });
  hand.covered(() => hand.line([[600, 511], [644, 486], [674, 486], [668, 500], [630, 512], [600, 517]], { width: 3, closed: false }));
  hand.line([[584, 530], [622, 560], [668, 552], [700, 570], [722, 556]], { width: 5 });
}

interface Leaf {
  readonly foot: P;
  readonly bend: P;
  readonly tip: P;
  readonly fat: number;
}

/** Front to back. */
const LEAVES: readonly Leaf[] = [
  { foot: [486, 500], bend: [452, 320], tip: [470, 92], fat: 62 },
  { foot: [516, 500], bend: [590, 330], tip: [660, 118], fat: 66 },
  { foot: [462, 502], bend: [356, 350], tip: [246, 158], fat: 62 },
  { foot: [548, 502], bend: [704, 392], tip: [854, 268], fat: 56 },
  { foot: [440, 506], bend: [284, 420], tip: [120, 318], fat: 54 },
];

/** A leaf: stalk, two wavy sides, a midrib with veins. */
function bladeOf(hand: Hand, { foot, bend, tip, fat }: Leaf): void {
  const rib = through([foot, bend, tip], false);
  const side = (share: number, aside: number): P => {
    const here = at(rib, share);
    const next = at(rib, Math.min(1, share + 0.02));
    const last = at(rib, Math.max(0, share - 0.02));
    const length = Math.hypot(next[0] - last[0], next[1] - last[1]) || 1;
    return [here[0] - ((next[1] - last[1]) / length) * aside, here[1] + ((next[0] - last[0]) / length) * aside];
  };
  const edge = (way: number): P[] =>
    [0.34, 0.42, 0.5, 0.57, 0.65, 0.72, 0.8, 0.87, 0.94].map((share, i) => {
      const full = Math.sin(Math.PI * ((share - 0.3) / 0.72)) ** 0.7;
      return side(share, way * fat * full * (i % 2 ? 0.82 : 1.08));
    });
  const left = [side(0.28, 7), ...edge(1), tip];
  const right = [side(0.28, -7), ...edge(-1), tip];
  const outline = [...through(left, false), ...through(right, false).reverse()];
  hand.line(left, { width: 5 });
  hand.line(right, { width: 5 });
  hand.line([side(0.0, 9), side(0.14, 8), side(0.28, 7)], { width: 5 });
  hand.line([side(0.0, -9), side(0.14, -8), side(0.28, -7)], { width: 5 });
  hand.line([side(0.3, 0), side(0.5, 0), side(0.7, 0), side(0.9, 0)], { width: 3.4 });
  for (const [share, way] of [[0.46, 1], [0.5, -1], [0.6, 1], [0.64, -1], [0.74, 1]] as const) {
    const out = Math.sin(Math.PI * ((share - 0.3) / 0.72)) ** 0.7;
    hand.line([side(share, 0), side(share + 0.05, way * fat * out * 0.34), side(share + 0.08, way * fat * out * 0.62)], { width: 2.8 });
  }
  hand.cover([...outline, ...[side(0, -9), side(0, 9)]]);
}

/** Crumbs of soil: solid black, for reading as shapes. */
function crumbs(hand: Hand): void {
  for (const [x, y, r] of [[330, 846, 15], [366, 872, 9], [650, 866, 12], [690, 846, 8], [430, 900, 8], [610, 908, 10]] as const)
    for (let k = 0; k < 3; k++) hand.oval(x, y, r * (1 - k * 0.33), r * 0.7 * (1 - k * 0.33), { width: r * 0.5, wobble: 0.3 });
}
