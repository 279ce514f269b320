import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { newDrawing } from "../drawing/new-drawing.ts";
import { readSvg } from "../formats/svg-read.ts";
import { memoryOf, packPockets, unpackPockets } from "./packed-pockets.ts";
import { buildMap } from "./planar-map.ts";
import { type Pocket, PocketReader } from "./pockets.ts";
import { linesOf } from "./reading.ts";

function pocketsOfDemo(file: string): Pocket[] {
  const { page, strokes, inkShapes } = readSvg(readFileSync(`demo/${file}`, "utf8"));
  const map = buildMap(linesOf(newDrawing("", page, strokes, inkShapes)));
  return new PocketReader(map, "leaves", 3 * 2 ** 32).read().filter(({ hidden }) => !hidden);
}

const FIELDS = [
  "key",
  "part",
  "area",
  "seed",
  "box",
  "outline",
  "cover",
  "rings",
  "lines",
  "borders",
  "hems",
  "runsUnder",
  "hidden",
] as const satisfies readonly (keyof Pocket)[];

/** Fails to compile where a pocket has a field that is not looked at here. */
const complete: Exclude<keyof Pocket, (typeof FIELDS)[number]> extends never ? true : false = true;

const plain = (pocket: Pocket) => FIELDS.map((field) => pocket[field]);

describe("pockets that travel", () => {
  it.each(["almanac-lantern.svg", "almanac-boot.svg"])("arrive from %s as they left", (file) => {
    const pockets = pocketsOfDemo(file);
    const packed = packPockets(pockets);
    const arrived = unpackPockets(structuredClone(packed, { transfer: memoryOf(packed) }));
    expect(complete && arrived.map(plain)).toEqual(pockets.map(plain));
    expect(packed.heads.length).toBe(0);
  });

  it("keep a cover that is the outline one with it, and one that is not apart", () => {
    const [first, second] = pocketsOfDemo("almanac-lantern.svg");
    const strip = [0, 0, 1, 0, 2, 0, 3, 0];
    const borders = [{ neighbour: second.key, chain: strip, strip }];
    const own = { ...first, cover: first.outline };
    const grown = {
      ...second,
      cover: [...second.outline, strip],
      hems: [strip],
      runsUnder: [strip],
      borders,
    };
    const [a, b] = unpackPockets(packPockets([own, grown]));
    expect(a.cover).toBe(a.outline);
    expect(b.cover).toEqual(grown.cover);
    expect([b.hems, b.runsUnder, b.borders]).toEqual([[strip], [strip], borders]);
  });

  it("are the same lists each time they are asked for", () => {
    const [pocket] = unpackPockets(packPockets(pocketsOfDemo("almanac-lantern.svg")));
    expect(pocket.outline).toBe(pocket.outline);
    expect(pocket.borders).toBe(pocket.borders);
  });

  it("may be none", () => expect(unpackPockets(packPockets([]))).toEqual([]));
});
