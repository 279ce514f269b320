/** Things that stand about on an allotment: pots, boards, cloth, moths. */
import { at, type Hand, mix, type P, through } from "./hand.ts";
import { leaflet } from "./leaves.ts";

/** A flower pot from the middle of its foot up, soil at the brim. */
export function pot(hand: Hand, x: number, foot: number, top: number, height: number, width = 3.4): void {
  const brim = foot - height;
  const lip = height * 0.2;
  const half = top / 2;
  const base = half * 0.68;
  hand.line([[x - half, brim], [x - half + 2, brim + lip], [x, brim + lip + 8], [x + half - 2, brim + lip], [x + half, brim]], { width });
  hand.line([[x - half, brim], [x - half * 0.5, brim + 9], [x, brim + 11], [x + half * 0.5, brim + 9], [x + half, brim]], { width: width * 0.85 });
  hand.line([[x - half + 5, brim + lip + 2], [x - base, foot - 4]], { width });
  hand.line([[x + half - 5, brim + lip + 2], [x + base, foot - 4]], { width });
  hand.line([[x - base, foot - 4], [x - base * 0.5, foot + 2], [x, foot + 4], [x + base * 0.5, foot + 2], [x + base, foot - 4]], { width });
  hand.hint(x, (brim + foot + lip) / 2 + 6, "terracotta");
  hand.hint(x, brim + lip * 0.75 + 4, "terracotta", 1);
  hand.hint(x, brim + 2, "potting-soil");
  hand.cover([[x - half, brim], [x, brim + 11], [x + half, brim], [x + half - 3, brim + lip], [x + base, foot - 4], [x, foot + 4], [x - base, foot - 4], [x - half + 3, brim + lip]]);
  hand.line([[x - half, brim], [x - half * 0.5, brim - 9], [x, brim - 11], [x + half * 0.5, brim - 9], [x + half, brim]], { width: width * 0.85 });
}

/** A seedling with pairs of leaves. */
export function seedling(
  hand: Hand,
  foot: P,
  height: number,
  pairs: number,
  leaf: number,
  width = 2.8,
): void {
  const stem: P[] = [
    foot,
    [foot[0] + height * 0.06, foot[1] - height * 0.5],
    [foot[0] - height * 0.03, foot[1] - height],
  ];
  const path = through(stem, false);
  for (let i = pairs - 1; i >= 0; i--) {
    const root = at(path, 1 - (i * 0.62) / pairs);
    const size = leaf * (0.75 + 0.25 * (i / Math.max(1, pairs - 1)));
    for (const side of [-1, 1]) {
      const angle = -Math.PI / 2 + side * (0.95 + i * 0.16);
      leaflet(hand, root, angle, size, 0.28, width, true);
      hand.hint(
        root[0] + Math.cos(angle) * size * 0.5 + 3,
        root[1] + Math.sin(angle) * size * 0.5 + 3,
        "frond",
        side,
      );
      hand.hint(
        root[0] + Math.cos(angle) * size * 0.5 - 3,
        root[1] + Math.sin(angle) * size * 0.5 - 3,
        "frond",
        side,
      );
    }
  }
  hand.line(stem, { width });
}

/** Grain along a board between two edges: long thin lines that part around a knot. */
export function grain(
  hand: Hand,
  a: readonly [P, P],
  b: readonly [P, P],
  count: number,
  knot: boolean,
  width = 1.4,
): void {
  const place = (t: number, s: number) => mix(mix(a[0], a[1], t), mix(b[0], b[1], t), s);
  const knotAt = place(hand.between(0.3, 0.7), 0.5);
  const span = Math.hypot(b[0][0] - a[0][0], b[0][1] - a[0][1]);
  if (knot) {
    const along = Math.atan2(a[1][1] - a[0][1], a[1][0] - a[0][0]);
    hand.oval(knotAt[0], knotAt[1], span * 0.2, span * 0.11, {
      turn: (along * 180) / Math.PI,
      width: width * 1.1,
      wobble: 0.4,
    });
  }
  for (let i = 0; i < count; i++) {
    const s = (i + 0.5) / count + hand.between(-0.08, 0.08);
    const from = hand.between(0.04, 0.4);
    const to = from + hand.between(0.2, 0.55);
    const points = [0, 0.33, 0.66, 1].map((k) => {
      const p = place(Math.min(0.97, from + (to - from) * k), s);
      const near = knot ? Math.max(0, 1 - Math.hypot(p[0] - knotAt[0], p[1] - knotAt[1]) / (span * 1.1)) : 0;
      return mix(p, knotAt, -near * 0.25);
    });
    hand.line(points, { width, wobble: 0.8 });
  }
}

/** A moth seen from above. */
export function moth(hand: Hand, x: number, y: number, size: number, turn: number): void {
  const p = (dx: number, dy: number): P => [
    x + (dx * Math.cos(turn) - dy * Math.sin(turn)) * size,
    y + (dx * Math.sin(turn) + dy * Math.cos(turn)) * size,
  ];
  hand.ring([p(0, -0.3), p(0.09, -0.1), p(0.07, 0.3), p(0, 0.46), p(-0.07, 0.3), p(-0.09, -0.1)], {
    width: 2,
    solid: true,
    wobble: 0.2,
  });
  for (const s of [-1, 1]) {
    hand.line(
      [p(0.06 * s, -0.14), p(0.4 * s, -0.5), p(0.75 * s, -0.42), p(0.66 * s, -0.02), p(0.08 * s, 0.1)],
      { width: 2.2, solid: true, wobble: 0.3 },
    );
    hand.line([p(0.1 * s, 0.1), p(0.52 * s, 0.1), p(0.5 * s, 0.42), p(0.2 * s, 0.46), p(0.07 * s, 0.2)], {
      width: 2.2,
      solid: true,
      wobble: 0.3,
    });
    hand.line([p(0.03 * s, -0.3), p(0.1 * s, -0.5), p(0.22 * s, -0.6)], { width: 1.4, wobble: 0.2 });
    hand.hint(...p(0.45 * s, -0.25), "seed-paper");
    hand.hint(...p(0.33 * s, 0.27), "seed-paper", -1);
  }
  hand.hint(x, y, "rain-barrel");
}

/** A tuft of grass blades. */
export function tuft(hand: Hand, x: number, y: number, size: number, blades: number): void {
  for (let i = 0; i < blades; i++) {
    const lean = ((i + 0.5) / blades - 0.5) * 1.7;
    const tall = size * hand.between(0.65, 1) * (1 - Math.abs(lean) * 0.3);
    const foot = x + (i - blades / 2) * size * 0.14;
    const tip: P = [foot + lean * tall * 0.7, y - tall];
    hand.line(
      [
        [foot - size * 0.07, y],
        [foot + lean * tall * 0.18, y - tall * 0.55],
        tip,
        [foot + lean * tall * 0.2 + size * 0.07, y - tall * 0.5],
        [foot + size * 0.07, y],
      ],
      { width: 2.4, solid: true, wobble: 0.4 },
    );
    hand.hint(foot + lean * tall * 0.12, y - tall * 0.25, "frond", (i % 2) - 2);
  }
}
