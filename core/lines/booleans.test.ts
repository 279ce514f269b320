import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { enclosedArea, flatten, polyline } from "../geometry/cubic.ts";
import { combined, type Region, rimAround } from "./booleans.ts";
import { ellipse, rectangle } from "./figures.ts";
import { fitSmoothRing } from "./fit.ts";

const shape = (...outline: number[][]): Region => ({ outline, evenOdd: false });
const areaOf = ({ outline }: Region) =>
  Math.abs(outline.reduce((sum, chain) => sum + enclosedArea(chain), 0));
const points = ({ outline }: Region) => outline.reduce((sum, chain) => sum + (chain.length - 2) / 6, 0);
const disc = (x: number, y: number, r: number) => shape(ellipse([x, y], r, r));

describe("shapes combined", () => {
  it("keep their areas: united, common and cut away add up, whatever ovals and boxes they are", () => {
    const place = fc.integer({ min: -40, max: 40 });
    const size = fc.integer({ min: 5, max: 60 });
    const any = fc
      .tuple(fc.boolean(), place, place, size, size)
      .map(([round, x, y, w, h]) =>
        round ? shape(ellipse([x, y], w, h)) : shape(rectangle([x, y], [x + w, y + h])),
      );
    fc.assert(
      fc.property(any, any, (a, b) => {
        const [all, common, left] = (["unite", "intersect", "subtract"] as const).map((how) =>
          areaOf(combined(a, b, how)),
        );
        const off = 0.01 * (areaOf(a) + areaOf(b));
        expect(Math.abs(all + common - areaOf(a) - areaOf(b))).toBeLessThan(off);
        expect(Math.abs(left + common - areaOf(a))).toBeLessThan(off);
      }),
    );
  });

  it("stay light: two discs united take a dozen curves where their polygons have hundreds of points", () => {
    const both = combined(disc(0, 0, 50), disc(40, 0, 50), "unite");
    const flat = flatten(both.outline[0], 0.005).length / 2;
    expect(points(both)).toBeLessThan(16);
    expect(flat).toBeGreaterThan(100);
  });

  it("have holes, fall apart, and may be nothing", () => {
    expect(combined(disc(0, 0, 50), disc(0, 0, 20), "subtract").outline).toHaveLength(2);
    const bar = shape(rectangle([-100, -5], [100, 5]));
    expect(combined(disc(0, 0, 50), bar, "subtract").outline).toHaveLength(2);
    expect(combined(disc(0, 0, 10), disc(100, 0, 10), "intersect").outline).toEqual([]);
    expect(combined(shape(), shape(), "unite").outline).toEqual([]);
  });

  it("keep sharp corners sharp", () => {
    const { outline } = combined(shape(rectangle([0, 0], [100, 100])), disc(100, 100, 30), "subtract");
    const flat = flatten(outline[0], 0.01);
    for (const [x, y] of [
      [0, 0],
      [100, 0],
      [0, 100],
    ]) {
      let nearest = Number.POSITIVE_INFINITY;
      for (let k = 0; k < flat.length; k += 2)
        nearest = Math.min(nearest, Math.hypot(flat[k] - x, flat[k + 1] - y));
      expect(nearest).toBeLessThan(0.05);
    }
  });

  it("have a rim where a closed line is no more than a point, and rings that are a point are smooth", () => {
    const dot = polyline([
      [1, 2],
      [1, 2],
    ]);
    const [rim, ...others] = rimAround([], [{ points: dot, closed: true, width: 0.2 }], 0.5);
    expect(Math.abs(enclosedArea(rim))).toBeCloseTo(Math.PI * 0.6 ** 2, 2);
    expect(others).toEqual([]);
    expect(fitSmoothRing([dot.slice(0, 2) as [number, number], [1, 2 + 1e-9]], 1)).toHaveLength(8);
  });
});
