import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { edgesOf } from "../../testing/invariants.ts";
import { box, circle, straight } from "../../testing/line-work.ts";
import { editMap } from "./map-edit.ts";
import { buildMap } from "./planar-map.ts";
import { type Pocket, PocketReader } from "./pockets.ts";
import type { Line } from "./segments.ts";

const coarse = fc.integer({ min: 0, max: 10 }).map((n) => n * 10);
const fine = fc.integer({ min: 0, max: 1_000_000 }).map((n) => n / 10_000);
const points = (axis: fc.Arbitrary<number>) => fc.array(fc.tuple(axis, axis), { minLength: 2, maxLength: 5 });
const shape = fc.oneof(points(coarse), points(fine));
/** Which line changes, and what it becomes; null takes it away. */
const step = fc.record({
  line: fc.nat(9),
  becomes: fc.option(shape, { nil: null }),
});

/** The whole page stays in reach of the lattice. */
const frame = box(-5, -5, 110, 110);

function expectSame(followed: readonly Pocket[], anew: readonly Pocket[]): void {
  expect(followed.length).toBe(anew.length);
  followed.forEach(({ area }, i) => {
    expect(Math.abs(area - anew[i].area)).toBeLessThan(0.01);
  });
  expect(largeUnderInk(followed)).toBe(largeUnderInk(anew));
}

/** Not the area of any figure on the coarse grid. */
const LARGE = 20.5;

const largeUnderInk = (pockets: readonly Pocket[]): number =>
  pockets.filter(({ area, hidden }) => hidden && area > LARGE).length;

/** How many pairs of pockets border one another, each counted from both sides. */
const neighbours = (pockets: readonly Pocket[]): number =>
  pockets.reduce((sum, { borders }) => sum + new Set(borders.map(({ neighbour }) => neighbour)).size, 0);

describe("a map that follows edits", () => {
  // The widest ink touches that of lines beside it.
  for (const [ink, strict] of [
    [3, true],
    [3, false],
    [12, false],
  ] as const) {
    it(`has the faces of a fresh build after any run of edits, ${strict ? "strict" : "joined"}, ink ${ink} wide`, () => {
      fc.assert(
        fc.property(
          fc.array(shape, { minLength: 1, maxLength: 8 }),
          fc.array(step, { maxLength: 6 }),
          (start, steps) => {
            const lines = new Map<string, Line>([[frame.id, frame]]);
            start.forEach((shape, i) => {
              lines.set(`l${i}`, straight(shape, ink, `l${i}`));
            });
            const map = buildMap([...lines.values()], { strict });
            const reader = new PocketReader(map);
            reader.read();
            for (const { line, becomes } of steps) {
              const id = `l${line}`;
              const come = becomes ? [straight(becomes, ink, id)] : [];
              expect(editMap(map, { gone: lines.has(id) ? [id] : [], come })).toBe(true);
              // What changed comes last, in the fresh build as in the map.
              lines.delete(id);
              if (becomes) lines.set(id, come[0]);
              const followed = reader.read();
              const fresh = buildMap([...lines.values()], { strict });
              const anew = new PocketReader(fresh).read();
              expectSame(followed, anew);
              // Joins a lattice step apart may put slivers between neighbours.
              if (strict) expect(neighbours(followed)).toBe(neighbours(anew));
              expect(edgesOf(map).length).toBe(edgesOf(fresh).length);
            }
          },
        ),
        { numRuns: 300, endOnFailure: true },
      );
    });
  }

  it("has the faces of a fresh build with curves, closed lines and ink shapes", () => {
    const within = fc.double({ min: 0, max: 100, noNaN: true });
    const curve = fc
      .record({
        points: fc.array(within, { minLength: 14, maxLength: 14 }),
        closed: fc.boolean(),
        inked: fc.boolean(),
        width: fc.double({ min: 0, max: 8, noNaN: true }),
      })
      .map(({ points, closed, inked, width }): Omit<Line, "id"> => {
        const chain = closed ? [...points.slice(0, 12), points[0], points[1]] : points;
        if (!closed || !inked) return { points: chain, closed, width, bridge: false };
        return {
          points: chain,
          closed,
          width: 0,
          bridge: false,
          region: { outline: [chain], evenOdd: true },
        };
      });
    fc.assert(
      fc.property(
        fc.array(curve, { minLength: 2, maxLength: 8 }),
        fc.array(fc.tuple(fc.nat(7), curve), { minLength: 1, maxLength: 3 }),
        (start, changes) => {
          const lines = new Map<string, Line>([[frame.id, frame]]);
          start.forEach((line, i) => {
            lines.set(`c${i}`, { ...line, id: `c${i}` });
          });
          const map = buildMap([...lines.values()]);
          const { lattice } = map;
          const reader = new PocketReader(map);
          reader.read();
          for (const [which, becomes] of changes) {
            const id = `c${which}`;
            const come = [{ ...becomes, id }];
            if (!editMap(map, { gone: lines.has(id) ? [id] : [], come })) return;
            lines.delete(id);
            lines.set(id, come[0]);
            const anew = new PocketReader(buildMap([...lines.values()], { lattice })).read();
            const followed = reader.read();
            expect(followed.length).toBe(anew.length);
            followed.forEach(({ area }, i) => {
              expect(Math.abs(area - anew[i].area)).toBeLessThan(1e-6);
            });
          }
        },
      ),
      { numRuns: 80, endOnFailure: true },
    );
  });

  it("keeps the very pockets an edit leaves alone", () => {
    const dot = circle(80, 80, 5);
    const map = buildMap([box(0, 0, 40, 40), box(60, 0, 40, 40), frame, dot]);
    const reader = new PocketReader(map);
    const before = reader.read();
    editMap(map, { gone: [dot.id], come: [{ ...circle(80, 85, 5), id: dot.id }] });
    const after = reader.read();
    const kept = after.filter((pocket) => before.includes(pocket)).map(({ area }) => Math.round(area));
    expect(kept).toEqual([1600, 1600]);
  });

  it("asks for a fresh build when a line leaves the lattice", () => {
    const map = buildMap([box(0, 0, 10, 10)]);
    expect(editMap(map, { gone: [], come: [box(500, 0, 10, 10)] })).toBe(false);
  });
});
