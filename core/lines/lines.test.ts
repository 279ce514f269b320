import { readFileSync } from "node:fs";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { readSvg } from "../formats/svg-read.ts";
import { arcLengthOf, lengthAt, parameterAt } from "../geometry/arc-length.ts";
import { curveCount, flatten, pointAt, polyline } from "../geometry/cubic.ts";
import { nearestPlace } from "../geometry/nearest.ts";
import { distance, type Point } from "../geometry/point.ts";
import { windingNumber } from "../geometry/polygon.ts";
import {
  isSmooth,
  pointOf,
  withCornerPoint,
  withHandleMoved,
  withPointAdded,
  withPointRemoved,
  withPointsMoved,
  withSmoothPoint,
} from "./bend.ts";
import { cornersAmong } from "./corners.ts";
import { piecesWhere } from "./cut.ts";
import { deviation } from "./deviation.ts";
import { drawnLine, type HandSample } from "./drawn-line.ts";
import { chainThrough, ellipse, rectangle } from "./figures.ts";
import { fitOpen } from "./fit.ts";
import { followed, meetsOn } from "./meets.ts";
import { nibOutline } from "./nib-outline.ts";
import { profileOf, shareAt, simplerProfile } from "./profile.ts";
import { Steadier } from "./steady.ts";
import { tidied } from "./tidy.ts";
import { tidiedUnderEnds } from "./tidy-met.ts";

const wave = Array.from(
  { length: 120 },
  (_, i): Point => [i * 2, 50 + 30 * Math.sin(i / 9) + Math.sin(i * 1.7) * 0.4],
);
const quarter = (Math.PI * 45) / 180;

describe("tidy", () => {
  const wobbly = fitOpen(wave, 0.05);

  it("leaves fewer points, and no place further off than asked", () => {
    for (const tolerance of [0.6, 1, 3]) {
      const {
        before,
        after,
        deviation: off,
        points,
      } = tidied(wobbly, false, { tolerance, corner: quarter, straight: false });
      expect(after).toBeLessThan(before / 2);
      expect(off).toBeLessThanOrEqual(tolerance);
      expect(points.slice(0, 2)).toEqual(wobbly.slice(0, 2));
      expect(points.slice(-2)).toEqual(wobbly.slice(-2));
    }
  });

  const coordinate = fc.integer({ min: 0, max: 400 }).map((n) => n / 4);
  const anyLine = fc.array(fc.tuple(coordinate, coordinate, coordinate, coordinate, coordinate, coordinate), {
    minLength: 2,
    maxLength: 12,
  });

  it("never goes further off than asked nor moves a pin, whatever the line (measured independently)", () => {
    fc.assert(
      fc.property(
        anyLine,
        fc.integer({ min: 1, max: 80 }),
        fc.boolean(),
        fc.nat(),
        (curves, tenths, straight, pin) => {
          const points = [10, 10, ...curves.flat()];
          const tolerance = tenths / 10;
          const index = pin % (curveCount(points) + 1);
          const { points: tidy } = tidied(points, false, { tolerance, corner: quarter, straight }, [index]);
          const pinned = pointOf(points, index);
          expect(tidy.some((_, k) => k % 6 === 0 && distance([tidy[k], tidy[k + 1]], pinned) === 0)).toBe(
            true,
          );
          const ring = flatten(tidy, 1e-3);
          for (let u = 0; u <= curveCount(points); u += 0.05)
            expect(distanceToChords(ring, pointAt(points, u))).toBeLessThanOrEqual(tolerance * 1.02 + 2e-3);
        },
      ),
      { numRuns: 80, seed: 5 },
    );
  });

  it("never gives more points where it may go further off", () => {
    const { page, strokes } = readSvg(readFileSync("demo/almanac-boot.svg", "utf8"));
    const size = Math.hypot(page.box.width, page.box.height);
    for (const straight of [false, true]) {
      for (const { id, points, closed } of strokes) {
        const counts = [2400, 1600, 800, 600, 400, 200, 100, 50].map(
          (parts) => tidied(points, closed, { tolerance: size / parts, corner: quarter, straight }).after,
        );
        expect(counts, id).toEqual(counts.toSorted((a, b) => b - a));
      }
    }
  });

  it("stays where other lines end on it", () => {
    const met = 40.37;
    const { points } = tidied(wobbly, false, { tolerance: 2, corner: quarter, straight: false }, [met]);
    expect(pointsOf(points).some((at) => distance(at, pointAt(wobbly, met)) < 1e-9)).toBe(true);
  });

  it("stays under the ends of other lines, and holds only to those it would come off", () => {
    const settings = { tolerance: 3, corner: quarter, straight: false };
    const line = { id: "wavy", points: wobbly, closed: false, width: 1 };
    const posts = [10.2, 25.7, 40.4].map((u, i) => {
      const [x, y] = pointAt(wobbly, u);
      return {
        id: `p${i}`,
        points: polyline([
          [x, y],
          [x, y + 30],
        ]),
        closed: false,
        width: i === 0 ? 30 : 0.5,
      };
    });
    const { points, after } = tidiedUnderEnds(line, [line, ...posts], settings, [], false);
    const gaps = posts.map(({ points: [x, y] }) =>
      distance(pointAt(points, nearestPlace(points, [x, y])), [x, y]),
    );
    expect(gaps[0]).toBeLessThan(15);
    for (const gap of gaps.slice(1)) expect(gap).toBeLessThanOrEqual(0.6);
    expect(after).toBeLessThanOrEqual(tidied(wobbly, false, settings).after + 4);
    const strict = tidiedUnderEnds(line, posts, settings, [], true);
    for (const {
      points: [x, y],
    } of posts)
      expect(distance(pointAt(strict.points, nearestPlace(strict.points, [x, y])), [x, y])).toBeLessThan(
        1e-6,
      );
  });

  it("goes straight only where that is asked", () => {
    const { points } = tidied(wobbly, false, { tolerance: 2, corner: quarter, straight: true });
    expect(points).toEqual(polyline(pointsOf(points)));
  });

  it("keeps closed lines closed, without a kink where they begin", () => {
    let ring = ellipse([50, 50], 40, 40);
    for (let k = 0; k < 16; k++) ring = withPointAdded(ring, 2 * (k % 2) + k / 2 + 0.3);
    const { points, after } = tidied(ring, true, { tolerance: 0.5, corner: quarter, straight: false });
    expect(points.slice(0, 2)).toEqual(points.slice(-2));
    expect(after).toBeLessThan(10);
    expect(isSmooth(points, true, 0)).toBe(true);
  });
});

const pointsOf = (chain: readonly number[]): Point[] =>
  Array.from({ length: curveCount(chain) + 1 }, (_, i) => pointOf(chain, i));

function distanceToChords(flat: readonly number[], [x, y]: Point): number {
  let least = Infinity;
  for (let k = 0; k + 3 < flat.length; k += 2) {
    const [dx, dy] = [flat[k + 2] - flat[k], flat[k + 3] - flat[k + 1]];
    const t = Math.max(
      0,
      Math.min(1, ((x - flat[k]) * dx + (y - flat[k + 1]) * dy) / (dx * dx + dy * dy || 1)),
    );
    least = Math.min(least, Math.hypot(x - flat[k] - t * dx, y - flat[k + 1] - t * dy));
  }
  return flat.length > 2 ? least : distance([flat[0], flat[1]], [x, y]);
}

describe("deviation", () => {
  it("is the largest distance either way", () => {
    const flat = polyline([
      [0, 0],
      [100, 0],
    ]);
    expect(
      deviation(
        flat,
        polyline([
          [0, 0],
          [50, 8],
          [100, 0],
        ]),
        1,
      ),
    ).toBeCloseTo(8, 3);
    expect(
      deviation(
        flat,
        polyline([
          [0, 0],
          [140, 0],
        ]),
        1,
      ),
    ).toBeCloseTo(40, 3);
    expect(deviation(flat, flat, 1)).toBe(0);
  });
});

describe("drawing by hand", () => {
  const samples = (points: readonly Point[]): HandSample[] =>
    points.map((at, i) => ({ at, pressure: i / points.length }));

  it("fits what was drawn within the tolerance, with pressure as profile", () => {
    const line = drawnLine(samples(wave), { tolerance: 1, pressed: true, closeWithin: 0 })!;
    const flat = flatten(line.points, 0.01);
    for (const at of wave) expect(distanceToChords(flat, at)).toBeLessThan(1.05);
    expect(shareAt(line.profile!, 0.1)).toBeCloseTo(0.1, 1);
    expect(shareAt(line.profile!, 0.9)).toBeCloseTo(0.9, 1);
    expect(line.profile!.length).toBeLessThan(20);
  });

  it("closes a line that ends near its start, and no other", () => {
    const ring = Array.from(
      { length: 60 },
      (_, i): Point => [50 + 40 * Math.cos(i / 9.6), 50 + 40 * Math.sin(i / 9.6)],
    );
    const options = { tolerance: 0.5, pressed: false };
    expect(drawnLine(samples(ring), { ...options, closeWithin: 8 })!.closed).toBe(true);
    expect(drawnLine(samples(ring), { ...options, closeWithin: 1 })!.closed).toBe(false);
    expect(drawnLine(samples(wave.slice(0, 3)), { ...options, closeWithin: 8 })!.closed).toBe(false);
    expect(drawnLine(samples([wave[0]]), { ...options, closeWithin: 8 })).toBeUndefined();
  });

  it("is steadied by a string: tremor shorter than it leaves no trace", () => {
    const steadier = new Steadier(4);
    const path = Array.from({ length: 100 }, (_, i) => steadier.follow([i, i % 2 ? 3 : -3]));
    const late = path.slice(20).map(([, y]) => y);
    expect(Math.max(...late) - Math.min(...late)).toBeLessThan(1.5);
    expect(new Steadier(0).follow([3, 4])).toEqual([3, 4]);
  });

  it("finds the corners and only those", () => {
    const corner: Point[] = [...Array(20).keys()].map((i) => (i < 10 ? [i, 0] : [9, i - 9]));
    expect(cornersAmong(corner, false, quarter, 4)).toEqual([9]);
    expect(cornersAmong(wave, false, quarter, 6)).toEqual([]);
    const square: Point[] = [...Array(40).keys()].map(
      (i) =>
        [
          [i % 10, 0],
          [10, i % 10],
          [10 - (i % 10), 10],
          [0, 10 - (i % 10)],
        ][Math.floor(i / 10)] as [number, number],
    );
    expect(cornersAmong(square, true, quarter, 4)).toEqual([0, 10, 20, 30]);
  });
});

describe("figures", () => {
  it("go through pegs, straight or along their handles", () => {
    const chain = chainThrough([{ at: [0, 0] }, { at: [50, 0], out: [60, 20] }, { at: [90, 0] }], false);
    expect(pointsOf(chain)).toEqual([
      [0, 0],
      [50, 0],
      [90, 0],
    ]);
    expect(chain.slice(4, 6)).toEqual([40, -20]);
    expect(curveCount(chainThrough([{ at: [0, 0] }, { at: [9, 0] }, { at: [0, 9] }], true))).toBe(3);
  });

  it("are round within a thousandth, or square", () => {
    const round = ellipse([10, 20], 5, 5);
    for (let u = 0; u <= 4; u += 0.1) expect(distance(pointAt(round, u), [10, 20])).toBeCloseTo(5, 2);
    expect(rectangle([0, 0], [4, 3]).slice(-2)).toEqual([0, 0]);
  });
});

describe("nibs", () => {
  const straightLine = {
    points: polyline([
      [0, 0],
      [100, 0],
    ]),
    closed: false,
    cap: "butt" as const,
    width: 10,
    strands: 1,
  };
  const inside = (outline: readonly number[][], at: Point) =>
    outline.reduce((sum, chain) => sum + windingNumber(flatten(chain, 0.01).slice(0, -2), at), 0) !== 0;

  it("make ink as wide as the profile says", () => {
    const outline = nibOutline({ ...straightLine, profile: [0, 0.2, 0.5, 1, 1, 0.2] });
    expect(inside(outline, [50, 4.8])).toBe(true);
    expect(inside(outline, [50, 5.2])).toBe(false);
    expect(inside(outline, [10, 1.7])).toBe(true);
    expect(inside(outline, [10, 2])).toBe(false);
    expect(inside(outline, [-1, 0])).toBe(false);
  });

  it("leave no hole however tightly the line bends", () => {
    const tight = { ...straightLine, points: [0, 0, 40, 0, 40, 3, 0, 3], width: 12, cap: "round" as const };
    const outline = nibOutline({ ...tight, profile: [0, 1, 1, 0.8] });
    for (let u = 0; u <= 1; u += 0.02) expect(inside(outline, pointAt(tight.points, u))).toBe(true);
    for (const chain of outline) expect(windingOf(chain)).toBeGreaterThan(0);
  });

  it("draw several strands that meet where the nib is narrow", () => {
    const outline = nibOutline({ ...straightLine, strands: 3, profile: [0, 1, 1, 0] });
    expect([-4.2, 0, 4.2].map((y) => inside(outline, [5, y]))).toEqual([true, true, true]);
    expect([-2.2, 2.2].map((y) => inside(outline, [5, y]))).toEqual([false, false]);
    expect(inside(outline, [98, 0.8])).toBe(false);
  });

  it("combine with a stroke's own profile", () => {
    const stroke = { id: "s", rank: 1, points: [], closed: false, width: 1, profile: [0, 0.5, 1, 1] };
    const nib = { id: "n", rank: 1, name: "", strands: 1, profile: [0, 1, 0.5, 0.5, 1, 1] };
    expect(profileOf(stroke, nib)).toEqual([0, 0.5, 0.5, 0.375, 1, 1]);
    expect(profileOf({ ...stroke, profile: undefined }, { ...nib, profile: [0, 1, 1, 1] })).toBeUndefined();
    expect(simplerProfile([0, 1, 0.3, 1.01, 0.6, 0.99, 1, 1], 0.05)).toEqual([0, 1, 1, 1]);
  });
});

const windingOf = (chain: readonly number[]): number => {
  const ring = flatten(chain, 0.05);
  let area = 0;
  for (let k = 0; k + 3 < ring.length; k += 2) area += ring[k] * ring[k + 3] - ring[k + 2] * ring[k + 1];
  return area;
};

describe("bending", () => {
  const line = polyline([
    [0, 0],
    [50, 40],
    [100, 0],
  ]);

  it("moves points with their handles, on a closed line its first and last as one", () => {
    expect(pointsOf(withPointsMoved(line, false, [1], [5, -5]))).toEqual([
      [0, 0],
      [55, 35],
      [100, 0],
    ]);
    const ring = ellipse([0, 0], 10, 10);
    const moved = withPointsMoved(ring, true, [0], [3, 0]);
    expect(moved.slice(0, 2)).toEqual(moved.slice(-2));
  });

  it("smooths and sharpens points, and turns both handles of a smooth one", () => {
    const smooth = withSmoothPoint(line, false, 1);
    expect(isSmooth(line, false, 1)).toBe(false);
    expect(isSmooth(smooth, false, 1)).toBe(true);
    const turned = withHandleMoved(smooth, false, 1, 8, [50, 70]);
    expect(isSmooth(turned, false, 1)).toBe(true);
    expect(isSmooth(withCornerPoint(turned, false, 1), false, 1)).toBe(false);
  });

  it("adds a point without changing the line, and takes it away again", () => {
    const curve = [0, 0, 30, 60, 70, 60, 100, 0];
    const more = withPointAdded(curve, 0.4);
    expect(curveCount(more)).toBe(2);
    expect(deviation(curve, more, 0.1)).toBeLessThan(1e-9);
    const less = withPointRemoved(more, false, 1)!;
    expect(deviation(curve, less, 0.1)).toBeLessThan(0.5);
    expect(withPointRemoved(curve, false, 0)).toBeUndefined();
    expect(curveCount(withPointRemoved(ellipse([0, 0], 9, 9), true, 0)!)).toBe(3);
  });

  it("takes along the ends that meet the line", () => {
    const post = {
      id: "post",
      points: polyline([
        [50, 40],
        [50, 90],
      ]),
      closed: false,
      width: 2,
    };
    const own = { id: "own", points: line, closed: false, width: 2 };
    const meets = meetsOn(own, [
      own,
      post,
      {
        ...post,
        id: "far",
        points: polyline([
          [200, 0],
          [210, 0],
        ]),
      },
    ]);
    expect(meets).toMatchObject([{ id: "post", point: 0, u: 1 }]);
    const bent = withPointsMoved(line, false, [1], [0, 12]);
    const shapes = followed(meets, new Map([["post", post.points]]), line, bent);
    expect([...shapes.get("post")!].slice(0, 2)).toEqual([50, 52]);
  });
  it("takes along the corners that closed neighbours share", () => {
    const square = (x: number) => ({
      id: `box-${x}`,
      points: polyline([
        [x, 0],
        [x + 40, 0],
        [x + 40, 40],
        [x, 40],
        [x, 0],
      ]),
      closed: true,
      width: 2,
    });
    const [left, right] = [square(0), square(40)];
    const meets = meetsOn(left, [left, right]);
    const bent = withPointsMoved(left.points, true, [1], [5, -9]);
    const { points } = {
      points: followed(meets, new Map([[right.id, right.points]]), left.points, bent).get(right.id)!,
    };
    expect(pointOf(points, 0)).toEqual([45, -9]);
    expect(pointOf(points, 4)).toEqual([45, -9]);
    expect(pointOf(points, 3)).toEqual([40, 40]);
  });
});

describe("arc length and cutting", () => {
  it("goes from lengths to parameters and back", () => {
    const arc = arcLengthOf([0, 0, 0, 50, 50, 100, 100, 100], 0.01);
    for (const part of [0, 0.2, 0.7, 1])
      expect(lengthAt(arc, parameterAt(arc, part * arc.total))).toBeCloseTo(part * arc.total, 6);
  });

  it("cuts where a condition changes, through the start of a closed line", () => {
    const ring = ellipse([0, 0], 10, 10);
    const pieces = piecesWhere(ring, true, (u) => pointAt(ring, u)[0] > 0, 1);
    expect(pieces).toHaveLength(1);
    expect(Math.abs(pieces[0][0])).toBeLessThan(1e-6);
    expect(piecesWhere(ring, true, () => true, 1)[0]).toBe(ring);
  });
});
