/** A work boot planted with ferns: about sixty strokes, two honest gaps. */
import type { ShadeGesture } from "./colour.ts";
import { Hand, type P } from "./hand.ts";
import { fiddlehead, frond } from "./leaves.ts";

export function drawBoot(): Hand {
  const hand = new Hand([1000, 1000], 11);
  boot(hand);
  plants(hand);
  ground(hand);
  hints(hand);
  return hand;
}

/** The heel stops short of the welt: the second honest gap. */
const BACK: P[] = [[306, 516], [300, 610], [292, 706], [268, 790], [265, 848]];
const FRONT: P[] = [[548, 512], [548, 590], [566, 652], [620, 700], [716, 728], [790, 772], [818, 832], [814, 872]];

function boot(hand: Hand): void {
  laces(hand);
  // The toe seam below starts short of the upper: the first honest gap.
  hand.line([[452, 566], [462, 622], [494, 688], [556, 738], [600, 752]], { width: 3.4 });
  hand.line([[600, 752], [634, 742], [660, 716]], { width: 3.4 });
  hand.line([[660, 740], [640, 770], [636, 826], [648, 876]], { width: 3.6 });
  hand.line([[294, 700], [352, 718], [384, 776], [376, 874]], { width: 3.4 });
  hand.line(BACK, { width: 6 });
  hand.line(FRONT, { width: 6 });
  // Sole: a welt and a heel block.
  hand.line([[254, 868], [380, 876], [540, 872], [700, 878], [826, 870]], { width: 4.4 });
  hand.line([[254, 868], [250, 892], [258, 932], [330, 938], [400, 934], [412, 908]], { width: 6 });
  hand.line([[250, 894], [340, 900], [412, 903]], { width: 2.6 });
  hand.line([[412, 908], [470, 908], [500, 926], [640, 934], [780, 926], [826, 904], [826, 870]], { width: 6 });
  hand.line([[412, 900], [520, 896], [660, 900], [826, 892]], { width: 2.6 });
  // The collar, its near lip in front of the soil.
  hand.line([[304, 512], [340, 540], [424, 554], [508, 542], [550, 510]], { width: 5 });
  hand.line([[298, 482], [336, 512], [424, 526], [512, 512], [556, 482]], { width: 4.4 });
  hand.line([[298, 482], [296, 500], [304, 514]], { width: 5 });
  hand.line([[556, 482], [558, 498], [549, 514]], { width: 5 });
  hand.cover([[298, 482], [336, 512], [424, 526], [512, 512], [556, 482], [549, 514], [560, 650], [800, 780], [826, 900], [254, 930], [290, 700], [304, 516]]);
  // A pull loop at the heel.
  hand.line([[307, 560], [276, 540], [262, 500], [272, 470], [288, 474], [303, 488]], { width: 3.6 });
  hand.line([[308, 544], [284, 526], [276, 502], [282, 486], [294, 492], [308, 506]], { width: 2.6 });
}

function laces(hand: Hand): void {
  const eyes: P[] = [[474, 590], [486, 630], [512, 672], [552, 706]];
  const ends: P[] = [[548, 574], [552, 616], [570, 654], [600, 684]];
  // A bow over the top pair.
  hand.line([[510, 584], [484, 548], [456, 552], [466, 582], [510, 586]], { width: 2.8, solid: true });
  hand.line([[514, 584], [534, 546], [566, 548], [562, 580], [514, 587]], { width: 2.8, solid: true });
  hand.oval(512, 586, 9, 8, { width: 2.8, solid: true });
  hand.line([[508, 592], [490, 616], [470, 636], [458, 664]], { width: 2.8 });
  hand.line([[516, 592], [526, 612], [522, 640], [534, 662]], { width: 2.8 });
  eyes.forEach(([x, y], i) => {
    const [ex, ey] = ends[i];
    if (i > 0)
      hand.line([[x + 5, y], [(x + ex) / 2, (y + ey) / 2 - 5], [ex, ey]], { width: 2.6 });
    hand.oval(x, y, 6.5, 7, { width: 2 });
  });
}

function plants(hand: Hand): void {
  const greens: [string, number][] = [["frond", 0], ["frond", 1]];
  const deep: [string, number][] = [["deep-fern", 1], ["frond", -1]];
  frond(hand, [[432, 508], [440, 400], [470, 280], [540, 160], [600, 96]], { pairs: 6, leaf: 132, width: 3.6, colours: greens });
  fiddlehead(hand, [470, 506], [548, 398], 30, false, 3.4);
  frond(hand, [[392, 506], [368, 410], [306, 312], [226, 240], [150, 220]], { pairs: 4, leaf: 128, width: 3.4, colours: greens });
  frond(hand, [[478, 504], [556, 420], [652, 360], [752, 338], [836, 356]], { pairs: 4, leaf: 120, width: 3.4, colours: deep });
  // Soil heaped behind the lip.
  hand.line([[298, 484], [330, 462], [380, 468], [420, 452], [470, 464], [520, 456], [556, 484]], { width: 3.2 });
}

function ground(hand: Hand): void {
  hand.line([[120, 936], [180, 930], [256, 934]], { width: 3 });
  hand.line([[800, 922], [860, 930], [912, 926]], { width: 3 });
  hand.line([[180, 952], [320, 956], [520, 952], [700, 958], [860, 948]], { width: 2 });
}

function hints(hand: Hand): void {
  hand.hint(400, 640, "rain-barrel");
  hand.hint(330, 800, "rain-barrel", -1);
  hand.hint(740, 800, "rain-barrel", -1);
  hand.hint(560, 820, "rain-barrel");
  hand.hint(420, 540, "rain-barrel", 1);
  hand.hint(268, 505, "rain-barrel", 1);
  hand.hint(290, 515, "seed-paper", -2);
  hand.hint(420, 490, "potting-soil");
  hand.hint(345, 484, "potting-soil");
  hand.hint(510, 484, "potting-soil");
  hand.hint(420, 462, "potting-soil");
  hand.hint(460, 480, "potting-soil");
  hand.hint(600, 916, "potting-soil", -1);
  hand.hint(330, 884, "potting-soil", 1);
  hand.hint(330, 920, "potting-soil", -1);
}

/** The coloured boot's shade, away from a light at the upper left; drawn freely over the lines, since each is trimmed to its pocket. */
export const BOOT_SHADES: readonly ShadeGesture[] = [
  shade([520, 850], [[368, 890], [374, 838], [430, 858], [530, 858], [600, 826], [640, 768], [680, 740], [664, 890]]),
  shade([780, 850], [[846, 780], [812, 838], [742, 862], [644, 866], [630, 900], [846, 900]]),
  shade([360, 850], [[394, 778], [368, 842], [320, 860], [258, 858], [256, 892], [396, 892]]),
  shade([520, 534], [[520, 534], [560, 500], [560, 545], [300, 560], [300, 520], [420, 546]]),
  shade([720, 916], [[720, 916], [840, 900], [830, 950], [460, 950], [450, 916], [600, 924]]),
];

function shade(seed: P, points: readonly P[]): ShadeGesture {
  return { seed, points, colour: "dusk", opacity: 0.42 };
}
