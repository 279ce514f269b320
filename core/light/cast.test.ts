import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { flatten, polyline } from "../geometry/cubic.ts";
import { boundsOf, type Point } from "../geometry/point.ts";
import { regionContains, windingNumber } from "../geometry/polygon.ts";
import { ellipse, rectangle } from "../lines/figures.ts";
import { castOffset, ellipseAtFoot, laidFlat, swept } from "./cast.ts";
import type { PlacedLamp } from "./lamp.ts";

const LAMP: PlacedLamp = { at: [0, 200], height: 100, far: true, middle: [300, 200], finest: 0 };

describe("cast shadows", () => {
  it("fall away from the lamp, the longer the lower it stands", () => {
    expect(castOffset(LAMP, [10, 10], 5)).toEqual([15, -0]);
    expect(castOffset({ ...LAMP, height: 300 }, [10, 10], 5)[0]).toBeCloseTo(5, 9);
    const near: PlacedLamp = { ...LAMP, far: false, at: [100, 100] };
    expect(castOffset(near, [100, 200], 5)[1]).toBeCloseTo(5, 9);
    const low = castOffset({ ...LAMP, height: 0 }, [0, 0], 5)[0];
    expect(Number.isFinite(low) && low < 60).toBe(true);
  });

  it("cover what the outline covers on its way, and nothing else", () => {
    const reaches = fc.array(fc.integer({ min: 3, max: 25 }), { minLength: 3, maxLength: 8 });
    fc.assert(
      fc.property(
        reaches,
        fc.boolean(),
        fc.integer({ min: -30, max: 30 }),
        fc.integer({ min: -30, max: 30 }),
        (found, turned, dx, dy) => {
          const corners = found.map((reach, k): Point => {
            const turn = ((turned ? -1 : 1) * 2 * Math.PI * k) / found.length;
            return [20 + reach * Math.cos(turn), 20 + reach * Math.sin(turn)];
          });
          const chain = polyline([...corners, corners[0]]);
          const ring = flatten(chain, 0.01);
          const shadow = flatten(swept(chain, [dx, dy]), 0.01);
          for (let k = 0; k < 120; k++) {
            const place: Point = [-30 + ((k * 37.3) % 100), -30 + ((k * 61.7) % 100)];
            let covered = false;
            for (let t = 0; t <= 60 && !covered; t++)
              covered = windingNumber(ring, [place[0] - (dx * t) / 60, place[1] - (dy * t) / 60]) !== 0;
            if (covered) expect(windingNumber(shadow, place)).not.toBe(0);
            else if (windingNumber(shadow, place) !== 0) {
              // What was looked at in steps may have been missed by a step.
              const near = [-1, 0, 1].flatMap((x) =>
                [-1, 0, 1].map((y): Point => [place[0] + x, place[1] + y]),
              );
              const nearly = near.some((one) =>
                Array.from({ length: 61 }, (_, t) => t / 60).some(
                  (t) => windingNumber(ring, [one[0] - dx * t, one[1] - dy * t]) !== 0,
                ),
              );
              expect(nearly).toBe(true);
            }
          }
        },
      ),
      { numRuns: 150 },
    );
  });

  it("keep curves: a disc's has its two half circles and two straight sides", () => {
    const shadow = swept(ellipse([0, 0], 10, 10), [30, 0]);
    expect(shadow.length).toBeLessThan(2 + 6 * 9);
    const ring = flatten(shadow, 0.001);
    const places: [Point, boolean][] = [
      [[-9.9, 0], true],
      [[39.9, 0], true],
      [[15, 9.9], true],
      [[15, 10.1], false],
      [[38, 9], false],
    ];
    for (const [at, inside] of places) expect(regionContains([ring], at)).toBe(inside);
  });

  it("lie on the ground at the foot of what throws them", () => {
    const box = { x: 100, y: 100, width: 50, height: 100 };
    const [flat] = laidFlat([rectangle([100, 100], [150, 200])], box, { ...LAMP, at: [0, 0] });
    const laid = boundsOf([flat])!;
    // Its foot stays, its top falls to the right and towards the eye.
    expect(laid.y).toBeCloseTo(200, 6);
    expect(laid.x + laid.width).toBeGreaterThan(200);
    expect(laid.y + laid.height).toBeGreaterThan(210);
    const under = boundsOf([ellipseAtFoot(box, LAMP)])!;
    expect(under.x + under.width / 2).toBeGreaterThan(125);
    expect(under.y < 200 && under.y + under.height > 200).toBe(true);
  });
});
