import { describe, expect, it } from "vitest";
import { polyline } from "../geometry/cubic.ts";
import type { Point } from "../geometry/point.ts";
import { ellipse } from "./figures.ts";
import { gathers, isAcross } from "./gather.ts";

const bar = [
  polyline([
    [20, 50],
    [80, 50],
  ]),
];
const ring = [ellipse([50, 50], 30, 20)];
const round: Point[] = [
  [10, 20],
  [90, 20],
  [90, 80],
  [10, 80],
  [10, 30],
];

describe("gathering by a drag", () => {
  it("takes what a loop holds by more than half of its length", () => {
    expect(gathers(round, bar, 0.1)).toBe(true);
    expect(gathers(round, ring, 0.1)).toBe(true);
    const leftThird = round.map(([x, y]): Point => [Math.min(x, 40), y]);
    expect(gathers(leftThird, bar, 0.1)).toBe(false);
    const leftMost = round.map(([x, y]): Point => [Math.min(x, 60), y]);
    expect(gathers(leftMost, bar, 0.1)).toBe(true);
  });

  it("goes by length, not by how the points are spread", () => {
    const crowded = polyline([
      [20, 50],
      [21, 50],
      [22, 50],
      [23, 50],
      [80, 50],
    ]);
    const left = round.map(([x, y]): Point => [Math.min(x, 40), y]);
    expect(gathers(left, [crowded], 0.1)).toBe(false);
  });

  it("goes across as a drag however it bends or turns back, as long as it goes round nothing", () => {
    const corner: Point[] = [
      [10, 10],
      [90, 12],
      [92, 60],
      [60, 80],
    ];
    const scribble = Array.from({ length: 8 }, (_, k): Point => [k % 2 === 0 ? 10 : 90, 20 + 6 * k]);
    expect(isAcross(corner)).toBe(true);
    expect(isAcross(scribble)).toBe(true);
    expect(isAcross(round)).toBe(false);
  });

  it("takes what a drag goes across, and nothing it stops short of", () => {
    const across: Point[] = [
      [50, 10],
      [52, 60],
      [50, 90],
    ];
    expect(isAcross(across)).toBe(true);
    expect(gathers(across, bar, 0.1)).toBe(true);
    expect(gathers(across, ring, 0.1)).toBe(true);
    expect(
      gathers(
        [
          [50, 10],
          [50, 28],
        ],
        ring,
        0.1,
      ),
    ).toBe(false);
    expect(
      gathers(
        [
          [50, 45],
          [60, 52],
        ],
        ring,
        0.1,
      ),
    ).toBe(false);
  });

  it("takes nothing without a drag", () => {
    expect(gathers([[50, 50]], bar, 0.1)).toBe(false);
  });
});
