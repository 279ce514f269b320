import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { edited, smallDrawing } from "../../testing/drawings.ts";
import { ART, coloured, expectSameLook, lookOf, shown } from "../../testing/foreign-art.ts";
import { straight } from "../../testing/line-work.ts";
import { importSvg } from "../formats/import-drawing.ts";
import { flatten } from "../geometry/cubic.ts";
import { aboutPoint, type Matrix, mappedPoint, translation } from "../geometry/matrix.ts";
import { regionContains } from "../geometry/polygon.ts";
import { carriedBy, endOf, startOf } from "./carried.ts";
import type { Drawing, FlatShape } from "./drawing.ts";
import { addBridges } from "./edits.ts";
import { reshapeLine, transformLines } from "./line-edits.ts";

const linesOf = ({ strokes, inkShapes }: Drawing) => [...Object.keys(strokes), ...Object.keys(inkShapes)];
const moved = (drawing: Drawing, ids: readonly string[], matrix: Matrix): Drawing =>
  edited(
    drawing,
    transformLines(carriedBy(drawing, ids, shown(drawing)), matrix, { scaleWidths: true, label: "Move" }),
  );

describe("what lies on lines", () => {
  it.each([
    ["moved", translation(23.7, -11.3)],
    ["turned and scaled", aboutPoint([180, 220], 1.31, 1.31, 0.7)],
    ["mirrored", aboutPoint([200, 200], -1, 1, 0)],
  ] as const)("goes with a whole drawing %s: bridges, pours and shades", (_, matrix) => {
    const scale = Math.abs(matrix[0] * matrix[3] - matrix[1] * matrix[2]);
    for (const { file, svg } of ART) {
      const drawing = coloured(importSvg(file, svg).drawing, false);
      const before = lookOf(drawing);
      const grown = before.pockets.map((pocket) => ({ ...pocket, area: pocket.area * scale }));
      const paintOf = (pocket: (typeof grown)[number]) =>
        before.paintOf(before.pockets[grown.indexOf(pocket)]);
      const after = lookOf(moved(drawing, linesOf(drawing), matrix));
      expectSameLook({ ...before, pockets: grown, paintOf }, after, file, (at) => mappedPoint(at, matrix));
    }
  });

  it("goes with one of two drawings side by side, and stays with the other", () => {
    const [left, right] = ["flower", "lamp"].map((name) => ART.find(({ file }) => file === `${name}.svg`)!);
    const body = ({ svg }: typeof left) => /<g .*<\/g>/s.exec(svg)![0];
    const both = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 1000 400">${body(left)}<g id="right" transform="translate(500 0)">${body(right)}</g></svg>`;
    const drawing = coloured(importSvg("Both", both).drawing, false);
    const isRight = ([x]: readonly number[]) => x > 480;
    const ids = linesOf(drawing).filter((id) =>
      isRight(drawing.strokes[id]?.points ?? drawing.inkShapes[id].outline[0]),
    );
    const matrix = translation(60, 15);
    const after = moved(drawing, ids, matrix);
    expectSameLook(lookOf(drawing), lookOf(after), "both", (at) =>
      isRight(at) ? mappedPoint(at, matrix) : at,
    );
  });

  it("is, of flat shapes, what only moved lines are near", () => {
    const flat = (id: string, x: number): FlatShape => ({
      id,
      rank: 1,
      outline: [
        straight([
          [x, 1],
          [x + 4, 1],
          [x + 4, 8],
          [x, 1],
        ]).points as number[],
      ],
      evenOdd: false,
      paint: { colour: "frond", step: 0 },
      opacity: 1,
    });
    const drawing = { ...smallDrawing(), flatShapes: { near: flat("near", 2), far: flat("far", 52) } };
    const after = moved(drawing, ["a", "b"], translation(0, -30));
    expect(after.flatShapes.near.outline[0][1]).toBe(-29);
    expect(after.flatShapes.far).toBe(drawing.flatShapes.far);
  });

  it("is, of a bridge between a moved line and another, the end on the moved line", () => {
    const bridge = { id: "bridge", points: [10, 0, 10, 3, 10, 7, 10, 10] };
    const drawing = edited(smallDrawing(), addBridges([bridge]));
    const after = moved(drawing, ["b"], translation(3, 6));
    expect(startOf(after.bridges.bridge)).toEqual([10, 0]);
    expect(endOf(after.bridges.bridge)).toEqual([13, 16]);
    const bent = edited(drawing, reshapeLine("b", [0, 10, 3, 10, 9, 14, 12, 15], "Bend line"));
    expect(endOf(bent.bridges.bridge)).toEqual([12, 15]);
  });

  it.each([
    ["beef", "s1"],
    ["lock-keyhole-open", "s2"],
    ["two flaps", "s2"],
  ])(
    "is colour that a moved outline encloses by itself, though other lines bound it as well: %s",
    (name, id) => {
      const drawing = coloured(importSvg(name, artNamed(name)).drawing, false);
      const before = lookOf(drawing);
      const outline = flatten(drawing.strokes[id].points, 0.01);
      const own = before.pockets.find(({ seed }) => regionContains([outline], seed))!;
      const after = lookOf(moved(drawing, [id], translation(500, 0)));
      const [x, y] = own.seed;
      const there = after.pockets.find(({ rings }) => regionContains(rings, [x + 500, y]));
      expect(before.paintOf(own)).toBeDefined();
      expect(there && after.paintOf(there)).toEqual(before.paintOf(own));
    },
  );
});

const FLAPS =
  '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 100"><g fill="none" stroke="#000"><path d="M50 20V80L30 90V10Z"/><path d="M50 20V80L70 90V10Z"/></g></svg>';

const artNamed = (name: string): string =>
  name === "two flaps" ? FLAPS : readFileSync(`node_modules/lucide-static/icons/${name}.svg`, "utf8");
