import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { edited, strokeOf } from "../../testing/drawings.ts";
import { anchorKey } from "../drawing/anchor.ts";
import { carriedBy } from "../drawing/carried.ts";
import type { Drawing } from "../drawing/drawing.ts";
import { pour } from "../drawing/edits.ts";
import { applyEdit, beginHistory, type Edit, undo } from "../drawing/history.ts";
import { addStroke, removeLines, reshapeLine, transformLines } from "../drawing/line-edits.ts";
import { defaultPage, newDrawing } from "../drawing/new-drawing.ts";
import { addShade } from "../drawing/shape-edits.ts";
import { polyline } from "../geometry/cubic.ts";
import { aboutPoint, type Matrix, translation } from "../geometry/matrix.ts";
import type { Point } from "../geometry/point.ts";
import { derive } from "../scene/scene.ts";
import { anchorOf } from "./anchors.ts";
import { LineReader } from "./line-reader.ts";
import { pourTargets } from "./pouring.ts";

const frond = { colour: "frond", step: 0 };
const dusk = { colour: "dusk", step: 0 };
const page = defaultPage({ x: 0, y: 0, width: 100, height: 100 });
const wall = (id: string, rank: number, a: Point, b: Point) => strokeOf(id, rank, [a, b], { width: 1 });

/** A square cut in four, each quarter poured and shaded. */
function quarters(): Drawing {
  const outer = strokeOf(
    "outer",
    1,
    [
      [10, 10],
      [90, 10],
      [90, 90],
      [10, 90],
      [10, 10],
    ],
    { closed: true, width: 1 },
  );
  const drawing = newDrawing("Quarters", page, [
    outer,
    wall("down", 2, [50, 5], [50, 95]),
    wall("across", 3, [5, 50], [95, 50]),
  ]);
  const pockets = new LineReader().read(drawing);
  return pockets.reduce(
    (now, pocket, i) =>
      edited(
        now,
        pour([{ anchor: anchorOf(pocket) }], i % 2 ? frond : dusk, [`p${i}`]),
        shadeIn(pocket, `s${i}`),
      ),
    drawing,
  );
}

const shadeIn = (pocket: Parameters<typeof anchorOf>[0], id: string): Edit =>
  addShade({
    id,
    kind: "drawn",
    evenOdd: false,
    outline: [
      polyline([
        [0, 0],
        [100, 0],
        [50, 100],
        [0, 0],
      ]),
    ],
    anchor: anchorOf(pocket),
    paint: dusk,
    blend: "multiply",
    opacity: 0.5,
  });

const look = (drawing: Drawing, reader = new LineReader()) => {
  const pockets = reader.read(drawing).filter(({ hidden }) => !hidden);
  return derive(drawing, pockets);
};

/** Every shade with a pour's anchor shows in just the pockets that pour colours. */
function expectTogether(drawing: Drawing, reader?: LineReader): void {
  const derived = look(drawing, reader);
  for (const shade of Object.values(drawing.shades)) {
    const pours = Object.values(drawing.pours).filter(
      ({ anchor }) => anchorKey(anchor) === anchorKey(shade.anchor),
    );
    if (pours.length === 0) continue;
    const ids = new Set(pours.map(({ id }) => id));
    const coloured = derived.pourOf.flatMap((id, index) => (id !== undefined && ids.has(id) ? [index] : []));
    expect(derived.pocketsOf.get(shade.id)).toEqual(coloured);
  }
}

describe("a shade and the pour in its pocket", () => {
  const number = fc.integer({ min: -30, max: 30 });
  const line = fc.constantFrom("outer", "down", "across");
  const anyEdit = fc.oneof(
    fc.record({ move: line, by: fc.tuple(number, number) }),
    fc.record({ turn: line, by: fc.integer({ min: -90, max: 90 }) }),
    fc.record({ bend: line, by: fc.tuple(number, number) }),
    fc.record({ add: fc.tuple(number, number, number, number) }),
    fc.record({ remove: line }),
    fc.record({ repour: fc.nat(8) }),
    fc.record({ shade: fc.nat(8) }),
  );

  it("stay together through any run of edits of lines and colour, and undo brings both back", () => {
    fc.assert(
      fc.property(fc.array(anyEdit, { minLength: 1, maxLength: 8 }), (edits) => {
        const reader = new LineReader();
        const start = quarters();
        let history = beginHistory(start);
        expectTogether(start, reader);
        for (const [i, plan] of edits.entries()) {
          const edit = editOf(plan, history.drawing, look(history.drawing, reader), `n${i}`);
          const move = edit && applyEdit(history, edit);
          if (!move) continue;
          history = move.history;
          expectTogether(history.drawing, reader);
        }
        for (let move = undo(history); move; move = undo(history)) history = move.history;
        expect(history.drawing).toEqual(start);
        expectTogether(history.drawing, reader);
      }),
      { numRuns: 150 },
    );
  });

  it("part where half of a split pocket is poured anew: each half has its own shade", () => {
    const start = quarters();
    const split = edited(start, addStroke(wall("slant", 9, [10, 30], [50, 30])));
    const before = look(split);
    const [shade] = [...before.pocketsOf].find(([, places]) => places.length === 2)!;
    const [half, other] = before.pocketsOf.get(shade)!;
    const after = edited(split, pour(pourTargets(split, before, [half]), frond));
    const derived = look(after);
    expect(Object.keys(after.shades)).toHaveLength(5);
    expect(derived.pocketsOf.get(shade)).toEqual([other]);
    expect([...derived.pocketsOf.values()].flat().sort()).toEqual([0, 1, 2, 3, 4]);
    const both = edited(split, pour(pourTargets(split, before, [half, other]), frond));
    expect(Object.keys(both.pours)).toHaveLength(5);
    expect([...look(both).pocketsOf.values()].flat().sort()).toEqual([0, 1, 2, 3, 4]);
  });

  it("goes on without a pour where the pocket is emptied", () => {
    const start = quarters();
    const derived = look(start);
    const emptied = edited(start, pour(pourTargets(start, derived, [0]), null));
    expect(look(emptied).pourOf[0]).toBeUndefined();
    expect(look(emptied).pocketsOf.get("s0")).toEqual([0]);
  });
});

type Plan = Partial<{
  move: string;
  turn: string;
  bend: string;
  remove: string;
  by: number | [number, number];
  add: [number, number, number, number];
  repour: number;
  shade: number;
}>;

function editOf(
  plan: Plan,
  drawing: Drawing,
  derived: ReturnType<typeof look>,
  id: string,
): Edit | undefined {
  const { move, turn, bend, remove, by, add, repour, shade } = plan;
  const { pockets } = derived;
  const line = move ?? turn ?? bend ?? remove;
  if (line && !drawing.strokes[line]) return undefined;
  const carry = (matrix: Matrix) =>
    transformLines(carriedBy(drawing, [line!], pockets), matrix, { scaleWidths: true, label: "Move" });
  if (move) return carry(translation(...(by as [number, number])));
  if (turn) return carry(aboutPoint([50, 50], 1, 1, ((by as number) * Math.PI) / 180));
  if (remove) return removeLines([remove]);
  if (add) return addStroke(wall(id, 9, [add[0] + 50, add[1] + 50], [add[2] + 50, add[3] + 50]));
  if (bend) {
    const points = [...drawing.strokes[bend].points];
    const [dx, dy] = by as [number, number];
    points[2] += dx;
    points[3] += dy;
    return reshapeLine(bend, points, "Bend line");
  }
  const index = (repour ?? shade ?? 0) % Math.max(1, pockets.length);
  if (!pockets[index]) return undefined;
  return repour === undefined
    ? shadeIn(pockets[index], id)
    : pour(pourTargets(drawing, derived, [index]), frond);
}
