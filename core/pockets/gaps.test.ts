import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { arc, box, circle, straight } from "../../testing/line-work.ts";
import { newDrawing } from "../drawing/new-drawing.ts";
import { readSvg } from "../formats/svg-read.ts";
import { curveCount, flatten, pointAt } from "../geometry/cubic.ts";
import { distance, type Point } from "../geometry/point.ts";
import { explainLeak } from "./leak.ts";
import { buildMap } from "./planar-map.ts";
import { pocketsOf } from "./pockets.ts";
import { buildWithReach, gapsOf, linesOf } from "./reading.ts";
import type { Line } from "./segments.ts";

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

describe("openings under ink", () => {
  /** Circles that all but touch under bold lines, and leaves that run up to a line and on beside it. */
  const bold = ["ice-cream-2", "apple", "baggage-claim", "beer-off", "book-user"].map((icon) => {
    const body = readFileSync(`node_modules/lucide-static/icons/${icon}.svg`, "utf8").replace(
      /<\/?svg[^>]*>|<!--.*?-->/gs,
      "",
    );
    const { page, strokes, inkShapes } = readSvg(
      `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 400 400"><g fill="none" stroke="#000" stroke-width="2" transform="translate(197 3) rotate(37.3) scale(11.17)">${body}</g></svg>`,
    );
    return [icon, linesOf(newDrawing("", page, strokes, inkShapes))] as const;
  });
  const ink = 2 * 11.17;
  const seen = (lines: Line[]) => pocketsOf(buildMap(lines)).filter(({ hidden }) => !hidden).length;

  it.each(bold)("are none: closing them changes no pocket that shows (%s)", (_, lines) => {
    const listed = gapsOf(buildMap(lines), ink).openings;
    expect(listed.filter(({ width }) => width < ink)).toEqual([]);
    const centre = gapsOf(buildMap(lines, { strict: true }), ink).openings;
    const bridges = centre.map(
      ({ bridge }, i): Line => ({ id: `b${i}`, points: bridge, closed: false, width: 0, bridge: true }),
    );
    expect(bridges.length).toBeGreaterThan(0);
    expect(seen([...lines, ...bridges])).toBe(seen(lines));
  });
});

describe("proposed bridges", () => {
  const demo = (name: string) => {
    const { page, strokes, inkShapes } = readSvg(readFileSync(`demo/almanac-${name}.svg`, "utf8"));
    return linesOf(newDrawing("", page, strokes, inkShapes));
  };
  const crosses = (p: Point, q: Point, a: Point, b: Point): boolean => {
    const turn = (u: Point, v: Point, w: Point) =>
      (v[0] - u[0]) * (w[1] - u[1]) - (v[1] - u[1]) * (w[0] - u[0]);
    return turn(p, q, a) * turn(p, q, b) < 0 && turn(a, b, p) * turn(a, b, q) < 0;
  };

  it("never cross a line", () => {
    for (const name of ["boot", "kettle", "snail"]) {
      const lines = demo(name);
      const walls = lines.map(({ points }) => flatten(points, 0.05));
      const { openings } = gapsOf(buildMap(lines), 50);
      expect(openings.length).toBeGreaterThan(5);
      for (const { bridge } of openings) {
        const count = curveCount(bridge);
        const [from, to] = [0.05, count - 0.05];
        const way = Array.from({ length: 21 }, (_, k) => pointAt(bridge, from + ((to - from) * k) / 20));
        let crossed = 0;
        for (const wall of walls)
          for (let k = 0; k + 3 < wall.length; k += 2)
            for (let i = 0; i < 20; i++)
              if (crosses(way[i], way[i + 1], [wall[k], wall[k + 1]], [wall[k + 2], wall[k + 3]])) crossed++;
        expect(crossed).toBe(0);
      }
    }
  });

  it("close a gap beside which there is no room: the ends face one another", () => {
    const pinched = [
      box(0, 0, 60, 40, 1),
      straight(
        [
          [30, 0],
          [30, 10],
        ],
        1,
      ),
      straight(
        [
          [30, 30],
          [30, 40],
        ],
        1,
      ),
    ];
    const { openings } = gaps(pinched, 25);
    expect(openings.map(({ width }) => Math.round(width))).toEqual([20]);
    expect(pocketsOf(buildWithReach(pinched, 25, {}))).toHaveLength(2);
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
    expect(explainLeak(space, [4000, 0], 10)).toEqual({ path: [[4000, 0]], openings: [] });
  });
});
