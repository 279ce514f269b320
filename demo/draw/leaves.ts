/** Growing things: leaflets, fronds, fiddleheads, grass. */
import { at, type Hand, type P, through } from "./hand.ts";

export interface FrondOptions {
  readonly pairs: number;
  /** Length of the longest leaflet. */
  readonly leaf: number;
  readonly width?: number;
  /** Leaflets longer than this part of the longest get a vein; none by default. */
  readonly veinsFrom?: number;
  readonly colours?: readonly [string, number][];
}

/** A leaflet from a point of the stem outwards: two sides in one line, with a vein. */
export function leaflet(
  hand: Hand,
  root: P,
  angle: number,
  length: number,
  fat: number,
  width: number,
  vein = true,
): void {
  const along = (d: number, aside: number): P => [
    root[0] + Math.cos(angle) * d - Math.sin(angle) * aside,
    root[1] + Math.sin(angle) * d + Math.cos(angle) * aside,
  ];
  const w = length * fat;
  hand.line(
    [
      root,
      along(length * 0.22, w * 0.8),
      along(length * 0.55, w),
      along(length, w * 0.12),
      along(length * 0.6, -w * 0.85),
      along(length * 0.25, -w * 0.7),
      root,
    ],
    { width, solid: true, wobble: 0.7 },
  );
  if (vein)
    hand.covered(() =>
      hand.line([along(length * 0.12, 0), along(length * 0.45, w * 0.12), along(length * 0.74, w * 0.1)], {
        width: width * 0.55,
        wobble: 0.3,
      }),
    );
}

/** A frond along a stem: leaflets in pairs, longest below the middle, shrinking to the tip. */
export function frond(
  hand: Hand,
  stem: readonly P[],
  { pairs, leaf, width = 3, veinsFrom = 2, colours = [["frond", 0]] }: FrondOptions,
): void {
  const path = through(stem, false);
  const place = (i: number, side: number) => {
    const share = 0.2 + (0.74 * (i + (side > 0 ? 0.25 : 0))) / pairs;
    const root = at(path, share);
    const ahead = at(path, Math.min(1, share + 0.04));
    const heading = Math.atan2(ahead[1] - root[1], ahead[0] - root[0]);
    const size = leaf * Math.sin(Math.PI * (0.2 + 0.72 * (1 - i / pairs))) ** 0.8;
    return { root, angle: heading + side * (0.95 - 0.25 * (i / pairs)), size };
  };
  const tip = at(path, 0.93);
  const end = path[path.length - 1];
  const heading = Math.atan2(end[1] - tip[1], end[0] - tip[0]);
  leaflet(hand, tip, heading, leaf * 0.5, 0.22, width * 0.8, false);
  hint(hand, tip, heading, leaf * 0.5, colours[0]);
  hand.line(stem, { width: width * 1.15 });
  for (let i = pairs - 1; i >= 0; i--) {
    for (const side of [-1, 1]) {
      const { root, angle, size } = place(i, side);
      leaflet(hand, root, angle, size, 0.17, width * 0.85, size > leaf * veinsFrom);
      hint(hand, root, angle, size, colours[(i + (side > 0 ? 1 : 0)) % colours.length]);
    }
  }
}

function hint(
  hand: Hand,
  root: P,
  angle: number,
  length: number,
  [colour, step]: readonly [string, number],
): void {
  for (const aside of [-0.08, 0.1]) {
    hand.hint(
      root[0] + Math.cos(angle) * length * 0.5 - Math.sin(angle) * aside * length,
      root[1] + Math.sin(angle) * length * 0.5 + Math.cos(angle) * aside * length,
      colour,
      step,
    );
  }
}

/** A young frond, still rolled up: a thick stem ending in a spiral. */
export function fiddlehead(
  hand: Hand,
  foot: P,
  head: P,
  radius: number,
  turnsLeft: boolean,
  width = 3,
): void {
  const sense = turnsLeft ? -1 : 1;
  const spiral = (shrink: number, from: number): P[] =>
    Array.from({ length: 12 }, (_, i) => {
      const a = from + sense * (i / 11) * Math.PI * 3.1;
      const r = radius * shrink * (1 - (i / 11) * 0.8);
      return [head[0] + Math.cos(a) * r, head[1] + Math.sin(a) * r] as P;
    });
  const start = turnsLeft ? 0 : Math.PI;
  const thick = radius * 0.3;
  const bend: P = [head[0] - sense * radius * 0.9, (foot[1] + head[1]) / 2];
  hand.oval(head[0], head[1], radius, radius, { width, solid: true });
  hand.covered(() => hand.line(spiral(0.86, start).slice(2), { width: width * 0.8 }));
  hand.hint(head[0], head[1] + radius * 0.9, "frond", 1);
  const left: P[] = [[head[0] - sense * radius, head[1] + radius * 0.1], bend, foot];
  const right: P[] = [
    [head[0] - sense * (radius - thick * 2), head[1] + radius * 0.6],
    [bend[0] + sense * thick * 1.6, bend[1]],
    [foot[0] + sense * thick, foot[1]],
  ];
  hand.line(left, { width });
  hand.line(right, { width });
  hand.cover([...through(left, false), ...through(right, false).reverse()]);
}
