/** A snail on a rain barrel: about a hundred and fifty strokes that run on past many of their crossings. */
import { at, Hand, onOval, type P, through } from "./hand.ts";
import { leaflet } from "./leaves.ts";
import { tuft } from "./things.ts";

export function drawSnail(): Hand {
  const hand = new Hand([1000, 1000], 63);
  snail(hand);
  vine(hand);
  tap(hand);
  tuft(hand, 226, 944, 96, 5);
  tuft(hand, 800, 946, 110, 6);
  pebbles(hand);
  barrel(hand);
  return hand;
}

function snail(hand: Hand): void {
  const c: P = [520, 268];
  // Shell: a spiral, its ridges, the lip.
  const radius = (turns: number) => 118 * 0.56 ** turns;
  const spiral = Array.from({ length: 46 }, (_, i) => {
    const turns = (i / 45) * 2.6;
    const [x, y] = onOval(c[0], c[1], radius(turns), radius(turns) * 0.94, 62 - turns * 360);
    return [x + turns * 5, y + turns * 4] as P;
  });
  hand.line(spiral, { width: 5 });
  hand.arc(c[0], c[1], 118, 111, 58, 196, { width: 4 });
  for (let k = 0; k < 11; k++) {
    const share = 0.02 + k * 0.046;
    const outer = at(spiral, share);
    const turns = share * 2.6 * 1.32;
    const inner: P = [
      outer[0] + (c[0] + 10 - outer[0]) * (0.42 - turns * 0.02),
      outer[1] + (c[1] + 8 - outer[1]) * (0.42 - turns * 0.02),
    ];
    const over: P = [outer[0] - (c[0] - outer[0]) * 0.07, outer[1] - (c[1] - outer[1]) * 0.07];
    hand.line([over, [(outer[0] + inner[0]) / 2 + 5, (outer[1] + inner[1]) / 2 - 4], inner], { width: 2.2 });
    hand.hint(
      (outer[0] + inner[0]) / 2 + 6,
      (outer[1] + inner[1]) / 2 + 8,
      k % 2 ? "terracotta" : "marigold",
    );
  }
  hand.cover(Array.from({ length: 24 }, (_, i) => onOval(c[0], c[1], 117, 110, i * 15)));
  // Body: foot along the rim, neck, head, stalks.
  for (const [foot, tip] of [
    [[292, 262], [262, 186]],
    [[312, 256], [304, 172]],
  ] as [P, P][]) {
    hand.oval(tip[0], tip[1], 11, 11, { width: 3.2, solid: true });
    hand.line(
      [
        [foot[0] - 7, foot[1]],
        [(foot[0] + tip[0]) / 2 - 8, (foot[1] + tip[1]) / 2],
        [tip[0] - 4, tip[1] + 9],
      ],
      { width: 3.4 },
    );
    hand.line(
      [
        [foot[0] + 6, foot[1] - 2],
        [(foot[0] + tip[0]) / 2 + 3, (foot[1] + tip[1]) / 2],
        [tip[0] + 5, tip[1] + 9],
      ],
      { width: 3.4 },
    );
    hand.hint((foot[0] + tip[0]) / 2 - 1, (foot[1] + tip[1]) / 2, "seed-paper", -1);
  }
  hand.line([[262, 304], [244, 312], [232, 326]], { width: 3 });
  hand.oval(268, 288, 5, 5, { width: 2.4 });
  hand.arc(262, 306, 22, 14, 30, 100, { width: 2.4 });
  const body: P[] = [[404, 300], [356, 268], [306, 248], [264, 266], [250, 302], [282, 334], [330, 352], [420, 384], [560, 392], [680, 388], [736, 376], [672, 352], [624, 336]];
  hand.line(body, { width: 5 });
  hand.line([[300, 348], [380, 376], [520, 382], [650, 378], [720, 374]], { width: 2.2 });
  hand.hatch([[330, 276], [410, 312]], [[322, 300], [402, 344]], 7);
  hand.cover([...body, [520, 320], [404, 300]]);
  hand.hint(340, 320, "seed-paper", -1);
  hand.hint(520, 386, "seed-paper", -2);
}

function vine(hand: Hand): void {
  const stem: P[] = [[842, 940], [800, 860], [826, 760], [776, 668], [806, 570], [762, 480], [790, 392], [840, 330]];
  const path = through(stem, false);
  for (let k = 0; k < 11; k++) {
    const share = 0.06 + k * 0.087;
    const root = at(path, share);
    const angle = (k % 2 ? -0.4 : Math.PI + 0.4) + (k % 3) * 0.22 - 0.2;
    const size = 92 - k * 3.4;
    leaflet(hand, root, angle, size, 0.36, 3, true);
    for (const s of [-0.16, 0.18]) {
      hand.hint(
        root[0] + Math.cos(angle) * size * 0.5 - Math.sin(angle) * s * size,
        root[1] + Math.sin(angle) * size * 0.5 + Math.cos(angle) * s * size,
        k % 2 ? "frond" : "deep-fern",
      );
    }
  }
  hand.line(stem, { width: 4 });
  hand.line([[840, 330], [868, 316], [876, 290], [856, 282], [850, 300]], { width: 2.6 });
}

function tap(hand: Hand): void {
  hand.line([[436, 752], [420, 736], [436, 722], [500, 722], [516, 736], [500, 752], [436, 752]], { width: 3.6, solid: true });
  hand.line([[458, 752], [458, 774]], { width: 3.4 });
  hand.line([[478, 752], [478, 774]], { width: 3.4 });
  hand.line([[430, 774], [510, 774], [514, 806], [500, 816], [498, 852], [462, 852], [460, 818], [430, 810], [430, 774]], { width: 4, solid: true });
  hand.ring([[480, 872], [492, 896], [480, 910], [468, 896]], { width: 2.8, solid: true });
  hand.hint(470, 736, "marigold", -1);
  hand.hint(470, 790, "marigold");
  hand.hint(468, 764, "marigold", -1);
  hand.hint(480, 894, "morning-sky");
}

function pebbles(hand: Hand): void {
  for (const [x, y, rx, ry] of [[330, 948, 34, 17], [392, 958, 24, 13], [560, 960, 30, 14], [622, 952, 22, 14], [690, 958, 36, 18], [140, 956, 28, 14]]) {
    hand.oval(x, y, rx, ry, { width: 3, solid: true });
    hand.covered(() => hand.arc(x - rx * 0.2, y - ry * 0.2, rx * 0.5, ry * 0.45, 190, 290, { width: 1.5 }));
    hand.hint(x, y + ry * 0.4, "morning-sky", -1);
  }
}

/** Half the barrel's width at a height, from rim to foot. */
const half = (y: number): number => 258 + 46 * Math.sin(((y - 400) / 540) * Math.PI);

function barrel(hand: Hand): void {
  const x = 500;
  const side = (s: number): P[] => [392, 470, 560, 660, 760, 860, 944].map((y) => [x + s * half(y), y] as P);
  // Hoops, drawn quickly: each runs on past the sides.
  for (const [y, tall] of [[462, 34], [620, 36], [810, 36], [900, 30]]) {
    for (const edge of [0, tall]) {
      const w = half(y + edge) + 9 + hand.between(0, 7);
      hand.line([[x - w, y + edge - 4], [x - w * 0.5, y + edge + 22], [x, y + edge + 30], [x + w * 0.5, y + edge + 22], [x + w, y + edge - 4]], { width: 3.4 });
    }
    for (const k of [-0.72, 0.64]) {
      const w = half(y) * k;
      hand.oval(x + w, y + tall / 2 + 30 * (1 - k * k), 5, 5, { width: 2.2 });
    }
    for (let k = -7; k <= 7; k++)
      hand.hint(x + (half(y) * k) / 8.2, y + tall / 2 + 30 * (1 - (k / 8.2) ** 2), "enamel", -1);
  }
  // Staves, each a little too long at both ends.
  for (let k = -5; k <= 5; k++) {
    const lean = k / 6;
    const points = [400, 520, 660, 800, 936].map(
      (y) => [x + half(y) * lean, y + 34 * (1 - lean * lean) * (y > 900 ? 0.9 : 0.75)] as P,
    );
    const over = hand.between(6, 14);
    points[0] = [points[0][0], points[0][1] - over];
    points[4] = [points[4][0], points[4][1] + over];
    hand.line(points, { width: 3 });
    if (k % 2 === 0) {
      const w = half(690) * (lean + 0.06);
      hand.line([[x + w, 680], [x + w + 4, 730], [x + w, 776]], { width: 1.5 });
      hand.line([[x + half(540) * (lean + 0.1), 530], [x + half(570) * (lean + 0.1), 588]], { width: 1.4 });
    }
    for (const y of [440, 560, 740, 870, 944]) {
      const s = lean - 1 / 12;
      hand.hint(x + half(y) * s, y + 22 * (1 - s * s), "rain-barrel", k % 2 ? 0 : 1);
      hand.hint(x + half(y) * (lean + 1 / 12), y + 22 * (1 - s * s), "rain-barrel", k % 2 ? 1 : 0);
    }
  }
  hand.line([[x - half(392), 384], ...side(-1), [x - half(944) + 8, 956]], { width: 5.4 });
  hand.line([[x + half(392), 384], ...side(1), [x + half(944) - 8, 956]], { width: 5.4 });
  hand.line([[x - half(944) - 8, 938], [x - 140, 968], [x, 978], [x + 140, 968], [x + half(944) + 8, 938]], { width: 5.4 });
  // Rim and water.
  hand.arc(x, 392, 258, 48, -6, 186, { width: 4.6 });
  hand.arc(x, 388, 232, 36, -4, 184, { width: 3.2 });
  hand.arc(x, 392, 258, 48, 174, 366, { width: 4.6 });
  hand.arc(x, 388, 232, 36, 176, 364, { width: 3.2 });
  hand.arc(360, 398, 60, 9, 200, 400, { width: 1.8 });
  hand.arc(640, 404, 70, 8, 150, 330, { width: 1.8 });
  for (let k = 0; k < 12; k++) {
    const [px, py] = onOval(x, 390, 246, 42, k * 30 + 15);
    hand.hint(px, py, "rain-barrel", 2);
  }
  hand.hint(520, 412, "morning-sky");
  hand.hint(300, 390, "morning-sky");
}
