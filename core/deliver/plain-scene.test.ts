/** The plain SVG beside our own, and touching pockets united. */
import { readFileSync } from "node:fs";
import { Resvg } from "@resvg/resvg-js";
import { expect, it } from "vitest";
import { differenceOf, type Picture, rgbOf } from "../../testing/pdf-readers.ts";
import { pixelsOf } from "../drawing/drawing.ts";
import { readDrawingFile } from "../formats/drawing-file.ts";
import { importSvg } from "../formats/import-drawing.ts";
import { plainSvg, writeSvg } from "../formats/svg-write.ts";
import { DrawingReader } from "../pockets/drawing-reader.ts";
import { derive, sceneOf } from "../scene/scene.ts";
import { plainScene, unitedScene } from "./plain-scene.ts";

const drawn = (svg: string): Picture =>
  rgbOf(new Resvg(svg, { fitTo: { mode: "width", value: 500 } }).render().asPng());

const CASES = ["boot", "snail", "lantern"].map((name) => {
  const drawing = readDrawingFile(readFileSync(`demo/almanac-${name}-coloured.fern`, "utf8"));
  const pockets = new DrawingReader().read(drawing).pockets.filter(({ hidden }) => !hidden);
  return { name, drawing, scene: sceneOf(drawing, derive(drawing, pockets)) };
});

it.each(CASES)(
  "looks nearly the same without blend modes, filters and properties: $name",
  ({ scene, drawing }) => {
    const { scene: plain, mixed, stepped } = plainScene(scene);
    const svg = plainSvg(plain, drawing.page);
    expect(svg).not.toMatch(/var\(|<style|mix-blend|<filter|data-|<metadata|class=/);
    const { mean, apart } = differenceOf(drawn(svg), drawn(writeSvg(scene)));
    // Where one shade lies over many colours it is mixed with one of them.
    expect(mean).toBeLessThan(2.5);
    expect(apart).toBeLessThan(0.01);
    expect(mixed + stepped).toBeLessThan(400);
    expect(importSvg("", svg).drawing.page.width).toBeCloseTo(drawing.page.width, 3);
    expect(pixelsOf(drawing.page, 300).width).toBeGreaterThan(0);
  },
);

it.each(CASES)(
  "is the same picture of fewer shapes where touching pockets are united: $name",
  ({ scene }) => {
    const whole = unitedScene(scene);
    const count = (one: typeof scene) =>
      one.parts.reduce(
        (sum, { sheets }) => sum + sheets.reduce((all, { items }) => all + items.length, 0),
        0,
      );
    expect(count(whole)).toBeLessThan(count(scene));
    const { mean, apart } = differenceOf(drawn(writeSvg(whole)), drawn(writeSvg(scene)));
    expect(mean).toBeLessThan(0.1);
    expect(apart).toBeLessThan(0.0005);
  },
);
