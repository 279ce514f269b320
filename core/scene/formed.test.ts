import { expect, it } from "vitest";
import { strokeOf } from "../../testing/drawings.ts";
import type { Anchor } from "../drawing/drawing.ts";
import { defaultPage, newDrawing } from "../drawing/new-drawing.ts";
import { flatten } from "../geometry/cubic.ts";
import { range } from "../geometry/lists.ts";
import { grow, type Point } from "../geometry/point.ts";
import { regionContains } from "../geometry/polygon.ts";
import { DrawingReader } from "../pockets/drawing-reader.ts";
import { formTones } from "./form-items.ts";
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

const drawing = newDrawing("Islands", defaultPage({ x: 0, y: 0, width: 100, height: 100 }), lines);
const pockets = new DrawingReader().read(drawing).pockets.filter(({ hidden }) => !hidden);
/** The index of the pocket whose inner point is nearest. */
const pocketOf = (x: number, y: number): number => {
  const away = pockets.map(({ seed }) => Math.hypot(seed[0] - x, seed[1] - y));
  return away.indexOf(Math.min(...away));
};
const formAt = (x: number, y: number) =>
  formedBy(pockets[pocketOf(x, y)], form, { pockets, pourOf: [] }, drawing);

it("is one for what touches, and another for what lies apart in the same part", () => {
  expect(pockets).toHaveLength(4);
  expect(formAt(20, 20)).toBe(formAt(40, 20));
  expect(formAt(75, 75)).toBe(formAt(62, 62));
  expect(formAt(20, 20).key).not.toBe(formAt(75, 75).key);
  const [near, far] = [formAt(20, 20), formAt(75, 75)];
  expect([near.area / 800, far.area / 900]).toEqual([expect.closeTo(1, 2), expect.closeTo(1, 2)]);
  expect(Object.values(near.box)).toEqual([10, 10, 40, 20].map((n) => expect.closeTo(n, 1)));
});

it("is one for the pockets that share a name for it, and of its own for the one beside them", () => {
  const cloth = { ...form, whole: undefined, cloth: "barrel" } as const;
  const of = (names: readonly (string | undefined)[]) => {
    const ids = pockets.map((_, i) => `pour ${i}`);
    const pours = Object.fromEntries(
      pockets.map(({ seed }, i) => [
        ids[i],
        {
          id: ids[i],
          rank: i,
          paint: null,
          anchor: { seed } as unknown as Anchor,
          form: { ...cloth, cloth: names[i] },
        },
      ]),
    );
    return pockets.map((pocket, i) =>
      formedBy(pocket, pours[ids[i]].form, { pockets, pourOf: ids }, { ...drawing, pours }),
    );
  };
  const [left, right] = [pocketOf(20, 20), pocketOf(40, 20)];
  const shared = of(pockets.map((_, i) => (i === left || i === right ? "barrel" : undefined)));
  expect(shared[left]).toBe(shared[right]);
  expect(shared[left].area / 800).toBeCloseTo(1, 2);
  const apart = of(pockets.map((_, i) => (i === left ? "barrel" : undefined)));
  expect(apart[left].area / 400).toBeCloseTo(1, 2);
  expect(apart[right].key).not.toBe(apart[left].key);
});

/** How much of what is seen of each square is in shade, by places on a lattice. */
function shadedShares(
  squares: readonly (readonly [x: number, y: number, width: number, height: number])[],
  ink: number,
) {
  const strokes = squares.map(([x, y, width, height], k) => ({
    ...strokeOf(`s${k}`, k + 1, [
      [x, y],
      [x + width, y],
      [x + width, y + height],
      [x, y + height],
      [x, y],
    ]),
    closed: true,
    width: ink,
  }));
  const inked = newDrawing("Heavy", defaultPage({ x: 0, y: 0, width: 100, height: 100 }), strokes);
  const found = new DrawingReader().read(inked).pockets.filter(({ hidden }) => !hidden);
  return found.map((pocket) => {
    const own = { ...form, whole: undefined };
    const formed = formedBy(pocket, own, { pockets: found, pourOf: [] }, inked);
    const rings = formTones(formed, own, inked).flatMap(({ chains }) =>
      chains.map((chain) => flatten(chain, 0.05)),
    );
    const { x, y, width, height } = grow(pocket.box, -ink / 2);
    const places = range(0, 400).map(
      (k): Point => [x + (((k % 20) + 0.5) * width) / 20, y + ((Math.floor(k / 20) + 0.5) * height) / 20],
    );
    return places.filter((at) => regionContains(rings, at)).length / places.length;
  });
}

it("lies inside the ink: what is small under heavy lines is as much in shade as what is large", () => {
  const [large, small] = shadedShares(
    [
      [5, 5, 60, 60],
      [75, 75, 14, 14],
    ],
    8,
  );
  expect(large).toBeGreaterThan(0.15);
  expect(small).toBeGreaterThan(0.6 * large);
  expect(small).toBeLessThan(1.6 * large);
});

it("is there however long and thin the pocket is", () => {
  for (const share of shadedShares(
    [
      [5, 10, 90, 1.8],
      [5, 20, 90, 1],
      [50, 30, 0.9, 60],
    ],
    0.1,
  )) {
    expect(share).toBeGreaterThan(0.1);
    expect(share).toBeLessThan(0.9);
  }
});
