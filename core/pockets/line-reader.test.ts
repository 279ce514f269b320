import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { arc, box, circle, straight } from "../../testing/line-work.ts";
import { carriedBy } from "../drawing/carried.ts";
import type { Drawing, Stroke } from "../drawing/drawing.ts";
import { addBridges, declineOpenings, pour, removeBridge, setReach } from "../drawing/edits.ts";
import { applyEdit, beginHistory, type Edit, type History, linePatches, undo } from "../drawing/history.ts";
import { reshapeLine, transformLines } from "../drawing/line-edits.ts";
import { defaultPage, newDrawing } from "../drawing/new-drawing.ts";
import { translation } from "../geometry/matrix.ts";
import { distance } from "../geometry/point.ts";
import { pulledEnd, shifted } from "../lines/pull.ts";
import { anchorOf, matchAnchors } from "./anchors.ts";
import type { Opening } from "./free-space.ts";
import { isDeclined, LineReader } from "./line-reader.ts";
import type { Pocket } from "./pockets.ts";
import { readReach } from "./reach-reading.ts";
import type { Line } from "./segments.ts";
import { TooDense } from "./too-dense.ts";

const page = defaultPage({ x: -100, y: -100, width: 400, height: 400 });
const drawingOf = (lines: readonly Line[]): Drawing =>
  newDrawing(
    "",
    page,
    lines.map(
      ({ points, closed }, i): Stroke => ({
        id: `s${i}`,
        rank: i + 1,
        points: Array.from(points),
        closed,
        width: 1,
      }),
    ),
  );
const edited = (drawing: Drawing, edit: Edit): Drawing =>
  applyEdit(beginHistory(drawing), edit)?.history.drawing ?? drawing;
const areas = (pockets: readonly Pocket[]) => pockets.map(({ area }) => Math.round(area));

/** A circle of radius 50 with a gap of 6 at its right, and a box beside it with a gap of 12. */
const arcWithGap = (gap: number) => {
  const half = (Math.asin(gap / 100) * 180) / Math.PI;
  return arc(0, 0, 50, half, 360 - half);
};
const gapped = drawingOf([
  arcWithGap(6),
  straight([
    [100, 0],
    [180, 0],
    [180, 80],
    [100, 80],
    [100, 12],
  ]),
]);

describe("a drawing's reach", () => {
  it("goes no farther than the page lets it, and is read anew with another page", () => {
    const reader = new LineReader();
    const wide = edited(gapped, setReach(13));
    expect(reader.read(wide)).toHaveLength(2);
    const small = { ...wide, page: defaultPage({ x: -60, y: -60, width: 150, height: 150 }) };
    expect(reader.read(small)).toHaveLength(new LineReader().read(small).length);
    expect(reader.read(small)).toHaveLength(1);
    expect(linePatches([{ op: "replace", path: ["page"], value: small.page }])).toHaveLength(1);
  });

  it("closes openings up to its width while it lasts, and leaves the drawing as it is", () => {
    const reader = new LineReader();
    expect(reader.read(gapped)).toHaveLength(0);
    expect(reader.read(edited(gapped, setReach(8)))).toHaveLength(1);
    const wide = edited(gapped, setReach(15));
    expect(areas(reader.read(wide))[0]).toBeCloseTo(Math.PI * 2500, -2);
    expect(reader.read(wide)).toHaveLength(2);
    expect(reader.read(gapped)).toHaveLength(0);
    expect(wide.bridges).toEqual({});
  });

  it("passes over openings that were declined", () => {
    const reader = new LineReader();
    const wide = edited(gapped, setReach(15));
    reader.read(wide);
    const { openings } = reader.gaps(wide);
    expect(openings.map(({ width }) => Math.round(width))).toEqual([6, 12]);
    const declined = edited(wide, declineOpenings([{ id: "d", at: openings[0].at }]));
    expect(areas(reader.read(declined))).toEqual([6400]);
  });

  it("keeps pockets the same objects while lines elsewhere are edited", () => {
    const reader = new LineReader();
    const start = drawingOf([circle(0, 0, 50), box(100, 0, 40, 40)]);
    const [disc] = reader.read(start);
    const moved = edited(start, reshapeLine("s1", shifted(start.strokes.s1.points, [5, 5]), "Move"));
    expect(reader.read(moved)[0]).toBe(disc);
  });

  it("shows before it is set what it would close", () => {
    const reader = new LineReader();
    reader.read(gapped);
    const { space } = reader.gaps(gapped);
    expect(readReach(space, 3).fresh).toBe(0);
    expect(readReach(space, 8).fresh).toBe(1);
    const both = readReach(space, 15);
    expect(both.fresh).toBe(2);
    let area = 0;
    const t = both.triangles;
    for (let k = 0; k < t.length; k += 6)
      area +=
        Math.abs((t[k + 2] - t[k]) * (t[k + 5] - t[k + 1]) - (t[k + 4] - t[k]) * (t[k + 3] - t[k + 1])) / 2;
    expect(area / (Math.PI * 2500 + 6400)).toBeCloseTo(1, 1);
  });
});

describe("an edit that the map cannot follow", () => {
  const start = drawingOf([circle(0, 0, 50), box(100, 0, 40, 40)]);
  const beyond = edited(start, reshapeLine("s1", shifted(start.strokes.s1.points, [1e6, 0]), "Move"));

  it("is read anew, there and back again", () => {
    const reader = new LineReader();
    for (const drawing of [start, beyond, start])
      expect(areas(reader.read(drawing))).toEqual(areas(new LineReader().read(drawing)));
  });

  it("leaves no map behind where nothing can be read, and the next reading is whole", () => {
    const reader = new LineReader();
    reader.read(start);
    const crowd = Array.from({ length: 6000 }, (_, k) => box(k / 100, k / 100, 60, 60));
    expect(() => reader.read(drawingOf(crowd))).toThrow(TooDense);
    expect(reader.planarMap).toBeUndefined();
    expect(areas(reader.read(start))).toEqual(areas(new LineReader().read(start)));
  });
});

describe("bridges", () => {
  it("go on smoothly where two ends face one another: the whole circle comes back", () => {
    const reader = new LineReader();
    const open = drawingOf([arcWithGap(20)]);
    reader.read(open);
    const { openings } = reader.gaps(open);
    const bridged = edited(open, addBridges([{ id: "b", points: openings[0].bridge }]));
    const [whole] = new LineReader().read(drawingOf([circle(0, 0, 50)]));
    expect(reader.read(bridged)[0].area / whole.area).toBeCloseTo(1, 3);
  });
});

describe("a pulled end", () => {
  it("closes the pocket for real", () => {
    const { points } = gapped.strokes.s1;
    const pulled = edited(gapped, reshapeLine("s1", pulledEnd(points, false, [100, 0]), "Pull end"));
    expect(areas(new LineReader().read(pulled))).toEqual([6400]);
  });
});

describe("colours stay", () => {
  const paint = { colour: "frond", step: 0 };
  const poured = (start: Drawing): Drawing => {
    const pockets = new LineReader().read(start);
    return edited(
      start,
      pour(
        pockets.map((pocket) => ({ anchor: anchorOf(pocket) })),
        paint,
        pockets.map((_, i) => `p${i}`),
      ),
    );
  };
  const colours = (drawing: Drawing, reader = new LineReader()) => {
    const pockets = reader.read(drawing);
    return { pockets, pourOf: matchAnchors(pockets, drawing.pours, {}).pourOf };
  };

  it("with a line that is moved across another, split in two on the way", () => {
    const start = poured(
      drawingOf([
        circle(0, 0, 30),
        straight([
          [100, -90],
          [100, 90],
        ]),
      ]),
    );
    const moved = edited(
      start,
      transformLines(carriedBy(start, ["s0"], []), translation(100, 0), {
        scaleWidths: false,
        label: "Move",
      }),
    );
    const { pockets, pourOf } = colours(moved);
    expect(pockets).toHaveLength(2);
    expect(pourOf).toEqual(["p0", "p0"]);
  });

  it("with a line that comes to lie far away, also after save and reload", () => {
    const start = poured(drawingOf([circle(0, 0, 30), box(100, 100, 50, 50)]));
    const moved = edited(start, reshapeLine("s0", shifted(start.strokes.s0.points, [150, 20]), "Move"));
    expect(colours(moved).pourOf).toEqual(colours(start).pourOf);
    expect(colours(structuredClone(moved)).pourOf).toEqual(colours(start).pourOf);
  });

  it("on both sides of a split, the larger after a merge, and back when a pocket closes again", () => {
    const start = poured(
      drawingOf([
        box(0, 0, 100, 50),
        box(0, 50, 100, 20),
        straight([
          [40, -5],
          [40, 75],
        ]),
      ]),
    );
    const before = colours(start);
    const gone = edited(start, reshapeLine("s2", shifted(start.strokes.s2.points, [200, 0]), "Move"));
    const merged = colours(gone);
    expect(merged.pockets).toHaveLength(2);
    expect(merged.pourOf[0]).toBe(before.pourOf[0]);
    const back = edited(gone, reshapeLine("s2", start.strokes.s2.points, "Move"));
    expect(colours(back).pourOf).toEqual(before.pourOf);
  });

  it("through any run of edits and their undoing", () => {
    const lines = [
      box(0, 0, 120, 120),
      circle(60, 60, 40),
      straight([
        [-20, 60],
        [140, 70],
      ]),
      box(150, 0, 60, 60),
    ];
    const start = poured(drawingOf(lines));
    const wanted = colours(start);
    const id = fc.constantFrom("s0", "s1", "s2", "s3");
    const step = fc.oneof(
      fc.record({ id, by: fc.tuple(fc.integer({ min: -90, max: 90 }), fc.integer({ min: -90, max: 90 })) }),
      fc.record({
        id,
        end: fc.tuple(fc.integer({ min: -50, max: 200 }), fc.integer({ min: -50, max: 200 })),
      }),
      fc.record({ reach: fc.integer({ min: 0, max: 20 }) }),
      fc.record({ bridge: fc.tuple(fc.integer({ min: 0, max: 200 }), fc.integer({ min: 0, max: 200 })) }),
    );
    fc.assert(
      fc.property(fc.array(step, { minLength: 1, maxLength: 6 }), (steps) => {
        const reader = new LineReader();
        reader.read(start);
        let history: History = beginHistory(start);
        steps.forEach((change, i) => {
          history = applyEdit(history, editOf(history.drawing, change, i))?.history ?? history;
          reader.read(history.drawing);
        });
        for (let move = undo(history); move; move = undo(history)) {
          history = move.history;
          reader.read(history.drawing);
        }
        const { pockets, pourOf } = colours(history.drawing, reader);
        expect(areas(pockets)).toEqual(areas(wanted.pockets));
        expect(pourOf).toEqual(wanted.pourOf);
        pockets.forEach(({ seed }, k) => {
          expect(distance(seed, wanted.pockets[k].seed)).toBeLessThan(0.5);
        });
      }),
      { numRuns: 60, endOnFailure: true },
    );
  });

  type Change =
    | { id: string; by: [number, number] }
    | { id: string; end: [number, number] }
    | { reach: number }
    | { bridge: [number, number] };

  function editOf(drawing: Drawing, change: Change, serial: number): Edit {
    if ("reach" in change) return setReach(change.reach);
    if ("bridge" in change) {
      const [x, y] = change.bridge;
      const id = `b${serial % 2}`;
      if (drawing.bridges[id]) return removeBridge(id);
      return addBridges([
        {
          id,
          points: Array.from(
            straight([
              [60, 60],
              [x, y],
            ]).points,
          ),
        },
      ]);
    }
    const { points } = drawing.strokes[change.id];
    if ("by" in change) return reshapeLine(change.id, shifted(points, change.by), "Move");
    return reshapeLine(change.id, pulledEnd(points, true, change.end), "Pull end");
  }
});

it("leaves that opening open alone which lies nearest to where one was declined", () => {
  const opening = (x: number, width: number) => ({ at: [x, 0], width }) as unknown as Opening;
  const [a, b] = [opening(10, 8), opening(12, 8)];
  const drawing = { declined: { d: { id: "d", at: [10, 0] } } } as unknown as Drawing;
  expect([a, b].map((one) => isDeclined(drawing, one, [a, b]))).toEqual([true, false]);
});
