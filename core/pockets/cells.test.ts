import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { straight } from "../../testing/line-work.ts";
import { IntList, range } from "../geometry/lists.ts";
import { distance, type Point } from "../geometry/point.ts";
import { closestOnSegment, segmentsCross } from "../geometry/segment.ts";
import { cellOf, cellsAlong, cellsOf, columnOf, eachIn, fileLater, rowOf } from "./cells.ts";
import { addLine, type Line, latticeFor, type Segments, segmentsOf } from "./segments.ts";

const number = fc.double({ min: 0, max: 100, noNaN: true });
const place = fc.tuple(number, number);
const lineWork = fc.array(
  fc.array(place, { minLength: 2, maxLength: 4 }).map((points) => straight(points)),
  { minLength: 1, maxLength: 12 },
);

const ends = ({ ax, ay, bx, by }: Segments, s: number): [Point, Point] => [
  [ax[s], ay[s]],
  [bx[s], by[s]],
];

/** How far two segments are from one another, in lattice steps. */
function gapBetween(segs: Segments, s: number, t: number): number {
  const [a, b] = ends(segs, s);
  const [c, d] = ends(segs, t);
  if (segmentsCross(a, b, c, d)) return 0;
  return Math.min(
    distance(closestOnSegment(a, b, c), c),
    distance(closestOnSegment(a, b, d), d),
    distance(closestOnSegment(c, d, a), a),
    distance(closestOnSegment(c, d, b), b),
  );
}

function built(lines: readonly Line[]) {
  const lattice = latticeFor(lines);
  const segs = segmentsOf(lines, lattice);
  return { lattice, segs, cells: cellsOf(segs) };
}

describe("the grid over segments", () => {
  it("lists each segment in the cells of all places along it", () => {
    fc.assert(
      fc.property(lineWork, fc.double({ min: 0, max: 1, noNaN: true }), (lines, t) => {
        const { segs, cells } = built(lines);
        for (const s of range(0, segs.count)) {
          const [[ax, ay], [bx, by]] = ends(segs, s);
          const cell = cellOf(cells, Math.round(ax + t * (bx - ax)), Math.round(ay + t * (by - ay)));
          const listed: number[] = [];
          eachIn(cells, segs, cell, (other) => listed.push(other));
          expect(listed).toContain(s);
        }
      }),
    );
  });

  it("finds all that lies within a distance, also where that reaches beyond the lattice", () => {
    const reach = fc.double({ min: 0, max: 60, noNaN: true });
    fc.assert(
      fc.property(lineWork, reach, (lines, pageReach) => {
        const { segs, cells, lattice } = built(lines);
        const within = pageReach / lattice.step;
        const along = new IntList(64);
        for (const s of range(0, segs.count)) {
          cellsAlong(segs, s, cells, along, Math.ceil(within));
          const found = new Set<number>();
          for (const cell of along.data.slice(0, along.length))
            eachIn(cells, segs, cell, (t) => found.add(t));
          const near = range(0, segs.count).filter((t) => gapBetween(segs, s, t) < within - 1);
          expect(near.filter((t) => !found.has(t))).toEqual([]);
        }
      }),
    );
  });

  it("keeps places beside the lattice in its outermost cells", () => {
    const { cells } = built([
      straight([
        [0, 0],
        [100, 100],
      ]),
    ]);
    expect(columnOf(cells, 2 ** 40)).toBe(cells.columns - 1);
    expect(rowOf(cells, 2 ** 31)).toBe(cells.rows - 1);
    expect(columnOf(cells, -5)).toBe(0);
    expect(rowOf(cells, -(2 ** 30))).toBe(0);
  });

  it("files segments that come later, and passes over those taken out", () => {
    const lines = [
      straight([
        [0, 0],
        [100, 0],
      ]),
      straight([
        [0, 100],
        [100, 100],
      ]),
    ];
    const { segs, cells, lattice } = built(lines);
    const later = straight([
      [50, 0],
      [50, 100],
    ]);
    const from = segs.count;
    addLine(segs, later.points, 2, lattice);
    for (const s of range(from, segs.count)) fileLater(cells, segs, s);
    const cell = cellOf(cells, segs.ax[from], segs.ay[from]);
    const listed = () => {
      const found: number[] = [];
      eachIn(cells, segs, cell, (s) => found.push(s));
      return found;
    };
    expect(listed()).toContain(from);
    segs.line[from] = -1;
    expect(listed()).not.toContain(from);
  });
});
