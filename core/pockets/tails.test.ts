import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { polyline } from "../geometry/cubic.ts";
import { distance } from "../geometry/point.ts";
import { regionContains } from "../geometry/polygon.ts";
import { withoutTails } from "../lines/trim.ts";
import { buildMap } from "./planar-map.ts";
import { pocketsOf } from "./pockets.ts";
import type { Line } from "./segments.ts";
import { tailsOf } from "./tails.ts";

const line = (id: string, points: number[], width = 0): Line => ({
  id,
  points,
  closed: false,
  width,
  bridge: false,
});

const box = [
  line(
    "top",
    polyline([
      [0, 20],
      [100, 20],
    ]),
  ),
  line(
    "right",
    polyline([
      [80, 0],
      [80, 100],
    ]),
  ),
  line(
    "bottom",
    polyline([
      [0, 80],
      [100, 80],
    ]),
  ),
  line(
    "left",
    polyline([
      [20, 0],
      [20, 100],
    ]),
  ),
];

describe("tails", () => {
  it("run from the last crossing to the open end, shortest first", () => {
    const tails = tailsOf(buildMap(box, { strict: true }));
    expect(tails).toHaveLength(8);
    for (const { length } of tails) expect(length).toBeCloseTo(20, 4);
    expect(distance(tails.find(({ line, start }) => line === "top" && start)!.at, [20, 20])).toBeLessThan(
      1e-9,
    );
  });

  it("are no tails where an end meets another, where nothing is crossed, or where one line goes on into another", () => {
    const meeting = [
      line(
        "a",
        polyline([
          [0, 0],
          [50, 0],
        ]),
      ),
      line(
        "b",
        polyline([
          [50, 0],
          [50, 50],
        ]),
      ),
      line(
        "c",
        polyline([
          [70, 70],
          [90, 70],
        ]),
      ),
    ];
    expect(tailsOf(buildMap(meeting, { strict: true }))).toEqual([]);
  });

  it("are the shorter part of a line that is crossed but once", () => {
    const lines = [
      line(
        "a",
        polyline([
          [0, 0],
          [90, 0],
        ]),
      ),
      line(
        "b",
        polyline([
          [50, -8],
          [50, 40],
        ]),
      ),
    ];
    expect(tailsOf(buildMap(lines, { strict: true })).map(({ line: id, start }) => [id, start])).toEqual([
      ["b", true],
      ["a", false],
    ]);
  });

  it("end where the curves themselves cross", () => {
    const arc = line("arc", [0, 0, 30, 60, 70, 60, 100, 0]);
    const [tail] = tailsOf(
      buildMap(
        [
          arc,
          line(
            "post",
            polyline([
              [50, 0],
              [50, 60],
            ]),
          ),
        ],
        { strict: true },
      ),
    );
    expect(tail).toMatchObject({ line: "post", start: false });
    expect(distance(tail.at, [50, 45])).toBeLessThan(1e-9);
  });

  const place = fc.integer({ min: 0, max: 1000 }).map((n) => n / 10);
  const curve = fc.tuple(place, place, place, place, place, place, place, place);

  it("take no pocket with them when they are cut off, strict or joined", () => {
    fc.assert(
      fc.property(fc.array(curve, { minLength: 3, maxLength: 12 }), fc.boolean(), (curves, strict) => {
        const lines = curves.map((points, i) => line(`l${i}`, [...points], strict ? 0 : 0.4));
        const tails = tailsOf(buildMap(lines, { strict }));
        const before = pocketsOf(buildMap(lines, { strict }));
        const after = pocketsOf(buildMap(withoutTails(lines, tails), { strict }));
        for (const { area, seed } of before.filter(({ area, hidden }) => area > 0.5 && !hidden)) {
          const same = after.filter((pocket) => regionContains(pocket.rings, seed));
          expect(same).toHaveLength(1);
          expect(Math.abs(same[0].area - area)).toBeLessThan(0.02 * area + 0.2);
        }
      }),
      { numRuns: 150, seed: 11 },
    );
  });
});
