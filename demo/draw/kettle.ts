/** An enamel kettle on the potting bench: about a hundred and twenty strokes. */
import { Hand, onOval, type P } from "./hand.ts";
import { grain, pot, seedling } from "./things.ts";

export function drawKettle(): Hand {
  const hand = new Hand([1000, 1000], 27);
  trowel(hand);
  cloth(hand);
  kettle(hand);
  packet(hand);
  pot(hand, 196, 716, 150, 138);
  seedling(hand, [196, 572], 150, 2, 78);
  pot(hand, 872, 700, 104, 92, 3);
  seedling(hand, [872, 606], 84, 2, 52, 2.4);
  steam(hand);
  bench(hand);
  return hand;
}

function kettle(hand: Hand): void {
  const body: P[] = [[386, 704], [366, 640], [374, 556], [420, 486], [476, 452], [572, 452], [626, 486], [676, 560], [684, 640], [662, 704], [524, 716]];
  // Wrapped grip on the bail.
  for (let i = 0; i < 5; i++) {
    const a = onOval(524, 420, 128, 158, -128 + i * 19);
    const b = onOval(524, 420, 104, 132, -128 + i * 19);
    hand.line([a, [(a[0] + b[0]) / 2 + 3, (a[1] + b[1]) / 2], b], { width: 2.6 });
  }
  hand.oval(524, 400, 17, 14, { width: 4, solid: true });
  hand.line([[510, 410], [508, 420]], { width: 3 });
  hand.line([[538, 410], [540, 420]], { width: 3 });
  hand.line([[462, 450], [482, 428], [524, 416], [566, 428], [586, 450]], { width: 4.4 });
  hand.line([[474, 440], [524, 428], [574, 440]], { width: 1.8 });
  hand.arc(524, 450, 64, 14, 0, 180, { width: 3.6 });
  hand.arc(524, 450, 76, 20, 4, 176, { width: 2.6 });
  hand.cover([[462, 450], [482, 428], [524, 416], [566, 428], [586, 450], [524, 468]]);
  flowers(hand);
  hand.line([[372, 668], [450, 686], [524, 690], [600, 686], [678, 668]], { width: 2.8 });
  hand.line([[376, 682], [450, 699], [524, 703], [600, 699], [674, 682]], { width: 2 });
  hand.line([[640, 520], [660, 560], [664, 610]], { width: 2 });
  hand.line([[632, 528], [646, 556]], { width: 1.6 });
  hand.ring(body, { width: 6 });
  hand.cover(body);
  // Ears that hold the bail.
  hand.oval(404, 486, 15, 17, { width: 3.4, solid: true });
  hand.oval(644, 486, 15, 17, { width: 3.4, solid: true });
  hand.arc(524, 420, 128, 158, -208, 28, { width: 4.6 });
  hand.arc(524, 420, 104, 132, -210, 30, { width: 3.8 });
  // Spout.
  hand.oval(268, 446, 24, 10, { width: 3.6, solid: true, turn: -14 });
  hand.line([[246, 452], [272, 520], [312, 590], [372, 626]], { width: 5 });
  hand.line([[291, 440], [306, 486], [336, 524], [384, 546]], { width: 5 });
  hand.line([[262, 476], [284, 480], [302, 470]], { width: 2 });
  hand.cover([[246, 452], [272, 520], [312, 590], [372, 626], [384, 546], [336, 524], [306, 486], [291, 440]]);
  hand.hint(480, 620, "enamel");
  hand.hint(524, 442, "enamel", 1);
  hand.hint(524, 400, "rain-barrel");
  hand.hint(310, 540, "enamel");
}

function flowers(hand: Hand): void {
  const spots: P[] = [[452, 590], [528, 612], [602, 588]];
  for (const [x, y] of spots) {
    hand.oval(x, y, 10, 10, { width: 2.4, solid: true });
    for (let k = 0; k < 5; k++) {
      const [px, py] = onOval(x, y, 20, 20, k * 72 - 90);
      hand.oval(px, py, 14, 10, { width: 2.4, turn: k * 72 - 90, solid: true });
      hand.hint(px + (px - x) * 0.3, py + (py - y) * 0.3, "seed-paper");
    }
    hand.line([[x, y + 30], [x + 4, y + 44], [x - 2, y + 58]], { width: 2 });
    hand.hint(x, y, "marigold");
  }
}

function packet(hand: Hand): void {
  const corner = (u: number, v: number): P => [732 + u * 118 - v * 18, 522 + u * 26 + v * 172];
  const edge: P[] = [corner(0, 0), corner(1, 0), corner(1, 1), corner(0, 1)];
  const side = (a: P, b: P, width: number) => hand.line([a, b], { width });
  // The radish on it.
  const [x, y] = corner(0.48, 0.56);
  hand.ring([[x, y - 22], [x + 24, y - 6], [x + 16, y + 20], [x, y + 30], [x - 16, y + 18], [x - 24, y - 6]], { width: 2.6, solid: true });
  hand.line([[x, y + 30], [x - 4, y + 42], [x + 2, y + 54]], { width: 1.8 });
  for (const lean of [-1, 0, 1]) {
    hand.line([[x, y - 20], [x + lean * 14 - 9, y - 44], [x + lean * 26, y - 62], [x + lean * 14 + 9, y - 42], [x + 1, y - 20]], { width: 2.2, solid: true, wobble: 0.4 });
    hand.hint(x + lean * 16, y - 46, "frond");
  }
  hand.line([corner(0.2, 0.14), corner(0.5, 0.12), corner(0.8, 0.15)], { width: 3.4 });
  hand.line([corner(0.3, 0.9), corner(0.7, 0.91)], { width: 2 });
  hand.line([corner(0.08, 0.06), corner(0.92, 0.06), corner(0.92, 0.06)], { width: 1.8 });
  for (const [a, b] of [[0.08, 0.08], [0.92, 0.92]])
    hand.line([corner(a, 0.06), corner(b, 0.95)], { width: 1.8 });
  hand.line([corner(0.08, 0.95), corner(0.92, 0.95)], { width: 1.8 });
  side(edge[0], edge[1], 4);
  side(edge[1], edge[2], 4.6);
  side(edge[2], edge[3], 4.6);
  side(edge[3], edge[0], 4);
  hand.hint(x, y, "radish");
  hand.hint(...corner(0.18, 0.45), "seed-paper");
  hand.hint(...corner(0.04, 0.5), "marigold");
  coverStraight(hand, edge);
}

/** Hides behind straight-sided shapes: corners stay corners. */
function coverStraight(hand: Hand, corners: readonly P[]): void {
  const points = corners.flatMap((a, i) => {
    const b = corners[(i + 1) % corners.length];
    return [0, 0.02, 0.5, 0.98].map((t) => [a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t] as P);
  });
  hand.cover(points);
}

function steam(hand: Hand): void {
  hand.line([[250, 420], [232, 390], [252, 360], [234, 326], [248, 296]], { width: 2.4 });
  hand.line([[278, 416], [268, 384], [286, 354], [270, 316]], { width: 2 });
}

function trowel(hand: Hand): void {
  hand.line([[470, 748], [452, 738], [392, 740], [376, 750], [394, 764], [452, 764], [470, 752]], { width: 3.4, solid: true });
  hand.line([[462, 744], [500, 741], [540, 745]], { width: 3 });
  hand.line([[462, 756], [500, 757], [540, 757]], { width: 3 });
  hand.line([[540, 741], [556, 738], [640, 736], [656, 748], [640, 762], [556, 762], [540, 760], [540, 741]], { width: 3.6, solid: true });
  hand.covered(() => {
    hand.line([[560, 744], [560, 757]], { width: 1.8 });
    hand.line([[630, 742], [630, 757]], { width: 1.8 });
  });
  hand.hint(590, 750, "terracotta");
  hand.hint(420, 752, "morning-sky", -1);
}

function cloth(hand: Hand): void {
  const left: P[] = [[712, 748], [706, 800], [716, 860], [704, 910]];
  const right: P[] = [[846, 750], [856, 800], [850, 856], [866, 900]];
  hand.line(left, { width: 4 });
  hand.line(right, { width: 4 });
  hand.line([[704, 910], [730, 898], [752, 912], [778, 896], [806, 912], [834, 896], [866, 900]], { width: 4 });
  hand.line([[712, 748], [740, 742], [780, 746], [820, 742], [846, 750]], { width: 3.4 });
  for (const [x, sway, foot] of [[748, 8, 908], [784, -6, 899], [818, 7, 906]]) {
    hand.line([[x, 750], [x + sway, 800], [x - sway, 850], [x + 4, foot]], { width: 2.4 });
  }
  hand.hatch([[724, 760], [722, 890]], [[742, 764], [738, 894]], 5);
  hand.hatch([[826, 760], [830, 880]], [[842, 768], [846, 884]], 4);
  hand.hint(780, 800, "radish", 2);
  hand.hint(730, 800, "radish", 2);
  hand.hint(765, 830, "radish", 1);
  hand.hint(800, 830, "radish", 2);
  hand.hint(836, 830, "radish", 1);
  hand.cover([[712, 748], [780, 746], [846, 750], [856, 800], [850, 856], [866, 900], [834, 896], [806, 912], [778, 896], [752, 912], [730, 898], [704, 910], [716, 860], [706, 800]]);
}

function bench(hand: Hand): void {
  hand.line([[70, 782], [400, 790], [930, 782]], { width: 5 });
  hand.line([[70, 828], [400, 836], [930, 828]], { width: 5 });
  hand.line([[70, 782], [66, 806], [70, 828]], { width: 5 });
  hand.line([[930, 782], [934, 806], [930, 828]], { width: 5 });
  grain(
    hand,
    [[90, 790], [900, 790]],
    [[90, 826], [900, 826]],
    2,
    true,
  );
  hand.hint(300, 812, "rain-barrel", 1);
  // Top of the bench, seen from a little above.
  hand.line([[118, 690], [90, 740], [70, 782]], { width: 4.4 });
  hand.line([[900, 690], [916, 740], [930, 782]], { width: 4.4 });
  hand.line([[118, 690], [500, 684], [900, 690]], { width: 3.6 });
  hand.line([[100, 724], [500, 722], [912, 726]], { width: 2.2 });
  hand.hint(320, 745, "rain-barrel", 2);
  hand.hint(330, 705, "rain-barrel", 2);
  // Drawer.
  hand.oval(446, 890, 14, 12, { width: 3.4, solid: true });
  for (const [inset, width] of [[0, 3.6], [14, 2]]) {
    hand.line([[300 + inset, 836], [302 + inset, 940 - inset]], { width });
    hand.line([[592 - inset, 836], [590 - inset, 940 - inset]], { width });
    hand.line([[302 + inset, 940 - inset], [446, 944 - inset], [590 - inset, 940 - inset]], { width });
  }
  hand.hint(446, 890, "marigold", -1);
  hand.hint(360, 880, "rain-barrel");
  hand.hint(308, 890, "rain-barrel", -1);
  for (const x of [112, 866]) {
    hand.line([[x, 834], [x + 3, 968]], { width: 4.6 });
    hand.line([[x + 52, 834], [x + 50, 970]], { width: 4.6 });
    hand.line([[x + 3, 968], [x + 26, 974], [x + 50, 970]], { width: 4.6 });
    grain(
      hand,
      [[x + 8, 840], [x + 8, 960]],
      [[x + 46, 840], [x + 46, 960]],
      1,
      false,
    );
    hand.hint(x + 26, 850, "rain-barrel");
  }
  hand.line([[164, 906], [300, 910]], { width: 3.4 });
  hand.line([[164, 930], [302, 934]], { width: 3.4 });
  hand.line([[592, 910], [700, 908]], { width: 3.4 });
  hand.line([[590, 934], [704, 932]], { width: 3.4 });
  hand.line([[866, 908], [870, 930]], { width: 1.2 });
  hand.hint(230, 920, "rain-barrel");
  hand.hint(640, 920, "rain-barrel");
}
