import { describe, expect, it } from "vitest";
import { page, shapeOf, strokeOf } from "../../testing/drawings.ts";
import { newDrawing } from "../drawing/new-drawing.ts";
import { enclosedArea } from "../geometry/cubic.ts";
import { boundsOf } from "../geometry/point.ts";
import { inkTailsOf, ringWithout } from "./ink-tails.ts";
import { buildMap } from "./planar-map.ts";
import { linesOf } from "./reading.ts";

const bar = (right = 90) =>
  shapeOf("bar", 1, [
    [10, 48],
    [right, 48],
    [right, 52],
    [10, 52],
    [10, 48],
  ]);
const wall = (x: number) =>
  strokeOf(`wall${x}`, x, [
    [x, 20],
    [x, 80],
  ]);
/** Whole numbers. */
const boxOf = (chain: readonly number[]) => {
  const { x, y, width, height } = boundsOf([chain])!;
  return [x, y, width, height].map(Math.round);
};
const tails = (walls: readonly number[], shape = bar()) =>
  inkTailsOf(buildMap(linesOf(newDrawing("", page, walls.map(wall), [shape]))));

describe("tails of ink shapes", () => {
  it("are what runs on past a line, the smaller side of it", () => {
    const [tail, ...others] = tails([70]);
    expect(others).toEqual([]);
    expect(tail.line).toBe("bar/0");
    expect(boxOf(tail.outline)).toEqual([70, 48, 20, 4]);
    expect(tail.length).toBeCloseTo(22, 6);
  });

  it("leave the rest of the ring, closed, to where the line stands", () => {
    const [{ cut, outline }] = tails([70]);
    const rest = ringWithout(bar().outline[0], [cut]);
    expect(boxOf(rest)).toEqual([10, 48, 60, 4]);
    expect([rest[0], rest[1]]).toEqual([rest.at(-2), rest.at(-1)]);
    expect(Math.abs(enclosedArea(rest)) + Math.abs(enclosedArea(outline))).toBeCloseTo(320, 6);
  });

  it("are both ends where two lines cross, and never the middle", () => {
    const found = tails([30, 75]);
    expect(found.map(({ outline }) => boxOf(outline)[0])).toEqual([75, 10]);
    const ring = bar().outline[0];
    expect(found.map(({ cut }) => boxOf(ringWithout(ring, [cut])))).toEqual([
      [10, 48, 65, 4],
      [30, 48, 60, 4],
    ]);
    const both = ringWithout(
      ring,
      found.map(({ cut }) => cut),
    );
    expect(boxOf(both)).toEqual([30, 48, 45, 4]);
    expect(Math.abs(enclosedArea(both))).toBeCloseTo(180, 6);
  });

  it("are none where a line only touches, or there is no ink", () => {
    expect(tails([90])).toEqual([]);
    expect(tails([95])).toEqual([]);
    expect(inkTailsOf(buildMap(linesOf(newDrawing("", page, [wall(20), wall(40)]))))).toEqual([]);
  });

  it("are found on rings that run the other way too", () => {
    const [ring] = bar().outline;
    const back = {
      ...bar(),
      outline: [[...ring].map((_, i) => ring[i % 2 ? ring.length - i : ring.length - 2 - i])],
    };
    const [tail] = tails([70], back);
    expect(boxOf(ringWithout(back.outline[0], [tail.cut]))).toEqual([10, 48, 60, 4]);
  });
});
