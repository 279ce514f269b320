/** How the coloured demo drawings are finished: what is put right, patterned, shaded, and their second colourways. */
import { readFileSync } from "node:fs";
import { signed } from "../../app/desk/deliver/signing.ts";
import { NO_TURN } from "../../core/colour/colourways.ts";
import { Lettering } from "../../core/deliver/lettering.ts";
import type { Drawing, Form, Paint, Rim, Stroke } from "../../core/drawing/drawing.ts";
import type { Edit } from "../../core/drawing/history.ts";
import { setGroundShadow, setMade } from "../../core/drawing/light-edits.ts";
import { setSticker } from "../../core/drawing/page-edits.ts";
import { setBands } from "../../core/drawing/patterns.ts";
import { addShape } from "../../core/drawing/shape-edits.ts";
import { distance } from "../../core/geometry/point.ts";
import { ellipse } from "../../core/lines/figures.ts";
import { BOOT_SHADES } from "./boot.ts";
import type { Finish } from "./colour.ts";
import type { P } from "./hand.ts";

const paint = (colour: string, step = 0) => ({ colour, step });
const WOOD = paint("rain-barrel", 2);

/** One tone, a step deeper, away from the lamp. */
const FORM: Form = { tones: 1, deeper: 1, roundness: 1, reach: 0.5 };

/** A narrow light two steps up along the edge that faces the lamp. */
const RIM: Rim = { deeper: -2, width: 9, gap: 4 };

export const BOOT_FINISH: Finish = {
  nib: { name: "swell", times: 1.7 },
  shades: BOOT_SHADES,
  mended: [[[535, 488], paint("potting-soil")]],
  form: FORM,
  unlit: BOOT_SHADES.map(({ seed }) => seed),
  after: (_, drawing) => [
    setMade("rim", Object.keys(drawing.pours).filter((id) => drawing.pours[id].paint), RIM),
    setGroundShadow({ kind: "ellipse", paint: paint("dusk"), opacity: 0.28, soft: 6 }),
  ],
  way: { name: "October", turn: { ...NO_TURN, hue: -58, chroma: 1.1 } },
};

/** What is flat, and so has no form of its own. */
const BOARDS: readonly P[] = [
  [504, 731], [386, 802], [446, 870], [232, 870], [654, 871], [892, 901], [138, 902], [692, 721], [360, 930], [895, 806],
  [662, 916], [232, 920], [139, 719], [859, 865],
];
const CLOTH: readonly P[] = [[747, 827], [801, 805], [837, 883]];
const PACKET: readonly P[] = [[777, 666], [824, 548]];

/** Thrown by the edge of the table on what stands beneath it. */
const UNDER_EDGE: readonly P[] = [[60, 826], [940, 826], [940, 858], [760, 866], [520, 872], [280, 866], [60, 860]];

const dusk = (seed: P, points: readonly P[], opacity = 0.42) => ({ seed, points, colour: "dusk", opacity });

export const KETTLE_FINISH: Finish = {
  nib: { name: "swell", times: 1.35 },
  shades: [
    dusk([480, 640], [[600, 440], [690, 440], [720, 720], [540, 730], [600, 690], [636, 600], [626, 520]]),
    dusk([190, 670], [[240, 590], [300, 590], [290, 730], [236, 724], [250, 660]]),
    dusk([860, 670], [[880, 620], [940, 620], [930, 720], [884, 710], [896, 660]]),
    ...[[446, 870], [232, 870], [654, 871], [892, 901], [138, 902]].map(([x, y]) => dusk([x, y], UNDER_EDGE, 0.5)),
    dusk([504, 731], [[400, 700], [560, 722], [690, 700], [760, 716], [740, 738], [600, 752], [440, 738]], 0.38),
    dusk([504, 731], [[150, 712], [220, 722], [300, 700], [330, 716], [260, 734], [180, 732]], 0.38),
    dusk([386, 802], [[420, 772], [660, 768], [690, 776], [640, 790], [430, 788]], 0.38),
    dusk([777, 666], [[800, 540], [850, 548], [840, 720], [790, 712], [812, 640]], 0.16),
  ],
  mended: [
    [[523, 383], null],
    [[313, 690], null],
    [[248, 434], null],
    [[223, 426], null],
    [[862, 573], null],
    [[268, 446], paint("enamel", 1)],
    [[273, 460], paint("enamel", -2)],
    [[119, 707], WOOD],
    [[660, 706], WOOD],
    [[700, 716], WOOD],
    [[870, 712], WOOD],
  ],
  cloths: [
    {
      at: [[770, 820], [740, 800], [810, 830], [850, 830]],
      pattern: { kind: "stripes", size: 22, turn: 4, share: 0.36, paint: paint("seed-paper") },
    },
  ],
  loops: [{ points: [[190, 688], [470, 688], [470, 722], [190, 722]], paint: WOOD }],
  form: { ...FORM, shine: 0.3 },
  unlit: [...BOARDS, ...CLOTH, ...PACKET],
  after: (at, drawing) => [
    ...at([197, 664]).map((id) => setBands(id, { line: lineNear(drawing, [197, 611]), bands: POT_BANDS })),
    ...at([524, 693]).map((id) => setBands(id, { line: lineNear(drawing, [524, 683]), bands: BASE_BANDS })),
  ],
  way: { name: "Evening", turn: { ...NO_TURN, hue: -18, chroma: 0.85, middle: 0.46, white: 0.92 } },
};

const POT_BANDS = [
  { width: 16, paint: paint("terracotta") },
  { width: 12, paint: paint("seed-paper") },
  { width: 7, paint: paint("terracotta") },
  { width: 5, paint: paint("seed-paper") },
];
const BASE_BANDS = [
  { width: 8, paint: paint("seed-paper") },
  { width: 8, paint: paint("radish") },
];
/** The id of the line whose points come nearest to a place. */
function lineNear({ strokes }: Drawing, at: P): string {
  const gap = ({ points }: Stroke) => {
    let least = Number.POSITIVE_INFINITY;
    for (let i = 0; i < points.length; i += 2) least = Math.min(least, distance(at, [points[i], points[i + 1]]));
    return least;
  };
  return Object.values(strokes).reduce((best, one) => (gap(one) < gap(best) ? one : best)).id;
}

/** Written in the hand that ships with the application, in the corner where Sign puts it. */
function signature(drawing: Drawing, words: string): Edit {
  const font = new Lettering(new Uint8Array(readFileSync(HAND)).buffer);
  return signed(drawing, { chains: font.words(words).chains, words, hand: "hand" }, paint("lamp-black"), 1)!.edit;
}

const HAND = "node_modules/@fontsource/caveat/files/caveat-latin-500-normal.woff";

/** Staves and hoops are round as one. */
const BARREL: Form = { tones: 2, deeper: 1, roundness: 1, reach: 0.6, cloth: "barrel" };

const pouredIn = ({ pours }: Drawing, ...colours: readonly string[]): string[] =>
  Object.values(pours)
    .filter(({ paint: own }) => own && colours.includes(own.colour))
    .map(({ id }) => id);

export const SNAIL_FINISH: Finish = {
  trim: 30,
  nib: { name: "swell", times: 1.4 },
  shades: [
    {
      points: [[440, 150], [640, 170], [650, 330], [520, 360], [590, 300], [580, 220]],
      seed: [525, 262],
      colour: "terracotta",
      opacity: 0.35,
    },
  ],
  mended: [
    [[600, 356], paint("seed-paper", -1)],
    [[472, 700], paint("rain-barrel", 1)],
    [[433, 705], paint("rain-barrel")],
    [[467, 735], paint("marigold", -1)],
    [[462, 905], paint("rain-barrel", 1)],
    [[739, 411], paint("rain-barrel")],
    [[778, 608], paint("rain-barrel")],
    [[750, 540], paint("rain-barrel", 1)],
    [[783, 767], paint("deep-fern")],
    [[817, 756], null],
    [[325, 398], paint("morning-sky")],
    [[620, 400], paint("morning-sky")],
  ],
  loops: [
    {
      points: [[404, 240], [409, 300], [432, 345], [480, 374], [530, 379], [590, 352], [600, 330], [530, 338], [470, 320], [444, 275], [446, 250], [425, 236]],
      paint: paint("seed-paper", -1),
    },
  ],
  form: { ...FORM, tones: 2, reach: 0.6, shine: 0.25 },
  after: (at, drawing) => [
    setMade("form", pouredIn(drawing, "rain-barrel", "enamel"), BARREL),
    setMade("rim", at([525, 262]), RIM),
    setSticker({ width: 24, paint: paint("seed-paper") }),
    signature(drawing, "Almanac"),
  ],
  way: { name: "After the rain", turn: { ...NO_TURN, hue: 150, chroma: 0.75, black: 0.06, white: 0.96 } },
};

/** The flame, as shares of the page: all in the shed is lit by it. */
const FLAME = [0.51, 0.47] as const;
const BOARD = paint("dusk", -1);
const FRAME = paint("rain-barrel", -1);

const all = (places: readonly P[], own: Paint): [P, Paint][] => places.map((at) => [at, own]);

/** Walls and floor are flat: light falls off over them, and they have no form. */
const flatBoards = ({ pours }: Drawing): string[] =>
  Object.values(pours)
    .filter(({ paint: own }) => own?.colour === "dusk" || (own?.colour === "rain-barrel" && own.step < -1))
    .map(({ id }) => id);

export const LANTERN_FINISH: Finish = {
  shades: [],
  mended: [
    ...all(
      [
        [370, 300], [440, 230], [480, 230], [640, 300], [660, 330], [780, 200], [800, 180], [890, 250], [900, 220], [815, 540],
        [625, 420], [632, 480], [640, 500], [405, 500], [392, 520], [400, 580], [285, 500], [300, 420], [290, 700], [950, 300], [955, 260], [860, 630],
        [855, 640], [820, 765], [612, 380], [408, 380], [325, 595], [267, 380], [770, 480], [805, 500], [800, 590],
        [250, 450], [960, 700], [441, 372], [846, 620],
      ],
      BOARD,
    ),
    ...all([[80, 930], [190, 930], [350, 930], [450, 930], [550, 930]], paint("rain-barrel", -2)),
    ...all([[650, 930], [760, 930], [880, 930], [960, 910]], paint("rain-barrel", -2)),
    ...all([[62, 480], [62, 600], [155, 362], [57, 640]], FRAME),
    ...all([[154, 450], [154, 590], [110, 506], [210, 506]], paint("rain-barrel")),
    [[215, 470], paint("dusk")],
    [[110, 390], paint("dusk")],
    [[204, 420], paint("lamp-glow", 2)],
    ...all([[100, 528], [170, 526], [220, 522], [90, 525]], paint("frond", -2)),
    ...all([[110, 560], [180, 560], [230, 560], [235, 630], [220, 570]], paint("frond", -3)),
    [[150, 660], paint("rain-barrel", 1)],
    [[150, 712], paint("seed-paper", -4)],
    [[275, 228], paint("rain-barrel", 1)],
    [[392, 240], paint("rain-barrel", 1)],
    [[332, 252], paint("seed-paper")],
    ...all([[510, 300], [460, 350], [575, 350]], paint("enamel", 1)),
    ...all([[470, 322], [490, 323], [510, 325], [532, 324], [550, 319], [470, 320]], paint("potting-soil", -1)),
    ...all([[433, 505], [590, 505], [440, 520], [580, 520], [455, 545], [565, 545]], paint("lamp-glow", -1)),
    [[510, 540], paint("marigold", -1)],
    [[510, 420], paint("marigold", 1)],
    [[510, 480], paint("lamp-glow", 3)],
    [[594, 616], paint("marigold")],
    ...all([[812, 630], [804, 632], [908, 660], [918, 630]], paint("seed-paper", -1)),
    [[680, 742], paint("morning-sky", -3)],
    [[738, 500], FRAME],
    ...all([[480, 620], [455, 575]], paint("enamel")),
    ...all([[40, 905]], paint("rain-barrel", -2)),
    ...all([[823, 352]], paint("seed-paper", 1)),
    ...all([[780, 200]], BOARD),
  ],
  loops: [{ points: [[690, 438], [760, 438], [840, 441], [978, 436], [978, 458], [840, 463], [760, 461], [690, 460]], paint: WOOD }],
  form: { tones: 2, deeper: 1, roundness: 0.9, reach: 0.55 },
  lamp: { at: FLAME, height: 0.16, far: false },
  after: (_, drawing) => [
    setMade("form", flatBoards(drawing), null),
    addShape({
      id: "glow",
      sheet: "light",
      outline: [ellipse([510, 470], 400, 400)],
      evenOdd: false,
      paint: paint("lamp-glow"),
      opacity: 0.8,
      blend: "screen",
      trim: "coloured",
      gradient: {
        cloth: "glow",
        kind: "radial",
        from: [510, 470],
        to: [910, 470],
        mix: "oklch",
        stops: [
          { at: 0, paint: paint("lamp-glow"), opacity: 0.75 },
          { at: 0.25, paint: paint("marigold"), opacity: 0.4 },
          { at: 1, paint: paint("terracotta", -2), opacity: 0 },
        ],
      },
    }),
  ],
  way: { name: "Full moon", turn: { ...NO_TURN, hue: 24, chroma: 0.7, middle: 0.45 } },
};
