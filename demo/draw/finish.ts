/** How the coloured demo drawings are finished: what is put right, patterned, shaded, and their second colourways. */
import { NO_TURN } from "../../core/colour/colourways.ts";
import type { Form } from "../../core/drawing/drawing.ts";
import { BOOT_SHADES } from "./boot.ts";
import type { Finish } from "./colour.ts";

const paint = (colour: string, step = 0) => ({ colour, step });
const WOOD = paint("rain-barrel", 2);

/** One tone, a step deeper, away from the lamp. */
const FORM: Form = { tones: 1, deeper: 1, roundness: 1, reach: 0.5 };

export const BOOT_FINISH: Finish = {
  shades: BOOT_SHADES,
  form: FORM,
  unlit: BOOT_SHADES.map(({ seed }) => seed),
  way: { name: "October", turn: { ...NO_TURN, hue: -58, chroma: 1.1 } },
};

export const KETTLE_FINISH: Finish = {
  shades: [
    {
      points: [[600, 440], [690, 440], [720, 720], [540, 730], [600, 690], [636, 600], [626, 520]],
      seed: [480, 640],
      colour: "dusk",
      opacity: 0.45,
    },
    {
      points: [[240, 590], [300, 590], [290, 730], [236, 724], [250, 660]],
      seed: [190, 670],
      colour: "dusk",
      opacity: 0.4,
    },
    {
      points: [[880, 620], [940, 620], [930, 720], [884, 710], [896, 660]],
      seed: [860, 670],
      colour: "dusk",
      opacity: 0.4,
    },
  ],
  mended: [
    [[524, 340], null],
    [[440, 430], null],
    [[608, 430], null],
    [[237, 562], null],
    [[236, 432], null],
    [[862, 580], paint("frond", -1)],
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
  way: { name: "Evening", turn: { ...NO_TURN, hue: -18, chroma: 0.85, middle: 0.46, white: 0.92 } },
};

export const SNAIL_FINISH: Finish = {
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
  way: { name: "After the rain", turn: { ...NO_TURN, hue: 150, chroma: 0.75, black: 0.06, white: 0.96 } },
};
