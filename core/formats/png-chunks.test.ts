import { deflateSync } from "node:zlib";
import fc from "fast-check";
import { decode } from "fast-png";
import { describe, expect, it } from "vitest";
import { PaletteFinder, type PngFacts, pngData, pngHead, pngTail, RowFilter } from "./png-chunks.ts";

const fileOf = (facts: PngFacts, rows: Uint8Array): Uint8Array =>
  new Uint8Array(Buffer.concat([...pngHead(facts), pngData(new Uint8Array(deflateSync(rows))), pngTail()]));

describe("a PNG in pieces", () => {
  const pixels = fc
    .record({ width: fc.integer({ min: 1, max: 9 }), height: fc.integer({ min: 1, max: 9 }) })
    .chain(({ width, height }) =>
      fc.record({
        width: fc.constant(width),
        height: fc.constant(height),
        data: fc.uint8Array({ minLength: 4 * width * height, maxLength: 4 * width * height }),
        split: fc.integer({ min: 0, max: height }),
      }),
    );

  it("is read back by another reader pixel by pixel, however its rows came", () => {
    fc.assert(
      fc.property(pixels, ({ width, height, data, split }) => {
        const filter = new RowFilter(4 * width);
        const cut = 4 * width * split;
        const rows = Buffer.concat([
          filter.colours(data.subarray(0, cut)),
          filter.colours(data.subarray(cut)),
        ]);
        const read = decode(fileOf({ width, height, ppi: 350, title: "Käfer" }, rows), { checkCrc: true });
        expect([read.width, read.height, read.channels, [...read.data]]).toEqual([
          width,
          height,
          4,
          [...data],
        ]);
        expect(read.resolution).toEqual({
          x: Math.round(350 / 0.0254),
          y: Math.round(350 / 0.0254),
          unit: 1,
        });
      }),
    );
  });

  it("says its title in any script, and that it is sRGB", () => {
    const text = Buffer.concat(pngHead({ width: 1, height: 1, ppi: 72, title: "Schnecke 蝸牛" })).toString(
      "utf8",
    );
    expect(text).toContain("iTXtTitle\0\0\0\0\0Schnecke 蝸牛");
    expect(text).toContain("sRGB");
  });

  it("writes few colours as a palette, clear pixels as one", () => {
    const data = Uint8Array.from([10, 20, 30, 255, 1, 2, 3, 0, 9, 9, 9, 0, 10, 20, 30, 128]);
    const finder = new PaletteFinder();
    const numbers = finder.take(data)!;
    expect([...numbers]).toEqual([0, 1, 1, 2]);
    const filter = new RowFilter(2);
    const facts = { width: 2, height: 2, ppi: 300, title: "", palette: finder.palette() };
    const read = decode(fileOf(facts, filter.numbers(numbers)), { checkCrc: true });
    expect([...read.data]).toEqual([0, 1, 1, 2]);
    expect(read.palette?.map((one) => [...one])).toEqual([
      [10, 20, 30, 255],
      [0, 0, 0, 0],
      [10, 20, 30, 128],
    ]);
  });

  it("has no palette for more colours than it holds", () => {
    const many = Uint8Array.from({ length: 4 * 257 }, (_, k) =>
      k % 4 === 3 ? 255 : (k >> 2) >> (k % 4 === 0 ? 8 : 0),
    );
    expect(new PaletteFinder().take(many)).toBeUndefined();
    expect(new PaletteFinder().take(many.subarray(0, 4 * 256))).toBeDefined();
  });
});
