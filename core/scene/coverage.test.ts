import { describe, expect, it } from "vitest";
import { edited, strokeOf } from "../../testing/drawings.ts";
import type { FlatShape } from "../drawing/drawing.ts";
import { setUndercoat } from "../drawing/edits.ts";
import { defaultPage, newDrawing } from "../drawing/new-drawing.ts";
import { addShape } from "../drawing/shape-edits.ts";
import { ellipse, rectangle } from "../lines/figures.ts";
import { LineReader } from "../pockets/line-reader.ts";
import { coverageOf } from "./coverage.ts";
import { derive, sceneOf } from "./scene.ts";

const shape = (
  id: string,
  colour: string,
  outline: number[][],
  evenOdd = false,
): Omit<FlatShape, "rank"> => ({
  id,
  outline,
  evenOdd,
  paint: { colour, step: 0 },
  opacity: 1,
});
const square = strokeOf("s", 1, [
  [100, 100],
  [900, 100],
  [900, 900],
  [100, 900],
  [100, 100],
]);
const bare = newDrawing("Patches", defaultPage({ x: 0, y: 0, width: 1000, height: 1000 }), [square]);

function areas(drawing: typeof bare): Record<string, number> {
  const { box, parts } = sceneOf(drawing, derive(drawing, new LineReader().read(drawing)));
  const found = coverageOf(parts, box, ({ says }) => says.is !== "stroke");
  return Object.fromEntries([...found].map(([tone, area]) => [tone.variable, area]));
}

describe("how much of the page each tone is seen on", () => {
  it("is what later ones leave of it, also of an undercoat, within a hundredth", () => {
    const drawing = edited(
      bare,
      setUndercoat({ colour: "dusk", step: 0 }),
      addShape(shape("a", "frond", [rectangle([0, 0], [500, 500])])),
      addShape(shape("b", "radish", [ellipse([500, 500], 200, 200)])),
    );
    const found = areas(drawing);
    const disc = Math.PI * 200 ** 2;
    expect(Math.abs(found.radish / disc - 1)).toBeLessThan(0.01);
    expect(Math.abs(found.frond / (500 ** 2 - disc / 4) - 1)).toBeLessThan(0.01);
    expect(Math.abs(found.dusk / (800 ** 2 - 400 ** 2 - (disc * 3) / 4) - 1)).toBeLessThan(0.01);
  });

  it("leaves holes out, and what is trimmed away", () => {
    const ring = shape("r", "frond", [ellipse([500, 500], 300, 300), ellipse([500, 500], 100, 100)], true);
    expect(
      Math.abs(areas(edited(bare, addShape(ring))).frond / (Math.PI * (300 ** 2 - 100 ** 2)) - 1),
    ).toBeLessThan(0.01);
    const trimmed = { ...shape("t", "radish", [rectangle([0, 0], [500, 1000])]), trim: "part" as const };
    expect(Math.abs(areas(edited(bare, addShape(trimmed))).radish / (400 * 800) - 1)).toBeLessThan(0.01);
  });
});
