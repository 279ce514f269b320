import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { edgesOf, eulerRest, loopsOf } from "../../testing/invariants.ts";
import { straight } from "../../testing/line-work.ts";
import { flatten, reversed } from "../geometry/cubic.ts";
import { boxHolds } from "../geometry/point.ts";
import { regionContains } from "../geometry/polygon.ts";
import { cross } from "./exact.ts";
import { resolveFaces } from "./faces.ts";
import { originOf, targetOf } from "./half-edges.ts";
import { buildMap, type PlanarMap } from "./planar-map.ts";
import { pocketsOf } from "./pockets.ts";
import type { Line } from "./segments.ts";

/** Points on a coarse raster meet, overlap and touch all the time: the hard cases come by themselves. */
const coarse = fc.integer({ min: 0, max: 12 }).map((n) => n * 10);
const fine = fc.integer({ min: 0, max: 1_200_000 }).map((n) => n / 10_000);
/** Away from the raster and from lines between its points: a place on a border belongs to either side. */
const offLines = fc.integer({ min: -50, max: 1250 }).map((n) => n / 10 + 0.0371 + n * 1e-5);
const pointOn = (axis: fc.Arbitrary<number>) => fc.tuple(axis, axis);
const lineOn = (axis: fc.Arbitrary<number>) =>
  fc.array(pointOn(axis), { minLength: 2, maxLength: 5 }).map((points) => straight(points));
const lineWork = fc.oneof(
  fc.array(lineOn(coarse), { minLength: 1, maxLength: 14 }),
  fc.array(lineOn(fine), { minLength: 1, maxLength: 14 }),
);
const curves = fc.array(
  fc
    .array(fine, { minLength: 8, maxLength: 8 })
    .map((points): Line => ({ id: points.join(), points, closed: false, width: 0, bridge: false })),
  { minLength: 1, maxLength: 8 },
);

/** No two edges of the map may cross or overlap, whatever the lines did. */
function crossingEdges(map: PlanarMap): number {
  const { noding } = map;
  const kept = edgesOf(map);
  const side = (a: number, b: number, c: number) =>
    Math.sign(
      cross(
        noding.vx[b] - noding.vx[a],
        noding.vy[b] - noding.vy[a],
        noding.vx[c] - noding.vx[a],
        noding.vy[c] - noding.vy[a],
        2 ** 20,
      ),
    );
  let crossings = 0;
  for (let i = 0; i < kept.length; i++) {
    for (let j = i + 1; j < kept.length; j++) {
      const [a, b] = [originOf(noding, kept[i]), targetOf(noding, kept[i])];
      const [c, d] = [originOf(noding, kept[j]), targetOf(noding, kept[j])];
      if (side(a, b, c) * side(a, b, d) < 0 && side(c, d, a) * side(c, d, b) < 0) crossings++;
    }
  }
  return crossings;
}

const RASTER = 360;
const EDGE = 10;
const CELL = (120 + 2 * EDGE) / RASTER;

/** Cells by what a fill can reach from them: 0 where a line passes, else a label; the corner has 1. */
function rasterLabels(lines: readonly Line[]): Int32Array {
  const labels = new Int32Array(RASTER * RASTER);
  for (const { points } of lines) markLine(labels, flatten(points, CELL / 20));
  const free = (k: number) => labels[k] === 0;
  let label = 0;
  for (let first = 0; first < labels.length; first++) {
    if (!free(first)) continue;
    labels[first] = ++label;
    const queue = [first];
    for (let k = queue.pop(); k !== undefined; k = queue.pop()) {
      const column = k % RASTER;
      const beside = [k - RASTER, k + RASTER];
      if (column > 0) beside.push(k - 1);
      if (column + 1 < RASTER) beside.push(k + 1);
      for (const next of beside) {
        if (next < 0 || next >= labels.length || !free(next)) continue;
        labels[next] = label;
        queue.push(next);
      }
    }
  }
  return labels;
}

/** Marks every cell that a line comes near as a wall, -1. */
function markLine(labels: Int32Array, flat: readonly number[]): void {
  for (let k = 0; k + 3 < flat.length; k += 2) {
    const [ax, ay, bx, by] = flat.slice(k, k + 4);
    const steps = Math.ceil((Math.hypot(bx - ax, by - ay) / CELL) * 4) + 1;
    for (let i = 0; i <= steps; i++) {
      const x = ax + ((bx - ax) * i) / steps;
      const y = ay + ((by - ay) * i) / steps;
      for (const [dx, dy] of NEAR) {
        const column = Math.floor((x + dx * CELL + EDGE) / CELL);
        const row = Math.floor((y + dy * CELL + EDGE) / CELL);
        if (column >= 0 && row >= 0 && column < RASTER && row < RASTER) labels[row * RASTER + column] = -1;
      }
    }
  }
}

const NEAR = [
  [0, 0],
  [0.3, 0],
  [-0.3, 0],
  [0, 0.3],
  [0, -0.3],
];

describe("the planar map", () => {
  it("is planar and satisfies Euler's relation", () => {
    fc.assert(
      fc.property(fc.oneof(lineWork, curves), (lines) => {
        const map = buildMap(lines, { strict: true });
        expect(eulerRest(map)).toBe(0);
        expect(crossingEdges(map)).toBe(0);
      }),
      { numRuns: 150, endOnFailure: true },
    );
  });

  it("gives pockets that do not overlap and together fill what the outside leaves", () => {
    fc.assert(
      fc.property(lineWork, fc.array(pointOn(offLines), { maxLength: 40 }), (lines, probes) => {
        const map = buildMap(lines, { strict: true });
        const pockets = pocketsOf(map);
        for (const { area } of pockets) expect(area).toBeGreaterThan(0);
        for (const probe of probes) {
          const holders = pockets.filter(({ rings }) => regionContains(rings, probe)).length;
          expect(holders).toBeLessThanOrEqual(1);
        }
        const face = resolveFaces(map.faces);
        const outside = loopsOf(map).filter(({ id }) => face[id] === -1);
        const left = outside.reduce((sum, { twice }) => sum - Number(twice) / 2, 0) * map.lattice.step ** 2;
        const inside = pockets.reduce((sum, { area }) => sum + area, 0);
        expect(Math.abs(inside - left)).toBeLessThan(1e-3 + left * 1e-4);
      }),
      { numRuns: 120, endOnFailure: true },
    );
  });

  it("agrees with a raster fill: places that colour can reach one another lie in one pocket", () => {
    fc.assert(
      fc.property(fc.oneof(lineWork, curves), (lines) => {
        const pockets = pocketsOf(buildMap(lines, { strict: true }));
        const labels = rasterLabels(lines);
        const pocketOf = new Map<number, number>();
        const torn = new Set<number>();
        for (let k = 0; k < RASTER * RASTER; k += 41) {
          if (labels[k] <= 0) continue;
          const at: [number, number] = [
            ((k % RASTER) + 0.5) * CELL - EDGE,
            (Math.floor(k / RASTER) + 0.5) * CELL - EDGE,
          ];
          const holder = pockets.findIndex(
            ({ rings, box }) => boxHolds(box, at) && regionContains(rings, at),
          );
          if ((pocketOf.get(labels[k]) ?? holder) !== holder) torn.add(labels[k]);
          pocketOf.set(labels[k], holder);
        }
        expect([...torn]).toEqual([]);
        // The raster's first label is that of its corner: the outside.
        expect(pocketOf.get(1) ?? -1).toBe(-1);
      }),
      { numRuns: 40, endOnFailure: true },
    );
  });

  it("does not care about the order or direction of lines, nor where the page lies or how large it is", () => {
    const areasOf = (lines: readonly Line[]) =>
      pocketsOf(buildMap(lines, { strict: true })).map(({ area }) => area);
    fc.assert(
      fc.property(
        lineWork,
        fc.constantFrom(1e-3, 1, 1e5),
        fc.integer({ min: -1000, max: 1000 }),
        (lines, scale, shift) => {
          const plain = areasOf(lines);
          const turned = areasOf(
            [...lines].reverse().map((line) => ({ ...line, points: reversed(line.points) })),
          );
          const moved = areasOf(
            lines.map((line) => ({ ...line, points: Array.from(line.points, (n) => (n + shift) * scale) })),
          );
          expect(turned.length).toBe(plain.length);
          expect(moved.length).toBe(plain.length);
          plain.forEach((area, i) => {
            expect(Math.abs(turned[i] - area)).toBeLessThan(1e-3 + area * 1e-4);
            expect(Math.abs(moved[i] / scale ** 2 - area)).toBeLessThan(1e-3 + area * 1e-4);
          });
        },
      ),
      { numRuns: 100, endOnFailure: true },
    );
  });
});
