import { describe, expect, it } from "vitest";
import { box, circle, straight } from "../../testing/line-work.ts";
import { enclosedArea, flatten, reversed } from "../geometry/cubic.ts";
import { regionContains } from "../geometry/polygon.ts";
import type { InkRegion } from "./ink-regions.ts";
import { buildMap } from "./planar-map.ts";
import { type Pocket, pocketsOf } from "./pockets.ts";
import { gapsOf } from "./reading.ts";
import type { Line } from "./segments.ts";

let serial = 0;
/** The lines of a filled shape with these outlines. */
function shape(outlines: readonly Line[], evenOdd = true): Line[] {
  const outline = outlines.map(({ points }) => Array.from(points));
  const region: InkRegion = { outline, evenOdd };
  return outline.map((points) => ({
    id: `shape-${serial++}`,
    points,
    closed: true,
    width: 0,
    bridge: false,
    region,
  }));
}

const find = (lines: readonly Line[]): Pocket[] => pocketsOf(buildMap(lines));
const areas = (lines: readonly Line[]): number[] => find(lines).map(({ area }) => Math.round(area));
const coverOf = ({ cover }: Pocket): number => cover.reduce((sum, chain) => sum + enclosedArea(chain), 0);

/** A rectangle of ink with a clear one inside. */
const frame = (x: number, y: number, size: number, thick: number) =>
  shape([box(x, y, size, size), box(x + thick, y + thick, size - 2 * thick, size - 2 * thick)]);

describe("ink shapes", () => {
  it("are no pockets; the clear areas between them are", () => {
    expect(areas(shape([circle(50, 50, 40)]))).toEqual([]);
    expect(areas(frame(0, 0, 100, 10))).toEqual([6400]);
    expect(areas([...frame(0, 0, 100, 10), ...shape([box(40, 40, 20, 20)])])).toEqual([6000]);
  });

  it("follow both fill rules", () => {
    const outer = circle(50, 50, 40);
    const inner = circle(50, 50, 20);
    const turned = { ...inner, points: reversed(inner.points) };
    const disc = Math.round(Math.PI * 400);
    expect(areas(shape([outer, inner], true))).toEqual([disc]);
    expect(areas(shape([outer, inner], false))).toEqual([]);
    expect(areas(shape([outer, turned], false))).toEqual([disc]);
  });

  it("may overlap one another and themselves", () => {
    expect(areas([...frame(0, 0, 100, 10), ...frame(50, 0, 100, 10)])).toEqual([3200, 3200, 2400]);
    const star = straight([
      [50, 0],
      [80, 95],
      [2, 36],
      [98, 36],
      [20, 95],
      [50, 0],
    ]);
    expect(find(shape([star], false))).toHaveLength(0);
    expect(find(shape([star], true))).toHaveLength(1);
  });

  it("mix with strokes: a stroke across a clear area divides it", () => {
    const cut = straight(
      [
        [50, 5],
        [50, 95],
      ],
      2,
    );
    expect(areas([...frame(0, 0, 100, 10), cut])).toEqual([3200, 3200]);
  });

  it("are gone again once they are taken out", () => {
    expect(areas([...shape([box(20, 20, 60, 60)]), box(40, 40, 10, 10), box(0, 0, 100, 100)])).toEqual([
      6400,
    ]);
    expect(areas([box(40, 40, 10, 10), box(0, 0, 100, 100)])).toEqual([9900, 100]);
  });

  it("hide the edge of the colour: it runs under the ink, and nowhere out on the far side", () => {
    for (const thick of [0.05, 0.4, 3, 10]) {
      const [pocket] = find(frame(0, 0, 100, thick));
      const grown = coverOf(pocket);
      expect(grown).toBeGreaterThan(pocket.area + 300 * Math.min(thick * 0.4, 0.2));
      for (const chain of pocket.cover) {
        const ring = flatten(chain, 0.01);
        for (let k = 0; k < ring.length; k += 2) {
          const out = Math.max(-ring[k], -ring[k + 1], ring[k] - 100, ring[k + 1] - 100);
          expect(out).toBeLessThan(-0.14 * thick);
        }
      }
    }
  });

  it("grow holes the other way: under the ink of an island", () => {
    const [pocket] = find([...frame(0, 0, 100, 10), ...shape([circle(50, 50, 15)])]);
    const rings = pocket.cover.map((chain) => flatten(chain, 0.01).slice(0, -2));
    expect(regionContains(rings, [50 + 14.8, 50])).toBe(true);
    expect(regionContains(rings, [50, 50])).toBe(false);
  });

  it("have openings as strokes have", () => {
    const left = shape([box(0, 0, 60, 8)]);
    const walls = [
      ...left,
      ...shape([box(66, 0, 60, 8)]),
      ...shape([box(0, 0, 8, 100)]),
      ...shape([box(118, 0, 8, 100)]),
      ...shape([box(0, 92, 126, 8)]),
    ];
    const map = buildMap(walls);
    expect(pocketsOf(map)).toHaveLength(0);
    const { openings } = gapsOf(map, 10);
    expect(openings).toHaveLength(1);
    expect(openings[0].width).toBeCloseTo(6, 1);
  });
});
