import { describe, expect, it } from "vitest";
import { distance } from "../geometry/point.ts";
import { explainLeak } from "./leak.ts";
import { buildMap } from "./planar-map.ts";
import { pocketsOf } from "./pockets.ts";
import { buildWithReach, gapsOf } from "./reading.ts";
import type { Line } from "./segments.ts";
import { arc, box, circle, straight } from "./testing.ts";

const gaps = (lines: Line[], reach: number) => gapsOf(buildMap(lines), reach);
/** A circle of radius 50 with a gap of the given width at its right. */
const gapped = (width: number) => {
  const half = (Math.asin(width / 100) * 180) / Math.PI;
  return arc(0, 0, 50, half, 360 - half, 1);
};

describe("openings", () => {
  it("measures the gap of a circle and says where it is", () => {
    const { openings, looseEnds } = gaps([gapped(6)], 10);
    expect(looseEnds).toHaveLength(2);
    expect(openings).toHaveLength(1);
    expect(openings[0].width).toBeCloseTo(6, 1);
    expect(distance(openings[0].at, [50, 0])).toBeLessThan(1);
  });

  it("finds an end that stops short of another line's flank", () => {
    const { openings } = gaps(
      [
        box(0, 0, 200, 100, 1),
        straight(
          [
            [100, 0],
            [100, 92],
          ],
          1,
        ),
      ],
      12,
    );
    expect(openings).toHaveLength(1);
    expect(openings[0].width).toBeCloseTo(8, 1);
  });

  it("does not take corners, corridors or hatching for openings", () => {
    expect(
      gaps(
        [
          straight(
            [
              [0, 0],
              [100, 20],
              [0, 40],
            ],
            1,
          ),
        ],
        20,
      ).openings,
    ).toEqual([]);
    expect(
      gaps(
        [
          straight(
            [
              [0, 0],
              [200, 0],
            ],
            1,
          ),
          straight(
            [
              [0, 8],
              [200, 8],
            ],
            1,
          ),
        ],
        20,
      ).openings,
    ).toEqual([]);
    const hatch = Array.from({ length: 10 }, (_, i) =>
      straight(
        [
          [i * 6, 0],
          [i * 6 + 3, 50],
        ],
        1,
      ),
    );
    expect(gaps([box(-60, -40, 200, 150, 1), ...hatch], 15).openings).toEqual([]);
  });

  it("closes openings up to the reach and no wider", () => {
    const lines = [gapped(6), arc(200, 0, 50, 10, 350, 1)];
    expect(pocketsOf(buildWithReach(lines, 0, {}))).toHaveLength(0);
    expect(pocketsOf(buildWithReach(lines, 8, {}))).toHaveLength(1);
    expect(pocketsOf(buildWithReach(lines, 20, {}))).toHaveLength(2);
  });
});

describe("a leak", () => {
  it("is explained by its way out and the opening to close", () => {
    const { space } = gaps([gapped(6)], 10);
    const leak = explainLeak(space, [-20, 5], 10)!;
    expect(leak.path[0]).toEqual([-20, 5]);
    expect(leak.openings).toHaveLength(1);
    expect(leak.openings[0].width).toBeCloseTo(6, 1);
    const last = leak.path[leak.path.length - 1];
    expect(Math.hypot(...last)).toBeGreaterThan(50);
  });

  it("lists several openings, and bridging all of them encloses the place", () => {
    const half = 3;
    const ring: Line[] = [0, 120, 240].map((a) => arc(0, 0, 80, a + half, a + 120 - half, 1));
    const { space } = gaps(ring, 14);
    const leak = explainLeak(space, [10, 0], 14)!;
    expect(leak.openings).toHaveLength(3);
    const bridges = leak.openings.map(({ from, to }) => straight([from, to]));
    expect(pocketsOf(buildMap([...ring, ...bridges]))).toHaveLength(1);
  });

  it("says so when nothing narrow would close it", () => {
    const { space } = gaps([circle(0, 0, 50, 1)], 10);
    const leak = explainLeak(space, [60, 0], 10)!;
    expect(leak.openings).toEqual([]);
    expect(explainLeak(space, [4000, 0], 10)).toBeUndefined();
  });
});
