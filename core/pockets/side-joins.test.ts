import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { arc, box, circle, straight } from "../../testing/line-work.ts";
import { flatten } from "../geometry/cubic.ts";
import type { Point } from "../geometry/point.ts";
import { regionContains } from "../geometry/polygon.ts";
import { buildMap } from "./planar-map.ts";
import { type Pocket, pocketsOf } from "./pockets.ts";
import type { Line } from "./segments.ts";

const shown = (lines: readonly Line[], strict = false): Pocket[] =>
  pocketsOf(buildMap(lines, { strict })).filter(({ hidden }) => !hidden);

/** Joins on the way of a line, those of its ends left out. */
const sideJoins = (lines: readonly Line[]): number =>
  [...buildMap(lines).joins.values()].filter(({ start }) => start === undefined).length;

describe("ink that touches side by side", () => {
  it("closes what it shuts off: two bows in a frame whose bellies touch", () => {
    const bows = [arc(-20, 50, 69, -60, 60, 4), arc(120, 50, 69, 120, 240, 4)];
    const frame = box(0, 0, 100, 100, 4);
    expect(shown([frame, ...bows], true)).toHaveLength(3);
    expect(shown([frame, ...bows])).toHaveLength(4);
    expect(sideJoins([frame, ...bows])).toBe(1);
  });

  it("does not where the ink comes near only", () => {
    const bows = [arc(-20, 50, 69, -60, 60, 1.9), arc(120, 50, 69, 120, 240, 1.9)];
    expect(sideJoins([box(0, 0, 100, 100, 4), ...bows])).toBe(0);
  });

  it("joins once where lines run beside one another, and not where they cross or an end is joined", () => {
    const across = straight(
      [
        [0, 0],
        [100, 0],
      ],
      6,
    );
    const beside = straight(
      [
        [-10, 30],
        [20, 5],
        [80, 5],
        [110, 30],
      ],
      6,
    );
    const crossing = straight(
      [
        [40, -20],
        [60, 20],
      ],
      6,
    );
    const touching = straight(
      [
        [70, 5],
        [90, 40],
      ],
      6,
    );
    expect(sideJoins([across, beside])).toBe(1);
    expect(sideJoins([across, crossing])).toBe(0);
    expect(sideJoins([across, touching])).toBe(0);
  });

  it("knows a line that comes back to its own side from one that only turns", () => {
    const waist: Point[] = [
      [0, 0],
      [48, 40],
      [0, 80],
      [100, 80],
      [52, 40],
      [100, 0],
    ];
    const open = straight(waist, 6);
    const closed = straight([...waist, [0, 0]], 6);
    const hairpin = straight(
      [
        [0, 0],
        [100, 0],
        [0, 4],
      ],
      6,
    );
    expect(shown([open], true)).toHaveLength(0);
    expect(shown([open])).toHaveLength(1);
    expect(shown([closed])).toHaveLength(2);
    expect(sideJoins([hairpin])).toBe(0);
    expect(sideJoins([circle(50, 50, 1, 6), circle(0, 0, 40, 6)])).toBe(0);
  });

  it("finds a corner that touches a long side far from where the two lines meet", () => {
    const flag = straight(
      [
        [-50, 0],
        [100, 0],
        [50, 80],
        [0, 3],
        [-30, 50],
      ],
      4,
    );
    expect(shown([flag])).toHaveLength(1);
  });

  it("goes by the width at each place", () => {
    const bow = (width: number, middle: number): Line => ({
      ...arc(-20, 50, 69, -60, 60, Math.max(width, middle)),
      widths: [0, width, 1, middle, 2, width],
    });
    const other = arc(120, 50, 69, 120, 240, 1);
    const frame = box(0, 0, 100, 100, 4);
    expect(sideJoins([frame, bow(0.5, 5), other])).toBe(1);
    expect(sideJoins([frame, bow(5, 0.5), other])).toBe(0);
  });

  it("parts pockets just where a rendering has ink between them", () => {
    const place = fc.integer({ min: 0, max: 12_000 }).map((n) => n / 100);
    const line = fc
      .tuple(
        fc.array(fc.tuple(place, place), { minLength: 2, maxLength: 6 }),
        fc.integer({ min: 1, max: 12 }),
      )
      .map(([points, width]) => straight(points, width));
    fc.assert(
      fc.property(fc.array(line, { minLength: 2, maxLength: 9 }), (lines) => {
        const pockets = pocketsOf(buildMap(lines));
        const pocketAt = (at: Point) => pockets.findIndex(({ rings }) => regionContains(rings, at));
        const whites = whiteParts(lines);
        expect(new Set(whites.map(pocketAt)).size).toBe(whites.length);
        expect(whites.filter((at) => pockets[pocketAt(at)]?.hidden)).toEqual([]);
      }),
      { numRuns: 80, endOnFailure: true },
    );
  });
});

/** Cells along a side of the rendering, and their size; there is room for the widest ink around the drawing. */
const CELLS = 260;
const EDGE = 10;
const CELL = (120 + 2 * EDGE) / CELLS;

/** A place well inside every part of the white that ink plainly parts from all others, the outside among them. */
function whiteParts(lines: readonly Line[]): Point[] {
  const clear = clearances(lines);
  const seen = new Uint8Array(CELLS * CELLS);
  const found: Point[] = [];
  for (let first = 0; first < clear.length; first++) {
    if (seen[first] || clear[first] < -CELL) continue;
    let best = first;
    seen[first] = 1;
    const queue = [first];
    for (let k = queue.pop(); k !== undefined; k = queue.pop()) {
      if (clear[k] > clear[best]) best = k;
      for (let row = -1; row <= 1; row++)
        for (let column = -1; column <= 1; column++) {
          const next = k + row * CELLS + column;
          if (Math.abs((next % CELLS) - (k % CELLS)) > 1 || next < 0 || next >= clear.length) continue;
          if (seen[next] || clear[next] < -CELL) continue;
          seen[next] = 1;
          queue.push(next);
        }
    }
    if (clear[best] > CELL) found.push(centreOf(best));
  }
  return found;
}

const centreOf = (cell: number): Point => [
  ((cell % CELLS) + 0.5) * CELL - EDGE,
  (Math.floor(cell / CELLS) + 0.5) * CELL - EDGE,
];

/** How far the middle of each cell is from ink; negative in ink. */
function clearances(lines: readonly Line[]): Float64Array {
  const clear = new Float64Array(CELLS * CELLS).fill(Infinity);
  for (const { points, width } of lines) {
    const flat = flatten(points, CELL / 10);
    for (let k = 0; k + 3 < flat.length; k += 2) {
      const [ax, ay, bx, by] = flat.slice(k, k + 4);
      const length = (bx - ax) ** 2 + (by - ay) ** 2;
      for (let cell = 0; cell < clear.length; cell++) {
        const [x, y] = centreOf(cell);
        const along = length ? ((x - ax) * (bx - ax) + (y - ay) * (by - ay)) / length : 0;
        const part = Math.max(0, Math.min(1, along));
        const gap = Math.hypot(ax + part * (bx - ax) - x, ay + part * (by - ay) - y) - width / 2;
        if (gap < clear[cell]) clear[cell] = gap;
      }
    }
  }
  return clear;
}
