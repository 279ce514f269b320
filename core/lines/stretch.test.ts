import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { arcLengthOf } from "../geometry/arc-length.ts";
import { distance } from "../geometry/point.ts";
import { ellipse } from "./figures.ts";
import { pointAtShare, shareNear, stretchOf, withEndAt } from "./stretch.ts";

const ring = { points: ellipse([50, 40], 40, 25), closed: true };
const open = { points: ring.points.slice(0, 14), closed: false };
const lengthOf = (points: readonly number[]) => arcLengthOf(points, 0.01).total;
const share = fc.double({ min: 0, max: 1, noNaN: true });

describe("a stretch of a line", () => {
  it("is as long as its share says and ends where the line does there, also across a closed line's start", () => {
    fc.assert(
      fc.property(share, share, fc.boolean(), (a, b, closed) => {
        const line = closed ? ring : open;
        const along = closed && b < a ? { from: a, to: b + 1 } : { from: Math.min(a, b), to: Math.max(a, b) };
        const { points } = stretchOf(line, along);
        expect(lengthOf(points) / lengthOf(line.points)).toBeCloseTo(Math.min(1, along.to - along.from), 3);
        expect(distance([points[0], points[1]], pointAtShare(line, along.from))).toBeLessThan(0.1);
        const end = points.slice(-2) as unknown as [number, number];
        expect(distance(end, pointAtShare(line, along.to))).toBeLessThan(0.1);
      }),
    );
  });

  it("is all of the line as it is where nothing is left out", () => {
    expect(stretchOf(ring, { from: 0, to: 1 })).toBe(ring);
  });

  it("finds where a place lies along it", () => {
    fc.assert(
      fc.property(fc.double({ min: 0.01, max: 0.99, noNaN: true }), (at) => {
        expect(shareNear(ring, pointAtShare(ring, at))).toBeCloseTo(at, 2);
      }),
    );
  });

  it("is drawn in and out by its ends and never turns round", () => {
    fc.assert(
      fc.property(share, share, share, fc.boolean(), fc.boolean(), (a, b, to, closed, first) => {
        const before = { from: Math.min(a, b), to: Math.max(a, b) };
        const after = withEndAt(closed ? ring : open, before, first ? "from" : "to", to);
        expect(after.to).toBeGreaterThanOrEqual(after.from);
        expect(after.to - after.from).toBeLessThanOrEqual(1);
        expect(after.from).toBeLessThanOrEqual(1);
      }),
    );
  });
});
