/** A banded region says of every place what the winding numbers of its rings say. */
import fc from "fast-check";
import { expect, it } from "vitest";
import { BandedRegion } from "./banded-region.ts";
import { boxHolds, type Point } from "./point.ts";
import { crossingsAt, windingNumber } from "./polygon.ts";

// Whole numbers: places often lie level with corners, and edges often lie along rows.
const place = fc.integer({ min: -20, max: 20 });
const ring = fc.array(place, { minLength: 6, maxLength: 80 }).map((all) => all.slice(0, all.length & ~1));
const rings = fc.array(ring, { minLength: 1, maxLength: 4 });

it("holds what its rings wind round, by either rule", () => {
  fc.assert(
    fc.property(
      rings,
      fc.boolean(),
      fc.array(fc.tuple(place, place), { minLength: 30 }),
      (rings, evenOdd, places) => {
        const region = new BandedRegion(rings, evenOdd);
        for (const at of places as Point[]) {
          const winding = rings.reduce((sum, ring) => sum + windingNumber(ring, at), 0);
          const inside = evenOdd ? winding % 2 !== 0 : winding !== 0;
          expect(region.holds(at)).toBe(inside && boxHolds(region.box, at));
        }
      },
    ),
  );
});

it("crosses a row where its rings do, as often downwards as upwards", () => {
  fc.assert(
    fc.property(rings, place, (rings, y) => {
      const found: number[] = [];
      let turns = 0;
      new BandedRegion(rings, false).eachCrossing(y, (x, turn) => {
        found.push(x);
        turns += turn;
      });
      expect(turns).toBe(0);
      const sorted = found.sort((a, b) => a - b);
      const wanted = crossingsAt(rings, y);
      expect(sorted).toHaveLength(wanted.length);
      for (const [k, x] of wanted.entries()) expect(sorted[k]).toBeCloseTo(x, 9);
    }),
  );
});
