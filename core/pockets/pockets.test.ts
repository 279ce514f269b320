import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { cutLine } from "../../testing/cut-lines.ts";
import { ART, ICONS } from "../../testing/foreign-art.ts";
import { arc, box, circle, straight } from "../../testing/line-work.ts";
import { randomFrom } from "../../testing/random.ts";
import { newDrawing } from "../drawing/new-drawing.ts";
import { importSvg } from "../formats/import-drawing.ts";
import { readSvg } from "../formats/svg-read.ts";
import { curveCount, flatten, pointAt, reversed } from "../geometry/cubic.ts";
import { distance, type Point } from "../geometry/point.ts";
import { regionContains } from "../geometry/polygon.ts";
import { closestOnSegment } from "../geometry/segment.ts";
import { buildMap } from "./planar-map.ts";
import { pocketsOf } from "./pockets.ts";
import { linesOf } from "./reading.ts";
import type { Line } from "./segments.ts";

const areas = (lines: Line[], strict = true) =>
  pocketsOf(buildMap(lines, { strict })).map(({ area }) => Math.round(area * 1e4) / 1e4);

/** Distance from a point to a flattened line. */
function gapTo(flat: readonly number[], at: Point): number {
  let least = Infinity;
  for (let k = 0; k + 3 < flat.length; k += 2) {
    const on = closestOnSegment([flat[k], flat[k + 1]], [flat[k + 2], flat[k + 3]], at);
    least = Math.min(least, distance(on, at));
  }
  return least;
}

const shownIn = (lines: readonly Line[]): number =>
  pocketsOf(buildMap(lines)).filter(({ hidden }) => !hidden).length;

describe("pockets", () => {
  it("are closed where the ink of two ends touches, on one straight line too", () => {
    const gapped = (gap: number): Line => ({
      ...straight([
        [12 + gap, 4],
        [20, 4],
        [20, 20],
        [4, 20],
        [4, 4],
        [12, 4],
      ]),
      width: 2,
    });
    expect(areas([gapped(1)], false)).toEqual([256]);
    expect(areas([gapped(2.1)], false)).toEqual([]);
    expect(areas([gapped(1)], true)).toEqual([]);
  });

  it("stay as many where a cut in a published icon lies within its ink, and are fewer where it is wider", () => {
    const random = randomFrom(21);
    let [wide, narrow] = [0, 0];
    for (const { file } of ART) {
      // As they are published: pieces of a line that is exactly straight are a case of their own.
      const lines = linesOf(importSvg(file, readFileSync(`${ICONS}/${file}`, "utf8")).drawing);
      const count = shownIn(lines);
      for (const line of lines) {
        const place = random();
        const others = lines.filter((other) => other !== line);
        for (const gap of [0.5 * line.width, 2 * line.width]) {
          const pieces = cutLine(line, gap, place);
          if (!pieces) continue;
          const lost = count - shownIn([...others, ...pieces]);
          if (gap > line.width) wide += lost > 0 ? 1 : 0;
          else narrow += lost > 0 ? 1 : 0;
        }
      }
    }
    expect(narrow).toBe(0);
    expect(wide).toBeGreaterThan(20);
  });

  it("finds nothing in no lines, in open lines and in lines without length", () => {
    expect(areas([])).toEqual([]);
    expect(
      areas([
        straight([
          [0, 0],
          [10, 0],
          [10, 10],
        ]),
      ]),
    ).toEqual([]);
    expect(
      areas([
        straight([
          [5, 5],
          [5, 5],
        ]),
        straight([
          [0, 0],
          [9, 9],
        ]),
      ]),
    ).toEqual([]);
  });

  it("takes holes off, several deep", () => {
    expect(
      areas([
        box(0, 0, 100, 100),
        box(10, 10, 80, 80),
        box(20, 20, 60, 60),
        box(30, 30, 5, 5),
        box(60, 60, 5, 5),
      ]),
    ).toEqual([3600, 3550, 2800, 25, 25]);
  });

  it("reads a self-crossing line, a T-junction and lines drawn twice", () => {
    const eight = straight([
      [0, 0],
      [20, 20],
      [20, 0],
      [0, 20],
      [0, 0],
    ]);
    expect(areas([eight])).toEqual([100, 100]);
    const cut = straight([
      [50, 0],
      [50, 100],
    ]);
    expect(
      areas([
        box(0, 0, 100, 100),
        cut,
        cut,
        straight([
          [50, 100],
          [50, 20],
        ]),
      ]),
    ).toEqual([5000, 5000]);
  });

  it("keeps pockets whose lines only meet up to rounding", () => {
    const third = 1 / 3;
    const lines = [
      straight([
        [0, 0],
        [100, third * 100],
      ]),
      straight([
        [33.1, third * 33.1 + 1e-9],
        [20, 80],
      ]),
      straight([
        [20, 80],
        [71.7, third * 71.7 - 1e-9],
      ]),
    ];
    expect(areas(lines)).toHaveLength(1);
    const onCurve = pointAt(circle(50, 50, 40).points, 0.37);
    expect(
      areas([
        circle(50, 50, 40),
        straight([[50, 50], onCurve]),
        straight([
          [50, 50],
          [10, 50],
        ]),
      ]),
    ).toHaveLength(2);
  });

  it("counts touching ink as joined unless told to be strict", () => {
    const near = [
      box(0, 0, 100, 100, 4),
      straight(
        [
          [50, 3],
          [50, 97.5],
        ],
        4,
      ),
    ];
    expect(areas(near, true)).toEqual([10000]);
    const joined = pocketsOf(buildMap(near));
    expect(joined.map(({ area }) => Math.round(area))).toEqual([5000, 5000]);
  });

  it("does not take a short overshoot for a pocket, nor offer what lies wholly under ink", () => {
    const over = [
      box(0, 0, 100, 100, 6),
      straight(
        [
          [40, -2],
          [62, 102],
        ],
        6,
      ),
    ];
    expect(pocketsOf(buildMap(over))).toHaveLength(2);
    const thin = [
      straight(
        [
          [0, 0],
          [100, 0],
          [100, 3],
          [0, 3],
          [0, 0],
        ],
        4,
      ),
      box(0, 10, 50, 50, 4),
    ];
    expect(pocketsOf(buildMap(thin)).map(({ hidden }) => hidden)).toEqual([false, true]);
  });

  it("gives outlines as a handful of Béziers that run along the true lines", () => {
    const round = circle(50, 50, 40);
    const [large, small] = pocketsOf(
      buildMap(
        [
          round,
          straight([
            [0, 30],
            [100, 42],
          ]),
        ],
        { strict: true },
      ),
    );
    expect(curveCount(large.outline[0]) + curveCount(small.outline[0])).toBeLessThanOrEqual(9);
    for (const { outline } of [large, small]) {
      for (let u = 0; u <= curveCount(outline[0]); u += 0.05) {
        const [x, y] = pointAt(outline[0], u);
        const offCircle = Math.abs(Math.hypot(x - 50, y - 50) - 40);
        const offLine = Math.abs((y - 30) * 100 - x * 12) / Math.hypot(100, 12);
        expect(Math.min(offCircle, offLine)).toBeLessThan(0.02);
      }
    }
  });

  it("keeps every outline of the demo drawings within 0.02 units of their strokes, 0.03 where curves barely touch", () => {
    for (const [name, most] of [
      ["boot", 0.02],
      ["snail", 0.02],
      ["lantern", 0.03],
    ] as const) {
      const { page, strokes, inkShapes } = readSvg(readFileSync(`demo/almanac-${name}.svg`, "utf8"));
      const lines = linesOf(newDrawing("", page, strokes, inkShapes));
      const flat = new Map(lines.map(({ id, points }) => [id, flatten(points, 0.002)]));
      let worst = 0;
      for (const pocket of pocketsOf(buildMap(lines, { strict: true })))
        for (const chain of pocket.outline)
          for (let u = 0; u <= curveCount(chain); u += 0.25) {
            const gaps = pocket.lines.map((id) => gapTo(flat.get(id)!, pointAt(chain, u)));
            worst = Math.max(worst, Math.min(...gaps));
          }
      expect(worst).toBeLessThan(most);
    }
  });

  it("puts the seed inside, away from holes, and names the lines around", () => {
    const ring = [circle(50, 50, 40), circle(50, 50, 36)];
    const [disc, band] = pocketsOf(buildMap(ring, { strict: true }));
    expect(regionContains(disc.rings, disc.seed)).toBe(true);
    expect(regionContains(band.rings, band.seed)).toBe(true);
    expect([...band.lines].sort()).toEqual([ring[0].id, ring[1].id].sort());
  });

  it("tells which pockets border one another", () => {
    const halves = pocketsOf(
      buildMap(
        [
          box(0, 0, 60, 50),
          straight([
            [30, 0],
            [30, 50],
          ]),
        ],
        { strict: true },
      ),
    );
    const [a, b] = halves;
    expect(a.borders.map(({ neighbour }) => neighbour)).toEqual([b.key]);
    expect(b.borders.map(({ neighbour }) => neighbour)).toEqual([a.key]);
    expect(b.borders[0].chain).toEqual(reversed(a.borders[0].chain));
  });

  it("ignores hatching that encloses nothing", () => {
    const hatch = Array.from({ length: 12 }, (_, i) =>
      straight([
        [10 + i * 4, 20],
        [14 + i * 4, 60],
      ]),
    );
    const [pocket] = pocketsOf(buildMap([box(0, 0, 100, 100), ...hatch], { strict: true }));
    expect(pocket.outline).toHaveLength(1);
    expect(pocket.area).toBeCloseTo(10000, 6);
  });

  it("handles tangent circles and a cusp", () => {
    expect(areas([circle(20, 20, 10), circle(40, 20, 10)])).toHaveLength(2);
    const cusp: Line = {
      id: "cusp",
      points: [0, 0, 60, 40, -20, 40, 40, 0],
      closed: false,
      width: 0,
      bridge: false,
    };
    expect(
      areas([
        cusp,
        straight([
          [-10, 0],
          [50, 0],
        ]),
      ]).length,
    ).toBeGreaterThan(0);
    expect(areas([arc(0, 0, 10, 0, 180), arc(0, 0, 10, 180, 360)])).toHaveLength(1);
  });
});
