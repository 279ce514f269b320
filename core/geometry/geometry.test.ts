/** Properties of matrices, rings, segments, lengths along lines, lists and disjoint sets. */
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { ellipse } from "../lines/figures.ts";
import { arcLengthOf, lengthAt, parameterAt } from "./arc-length.ts";
import { pointAt, polyline } from "./cubic.ts";
import { IntList, PairList, range } from "./lists.ts";
import {
  aboutPoint,
  composed,
  IDENTITY,
  keepsCircles,
  type Matrix,
  mapped,
  mappedPoint,
  meanScale,
  translation,
} from "./matrix.ts";
import { boundsOf, boxesApart, boxHolds, distance, grow, type Point } from "./point.ts";
import { crossingsAt, innerPoint, regionContains, ringArea, windingNumber } from "./polygon.ts";
import { closestOnSegment, segmentsCross } from "./segment.ts";
import { UnionFind } from "./union-find.ts";

const number = fc.double({ min: -100, max: 100, noNaN: true });
const place = fc.tuple(number, number);
const matrix: fc.Arbitrary<Matrix> = fc.tuple(number, number, number, number, number, number);

function expectNear([x, y]: Point, [otherX, otherY]: Point, within = 1e-6): void {
  expect(Math.abs(x - otherX)).toBeLessThanOrEqual(within);
  expect(Math.abs(y - otherY)).toBeLessThanOrEqual(within);
}

describe("matrices", () => {
  it("compose as one map after another", () => {
    fc.assert(
      fc.property(matrix, matrix, place, (outer, inner, at) => {
        expectNear(mappedPoint(at, composed(outer, inner)), mappedPoint(mappedPoint(at, inner), outer), 1e-6);
      }),
    );
  });

  it("map flat coordinates as they map points", () => {
    fc.assert(
      fc.property(matrix, place, place, (m, a, b) => {
        expect(mapped([...a, ...b], m)).toEqual([...mappedPoint(a, m), ...mappedPoint(b, m)]);
      }),
    );
    expect(mapped([1, 2, 3, 4], IDENTITY)).toEqual([1, 2, 3, 4]);
  });

  it("leave the point alone about which they scale and turn", () => {
    const scale = fc.double({ min: 0.1, max: 5, noNaN: true });
    fc.assert(
      fc.property(place, scale, scale, number, (at, sx, sy, angle) => {
        const m = aboutPoint(at, sx, sy, angle);
        expectNear(mappedPoint(at, m), at);
        expect(meanScale(m)).toBeCloseTo(Math.sqrt(sx * sy), 9);
      }),
    );
  });

  it("know whether circles stay circles, mirrored ones too", () => {
    expect(keepsCircles(aboutPoint([3, 4], 2, 2, 1))).toBe(true);
    expect(keepsCircles(aboutPoint([3, 4], -2, 2, 1))).toBe(true);
    expect(keepsCircles(translation(9, 9))).toBe(true);
    expect(keepsCircles(aboutPoint([0, 0], 2, 1.9, 1))).toBe(false);
    expect(keepsCircles([1, 0, 0.5, 1, 0, 0])).toBe(false);
  });
});

describe("rings", () => {
  const square = [0, 0, 10, 0, 10, 10, 0, 10];
  const hole = [3, 3, 7, 3, 7, 7, 3, 7];

  it("have an area with a sign by their direction, wherever they lie", () => {
    expect(ringArea(square)).toBe(100);
    expect(ringArea([0, 0, 0, 10, 10, 10, 10, 0])).toBe(-100);
    expect(ringArea(mapped(square, translation(1e6, -1e6)))).toBe(100);
  });

  it("hold places by the even-odd rule; a hole holds none", () => {
    expect(regionContains([square], [5, 5])).toBe(true);
    expect(regionContains([square, hole], [5, 5])).toBe(false);
    expect(regionContains([square, hole], [1, 5])).toBe(true);
    expect(regionContains([square], [11, 5])).toBe(false);
    expect(crossingsAt([square, hole], 5)).toEqual([0, 3, 7, 10]);
  });

  it("wind around places as often as they go round, by direction", () => {
    const twice = [...square, ...square];
    expect(Math.abs(windingNumber(square, [5, 5]))).toBe(1);
    expect(windingNumber(twice, [5, 5])).toBe(2 * windingNumber(square, [5, 5]));
    expect(windingNumber([0, 0, 0, 10, 10, 10, 10, 0], [5, 5])).toBe(-windingNumber(square, [5, 5]));
    expect(windingNumber(square, [15, 5])).toBe(0);
  });

  it("give an inner point that lies within, of crescents and frames too", () => {
    const crescent: number[] = [];
    for (let k = 0; k <= 24; k++) {
      const a = (k / 24) * Math.PI * 1.6;
      crescent.push(10 * Math.cos(a), 10 * Math.sin(a));
    }
    for (let k = 24; k >= 0; k--) {
      const a = (k / 24) * Math.PI * 1.6;
      crescent.push(9 * Math.cos(a), 9 * Math.sin(a));
    }
    for (const region of [[square], [square, hole], [crescent]])
      expect(regionContains(region, innerPoint(region))).toBe(true);
  });
});

describe("segments", () => {
  it("cross when each parts the other's ends, or touch", () => {
    expect(segmentsCross([0, 0], [10, 10], [0, 10], [10, 0])).toBe(true);
    expect(segmentsCross([0, 0], [10, 0], [5, 0], [5, 9])).toBe(true);
    expect(segmentsCross([0, 0], [10, 0], [5, 1], [5, 9])).toBe(false);
    expect(segmentsCross([0, 0], [4, 4], [0, 10], [10, 0])).toBe(false);
    expect(segmentsCross([0, 0], [4, 0], [4, 0], [9, 0])).toBe(true);
    expect(segmentsCross([0, 0], [4, 0], [5, 0], [9, 0])).toBe(false);
  });

  it("have no point nearer than the closest one", () => {
    const part = fc.double({ min: 0, max: 1, noNaN: true });
    fc.assert(
      fc.property(place, place, place, part, (a, b, at, t) => {
        const closest = closestOnSegment(a, b, at);
        const other: Point = [a[0] + t * (b[0] - a[0]), a[1] + t * (b[1] - a[1])];
        expect(distance(closest, at)).toBeLessThanOrEqual(distance(other, at) + 1e-9);
      }),
    );
    expect(closestOnSegment([3, 3], [3, 3], [9, 9])).toEqual([3, 3]);
  });
});

describe("boxes", () => {
  it("hold what they are drawn around, and tell when they are apart", () => {
    const box = boundsOf([
      [1, 2, 5, 9],
      [0, 4],
    ])!;
    expect(box).toEqual({ x: 0, y: 2, width: 5, height: 7 });
    expect(boxHolds(box, [5, 9])).toBe(true);
    expect(boxHolds(box, [5.1, 9])).toBe(false);
    const beside = { x: 6, y: 2, width: 1, height: 1 };
    expect(boxesApart(box, beside)).toBe(true);
    expect(boxesApart(grow(box, 1), beside)).toBe(false);
    expect(boundsOf([])).toBeUndefined();
  });
});

describe("length along a line", () => {
  const bow = [0, 0, 0, 40, 100, 40, 100, 0];

  it("is that of a circle", () => {
    expect(arcLengthOf(ellipse([0, 0], 50, 50), 1e-4).total).toBeCloseTo(2 * Math.PI * 50, 1);
  });

  it("leads from parameters to lengths and back", () => {
    const length = arcLengthOf(bow, 0.01);
    for (const u of [0, 0.1, 0.5, 0.93, 1])
      expect(parameterAt(length, lengthAt(length, u))).toBeCloseTo(u, 6);
    expect(parameterAt(length, -5)).toBe(0);
    expect(parameterAt(length, length.total + 5)).toBe(1);
  });

  it("finds the middle of an even line whatever its points", () => {
    const crowded = polyline([
      [0, 0],
      [1, 0],
      [2, 0],
      [100, 0],
    ]);
    const length = arcLengthOf(crowded, 0.1);
    expect(pointAt(crowded, parameterAt(length, 50))[0]).toBeCloseTo(50, 6);
  });
});

describe("lists and sets for hot paths", () => {
  it("grow past their first size", () => {
    const list = new IntList(16);
    for (const n of range(0, 100)) list.push(n);
    expect([...list.trimmed()]).toEqual(range(0, 100));
    expect(range(5, 3)).toEqual([]);
  });

  it("group pairs by key in the order they came", () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.nat(6), fc.nat(1000)), { maxLength: 40 }), (entries) => {
        const pairs = new PairList();
        for (const [key, value] of entries) pairs.push(key, value);
        const { start, items } = pairs.grouped(7);
        for (const key of range(0, 7))
          expect([...items.slice(start[key], start[key + 1])]).toEqual(
            entries.filter(([k]) => k === key).map(([, value]) => value),
          );
      }),
    );
  });

  it("unite as a plain colouring would", () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.nat(9), fc.nat(9)), { maxLength: 20 }), (joins) => {
        const sets = new UnionFind(10);
        let colours = range(0, 10);
        for (const [a, b] of joins) {
          sets.unite(a, b);
          colours = colours.map((colour) => (colour === colours[a] ? colours[b] : colour));
        }
        for (const a of range(0, 10))
          for (const b of range(0, 10)) expect(sets.find(a) === sets.find(b)).toBe(colours[a] === colours[b]);
      }),
    );
  });
});
