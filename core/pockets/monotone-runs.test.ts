/** Runs of segments: together all of the list, each one way along both axes, short segments by themselves. */
import fc from "fast-check";
import { expect, it } from "vitest";
import { straight } from "../../testing/line-work.ts";
import { range } from "../geometry/lists.ts";
import type { Point } from "../geometry/point.ts";
import { MonotoneRuns } from "./monotone-runs.ts";
import { segmentsOf } from "./segments.ts";

const LATTICE = { originX: 0, originY: 0, step: 1, tolerance: 1 };
const place = fc.tuple(fc.integer({ min: 1, max: 60 }), fc.integer({ min: 1, max: 60 }));
const polylines = fc.array(fc.array(place, { minLength: 2, maxLength: 12 }), { minLength: 1, maxLength: 5 });

it("splits segments where they turn back along an axis", () => {
  fc.assert(
    fc.property(polylines, (strokes) => {
      const segs = segmentsOf(
        strokes.map((points) => straight(points as Point[])),
        LATTICE,
      );
      const runs = new MonotoneRuns();
      runs.split(segs, { items: Int32Array.from(range(0, segs.count)), from: 0, to: segs.count });
      expect(runs.start[0]).toBe(0);
      expect(runs.start[runs.count]).toBe(segs.count);
      for (let run = 0; run < runs.count; run++) {
        const own = range(runs.start[run], runs.start[run + 1]);
        expect(own.length).toBeGreaterThan(0);
        for (const [to, from] of [
          [segs.bx, segs.ax],
          [segs.by, segs.ay],
        ]) {
          const ways = new Set(own.map((s) => Math.sign(to[s] - from[s])));
          expect(ways.has(1) && ways.has(-1)).toBe(false);
        }
        const isShort = (s: number) =>
          Math.abs(segs.bx[s] - segs.ax[s]) + Math.abs(segs.by[s] - segs.ay[s]) <= 12;
        if (own.some(isShort)) expect(own).toHaveLength(1);
        for (const s of own.slice(1))
          expect([segs.ax[s], segs.ay[s]]).toEqual([segs.bx[s - 1], segs.by[s - 1]]);
      }
    }),
  );
});
