import { describe, expect, it } from "vitest";
import { edited, smallDrawing, strokeOf } from "../../testing/drawings.ts";
import { aboutPoint, translation } from "../geometry/matrix.ts";
import { carriedBy } from "./carried.ts";
import { type Drawing, type Pour, ranked } from "./drawing.ts";
import { applyEdit, beginHistory, linePatches } from "./history.ts";
import {
  addNib,
  addStroke,
  changeNib,
  changeStrokes,
  orderLines,
  removeLines,
  reshapeLine,
  setAllInk,
  setInk,
  transformLines,
} from "./line-edits.ts";
import { duplicateCarried } from "./picked.ts";

const ids = ({ strokes, inkShapes }: Drawing): string[] =>
  ranked({ ...strokes, ...inkShapes }).map(({ id }) => id);

const rust = { colour: "terracotta", step: -1 };

describe("lines drawn, shaped and removed", () => {
  it("a new stroke lies on top of all ink, shapes too", () => {
    const { rank: _, ...stroke } = strokeOf("new", 0, [
      [1, 1],
      [2, 2],
    ]);
    const after = edited(smallDrawing(), addStroke(stroke));
    expect(ids(after)).toEqual(["a", "b", "blot", "c", "new"]);
  });

  it("takes other points without keeping hold of the array it was given", () => {
    const points = [0, 0, 1, 1, 2, 2, 3, 3];
    const after = edited(smallDrawing(), reshapeLine("a", points, "Bend line"));
    points[0] = 99;
    expect(after.strokes.a.points[0]).toBe(0);
  });

  it("removes strokes and ink shapes alike, in one step", () => {
    expect(ids(edited(smallDrawing(), removeLines(["b", "blot"])))).toEqual(["a", "c"]);
    expect(removeLines(["b"]).label).toBe("Remove line");
    expect(removeLines(["b", "blot"]).label).toBe("Remove 2 lines");
  });

  it("is told to those who read pockets, and a colour is not", () => {
    const begun = beginHistory(smallDrawing());
    const removed = applyEdit(begun, removeLines(["a"]))!;
    expect(linePatches(removed.patches)).toHaveLength(1);
    const inked = applyEdit(begun, setInk(rust, "Terracotta"))!;
    expect(linePatches(inked.patches)).toEqual([]);
  });
});

describe("how lines are drawn", () => {
  it("changes width and nib of strokes, and colour of shapes as well", () => {
    const after = edited(smallDrawing(), changeStrokes(["a", "blot"], { width: 5, paint: rust }));
    expect(after.strokes.a).toMatchObject({ width: 5, paint: rust });
    expect(after.inkShapes.blot.paint).toEqual(rust);
    expect(after.inkShapes.blot).not.toHaveProperty("width");
    expect(after.strokes.b.width).toBe(2);
  });

  it("takes a part away that is given as undefined", () => {
    const nibbed = edited(smallDrawing(), changeStrokes(["a"], { nib: "swell", profile: [0, 1, 1, 0.5] }));
    const after = edited(nibbed, changeStrokes(["a"], { nib: undefined }));
    expect(after.strokes.a).not.toHaveProperty("nib");
    expect(after.strokes.a.profile).toEqual([0, 1, 1, 0.5]);
  });

  it("merges changes of one part of the same lines only", () => {
    expect(changeStrokes(["a"], { width: 1 }).merge).toBe(changeStrokes(["a"], { width: 2 }).merge);
    expect(changeStrokes(["a"], { width: 1 }).merge).not.toBe(changeStrokes(["a"], { nib: "even" }).merge);
    expect(changeStrokes(["a"], { width: 1 }).merge).not.toBe(changeStrokes(["b"], { width: 1 }).merge);
  });

  it("inks all lines without a colour of their own, or all there are", () => {
    const own = edited(smallDrawing(), changeStrokes(["a", "blot"], { paint: rust }));
    const dusk = { colour: "dusk", step: 0 };
    const rest = edited(own, setInk(dusk, "Dusk"));
    expect(rest.ink).toEqual(dusk);
    expect(rest.strokes.a.paint).toEqual(rust);
    const all = edited(own, setAllInk(dusk, "Dusk"));
    expect(all.strokes.a).not.toHaveProperty("paint");
    expect(all.inkShapes.blot).not.toHaveProperty("paint");
  });

  it("adds a nib after the others; changing it leaves its strokes as they are", () => {
    const nibs = Object.keys(smallDrawing().nibs).length;
    const after = edited(
      smallDrawing(),
      addNib({ id: "reed", name: "Reed", profile: [0, 1, 1, 0.2], strands: 2 }),
      changeStrokes(["a"], { nib: "reed" }),
      changeNib("reed", { strands: 4 }, "Reed"),
    );
    expect(after.nibs.reed).toMatchObject({ strands: 4, rank: nibs + 1, profile: [0, 1, 1, 0.2] });
    expect(after.strokes.a.nib).toBe("reed");
  });
});

describe("lines arranged", () => {
  const pourOf = (id: string, lines: readonly string[]): Pour => ({
    id,
    rank: 1,
    paint: rust,
    anchor: { seed: [5, 5], area: 100, lines, region: [[0, 0, 10, 0, 10, 10, 0, 10]] },
  });

  it("moves strokes and shapes by a matrix, from where they began", () => {
    const from = smallDrawing();
    const options = { scaleWidths: false, label: "Move 2 lines", merge: "move" };
    const there = edited(
      from,
      transformLines(carriedBy(from, ["a", "blot"], []), translation(5, 7), options),
    );
    // The second step of one drag begins where the drag began, not where the first left off.
    const on = edited(there, transformLines(carriedBy(from, ["a", "blot"], []), translation(6, 7), options));
    expect(on.strokes.a.points.slice(0, 2)).toEqual([6, 7]);
    expect(on.inkShapes.blot.outline[0].slice(0, 2)).toEqual([56, 57]);
    expect(on.strokes.b).toBe(there.strokes.b);
  });

  it("scales widths by choice, and dashes with them", () => {
    const small = smallDrawing();
    const from = { ...small, strokes: { ...small.strokes, a: { ...small.strokes.a, dash: [3, 1] } } };
    const doubled = aboutPoint([0, 0], 2, 2, 0);
    const grown = edited(
      from,
      transformLines(carriedBy(from, ["a"], []), doubled, { scaleWidths: true, label: "Scale" }),
    );
    expect(grown.strokes.a.width).toBeCloseTo(4, 9);
    expect(grown.strokes.a.dash).toEqual([6, 2]);
    const kept = edited(
      from,
      transformLines(carriedBy(from, ["a"], []), doubled, { scaleWidths: false, label: "Scale" }),
    );
    expect(kept.strokes.a).toMatchObject({ width: 2, dash: [3, 1] });
  });

  it("carries colours that these lines alone bound, the outline of a shape among them", () => {
    const from = {
      ...smallDrawing(),
      pours: {
        own: pourOf("own", ["a", "b"]),
        shared: pourOf("shared", ["a", "c"]),
        blotted: pourOf("blotted", ["a", "blot/0"]),
      },
    };
    const turned = aboutPoint([0, 0], 2, 2, Math.PI / 2);
    const after = edited(
      from,
      transformLines(carriedBy(from, ["a", "b", "blot"], []), turned, { scaleWidths: true, label: "Turn" }),
    );
    expect(after.pours.own.anchor.area).toBeCloseTo(400, 6);
    expect(after.pours.own.anchor.seed[0]).toBeCloseTo(-10, 6);
    expect(after.pours.own.anchor.region[0][3]).toBeCloseTo(20, 6);
    expect(after.pours.blotted.anchor.area).toBeCloseTo(400, 6);
    expect(after.pours.shared).toBe(from.pours.shared);
  });

  it("duplicates in the order of the lines, on top, with all that they have", () => {
    const from = edited(smallDrawing(), changeStrokes(["a"], { nib: "swell" }));
    const copies = duplicateCarried(carriedBy(from, ["a", "blot"], []), translation(1, 0));
    const after = edited(from, copies.edit);
    const [a2, blot2] = copies.ids;
    expect(ids(after)).toEqual(["a", "b", "blot", "c", a2, blot2]);
    expect(after.strokes[a2]).toMatchObject({ nib: "swell", width: 2 });
    expect(after.strokes[a2].points[0]).toBe(1);
    expect(after.strokes.a.points[0]).toBe(0);
  });

  it("brings lines to the front and sends them to the back in their own order", () => {
    const from = smallDrawing();
    expect(ids(edited(from, orderLines(["blot", "a"], "front")))).toEqual(["b", "c", "a", "blot"]);
    expect(ids(edited(from, orderLines(["c", "blot"], "back")))).toEqual(["blot", "c", "a", "b"]);
  });
});
