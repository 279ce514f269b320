import { describe, expect, it } from "vitest";
import { edited } from "../../testing/drawings.ts";
import type { Colour } from "../drawing/drawing.ts";
import { pour } from "../drawing/edits.ts";
import { FIRST_COLOURWAY, startingColourways } from "../drawing/start.ts";
import { importSvg } from "../formats/import-drawing.ts";
import { deliveredSvg } from "../formats/svg-write.ts";
import { anchorOf } from "../pockets/anchors.ts";
import { LineReader } from "../pockets/line-reader.ts";
import { paletteOf } from "./palette.ts";
import { derive } from "./scene.ts";

const HARD_NAMES = [
  "Frond",
  "Frond up 1",
  "frond-up-1",
  "Frond",
  "",
  "🥕",
  "🥕 🥬",
  "inherit",
  "missing",
  "constructor",
  "Радуга",
  "虹",
  "बैंगन",
  "Été",
  "a\u0000b\u001f\ud800",
  "x".repeat(80),
  "</style><script>",
];

const tinNamed = (names: readonly string[]): Record<string, Colour> =>
  Object.fromEntries(
    names.map((name, i) => [
      `c${i}`,
      { id: `c${i}`, rank: i, name, value: `#${(i * 8 + 10).toString(16).padStart(2, "0")}4060` },
    ]),
  );

const STEPS = [3, 2, 1, 0, -1, -2, -3];

describe("the palette", () => {
  const tin = tinNamed(HARD_NAMES);
  const colourways = {
    ...startingColourways(),
    night: { id: "night", rank: 2, name: "Night", values: { c0: "#112233" } },
  };
  const colours = { tin, colourways, shown: FIRST_COLOURWAY };
  const { toneOf } = paletteOf(colours);
  const tones = Object.keys(tin).flatMap((colour) => STEPS.map((step) => toneOf({ colour, step })));

  it("gives every tone a name of its own, whatever colours are called", () => {
    expect(new Set(tones.map(({ variable }) => variable)).size).toBe(HARD_NAMES.length * STEPS.length);
    for (const { variable } of tones) expect(variable).toMatch(/^[\p{L}\p{M}\p{N}-]{1,70}$/u);
  });

  it("keeps names readable in other scripts", () => {
    const base = (i: number) => toneOf({ colour: `c${i}`, step: 0 }).variable;
    expect(HARD_NAMES.map((_, i) => base(i)).slice(10, 14)).toEqual(["радуга", "虹", "बैंगन", "ete"]);
  });

  it("gives the same tone again, and the same for the same tin", () => {
    expect(toneOf({ colour: "c0", step: 1 })).toBe(toneOf({ colour: "c0", step: 1 }));
    expect(paletteOf(colours)).toBe(paletteOf({ ...colours }));
    expect(toneOf({ colour: "gone", step: 0 }).value).toBe("#808080");
  });

  it("gives a tin made anew the same tones, however many others there were in between", () => {
    const kept = toneOf({ colour: "c1", step: 2 });
    for (let k = 0; k < 5000; k++)
      paletteOf({ ...colours, tin: tinNamed([`other ${k}`]) }).toneOf({ colour: "c0", step: 0 });
    expect(paletteOf({ ...colours, tin: { ...tin } }).toneOf({ colour: "c1", step: 2 })).toBe(kept);
  });

  it("has other values for the same names in another colourway, where that has any", () => {
    const night = paletteOf(colours, "night");
    expect(night.toneOf({ colour: "c0", step: 0 })).toEqual({
      value: "#112233",
      variable: toneOf({ colour: "c0", step: 0 }).variable,
    });
    expect(night.toneOf({ colour: "c1", step: 2 })).toBe(toneOf({ colour: "c1", step: 2 }));
    expect(paletteOf({ ...colours, shown: "night" })).toBe(night);
    expect(paletteOf({ ...colours, shown: "gone" })).toBe(paletteOf(colours));
  });

  it("comes back from SVG with every paint its own, and without control characters", () => {
    const bare = importSvg("Rows", ROWS).drawing;
    const pockets = new LineReader().read(bare);
    const paints = HARD_NAMES.flatMap((_, i) => [0, 1].map((step) => ({ colour: `c${i}`, step })));
    const drawing = pockets.reduce(
      (now, pocket, i) => edited(now, pour([{ anchor: anchorOf(pocket) }], paints[i], [`p${i}`])),
      { ...bare, tin: { ...bare.tin, ...tin } },
    );
    const svg = deliveredSvg(drawing, derive(drawing, pockets));
    expect(svg.replaceAll("\n", "")).not.toMatch(/[\p{Cc}\p{Cs}]/u);
    const { drawing: again } = importSvg("Rows", svg);
    const seen = (of: typeof drawing) =>
      Object.values(of.pours).map(({ anchor, paint }) => [anchor.seed.map(Math.round), paint]);
    const sorted = (list: unknown[]) => list.map((one) => JSON.stringify(one)).sort();
    expect(Object.keys(again.pours)).toHaveLength(HARD_NAMES.length * 2);
    expect(sorted(seen(again))).toEqual(sorted(seen(drawing)));
  });
});

const ROWS = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 400 40"><g fill="none" stroke="#000">${HARD_NAMES.map(
  (_, i) => `<path d="M${10 + 20 * i} 5h8v12h-8zm0 15h8v12h-8z"/>`,
).join("")}</g></svg>`;
