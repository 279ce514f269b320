/** Gradients along an outline inward, in pockets and in shapes. */
import { describe, expect, it } from "vitest";
import { edited, strokeOf } from "../../testing/drawings.ts";
import { apart } from "../colour/oklch.ts";
import type { Drawing, Gradient } from "../drawing/drawing.ts";
import { pour } from "../drawing/edits.ts";
import { setGradient, setGradientStrength } from "../drawing/gradients.ts";
import { defaultPage, newDrawing } from "../drawing/new-drawing.ts";
import { addShape } from "../drawing/shape-edits.ts";
import { readDrawingFile, writeDrawingFile } from "../formats/drawing-file.ts";
import { importSvg } from "../formats/import-drawing.ts";
import { writeSvg } from "../formats/svg-write.ts";
import { flatten } from "../geometry/cubic.ts";
import type { Point } from "../geometry/point.ts";
import { windingNumber } from "../geometry/polygon.ts";
import { ellipse } from "../lines/figures.ts";
import { anchorOf } from "../pockets/anchors.ts";
import { LineReader } from "../pockets/line-reader.ts";
import { type Item, tonesIn } from "./items.ts";
import { derive, sceneOf } from "./scene.ts";

const rim = strokeOf("rim", 1, [
  [10, 10],
  [90, 10],
  [90, 90],
  [10, 90],
  [10, 10],
]);
const bare = newDrawing("Tray", defaultPage({ x: 0, y: 0, width: 100, height: 100 }), [rim]);
const pockets = new LineReader().read(bare);
const poured = edited(bare, pour([{ anchor: anchorOf(pockets[0]) }], { colour: "dusk", step: 0 }, ["p"]));
const gradient: Gradient = {
  cloth: "g",
  kind: "inward",
  from: [10, 50],
  to: [30, 50],
  mix: "oklch",
  stops: [
    { at: 0, paint: { colour: "dusk", step: 0 }, opacity: 1 },
    { at: 1, paint: { colour: "marigold", step: 0 }, opacity: 1 },
  ],
};
const laid = edited(poured, setGradient(poured, ["p"], gradient));
const itemsOf = (drawing: Drawing) => sceneOf(drawing, derive(drawing, pockets)).parts[0].sheets[0].items;
const covers = ({ area }: Item, at: Point): boolean => {
  if (area.kind !== "region") return false;
  const winding = area.chains.reduce((sum, chain) => sum + windingNumber(flatten(chain, 0.01), at), 0);
  return area.evenOdd ? winding % 2 !== 0 : winding !== 0;
};
/** What is seen at a place: the last that covers it. */
const seenAt = (items: readonly Item[], at: Point): string | undefined => {
  const item = items.filter((one) => one.effects.opacity !== 0 && covers(one, at)).pop();
  return item && tonesIn(item.paint)[0].value;
};

describe("a gradient along an outline inward", () => {
  it("changes with the distance from the edge, in steps that can hardly be told apart", () => {
    const items = itemsOf(laid);
    const along = Array.from({ length: 240 }, (_, k) => seenAt(items, [10.1 + k * 0.085, 50])!);
    const jumps = along.slice(1).map((value, k) => apart(along[k], value));
    expect(Math.max(...jumps)).toBeLessThan(1);
    // The same distance from any edge shows the same.
    for (const deep of [3, 9, 16])
      expect(
        new Set([
          seenAt(items, [10 + deep, 50]),
          seenAt(items, [50, 10 + deep]),
          seenAt(items, [90 - deep, 40]),
        ]).size,
      ).toBe(1);
    expect(apart(seenAt(items, [10.1, 50])!, "#4d4a70")).toBeLessThan(6);
    expect(seenAt(items, [50, 50])).toBe(seenAt(items, [32, 50]));
  });

  it("is fainter with all gradients, lies side by side where it is seen through, and comes back from files", () => {
    const faint = itemsOf(edited(laid, setGradientStrength(0.5)));
    expect(faint.slice(1).every(({ effects }) => effects.opacity === 0.5)).toBe(true);
    const clear = { ...gradient, stops: gradient.stops.map((stop) => ({ ...stop, opacity: 0.5 })) };
    const through = itemsOf(edited(poured, setGradient(poured, ["p"], clear))).slice(1);
    expect(through.filter((item) => covers(item, [50, 50]))).toHaveLength(1);
    expect(readDrawingFile(writeDrawingFile(laid))).toEqual(laid);
    const svg = writeSvg(sceneOf(laid, derive(laid, pockets)), { drawing: laid });
    const { drawing } = importSvg("", svg);
    expect(Object.values(drawing.pours)[0].gradient).toEqual(gradient);
    expect(Object.keys(drawing.flatShapes)).toEqual([]);
  });

  it("runs along a shape's own outline, once however the shape is mixed", () => {
    const shape = {
      id: "s",
      outline: [ellipse([50, 50], 20, 20)],
      evenOdd: false,
      paint: { colour: "dusk", step: 0 },
      opacity: 1,
      gradient: { ...gradient, from: [30, 50] as const, to: [40, 50] as const },
    };
    const items = itemsOf(edited(bare, addShape(shape)));
    expect([items[0].id, items[0].effects.opacity]).toEqual(["s", 0]);
    expect(seenAt(items, [31, 50])).toBe(seenAt(items, [50, 31]));
    expect(seenAt(items, [31, 50])).not.toBe(seenAt(items, [45, 50]));
    const mixed = itemsOf(edited(bare, addShape({ ...shape, blend: "multiply" })));
    for (const at of [
      [31, 50],
      [36, 50],
      [50, 50],
    ] as const)
      expect(mixed.filter((item) => item.effects.opacity !== 0 && covers(item, at))).toHaveLength(1);
    const drawn = edited(bare, addShape(shape));
    const { drawing } = importSvg("", writeSvg(sceneOf(drawn, derive(drawn, pockets)), { drawing: drawn }));
    expect(Object.values(drawing.flatShapes)).toMatchObject([{ gradient: shape.gradient, opacity: 1 }]);
  });
});
