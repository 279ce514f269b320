import { describe, expect, it } from "vitest";
import { edited, strokeOf } from "../../testing/drawings.ts";
import { addColours } from "../drawing/colour-edits.ts";
import type { Drawing, FlatShape } from "../drawing/drawing.ts";
import { pour, pourEach, setWalls } from "../drawing/edits.ts";
import { changeLines } from "../drawing/line-edits.ts";
import { defaultPage, newDrawing } from "../drawing/new-drawing.ts";
import { addShape, moveShapes } from "../drawing/shape-edits.ts";
import { importSvg } from "../formats/import-drawing.ts";
import { writeSvg } from "../formats/svg-write.ts";
import { flatten } from "../geometry/cubic.ts";
import { regionContains } from "../geometry/polygon.ts";
import { ellipse } from "../lines/figures.ts";
import { derive, pocketAt, sceneOf } from "../scene/scene.ts";
import { anchorOf } from "./anchors.ts";
import { LineReader } from "./line-reader.ts";

const disc = (id: string, x: number): Omit<FlatShape, "rank"> => ({
  id,
  outline: [ellipse([x, 50], 20, 20)],
  evenOdd: false,
  paint: { colour: "frond", step: 0 },
  opacity: 1,
});
const bare = newDrawing("Discs", defaultPage({ x: 0, y: 0, width: 100, height: 100 }), []);
const discs = edited(bare, addShape(disc("a", 40)), addShape(disc("b", 60)));
const walled = edited(discs, setWalls({ shapeWalls: true }));
const seeds = (drawing: Drawing) => new LineReader().read(drawing).map(({ seed }) => Math.round(seed[0]));

describe("edges that part colours without ink", () => {
  it("are those of overlapping shapes, by a switch, and follow when a shape is moved", () => {
    expect(seeds(discs)).toEqual([]);
    expect(seeds(walled)).toHaveLength(3);
    const apart = edited(walled, moveShapes([walled.flatShapes.b], [1, 0, 0, 1, 30, 0], "Move shape"));
    expect(seeds(apart)).toHaveLength(2);
    const reader = new LineReader();
    reader.read(walled);
    expect(reader.read(apart)).toHaveLength(2);
  });

  it("hold what is poured between them, above the shapes themselves", () => {
    const pockets = new LineReader().read(walled);
    const middle = pocketAt(pockets, [50, 50])!;
    const poured = edited(walled, pour([{ anchor: anchorOf(middle) }], { colour: "radish", step: 0 }, ["p"]));
    const { items } = sceneOf(poured, derive(poured, pockets)).parts[0].sheets[0];
    expect(items.map(({ id }) => id)).toEqual(["a", "b", "p"]);
  });

  it("cut out what is poured between them by choice: nothing of the shapes shows through", () => {
    const pockets = new LineReader().read(walled);
    const middle = pocketAt(pockets, [50, 50])!;
    const faint = edited(walled, addColours([{ id: "mist", name: "Mist", value: "#88aaff", opacity: 0.5 }]));
    const paint = { colour: "mist", step: 0 };
    const cut = edited(
      faint,
      pourEach([{ target: { anchor: anchorOf(middle) }, paint, cuts: true }], "Pour", ["p"]),
    );
    const { items } = sceneOf(cut, derive(cut, pockets)).parts[0].sheets[0];
    const shows = (id: string, at: [number, number]) =>
      regionContains(
        items.find((item) => item.id === id)!.effects.clip!.map((chain) => flatten(chain, 0.01)),
        at,
      );
    for (const id of ["a", "b"]) {
      expect(shows(id, [50, 50])).toBe(false);
      expect([shows(id, [25, 50]), shows(id, [75, 50])]).toEqual([true, true]);
    }
    // The way back from a file, and the pockets, are those of whole shapes.
    const { drawing: back } = importSvg("", writeSvg(sceneOf(cut, derive(cut, pockets)), { drawing: cut }));
    expect(Object.values(back.flatShapes).map(({ outline }) => outline.length)).toEqual([1, 1]);
    expect(Object.values(back.pours)[0]).toMatchObject({ paint, cuts: true });
    expect(seeds(back).sort()).toEqual(seeds(walled).sort());
    const emptied = edited(cut, pour([{ anchor: anchorOf(middle), pourId: "p" }], null));
    expect(
      sceneOf(emptied, derive(emptied, pockets)).parts[0].sheets[0].items[0].effects.clip,
    ).toBeUndefined();
  });

  it("are those of shapes opened from an SVG without any stroke", () => {
    const svg = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 100"><circle cx="40" cy="50" r="20" fill="#fa0"/><circle cx="60" cy="50" r="20" fill="#af0"/></svg>`;
    const { drawing } = importSvg("Discs", svg);
    expect(seeds(edited(drawing, setWalls({ shapeWalls: true })))).toHaveLength(3);
  });

  it("are hidden lines, or not", () => {
    const square = strokeOf("s", 1, [
      [10, 10],
      [90, 10],
      [90, 90],
      [10, 90],
      [10, 10],
    ]);
    const wall = strokeOf("w", 2, [
      [50, 10],
      [50, 90],
    ]);
    const drawing = edited(
      newDrawing("Room", bare.page, [{ ...square, closed: true }, wall]),
      changeLines(["w"], { hidden: true }),
    );
    expect(seeds(drawing)).toHaveLength(2);
    expect(seeds(edited(drawing, setWalls({ hiddenWalls: false })))).toHaveLength(1);
  });
});
