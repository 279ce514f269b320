/** Beside d3's contours, which read two-way squares just so. */
import { contours } from "d3-contour";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { ringArea } from "../geometry/polygon.ts";
import { isolines } from "./isolines.ts";

/** From its least point on, so that where a ring begins does not matter. */
function turned(ring: readonly number[]): number[] {
  const points = Array.from({ length: ring.length / 2 }, (_, k) => [ring[2 * k], ring[2 * k + 1]]);
  const first = points.reduce(
    (least, [x, y], k) =>
      x < points[least][0] || (x === points[least][0] && y < points[least][1]) ? k : least,
    0,
  );
  return [...points.slice(first), ...points.slice(0, first)].flat().map((n) => Math.round(n * 1e9) / 1e9);
}

const inOrder = (rings: readonly (readonly number[])[]): number[][] =>
  rings.map(turned).sort((a, b) => a[0] - b[0] || a[1] - b[1] || a.length - b.length || a[2] - b[2]);

const d3Rings = (values: Float64Array, columns: number, rows: number, level: number): number[][] =>
  contours()
    .size([columns, rows])
    .contour(
      Array.from(values, (value) => -value),
      -level,
    )
    .coordinates.flatMap((polygon) => polygon.map((ring) => ring.slice(0, -1).flat()));

describe("isolines", () => {
  it("are those of d3, ring by ring and turned the same way", () => {
    const grid = fc
      .tuple(fc.integer({ min: 1, max: 12 }), fc.integer({ min: 1, max: 12 }))
      .chain(([columns, rows]) =>
        fc.record({
          columns: fc.constant(columns),
          values: fc.array(fc.integer({ min: -40, max: 40 }), {
            minLength: columns * rows,
            maxLength: columns * rows,
          }),
        }),
      );
    fc.assert(
      fc.property(grid, ({ columns, values }) => {
        const field = Float64Array.from(values, (value) => value / 8);
        const rows = values.length / columns;
        // Between values, so that no ring shrinks to a point.
        const rings = isolines(field, columns, rows, 0.05);
        expect(inOrder(rings)).toEqual(inOrder(d3Rings(field, columns, rows, 0.05)));
      }),
      { numRuns: 300 },
    );
  });

  it("have a negative area around what is below, and a positive one around a hole in it", () => {
    const ring = Float64Array.from({ length: 49 }, (_, k) => {
      const apart = Math.max(Math.abs((k % 7) - 3), Math.abs(Math.floor(k / 7) - 3));
      return apart === 2 || apart === 1 ? -1 : 1;
    });
    const areas = isolines(ring, 7, 7, 0).map(ringArea);
    const [hole, outer] = areas.sort((a, b) => Math.abs(a) - Math.abs(b));
    expect(hole).toBeGreaterThan(0);
    expect(outer).toBeLessThan(-2 * hole);
  });
});
