/** PDF beside our own SVG, as programs draw both that nobody here wrote. */
import { readFileSync } from "node:fs";
import { Resvg } from "@resvg/resvg-js";
import { describe, expect, it } from "vitest";
import { BLENDS } from "../../drawing/drawing.ts";
import { DrawingReader } from "../../pockets/drawing-reader.ts";
import type { Item, ItemPaint, PaintStop, ScenePart, SceneSheet } from "../../scene/items.ts";
import { derive, type Scene, sceneOf } from "../../scene/scene.ts";
import { readDrawingFile } from "../drawing-file.ts";
import { writeSvg } from "../svg-write.ts";
import { writePdf } from "./pdf-write.ts";
import {
  differenceOf,
  drawnBy,
  halved,
  PDF_READERS,
  type Picture,
  problemsOf,
  rgbOf,
  uncompressed,
} from "./readers.ts";

const WIDTH = 500;

function sceneIn(file: string): Scene {
  const drawing = readDrawingFile(readFileSync(file, "utf8"));
  const pockets = new DrawingReader().read(drawing).pockets.filter(({ hidden }) => !hidden);
  return sceneOf(drawing, derive(drawing, pockets));
}

const ours = (scene: Scene): Picture =>
  halved(rgbOf(new Resvg(writeSvg(scene), { fitTo: { mode: "width", value: 2 * WIDTH } }).render().asPng()));

const tone = (value: string, opacity?: number) => ({
  value,
  variable: `c${value.slice(1)}`,
  ...(opacity === undefined ? {} : { opacity }),
});
const [LEAF, RED, SUN, NIGHT] = ["#6f9a4a", "#c33d58", "#f0d080", "#203050"].map((value) => tone(value));
const plain = (one: typeof LEAF): ItemPaint => ({ kind: "tone", tone: one });
const stop = (at: number, one: typeof LEAF, opacity = 1): PaintStop => ({ at, tone: one, opacity });
const gradient = (
  shape: "linear" | "radial",
  space: readonly [number, number, number, number, number, number],
  stops: readonly PaintStop[],
  focus = 0,
): ItemPaint => ({ kind: "gradient", shape, base: LEAF, space, focus, stops });

const square = (x: number, y: number, side: number) => [
  ...[x, y, x, y, x + side, y, x + side, y],
  ...[x + side, y, x + side, y + side, x + side, y + side],
  ...[x + side, y + side, x, y + side, x, y + side],
  ...[x, y + side, x, y, x, y],
];
let count = 0;
const region = (
  x: number,
  y: number,
  side: number,
  paint: ItemPaint,
  effects: Item["effects"] = {},
): Item => ({
  id: `i${count++}`,
  says: { is: "over" },
  area: { kind: "region", chains: [square(x, y, side)], evenOdd: false },
  paint,
  effects,
});
const sheet = (name: SceneSheet["name"], items: readonly Item[], opacity = 1): SceneSheet => ({
  name,
  items,
  opacity,
});
const part = (id: string, sheets: readonly SceneSheet[], hides: ScenePart["hides"] = []): ScenePart => ({
  id,
  name: id,
  sheets,
  hides,
});

/** Everything an item can be, side by side in a square of 100. */
const ALL: Scene = {
  title: "All & sundry",
  box: { x: 0, y: 0, width: 100, height: 100 },
  tones: [LEAF, RED, SUN, NIGHT],
  ways: [],
  parts: [
    part("back", [
      sheet("flats", [
        region(4, 4, 92, plain(SUN)),
        region(
          5,
          60,
          14,
          gradient("linear", [14, 0, 0, 14, 5, 60], [stop(0, LEAF), stop(0.3, RED), stop(1, NIGHT)]),
        ),
        region(21, 60, 14, gradient("radial", [10, 0, 0, 6, 28, 67], [stop(0, RED), stop(1, NIGHT)], 0.5)),
        region(37, 60, 14, gradient("linear", [10, 10, -5, 5, 37, 60], [stop(0, NIGHT, 0), stop(1, NIGHT)])),
        region(53, 60, 14, gradient("radial", [7, 0, 0, 7, 60, 67], [stop(0.2, LEAF), stop(0.9, RED, 0.2)]), {
          blend: "multiply",
        }),
      ]),
      sheet("shade", [
        ...BLENDS.map((blend, k) =>
          region(6 + 9 * k, 8, 7, plain(k % 2 ? LEAF : RED), { blend, opacity: 0.8 }),
        ),
        region(8, 24, 14, plain(NIGHT), { blur: 1.5 }),
        region(30, 24, 14, plain(NIGHT), {
          blur: 2.5,
          clip: [square(34, 20, 16)],
          blend: "multiply",
          opacity: 0.7,
        }),
        region(54, 24, 14, gradient("linear", [14, 0, 0, 14, 54, 24], [stop(0, RED), stop(1, NIGHT)]), {
          blur: 1,
        }),
        region(76, 24, 14, gradient("linear", [14, 0, 0, 14, 76, 24], [stop(0, RED, 0), stop(1, NIGHT)]), {
          blur: 1,
          clip: [square(74, 22, 12)],
        }),
      ]),
      sheet("light", [region(6, 44, 10, plain(LEAF)), region(11, 47, 10, plain(LEAF))], 0.5),
    ]),
    part(
      "front",
      [
        sheet("flats", [
          region(72, 62, 20, plain(LEAF), { seam: { chains: [[72, 62, 72, 62, 92, 62, 92, 62]], width: 2 } }),
        ]),
        sheet("ink", [
          {
            ...region(0, 0, 1, plain(NIGHT)),
            area: {
              kind: "line",
              points: [8, 88, 30, 70, 60, 106, 94, 86],
              closed: false,
              width: 3,
              cap: "round",
              join: "miter",
              miterLimit: 4,
              dash: [8, 5],
              dashOffset: 2,
            },
          },
        ]),
      ],
      [square(72, 58, 24)],
    ),
  ],
};

const unblended = (scene: Scene): Scene => ({
  ...scene,
  parts: scene.parts.map((one) => ({
    ...one,
    sheets: one.sheets.map(({ items, ...rest }) => ({
      ...rest,
      items: items.map(({ effects: { blend: _, ...effects }, ...item }) => ({ ...item, effects })),
    })),
  })),
});

describe("a PDF", () => {
  const cases: [string, () => Scene][] = [
    ["every effect", () => ALL],
    ["a bit of everything", () => sceneIn("core/formats/saved/bed-7.fern")],
    ["the lit boot", () => sceneIn("demo/almanac-boot-coloured.fern")],
    ["the lit lantern", () => sceneIn("demo/almanac-lantern-coloured.fern")],
    ["the lit snail", () => sceneIn("demo/almanac-snail-coloured.fern")],
  ];

  it.each(cases)("is drawn by other programs as our SVG is: %s", async (_, make) => {
    const scene = make();
    const pdf = await writePdf(scene, { widthInches: 4, ppi: 300 });
    expect(problemsOf(pdf)).toBe("");
    const picture = ours(scene);
    for (const reader of PDF_READERS) {
      const { mean, apart } = differenceOf(halved(drawnBy(reader, pdf, 2 * WIDTH)), picture);
      expect(mean, reader).toBeLessThan(2);
      expect(apart, reader).toBeLessThan(0.001);
    }
  });

  it("is the same from the same, without fonts, with pictures of soft edges alone", async () => {
    const wish = { widthInches: 4, ppi: 300 };
    const pdf = await writePdf(ALL, wish);
    expect(Buffer.from(await writePdf(ALL, wish)).equals(Buffer.from(pdf))).toBe(true);
    const text = uncompressed(pdf);
    expect(text).not.toContain("/Font");
    expect(text.match(/\/Subtype \/Image/g)).toHaveLength(4);
    expect(text).toContain("/Title");
    const sharp = { ...ALL, parts: [part("front", [sheet("flats", [region(1, 1, 5, plain(LEAF))])])] };
    expect(uncompressed(await writePdf(sharp, wish))).not.toContain("/Image");
  });

  it("has its page trimmed out of what bleeds", async () => {
    const pdf = await writePdf(ALL, { widthInches: 4, bleedInches: 0.125, ppi: 300 });
    expect(problemsOf(pdf)).toBe("");
    const text = uncompressed(pdf).replace(/\s+/g, " ");
    expect(text).toContain("/MediaBox [ 0 0 306 306 ]");
    expect(text).toContain("/TrimBox [ 9 9 297 297 ]");
    expect(text).toContain("/BleedBox [ 0 0 306 306 ]");
    // 4 of 100 lie beside the colour; with the bleed 9 points more.
    const { width, pixels } = drawnBy("poppler", pdf, 306);
    const at = (x: number, y: number) => [...pixels.subarray(3 * (y * width + x), 3 * (y * width + x) + 3)];
    expect([at(16, 150), at(26, 22)]).toEqual([
      [255, 255, 255],
      [240, 208, 128],
    ]);
  });

  // Where colours blend, inks blend each by itself (ISO 32000-1, 11.7.4.2): as they would on a press.
  it("prints tin colours as inks of their names, and looks the same where they do not blend", async () => {
    const names = new Map([
      [LEAF, "Frond"],
      [RED, "Größe #1"],
    ]);
    const wish = { widthInches: 4, ppi: 300 };
    const opaque = unblended(ALL);
    const inks = await writePdf(opaque, { ...wish, inkOf: (one) => names.get(one) ?? one.variable });
    expect(problemsOf(inks)).toBe("");
    const text = uncompressed(inks);
    expect(text).toContain("/Separation");
    expect(text).toMatch(/\/Frond\s/);
    expect(text).toContain("Gr#c3#b6#c3#9fe#201");
    for (const reader of PDF_READERS) {
      const [a, b] = [inks, await writePdf(opaque, wish)].map((pdf) => drawnBy(reader, pdf, WIDTH));
      expect(differenceOf(a, b).mean, reader).toBeLessThan(1);
    }
  });
});
