import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { flatten } from "../geometry/cubic.ts";
import { distance, type Point } from "../geometry/point.ts";
import { closestOnSegment } from "../geometry/segment.ts";
import { fitClosed, fitOpen } from "./fit.ts";

function farthest(points: readonly Point[], chain: readonly number[]): number {
  const flat = flatten(chain, 0.01);
  const off = points.map((p) => {
    let least = Infinity;
    for (let i = 0; i + 3 < flat.length; i += 2) {
      least = Math.min(
        least,
        distance(p, closestOnSegment([flat[i], flat[i + 1]], [flat[i + 2], flat[i + 3]], p)),
      );
    }
    return least;
  });
  return Math.max(...off);
}

describe("fitting", () => {
  it("stays within the tolerance of every point", () => {
    const coordinate = fc.integer({ min: 0, max: 1_000_000 }).map((n) => n / 10_000);
    fc.assert(
      fc.property(fc.array(fc.tuple(coordinate, coordinate), { minLength: 2, maxLength: 25 }), (points) => {
        fc.pre(points.some((p) => distance(p, points[0]) > 0.1));
        expect(farthest(points, fitOpen(points, 1.5))).toBeLessThanOrEqual(1.55);
      }),
      { numRuns: 60 },
    );
  });

  it("needs few cubics for a smooth gesture, and closes a ring", () => {
    const ring: Point[] = Array.from({ length: 90 }, (_, i) => [
      50 + 40 * Math.cos(i / 14.5),
      50 + 40 * Math.sin(i / 14.5),
    ]);
    const chain = fitClosed(ring, 0.5);
    expect((chain.length - 2) / 6).toBeLessThanOrEqual(8);
    expect(chain.slice(-2)).toEqual(chain.slice(0, 2));
  });
});
