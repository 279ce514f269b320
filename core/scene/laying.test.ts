import fc from "fast-check";
import { expect, it } from "vitest";
import { changeColour, setColourOpacity } from "../drawing/colour-edits.ts";
import { pour } from "../drawing/edits.ts";
import { applyEdit, beginHistory, type Edit } from "../drawing/history.ts";
import { defaultPage, newDrawing } from "../drawing/new-drawing.ts";
import { buildMap } from "../pockets/planar-map.ts";
import { pocketsOf } from "../pockets/pockets.ts";
import { pourTargets } from "../pockets/pouring.ts";
import { linesOf } from "../pockets/reading.ts";
import { type Derived, derive, sceneOf } from "./scene.ts";

const SIDE = 10;
const ends = Array.from({ length: SIDE + 1 }, (_, k) => k * 10);
const grid = newDrawing(
  "Grid",
  defaultPage({ x: 0, y: 0, width: 100, height: 100 }),
  ends.flatMap((at, k) =>
    [
      [0, at, 33, at, 66, at, 100, at],
      [at, 0, at, 33, at, 66, at, 100],
    ].map((points, i) => ({ id: `s${k}-${i}`, rank: 2 * k + i, points, closed: false, width: 1 })),
  ),
);
const read = () => pocketsOf(buildMap(linesOf(grid)));

const some = fc.uniqueArray(fc.nat(SIDE * SIDE - 1), { minLength: 1, maxLength: SIDE * SIDE });
const acts = fc.array(
  fc.oneof(
    fc.record({ at: some, colour: fc.constantFrom("frond", "radish", null) }),
    fc.record({ value: fc.constantFrom("#102030", "#a0b0c0") }),
    fc.record({ opacity: fc.constantFrom(0.5, 1) }),
    fc.record({ wide: fc.boolean() }),
  ),
  { maxLength: 12 },
);

it("lays the same colour from edit to edit as all anew", () => {
  const kept = read();
  fc.assert(
    fc.property(acts, (run) => {
      let drawing = grid;
      let before: Derived = derive(drawing, kept);
      const edit = (one: Edit) => {
        drawing = applyEdit(beginHistory(drawing), one)?.history.drawing ?? drawing;
      };
      for (const act of run) {
        if ("at" in act)
          edit(pour(pourTargets(drawing, before, act.at), act.colour && { colour: act.colour, step: 0 }));
        else if ("value" in act) edit(changeColour("frond", act.value, "Frond"));
        else if ("opacity" in act) edit(setColourOpacity("frond", act.opacity, "Frond"));
        else
          drawing = {
            ...drawing,
            page: { ...drawing.page, box: { ...grid.page.box, width: act.wide ? 200 : 100 } },
          };
        before = derive(drawing, kept, { before });
        const anew = sceneOf(drawing, derive(drawing, read()));
        expect(sceneOf(drawing, before).parts).toEqual(anew.parts);
      }
    }),
    { numRuns: 40 },
  );
});
