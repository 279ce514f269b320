/** A storm lantern in the shed at dusk: the big one, about two hundred and fifty strokes. */
import { Hand, onOval, type P } from "./hand.ts";
import { grain, moth, pot, seedling, tuft } from "./things.ts";

export function drawLantern(): Hand {
  const hand = new Hand([1000, 1000], 40);
  lantern(hand);
  moth(hand, 690, 300, 62, 0.4);
  moth(hand, 352, 246, 46, -0.7);
  moth(hand, 644, 604, 36, 2.4);
  beam(hand);
  can(hand);
  shelf(hand);
  rope(hand);
  rake(hand);
  windowOf(hand);
  sack(hand);
  web(hand);
  floor(hand);
  wall(hand);
  return hand;
}

const MIDDLE = 510;

function lantern(hand: Hand): void {
  const x = MIDDLE;
  const ring = (cy: number, rx: number, ry: number, width: number) =>
    hand.oval(x, cy, rx, ry, { width, solid: true });
  // Flame, wick and burner.
  hand.ring([[x, 432], [x + 10, 458], [x + 12, 482], [x, 496], [x - 12, 482], [x - 8, 458]], { width: 2.2, solid: true, wobble: 0.3 });
  hand.ring([[x + 2, 392], [x + 14, 426], [x + 26, 462], [x + 22, 494], [x, 508], [x - 22, 494], [x - 26, 462], [x - 12, 428]], { width: 3, solid: true, wobble: 0.5 });
  hand.line([[x - 6, 508], [x - 6, 524]], { width: 2.4 });
  hand.line([[x + 6, 508], [x + 6, 524]], { width: 2.4 });
  hand.line([[x - 40, 546], [x - 34, 526], [x, 518], [x + 34, 526], [x + 40, 546]], { width: 3.4 });
  hand.line([[x - 38, 546], [x, 556], [x + 38, 546]], { width: 3 });
  for (const k of [-20, 0, 20])
    hand.line([[x + k, 530], [x + k * 1.1, 546]], { width: 1.8 });
  // Wire guard across the glass, then the glass.
  hand.line([[x - 92, 468], [x - 40, 484], [x, 488], [x + 40, 484], [x + 92, 468]], { width: 2.6 });
  hand.line([[x - 46, 372], [x - 70, 460], [x - 46, 556]], { width: 2.4 });
  hand.line([[x + 46, 372], [x + 70, 460], [x + 46, 556]], { width: 2.4 });
  const glass: P[] = [[x - 52, 366], [x - 84, 410], [x - 92, 468], [x - 82, 524], [x - 58, 564], [x + 58, 564], [x + 82, 524], [x + 92, 468], [x + 84, 410], [x + 52, 366]];
  hand.line(glass.slice(0, 5), { width: 4.2 });
  hand.line(glass.slice(5), { width: 4.2 });
  hand.line([[x - 76, 430], [x - 80, 466], [x - 74, 502]], { width: 1.8 });
  hand.cover(glass);
  // Collar, font and base.
  hand.line([[x - 66, 564], [x, 576], [x + 66, 564]], { width: 3.6 });
  hand.line([[x - 66, 564], [x - 72, 584]], { width: 3.6 });
  hand.line([[x + 66, 564], [x + 72, 584]], { width: 3.6 });
  hand.line([[x - 72, 584], [x, 598], [x + 72, 584]], { width: 3 });
  for (let k = -3; k <= 3; k++)
    hand.line([[x + k * 18, 572 + (3 - Math.abs(k)) * 1.5], [x + k * 19.5, 590 + (3 - Math.abs(k)) * 1.8]], { width: 1.6 });
  const font: P[] = [[x - 72, 584], [x - 118, 606], [x - 126, 650], [x - 118, 676], [x, 692], [x + 118, 676], [x + 126, 650], [x + 118, 606], [x + 72, 584]];
  hand.oval(x + 84, 616, 18, 12, { width: 3, solid: true });
  hand.line(font, { width: 5 });
  hand.line([[x - 124, 640], [x, 656], [x + 124, 640]], { width: 2.2 });
  hand.line([[x - 112, 614], [x - 60, 622]], { width: 1.8 });
  hand.hatch([[x - 118, 652], [x - 40, 664]], [[x - 112, 674], [x - 38, 684]], 5);
  hand.cover(font);
  // Cap: crown with vents, brim, chimney, ring.
  for (let k = -2; k <= 2; k++) hand.oval(x + k * 20, 326 + Math.abs(k) * -1.5, 6, 9, { width: 2 });
  const brim: P[] = [[x - 78, 352], [x - 60, 342], [x - 58, 312], [x + 58, 312], [x + 60, 342], [x + 78, 352], [x, 374]];
  hand.line([[x - 60, 342], [x - 58, 312]], { width: 4 });
  hand.line([[x + 60, 342], [x + 58, 312]], { width: 4 });
  hand.line([[x - 60, 342], [x, 354], [x + 60, 342]], { width: 2.4 });
  hand.line([[x - 60, 342], [x - 78, 352], [x - 52, 368], [x, 374], [x + 52, 368], [x + 78, 352], [x + 60, 342]], { width: 4.2 });
  hand.line([[x - 70, 314], [x - 52, 284], [x, 270], [x + 52, 284], [x + 70, 314], [x, 324], [x - 70, 314]], { width: 4.4, solid: true });
  hand.covered(() =>
    hand.line([[x - 40, 290], [x - 50, 306]], { width: 1.8 }),
  );
  hand.line([[x - 22, 276], [x - 20, 252], [x + 20, 252], [x + 22, 276]], { width: 3.6, solid: true });
  ring(240, 20, 20, 4);
  hand.cover(brim);
  // Side tubes and the bail.
  for (const s of [-1, 1]) {
    hand.line([[x + s * 122, 650], [x + s * 150, 600], [x + s * 152, 420], [x + s * 132, 340], [x + s * 72, 322]], { width: 4.4 });
    hand.line([[x + s * 116, 616], [x + s * 132, 590], [x + s * 134, 424], [x + s * 116, 358], [x + s * 74, 340]], { width: 3.8 });
    hand.hint(x + s * 143, 500, "enamel", -1);
    const tube: P[] = [[x + s * 122, 650], [x + s * 150, 600], [x + s * 152, 420], [x + s * 132, 340], [x + s * 72, 322], [x + s * 74, 340], [x + s * 116, 358], [x + s * 134, 424], [x + s * 132, 590], [x + s * 116, 616]];
    hand.cover(tube);
    hand.oval(x + s * 144, 398, 9, 9, { width: 2.6, solid: true });
  }
  hand.line([[x - 146, 392], [x - 168, 300], [x - 110, 210], [x, 168], [x + 110, 210], [x + 168, 300], [x + 146, 392]], { width: 3.2 });
  hand.hint(x, 640, "enamel");
  hand.hint(x, 470, "lamp-glow");
}

function beam(hand: Hand): void {
  const x = MIDDLE;
  hand.line([[x + 4, 116], [x + 6, 150], [x + 18, 168], [x + 4, 184], [x - 10, 174]], { width: 4.4 });
  hand.line([[x - 4, 116], [x - 4, 152], [x + 6, 168]], { width: 3.2 });
  hand.line([[20, 50], [300, 44], [640, 52], [980, 46]], { width: 5 });
  hand.line([[20, 116], [340, 122], [660, 114], [980, 120]], { width: 5 });
  hand.line([[20, 50], [20, 116]], { width: 5 });
  hand.line([[980, 46], [980, 120]], { width: 5 });
  grain(
    hand,
    [[40, 52], [960, 52]],
    [[40, 116], [960, 116]],
    4,
    true,
  );
  grain(
    hand,
    [[40, 52], [420, 52]],
    [[40, 116], [420, 116]],
    3,
    true,
  );
  hand.hint(760, 84, "rain-barrel");
  hand.cover([[20, 50], [300, 44], [640, 52], [980, 46], [980, 120], [660, 114], [340, 122], [20, 116]]);
}

function can(hand: Hand): void {
  hand.line([[756, 876], [750, 800], [770, 790], [870, 790], [890, 800], [884, 876]], { width: 4.4 });
  hand.line([[756, 876], [820, 888], [884, 876]], { width: 4.4 });
  hand.oval(820, 794, 68, 15, { width: 3.6 });
  hand.line([[752, 830], [820, 842], [888, 830]], { width: 2 });
  hand.line([[754, 852], [820, 864], [886, 852]], { width: 2 });
  hand.line([[760, 792], [776, 744], [826, 730], [872, 748], [882, 794]], { width: 4 });
  hand.line([[774, 786], [788, 756], [826, 746], [860, 758], [868, 786]], { width: 3 });
  hand.cover([[756, 876], [750, 800], [770, 784], [870, 784], [890, 800], [884, 876], [820, 888]]);
  hand.line([[752, 856], [706, 800], [676, 752]], { width: 4 });
  hand.line([[752, 822], [720, 784], [694, 742]], { width: 3.6 });
  hand.line([[664, 764], [708, 730], [700, 720], [656, 752], [664, 764]], { width: 3.4 });
  hand.cover([[752, 856], [706, 800], [676, 752], [664, 764], [656, 752], [700, 720], [708, 730], [694, 742], [720, 784], [752, 822]]);
  hand.hint(820, 820, "morning-sky", -2);
}

function shelf(hand: Hand): void {
  pot(hand, 748, 432, 84, 76, 2.8);
  pot(hand, 748, 372, 76, 56, 2.8);
  seedling(hand, [748, 314], 62, 2, 38, 2.2);
  // A jar of labels.
  for (let k = 0; k < 4; k++) {
    const x = 820 + k * 13;
    const top = 318 + (k % 2) * 16;
    hand.line([[x, 372], [x - 6 + k * 4, top + 10], [x - 1 + k * 4, top], [x + 6 + k * 4, top + 9], [x + 9, 372]], { width: 2, solid: true, wobble: 0.4 });
    hand.hint(x + 3 + k * 2, 350, "seed-paper", 1);
  }
  hand.oval(843, 372, 34, 8, { width: 2.6, solid: true });
  hand.line([[809, 372], [812, 426], [843, 434], [874, 426], [877, 372]], { width: 3 });
  hand.line([[816, 392], [843, 399], [870, 392]], { width: 1.8 });
  hand.cover([[809, 372], [812, 426], [843, 434], [874, 426], [877, 372]]);
  pot(hand, 924, 432, 66, 58, 2.6);
  hand.line([[690, 436], [840, 440], [978, 434]], { width: 4 });
  hand.line([[690, 460], [840, 464], [978, 458]], { width: 4 });
  hand.line([[690, 436], [688, 448], [690, 460]], { width: 4 });
  grain(
    hand,
    [[700, 440], [970, 438]],
    [[700, 460], [970, 458]],
    3,
    false,
  );
  hand.cover([[690, 436], [840, 440], [978, 434], [978, 458], [840, 464], [690, 460]]);
  for (const x of [726, 930]) {
    hand.line([[x, 462], [x + 2, 528], [x + 14, 532], [x + 16, 520], [x + 44, 463]], { width: 3.2 });
    hand.line([[x + 13, 462], [x + 14, 508], [x + 32, 463]], { width: 2.2 });
    hand.cover([[x, 462], [x + 2, 528], [x + 14, 532], [x + 16, 520], [x + 44, 463]]);
  }
  hand.hint(760, 448, "rain-barrel", 1);
}

function rope(hand: Hand): void {
  hand.oval(858, 566, 7, 7, { width: 3, solid: true });
  for (const [k, r] of [[0, 44], [1, 52], [2, 60]]) {
    hand.oval(858 + k * 2, 624, r, r + 12, { width: 2.8 });
  }
  for (let k = 0; k < 9; k++) {
    const a = k * 40 + 6;
    hand.line([onOval(858, 624, 46, 57, a), onOval(860, 624, 60, 71, a + 7)], { width: 1.5, wobble: 0.3 });
  }
  hand.line([[842, 566], [850, 590], [872, 588], [874, 562], [858, 556], [842, 566]], { width: 2.8 });
  hand.cover([...Array(16)].map((_, k) => onOval(860, 624, 62, 74, k * 22.5)));
  hand.hint(860, 568, "seed-paper", -1);
}

function rake(hand: Hand): void {
  hand.line([[286, 880], [306, 540], [322, 250]], { width: 3.4 });
  hand.line([[300, 880], [320, 542], [335, 252]], { width: 3.4 });
  hand.cover([[286, 880], [306, 540], [322, 250], [335, 252], [320, 542], [300, 880]]);
  hand.line([[262, 216], [330, 226], [398, 234], [396, 250], [328, 243], [260, 233], [262, 216]], { width: 3.2, solid: true });
  for (let k = 0; k < 7; k++) {
    const x = 268 + k * 20;
    hand.line([[x - 4, 218 + k * 2.6], [x - 3, 186 + k * 2.6], [x + 4, 180 + k * 2.6], [x + 5, 219 + k * 2.6]], { width: 2.2, solid: true, wobble: 0.3 });
  }
  hand.hint(303, 700, "rain-barrel", 2);
}

function windowOf(hand: Hand): void {
  // On the sill.
  pot(hand, 106, 640, 72, 62, 2.8);
  seedling(hand, [106, 576], 76, 3, 38, 2.2);
  pot(hand, 200, 640, 58, 48, 2.6);
  tuft(hand, 200, 594, 46, 4);
  hand.line([[44, 644], [150, 650], [262, 644]], { width: 4.4 });
  hand.line([[40, 670], [150, 676], [266, 670]], { width: 4.4 });
  hand.line([[44, 644], [36, 656], [40, 670]], { width: 4.4 });
  hand.line([[262, 644], [270, 656], [266, 670]], { width: 4.4 });
  hand.cover([[44, 644], [150, 650], [262, 644], [270, 656], [266, 670], [150, 676], [40, 670], [36, 656]]);
  // Bars and panes.
  const bar = (a: P, b: P, c: P, d: P) => {
    hand.line([a, b], { width: 3 });
    hand.line([c, d], { width: 3 });
    hand.cover([a, [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2], b, d, [(c[0] + d[0]) / 2, (c[1] + d[1]) / 2], c]);
  };
  bar([148, 372], [148, 644], [160, 372], [160, 646]);
  bar([70, 500], [240, 500], [70, 512], [240, 512]);
  // Outside: moon, hills, a far tree line, stars.
  const pane: P[] = [[70, 372], [70, 420], [70, 640], [155, 642], [240, 640], [240, 420], [240, 372], [155, 371]];
  const out = { inside: pane, wobble: 0.5 };
  hand.oval(204, 420, 20, 20, { ...out, width: 2.6, solid: true });
  for (const [x, y] of [[96, 404], [122, 446], [178, 470], [92, 472]]) {
    hand.ring([[x, y - 7], [x + 2, y - 2], [x + 7, y], [x + 2, y + 2], [x, y + 7], [x - 2, y + 2], [x - 7, y], [x - 2, y - 2]], { ...out, width: 1.8, wobble: 0.1 });
  }
  hand.line([[60, 560], [110, 540], [170, 552], [250, 530]], { ...out, width: 2.6 });
  hand.cover([[60, 560], [110, 540], [170, 552], [250, 530], [250, 650], [60, 650]]);
  hand.line([[60, 534], [84, 520], [100, 530], [124, 512], [140, 528], [176, 518], [196, 530], [250, 514]], { ...out, width: 2.2 });
  for (const [inset, width] of [[0, 4.4], [18, 3.4]] as const) {
    const l = 52 + inset;
    const r = 258 - inset;
    const t = 354 + inset;
    hand.line([[l, 644], [l - 1, 500], [l, t]], { width });
    hand.line([[r, 644], [r + 1, 500], [r, t]], { width });
    hand.line([[l, t], [155, t - 2], [r, t]], { width });
  }
  hand.line([[52, 354], [70, 372]], { width: 2 });
  hand.line([[258, 354], [240, 372]], { width: 2 });
  hand.cover([[52, 354], [155, 352], [258, 354], [259, 500], [258, 644], [155, 644], [52, 644], [51, 500]]);
  hand.hint(110, 430, "dusk");
}

function sack(hand: Hand): void {
  const shape: P[] = [[70, 900], [58, 820], [76, 744], [110, 722], [188, 720], [222, 744], [238, 820], [226, 900], [150, 910]];
  hand.line([[104, 724], [120, 700], [146, 710], [166, 696], [190, 722]], { width: 3.4 });
  hand.line([[108, 730], [148, 738], [190, 728]], { width: 2.8 });
  hand.line([[108, 740], [148, 748], [190, 738]], { width: 2.2 });
  hand.ring(shape, { width: 4.6 });
  for (const [a, b, c] of [
    [[120, 752], [112, 790], [120, 830]],
    [[150, 756], [152, 800], [144, 846]],
    [[182, 750], [194, 792], [188, 840]],
    [[92, 780], [86, 830], [96, 872]],
    [[212, 786], [218, 834], [208, 876]],
  ] as P[][]) {
    hand.line([a, b, c], { width: 2 });
  }
  hand.oval(150, 862, 38, 22, { width: 2.4 });
  hand.hatch([[74, 800], [78, 890]], [[94, 806], [96, 894]], 8);
  hand.cover([[104, 726], [120, 700], [146, 710], [166, 696], [190, 724], [222, 744], [238, 820], [226, 900], [150, 910], [70, 900], [58, 820], [76, 744]]);
  hand.hint(150, 800, "seed-paper", -2);
}

function web(hand: Hand): void {
  const o: P = [978, 122];
  const ends: P[] = [[978, 262], [930, 250], [886, 214], [858, 166], [846, 122]];
  for (const end of ends) hand.line([o, end], { width: 1.6, wobble: 0.3 });
  for (const r of [0.35, 0.62, 0.86]) {
    for (let k = 0; k + 1 < ends.length; k++) {
      const on = (p: P): P => [o[0] + (p[0] - o[0]) * r, o[1] + (p[1] - o[1]) * r];
      const [a, b] = [on(ends[k]), on(ends[k + 1])];
      hand.line(
        [a, [(a[0] + b[0]) / 2 + (o[0] - a[0]) * 0.09, (a[1] + b[1]) / 2 + (o[1] - a[1]) * 0.09], b],
        { width: 1.5, wobble: 0.2 },
      );
    }
  }
}

function floor(hand: Hand): void {
  hand.line([[20, 880], [500, 884], [980, 878]], { width: 4 });
  hand.cover([[20, 880], [500, 884], [980, 878], [980, 990], [20, 990]]);
  const vanishing: P = [500, 520];
  for (let k = 0; k <= 8; k++) {
    const x = 20 + k * 120;
    const top: P = [x + (vanishing[0] - x) * 0.22, 882];
    hand.covered(() =>
      hand.line([top, [x, 962]], {
        width: 2.8,
        inside: [[18, 876], [500, 880], [984, 874], [984, 966], [500, 966], [18, 966]],
      }),
    );
  }
  hand.covered(() =>
    hand.line([[20, 962], [500, 966], [980, 962]], { width: 4 }),
  );
  hand.covered(() => {
    hand.line([[20, 880], [20, 962]], { width: 4 });
    hand.line([[980, 878], [980, 962]], { width: 4 });
  });
  hand.hint(420, 920, "rain-barrel", -2);
}

function wall(hand: Hand): void {
  hand.line([[20, 50], [20, 460], [20, 880]], { width: 4.6 });
  hand.line([[980, 46], [980, 460], [980, 880]], { width: 4.6 });
  const edges = [20, 140, 262, 384, 500, 622, 744, 862, 980];
  for (const x of edges.slice(1, -1))
    hand.line([[x, 118], [x + 3, 480], [x - 2, 882]], { width: 2.6 });
  edges.slice(0, -1).forEach((x, i) => {
    const right = edges[i + 1];
    grain(
      hand,
      [[x + 8, 130], [x + 8, 870]],
      [[right - 8, 130], [right - 8, 870]],
      1,
      i % 2 === 0,
      1.3,
    );
    hand.hint(x + 50, 700, "dusk", -1);
    hand.hint(x + 50, 140, "dusk", -1);
  });
}
