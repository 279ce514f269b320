import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { arc, straight } from "../../testing/line-work.ts";
import { pointAt } from "../geometry/cubic.ts";
import { crossingAt, errorBoundFor } from "./exact.ts";
import { buildMap } from "./planar-map.ts";
import { pocketsOf } from "./pockets.ts";
import { inkWidthAt, type Line } from "./segments.ts";

const bar = (width: number): Line =>
  straight(
    [
      [0, 0],
      [100, 0],
    ],
    width,
    "bar",
  );

/** A post whose foot stops a distance above the bar. */
const post = (gap: number, width: number, more: Partial<Line> = {}): Line => ({
  ...straight(
    [
      [50, 60],
      [50, gap],
    ],
    width,
    "post",
  ),
  ...more,
});

const joined = (lines: readonly Line[], strict = false): string[] => {
  const map = buildMap(lines, { strict });
  return [...map.joins.values()].map(({ line, other }) => `${map.lines[line].id} to ${map.lines[other].id}`);
};

describe("ends", () => {
  it("are joined where their ink touches other ink, and not a hair further off", () => {
    expect(joined([bar(4), post(2.99, 2)])).toEqual(["post to bar"]);
    expect(joined([bar(4), post(3.01, 2)])).toEqual([]);
    expect(joined([bar(4), post(2.99, 2)], true)).toEqual([]);
  });

  it("go by the width the ink has at the end itself", () => {
    const thin = post(2.5, 4, { widths: [0, 4, 1, 0.2] });
    expect(joined([bar(4), thin])).toEqual([]);
    const thick = post(3.5, 4, { widths: [0, 0.2, 1, 4] });
    expect(joined([bar(4), thick])).toEqual(["post to bar"]);
  });

  it("need no join where the line crosses as it is", () => {
    expect(joined([bar(4), post(-1, 2)])).toEqual([]);
  });

  it("meet both lines of a corner they reach into", () => {
    const corner = [
      bar(4),
      straight(
        [
          [0, 30],
          [100, 2],
        ],
        4,
        "slope",
      ),
      straight(
        [
          [130, 1],
          [102.5, 1],
        ],
        2,
        "tip",
      ),
    ];
    expect(
      joined(corner)
        .filter((join) => join.startsWith("tip"))
        .sort(),
    ).toEqual(["tip to bar", "tip to slope"]);
  });

  it("close a ring on itself: a line that ends near its own start", () => {
    const ring = arc(50, 50, 30, 0, 356, 4);
    expect(pocketsOf(buildMap([ring]))).toHaveLength(1);
    expect(pocketsOf(buildMap([ring], { strict: true }))).toHaveLength(0);
    expect(pocketsOf(buildMap([arc(50, 50, 30, 0, 350, 4)]))).toHaveLength(0);
  });

  it("lie on a line up to rounding in strict reading too", () => {
    const rim = arc(0, 0, 30, 0, 360);
    const spokes = [0.4, 1.3].map((u) => straight([[0, 0], pointAt(rim.points, u)]));
    expect(
      pocketsOf(buildMap([rim, ...spokes], { strict: true })).filter(({ area }) => area > 1),
    ).toHaveLength(2);
  });
});

describe("crossings on the lattice", () => {
  const step = fc.integer({ min: -(2 ** 31) + 2, max: 2 ** 31 - 2 });

  it("are rounded as whole numbers would round them", () => {
    fc.assert(
      fc.property(step, step, step, step, step, step, (x, y, dx, dy, du, dv) => {
        // The second segment crosses the first somewhere between their ends, if they are not parallel.
        const [u, v] = [
          x + Math.round(dx / 3) - Math.round(du / 2),
          y + Math.round(dy / 3) - Math.round(dv / 2),
        ];
        const [a, b, c, d] = [dx, dy, du, dv].map(BigInt);
        const turn = d * a - c * b;
        if (turn === 0n) return;
        const before = c * BigInt(y - v) - d * BigInt(x - u);
        const after = before + c * b - d * a;
        if (before === 0n || before > 0n === after > 0n) return;
        const errorBound = errorBoundFor(2 ** 32);
        const found = crossingAt(x, dx, Number(before), Number(after), errorBound, {
          x,
          y,
          dx,
          dy,
          u,
          v,
          du,
          dv,
        });
        // Rounding to the nearest, halves up: x + floor((2 part + whole) / (2 whole)).
        const sense = turn < 0n ? -1n : 1n;
        const whole = 2n * turn * sense;
        const part = 2n * before * a * sense + turn * sense;
        const floor = part / whole - (part % whole < 0n ? 1n : 0n);
        expect(found).toBe(x + Number(floor));
      }),
      { numRuns: 2000 },
    );
  });
});

describe("the width of the ink", () => {
  it("goes straight from one known place to the next, and on as it ends", () => {
    const line: Line = { ...bar(8), widths: [0.5, 2, 1, 4, 1, 6, 3, 8] };
    const at = (u: number) => inkWidthAt(line, u);
    expect([0, 0.5, 0.75, 1, 2, 3, 9].map(at)).toEqual([2, 2, 3, 4, 7, 8, 8]);
    expect(inkWidthAt(bar(8), 0.3)).toBe(8);
  });
});
