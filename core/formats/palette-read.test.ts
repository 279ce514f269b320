import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { edited, smallDrawing } from "../../testing/drawings.ts";
import {
  addColours,
  addColourway,
  bringColours,
  orderTin,
  setColourOpacity,
  setLadder,
} from "../drawing/colour-edits.ts";
import { ranked } from "../drawing/drawing.ts";
import { FileProblem } from "./file-problem.ts";
import { type PaletteColour, readPalette } from "./palette-read.ts";
import { PALETTE_FILES } from "./palette-write.ts";

const drawing = edited(
  smallDrawing(),
  addColours([{ id: "odd", name: "{odd}.name $1", value: "#010203" }]),
  setLadder("frond", { steps: 5, drift: -3 }, "Frond"),
  setColourOpacity("dusk", 0.5, "Dusk"),
  orderTin([{ id: "frond", group: "Ferns" }]),
  addColourway("night", "Night", { frond: "#102030" }),
);
const told = ({ name, value, group }: PaletteColour) => [name, value, group];
const tin = ranked(drawing.tin);
const sorted = (list: readonly unknown[]) => list.map((one) => JSON.stringify(one)).sort();

describe("palettes as files", () => {
  it.each(["tokens", "css", "list"] as const)("%s come back with names, values and groups", (format) => {
    const again = readPalette(PALETTE_FILES[format].write(drawing));
    expect(sorted(again.map(told))).toEqual(sorted(tin.map(told)));
  });

  it("tokens carry opacity and ladders, CSS opacity and colourways", () => {
    const tokens = readPalette(PALETTE_FILES.tokens.write(drawing));
    expect(tokens.find(({ name }) => name === "Frond")?.ladder).toEqual({ steps: 5, drift: -3 });
    expect(tokens.find(({ name }) => name === "Dusk")?.opacity).toBe(0.5);
    const css = PALETTE_FILES.css.write(drawing);
    expect(css).toContain('[data-colourway="night"] {\n  --frond: #102030;');
    expect(readPalette(css).find(({ name }) => name === "Dusk")?.opacity).toBeCloseTo(0.5, 2);
  });

  it.each(["tokens", "css"] as const)(
    "%s come back with their colourways, brought into a drawing",
    (format) => {
      const again = readPalette(PALETTE_FILES[format].write(drawing));
      expect(again.find(({ name }) => name === "Frond")?.ways).toEqual({ Night: "#102030" });
      const bare = smallDrawing();
      const colours = again.map((colour, k) => ({ id: `new${k}`, ...colour }));
      const brought = edited(bare, bringColours(colours, { Night: "way" }));
      const frond = colours.find(({ name }) => name === "Frond")!;
      expect(ranked(brought.colourways).map(({ name }) => name)).toEqual(["First colours", "Night"]);
      expect(brought.colourways.way.values).toEqual({ [frond.id]: "#102030" });
      expect(edited(brought, bringColours(colours, { Night: "other" })).colourways).toEqual(
        brought.colourways,
      );
    },
  );

  it("tokens of others: groups with a type, aliases, colour spaces, hexadecimal text", () => {
    const text = JSON.stringify({
      brand: {
        $type: "color",
        sky: { $value: "#a9cbd6" },
        moss: { $value: { colorSpace: "oklch", components: [0.6, 0.1, 130] } },
        alias: { $value: "{brand.sky}" },
        round: { $value: "{brand.round}" },
        clear: { $value: { colorSpace: "srgb", components: [1, 0, 0], alpha: 0.4 } },
      },
      space: { $type: "dimension", $value: "4px" },
    });
    expect(readPalette(text).map(({ name, group, value, opacity }) => [name, group, value, opacity])).toEqual(
      [
        ["sky", "brand", "#a9cbd6", undefined],
        ["moss", "brand", "#6c8c4a", undefined],
        ["alias", "brand", "#a9cbd6", undefined],
        ["clear", "brand", "#ff0000", 0.4],
      ],
    );
  });

  it("CSS of others and lists as people type them", () => {
    const css = ":root{--leaf-green:rgb(111 154 74);--gap:4px}\n.dark{--leaf-green:#000}";
    expect(readPalette(css).map(told)).toEqual([["Leaf green", "#6f9a4a", undefined]]);
    const list = "Beds:\nFrond #6F9A4A\n#c23f5a, Radish\n\n4a382e\n- Sky: #abc\nnothing here";
    expect(readPalette(list).map(told)).toEqual([
      ["Frond", "#6f9a4a", "Beds"],
      ["Radish", "#c23f5a", "Beds"],
      ["Deep brown", "#4a382e", "Beds"],
      ["Sky", "#aabbcc", "Beds"],
    ]);
  });

  it("tells what is no palette, and never fails in another way", () => {
    expect(() => readPalette("{ not json")).toThrow("its JSON is broken");
    for (const text of ["Dear diary", ":root{--a:/0A}"])
      expect(() => readPalette(text)).toThrow("No colours were found");
    fc.assert(
      fc.property(
        fc.oneof(
          fc.string(),
          fc.json(),
          fc.string().map((text) => `:root{--a:${text}}`),
        ),
        (text) => {
          try {
            for (const { value } of readPalette(text)) expect(value).toMatch(/^#[0-9a-f]{6}$/);
          } catch (error) {
            expect(error).toBeInstanceOf(FileProblem);
          }
        },
      ),
    );
  });
});
