import { converter, formatHex } from "culori";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { edited, strokeOf } from "../../testing/drawings.ts";
import { apart, mixed } from "../colour/oklch.ts";
import { carriedBy } from "../drawing/carried.ts";
import { changeColour, removeColour } from "../drawing/colour-edits.ts";
import type { Drawing, Gradient } from "../drawing/drawing.ts";
import { pour } from "../drawing/edits.ts";
import { changeGradient, gradientOf, setGradient, setGradientStrength } from "../drawing/gradients.ts";
import { transformLines } from "../drawing/line-edits.ts";
import { defaultPage, newDrawing } from "../drawing/new-drawing.ts";
import { importSvg } from "../formats/import-drawing.ts";
import { deliveredSvg } from "../formats/svg-write.ts";
import { anchorOf } from "../pockets/anchors.ts";
import { LineReader } from "../pockets/line-reader.ts";
import { gradientPaint } from "./gradient-paint.ts";
import { tonesIn } from "./items.ts";
import { paletteOf } from "./palette.ts";
import { derive, sceneOf } from "./scene.ts";

const rim = strokeOf("rim", 1, [
  [10, 10],
  [50, 10],
  [50, 50],
  [10, 50],
  [10, 10],
]);
const bare = newDrawing("Jar", defaultPage({ x: 0, y: 0, width: 100, height: 100 }), [
  { ...rim, closed: true },
]);
const pockets = new LineReader().read(bare);
const poured = edited(bare, pour([{ anchor: anchorOf(pockets[0]) }], { colour: "dusk", step: 0 }, ["p"]));
const gradient = {
  cloth: "g",
  kind: "radial" as const,
  from: [30, 30] as const,
  to: [50, 30] as const,
  ratio: 0.5,
  focus: 0.25,
  mix: "oklch" as const,
  stops: [
    { at: 0, paint: { colour: "dusk", step: 1 }, opacity: 1 },
    { at: 1, paint: { colour: "radish", step: 0 }, opacity: 0.5 },
  ],
} satisfies Gradient;
const laid = edited(poured, setGradient(poured, ["p"], gradient));
const itemsOf = (drawing: Drawing) => sceneOf(drawing, derive(drawing, pockets)).parts[0].sheets[0].items;
const rgb = converter("rgb");
const hex = fc.integer({ min: 0, max: 0xffffff }).map((n) => `#${n.toString(16).padStart(6, "0")}`);

/** What every painter shows between two stops. */
function straight(a: string, b: string, share: number): string {
  const [one, other] = [rgb(a)!, rgb(b)!];
  const at = (key: "r" | "g" | "b") => one[key] + (other[key] - one[key]) * share;
  return formatHex({ mode: "rgb", r: at("r"), g: at("g"), b: at("b") });
}

/** The most that any channel of two colours differs in, of 255. */
function levelsApart(a: string, b: string): number {
  const [one, other] = [rgb(a)!, rgb(b)!];
  return Math.max(...(["r", "g", "b"] as const).map((key) => 255 * Math.abs(one[key] - other[key])));
}

describe("a gradient", () => {
  it("has so many stops that straight lines between them are within 1 of the way through OKLCH", () => {
    fc.assert(
      fc.property(hex, hex, fc.double({ min: 0, max: 1, noNaN: true }), (a, b, share) => {
        const tinned = edited(laid, changeColour("dusk", a, "Dusk"), changeColour("radish", b, "Radish"));
        const plain = {
          ...gradient,
          stops: gradient.stops.map((stop) => ({ ...stop, paint: { ...stop.paint, step: 0 } })),
        };
        const palette = paletteOf(tinned);
        const { stops } = gradientPaint(plain, palette.toneOf(plain.stops[0].paint), palette);
        const next = Math.max(
          1,
          stops.findIndex(({ at }) => at >= share),
        );
        const [before, after] = [stops[next - 1], stops[next]];
        const shown = straight(
          before.tone.value,
          after.tone.value,
          (share - before.at) / (after.at - before.at),
        );
        const meant = mixed(a, b, share, "oklch");
        expect(apart(shown, meant) < 1 || levelsApart(shown, meant) <= 6, `${shown} for ${meant}`).toBe(true);
      }),
      { numRuns: 500 },
    );
  });

  it("lies over just what its pour covers, as strong as all are", () => {
    const [base, over] = itemsOf(laid);
    expect(over.area).toEqual({ kind: "region", chains: pockets[0].cover, evenOdd: false });
    expect(tonesIn(base.paint)[0].variable).toBe("dusk");
    expect(tonesIn(over.paint).map(({ variable }) => variable)).toContain("dusk-up-1_radish_500");
    expect(itemsOf(edited(laid, setGradientStrength(0.4)))[1].effects.opacity).toBe(0.4);
    expect(itemsOf(edited(laid, setGradientStrength(0)))).toHaveLength(1);
  });

  it("is changed wherever it lies, goes along with lines, and comes back from SVG", () => {
    const turned = edited(laid, changeGradient(laid, "g", { kind: "linear", focus: undefined }));
    expect(gradientOf(turned, "p")).toMatchObject({ kind: "linear" });
    expect(gradientOf(turned, "p")).not.toHaveProperty("focus");
    const carried = carriedBy(laid, ["rim"], pockets);
    const moved = edited(
      laid,
      transformLines(carried, [2, 0, 0, 2, 5, 0], { scaleWidths: true, label: "Move" }),
    );
    expect(gradientOf(moved, "p")).toMatchObject({ from: [65, 60], to: [105, 60] });
    const { drawing, report } = importSvg("Jar", deliveredSvg(laid, derive(laid, pockets)));
    expect(Object.values(drawing.pours)[0].gradient).toEqual(gradient);
    expect([...report.leftAside, ...report.changed]).toEqual([]);
  });

  it("loses the stops of a colour that goes, or has them in another", () => {
    const gone = edited(laid, removeColour("radish", "Radish", null));
    expect(gradientOf(gone, "p")).toBeUndefined();
    const other = edited(laid, removeColour("radish", "Radish", "frond"));
    expect(gradientOf(other, "p")?.stops[1].paint).toEqual({ colour: "frond", step: 0 });
  });
});
