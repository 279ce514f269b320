import { expect, it } from "vitest";
import { defaultPage, newDrawing } from "../drawing/new-drawing.ts";
import { strokeOf } from "../drawing/testing.ts";
import { DrawingReader } from "../pockets/drawing-reader.ts";
import { formedBy } from "./formed.ts";

const square = (id: string, rank: number, x: number, y: number, side: number) =>
  strokeOf(id, rank, [
    [x, y],
    [x + side, y],
    [x + side, y + side],
    [x, y + side],
    [x, y],
  ]);
const lines = [
  square("left", 1, 10, 10, 20),
  square("right", 2, 30, 10, 20),
  square("far", 3, 60, 60, 30),
  square("in it", 4, 70, 70, 10),
];
const form = { tones: 1, deeper: 1, roundness: 1, reach: 0.5, whole: true } as const;

const pockets = new DrawingReader()
  .read(newDrawing("Islands", defaultPage({ x: 0, y: 0, width: 100, height: 100 }), lines))
  .pockets.filter(({ hidden }) => !hidden);
const formAt = (x: number, y: number) =>
  formedBy(
    pockets.reduce((best, pocket) => {
      const away = (p: typeof pocket) => Math.hypot(p.seed[0] - x, p.seed[1] - y);
      return away(pocket) < away(best) ? pocket : best;
    }),
    form,
    pockets,
  );

it("is one for what touches, and another for what lies apart in the same part", () => {
  expect(pockets).toHaveLength(4);
  expect(formAt(20, 20)).toBe(formAt(40, 20));
  expect(formAt(75, 75)).toBe(formAt(62, 62));
  expect(formAt(20, 20).key).not.toBe(formAt(75, 75).key);
  const [near, far] = [formAt(20, 20), formAt(75, 75)];
  expect([near.area / 800, far.area / 900]).toEqual([expect.closeTo(1, 2), expect.closeTo(1, 2)]);
  expect(Object.values(near.box)).toEqual([10, 10, 40, 20].map((n) => expect.closeTo(n, 1)));
});
