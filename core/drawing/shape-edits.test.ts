import { describe, expect, it } from "vitest";
import { edited, strokeOf } from "../../testing/drawings.ts";
import { importSvg } from "../formats/import-drawing.ts";
import { deliveredSvg } from "../formats/svg-write.ts";
import { rectangle } from "../lines/figures.ts";
import { anchorOf } from "../pockets/anchors.ts";
import { LineReader } from "../pockets/line-reader.ts";
import { isSeen } from "../scene/is-seen.ts";
import { derive, sceneOf } from "../scene/scene.ts";
import type { Drawing, FlatShape } from "./drawing.ts";
import { pour } from "./edits.ts";
import { setGradient } from "./gradients.ts";
import { defaultPage, newDrawing } from "./new-drawing.ts";
import { addShape, changeShapes, moveShapes, orderShapes, reshape, retrimShapes } from "./shape-edits.ts";

const square = strokeOf("rim", 1, [
  [10, 10],
  [50, 10],
  [50, 50],
  [10, 50],
  [10, 10],
]);
const bare = newDrawing("Loose", defaultPage({ x: 0, y: 0, width: 100, height: 100 }), [
  { ...square, closed: true },
]);
const pockets = new LineReader().read(bare);
const shape: Omit<FlatShape, "rank"> = {
  id: "f",
  outline: [rectangle([0, 0], [30, 30])],
  evenOdd: false,
  paint: { colour: "frond", step: 0 },
  opacity: 1,
};
const drawn = edited(
  bare,
  pour([{ anchor: anchorOf(pockets[0]) }], { colour: "dusk", step: 0 }, ["p"]),
  addShape(shape),
);
const { f } = drawn.flatShapes;
const sheets = (drawing: Drawing) =>
  sceneOf(drawing, derive(drawing, pockets)).parts[0].sheets.map(({ name, items }) => [
    name,
    items.map(({ id }) => id),
  ]);

describe("colour shapes", () => {
  it("keep their gradient, blend and softness when they are trimmed otherwise", () => {
    const gradient = {
      cloth: "g",
      kind: "linear",
      from: [0, 0],
      to: [9, 9],
      mix: "srgb",
      stops: [],
    } as const;
    const laid = edited(
      drawn,
      changeShapes([f], { soft: 2, blend: "screen" }),
      setGradient(drawn, ["f"], gradient),
    );
    const pocketed = edited(laid, retrimShapes([{ shape: laid.flatShapes.f, to: anchorOf(pockets[0]) }]));
    expect(pocketed.shades.f).toMatchObject({ soft: 2, blend: "screen", gradient });
    const free = edited(pocketed, retrimShapes([{ shape: pocketed.shades.f, to: "free" }]));
    expect(free.flatShapes.f).toMatchObject({ soft: 2, blend: "screen", gradient, sheet: "shade" });
  });

  it("lie above all colour, before or behind it, on any sheet from ground to gloss", () => {
    expect(sheets(drawn)).toEqual([
      ["flats", ["p", "f"]],
      ["ink", ["rim"]],
    ]);
    expect(sheets(edited(drawn, orderShapes(drawn, [f], "back")))[0]).toEqual(["flats", ["f", "p"]]);
    expect(sheets(edited(drawn, changeShapes([f], { sheet: "ground" })))[0]).toEqual(["ground", ["f"]]);
    const gloss = edited(drawn, changeShapes([f], { sheet: "gloss" }));
    expect(sheets(gloss).at(-1)).toEqual(["gloss", ["f"]]);
    expect(edited(gloss, changeShapes([gloss.flatShapes.f], { sheet: undefined })).flatShapes.f).toEqual(f);
  });

  it("are trimmed to what is coloured, or to their part, and follow it", () => {
    const clipOf = (drawing: Drawing) =>
      sceneOf(drawing, derive(drawing, pockets)).parts[0].sheets[0].items.at(-1)!.effects.clip;
    expect(clipOf(drawn)).toBeUndefined();
    expect(clipOf(edited(drawn, changeShapes([f], { trim: "coloured" })))).toEqual(pockets[0].cover);
    const emptied = edited(
      drawn,
      changeShapes([f], { trim: "coloured" }),
      pour([{ anchor: anchorOf(pockets[0]), pourId: "p" }], null),
    );
    expect(clipOf(emptied)).toEqual([]);
    expect(clipOf(edited(drawn, changeShapes([f], { trim: "part" })))).toEqual(pockets[0].outline);
  });

  it("count as coloured themselves, for shapes that lie on what is", () => {
    const over: Omit<FlatShape, "rank"> = { ...shape, id: "over", sheet: "gloss", trim: "coloured" };
    const far = { ...over, outline: [rectangle([60, 60], [90, 90])] };
    const seen = (drawing: Drawing) => {
      const [{ sheets }] = sceneOf(drawing, derive(drawing, pockets)).parts;
      return isSeen(sheets.flatMap(({ items }) => items).find(({ id }) => id === "over")!);
    };
    const loose = edited(bare, addShape(shape));
    expect(seen(edited(bare, addShape(over)))).toBe(false);
    expect(seen(edited(loose, addShape(over)))).toBe(true);
    expect(seen(edited(loose, addShape(far)))).toBe(false);
  });

  it("are moved from where they were, given other outlines, and go when nothing is left", () => {
    const moved = edited(drawn, moveShapes([f], [1, 0, 0, 1, 5, 7], "Move shape"));
    expect(moved.flatShapes.f.outline[0].slice(0, 2)).toEqual([f.outline[0][0] + 5, f.outline[0][1] + 7]);
    const other = edited(
      drawn,
      reshape([{ id: "f", outline: [rectangle([0, 0], [5, 5])], evenOdd: true }], "flats", "Cut"),
    );
    expect(other.flatShapes.f.evenOdd).toBe(true);
    expect(
      edited(drawn, reshape([{ id: "f", outline: [], evenOdd: true }], "flats", "Rub")).flatShapes,
    ).toEqual({});
  });

  it("come back from SVG where they lay, trimmed as they were", () => {
    const laid = edited(drawn, changeShapes([f], { sheet: "gloss", trim: "part", opacity: 0.5 }));
    const { drawing } = importSvg("Loose", deliveredSvg(laid, derive(laid, pockets)));
    expect(Object.values(drawing.flatShapes)).toMatchObject([{ sheet: "gloss", trim: "part", opacity: 0.5 }]);
  });
});
