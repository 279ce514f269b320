/** Making a part of pockets and joining it again: the picture, the pockets and the pours stay as they are. */
import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { ART, coloured } from "../../testing/foreign-art.ts";
import { sampleOf } from "../../testing/long-runs.ts";
import { difference, look, pixelsOf } from "../../testing/pictures.ts";
import type { Drawing } from "../drawing/drawing.ts";
import { partOf } from "../drawing/parts.ts";
import { importSvg } from "../formats/import-drawing.ts";
import { withPartJoined } from "./join-parts.ts";
import { withPart } from "./make-part.ts";
import type { Pocket } from "./pockets.ts";

/** Pixels of a demo where more than four edges meet in one; the lantern, taken apart at random, has them. */
const STRAY = 12;

function parted(
  drawing: Drawing,
  { reader, all }: ReturnType<typeof look>,
  choose: (pocket: Pocket, index: number) => boolean,
): Drawing {
  const chosen = new Set(all.filter((pocket, index) => choose(pocket, index)));
  return withPart(drawing, { name: "Part", part: "main", pockets: all, map: reader.mapOf("main")!, chosen });
}

const looks = ({ derived }: ReturnType<typeof look>, drawing: Drawing) =>
  derived.pockets
    .map(({ seed, area }, index) => ({
      seed: seed.map((n) => Math.round(n * 10) / 10).join(),
      area: Math.round(area),
      paint: drawing.pours[derived.pourOf[index] ?? ""]?.paint ?? null,
    }))
    .sort((a, b) => a.area - b.area || (a.seed < b.seed ? -1 : 1))
    .map(({ area, paint }) => ({ area, paint }));

const DEMOS = ["boot", "kettle", "lantern", "snail"];
const demo = (name: string) => importSvg(name, readFileSync(`demo/almanac-${name}.svg`, "utf8")).drawing;
/** Each read once, with its picture, for all that is done to it. */
const drawings = [
  ...sampleOf(DEMOS, 2).map((name) => [name, coloured(demo(name), false)] as const),
  ...sampleOf(ART, 12).map(({ file, svg }) => [file, coloured(importSvg(file, svg).drawing, false)] as const),
].map(([name, drawing]) => ({
  name,
  drawing,
  before: look(drawing),
  pixels: undefined as Float64Array | undefined,
}));

const WAYS: readonly (readonly [string, (pocket: Pocket, index: number) => boolean])[] = [
  ["every other pocket", (_, index) => index % 2 === 0],
  ["the right half", ({ seed }) => seed[0] > 190],
  ["the largest", (_, index) => index === 0],
];

describe("a part made of pockets", () => {
  it.each(WAYS)(
    "leaves the picture as it is, and gives the same pockets when it is joined again: %s",
    (_, choose) => {
      const bad: string[] = [];
      for (const art of drawings) {
        const { name, drawing, before } = art;
        art.pixels ??= pixelsOf(before.svg);
        const apart = parted(drawing, before, choose);
        const pixels = difference(art.pixels, look(apart).svg);
        if (pixels > (DEMOS.includes(name) ? STRAY : 0)) bad.push(`${name}: ${pixels}`);
        const part = Object.keys(apart.parts).find((id) => id !== "main")!;
        expectSame(name, drawing, before, withPartJoined(apart, part, "main"));
      }
      expect(bad).toEqual([]);
    },
  );
});

function expectSame(
  name: string,
  drawing: Drawing,
  before: ReturnType<typeof look>,
  together: Drawing,
): void {
  const [was, is] = [looks(before, drawing), looks(look(together), together)];
  const paints = (all: typeof was) => all.map(({ paint }) => paint);
  expect(paints(is), name).toEqual(paints(was));
  was.forEach(({ area }, i) => {
    expect(Math.abs(is[i].area - area), name).toBeLessThanOrEqual(1 + 2e-3 * area);
  });
  const strokes = Object.values(together.strokes);
  expect(
    strokes.filter((stroke) => stroke.cut || partOf(stroke) !== "main"),
    name,
  ).toEqual([]);
  expect(Object.keys(together.strokes).sort(), name).toEqual(Object.keys(drawing.strokes).sort());
}
