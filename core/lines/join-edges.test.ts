import { describe, expect, it } from "vitest";
import { curveCount } from "../geometry/cubic.ts";
import { ellipse, rectangle } from "./figures.ts";
import { joinedEdges } from "./join-edges.ts";

const shape = (id: string, ...outline: number[][]) => ({ id, outline, evenOdd: false });
const corners = (chain: readonly number[]) =>
  Array.from({ length: curveCount(chain) }, (_, k) => [chain[6 * k], chain[6 * k + 1]]);

describe("edges that nearly meet", () => {
  it("are one where their corners lie close: what was between is gone", () => {
    const [left, right] = joinedEdges(
      [shape("l", rectangle([0, 0], [10, 10])), shape("r", rectangle([10.1, 0], [20, 10]))],
      0.2,
    );
    expect(corners(left.outline[0])).toContainEqual([10.05, 0]);
    expect(corners(right.outline[0])).toContainEqual([10.05, 0]);
    expect(corners(right.outline[0])).toContainEqual([10.05, 10]);
    expect(joinedEdges([{ ...left }, { ...right }], 0.2)).toEqual([]);
  });

  it("go through corners that the other has in between", () => {
    const [below, above] = joinedEdges(
      [shape("b", rectangle([0, 0], [30, 10])), shape("a", rectangle([10, 10.1], [20, 20]))],
      0.2,
    );
    expect(above).toBeUndefined();
    for (const corner of [
      [10, 10.1],
      [20, 10.1],
    ])
      expect(corners(below.outline[0])).toContainEqual(corner);
  });

  it("follow the lower shape's curve where both bend between the same corners", () => {
    const arc = [0, 0, 3, 4, 7, 4, 10, 0];
    const close = [10, 0.05, 7, 4.15, 3, 4.1, 0, -0.05];
    const line = (x1: number, y1: number, x2: number, y2: number) => [
      x1 + (x2 - x1) / 3,
      y1 + (y2 - y1) / 3,
      x2 - (x2 - x1) / 3,
      y2 - (y2 - y1) / 3,
      x2,
      y2,
    ];
    const joined = joinedEdges(
      [
        shape("a", [...arc, ...line(10, 0, 5, -9), ...line(5, -9, 0, 0)]),
        shape("b", [...close, ...line(0, -0.05, 5, 12), ...line(5, 12, 10, 0.05)]),
      ],
      0.3,
    );
    const [a, b] = joined.map(({ outline }) => outline[0]);
    expect(b.slice(0, 8)).toEqual([6, 7, 4, 5, 2, 3, 0, 1].map((i) => a[i]));
  });

  it("are left alone where they lie apart, and what is small and whole stays", () => {
    const shapes = [shape("a", ellipse([5, 5], 5, 5)), shape("b", ellipse([15.5, 5], 5, 5))];
    expect(joinedEdges(shapes, 0.2)).toEqual([]);
    expect(joinedEdges([shape("dot", ellipse([5, 5], 0.05, 0.05))], 0.2)).toEqual([]);
  });
});
