/** PDF beside our own SVG, as programs draw both that nobody here wrote. */
import { Resvg } from "@resvg/resvg-js";
import { describe, expect, it } from "vitest";
import { ALL } from "../../../testing/every-item.ts";
import {
  differenceOf,
  drawnBy,
  halved,
  PDF_READERS,
  type Picture,
  problemsOf,
  rgbOf,
  uncompressed,
} from "../../../testing/pdf-readers.ts";
import { sceneIn } from "../../../testing/scene-in.ts";
import { placedParts } from "../../scene/placed-items.ts";
import type { Scene } from "../../scene/scene.ts";
import { writeSvg } from "../svg-write.ts";
import { writePdf } from "./pdf-write.ts";

const WIDTH = 500;

const ours = (scene: Scene): Picture =>
  halved(rgbOf(new Resvg(writeSvg(scene), { fitTo: { mode: "width", value: 2 * WIDTH } }).render().asPng()));

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

  it("has colours as exact on a large page, and no exponents on a tiny one", async () => {
    const scaled = (scale: number): Scene => {
      const { x, y, width, height } = ALL.box;
      const box = { x: x * scale, y: y * scale, width: width * scale, height: height * scale };
      return { ...ALL, box, parts: placedParts(ALL, [scale, 0, 0, scale, 0, 0], "") };
    };
    for (const scale of [5000, 1e-4]) {
      const text = uncompressed(await writePdf(scaled(scale), { widthInches: 4, ppi: 300 }));
      const colours = [...text.matchAll(/^([\d. ]+) rg$/gm)].map(([, numbers]) =>
        numbers.split(" ").map(Number),
      );
      const isLevel = (n: number) => Math.abs(n * 255 - Math.round(n * 255)) < 0.01;
      expect(colours.length).toBeGreaterThan(3);
      expect(colours.flat().every(isLevel)).toBe(true);
      expect(text).not.toMatch(/\d[eE]-?\d+ /);
    }
  });

  it("is the same from the same, without fonts, with pictures of soft edges alone", async () => {
    const request = { widthInches: 4, ppi: 300 };
    const pdf = await writePdf(ALL, request);
    expect(Buffer.from(await writePdf(ALL, request)).equals(Buffer.from(pdf))).toBe(true);
    const text = uncompressed(pdf);
    expect(text).not.toContain("/Font");
    expect(text.match(/\/Subtype \/Image/g)).toHaveLength(4);
    expect(text).toContain("/Title");
    const sharp = { ...ALL, parts: ALL.parts.slice(1) };
    expect(uncompressed(await writePdf(sharp, request))).not.toContain("/Image");
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
    const [leaf, red] = ALL.tones;
    const names = new Map([
      [leaf, "Frond"],
      [red, "Größe #1"],
    ]);
    const request = { widthInches: 4, ppi: 300 };
    const opaque = unblended(ALL);
    const inks = await writePdf(opaque, { ...request, inkOf: (one) => names.get(one) ?? one.variable });
    expect(problemsOf(inks)).toBe("");
    const text = uncompressed(inks);
    expect(text).toContain("/Separation");
    expect(text).toMatch(/\/Frond\s/);
    expect(text).toContain("Gr#c3#b6#c3#9fe#201");
    for (const reader of PDF_READERS) {
      const [a, b] = [inks, await writePdf(opaque, request)].map((pdf) => drawnBy(reader, pdf, WIDTH));
      expect(differenceOf(a, b).mean, reader).toBeLessThan(1);
    }
  });
});
