import { describe, expect, it } from "vitest";
import { strokeOf } from "../../testing/drawings.ts";
import { randomFrom } from "../../testing/random.ts";
import { difference } from "./difference.ts";
import { entitiesOf } from "./entities.ts";
import { applyEdit, beginHistory, type Edit, undo } from "./history.ts";
import { defaultPage, newDrawing } from "./new-drawing.ts";
import { patched } from "./patched.ts";

const stroke = (id: string) =>
  strokeOf(id, 1, [
    [0, 0],
    [10, 10],
  ]);
const drawing = newDrawing(
  "Many",
  defaultPage({ x: 0, y: 0, width: 50, height: 50 }),
  ["a", "b", "c", "d"].map(stroke),
);

/** Some lines moved, taken away and drawn, at once; names in digits come first in any object. */
function randomEdit(random: () => number, k: number): Edit {
  return {
    label: "Some lines",
    change: ({ strokes }) => {
      for (const id of Object.keys(strokes)) {
        const chance = random();
        if (chance < 0.2) strokes[id].width += 1;
        else if (chance > 0.8) delete strokes[id];
      }
      if (random() < 0.6) Object.assign(strokes, { [`n${k}`]: stroke(`n${k}`) });
      if (random() < 0.1) Object.assign(strokes, { [k]: stroke(`${k}`) });
    },
  };
}

describe("entities as lists", () => {
  it("are those of the table, in its order, through edits and back", () => {
    const random = randomFrom(7);
    let history = beginHistory(drawing);
    let listed = 0;
    for (let k = 0; k < 400; k++) {
      const before = entitiesOf(history.drawing.strokes);
      const move = random() < 0.2 ? undo(history) : applyEdit(history, randomEdit(random, k));
      if (!move) continue;
      const { strokes } = move.history.drawing;
      expect(new Set(entitiesOf(strokes))).toEqual(new Set(Object.values(strokes)));
      expect(entitiesOf(strokes)).toHaveLength(Object.keys(strokes).length);
      const patches = difference(history.drawing, move.history.drawing);
      expect(patched(history.drawing, patches)).toEqual(move.history.drawing);
      listed += before.length;
      history = move.history;
    }
    expect(listed).toBeGreaterThan(500);
  });

  it("differ in nothing where only their order differs", () => {
    const { a, b, c, d } = drawing.strokes;
    const moved = { ...b, width: 9 };
    const other = { ...drawing, strokes: { d, c, b: moved, a } };
    expect(difference(drawing, other)).toEqual([{ op: "replace", path: ["strokes", "b"], value: moved }]);
  });
});
