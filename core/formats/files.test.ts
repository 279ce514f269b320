import { describe, expect, it } from "vitest";
import { circle } from "../../testing/line-work.ts";
import { seedOnly } from "../drawing/anchor.ts";
import { addBridges, declineOpenings, pour, setReach } from "../drawing/edits.ts";
import { applyEdit, beginHistory, type Edit } from "../drawing/history.ts";
import { defaultPage, newDrawing } from "../drawing/new-drawing.ts";
import { mendedBy } from "../drawing/say-repairs.ts";
import { addShade } from "../drawing/shape-edits.ts";
import { anchorOf } from "../pockets/anchors.ts";
import { buildMap } from "../pockets/planar-map.ts";
import { pocketsOf } from "../pockets/pockets.ts";
import { linesOf } from "../pockets/reading.ts";
import { openDrawingFile, readDrawingFile, writeDrawingFile } from "./drawing-file.ts";

const full = (() => {
  const { id, points, closed } = circle(50, 50, 30);
  let drawing = newDrawing(
    "Round",
    defaultPage({ x: 0, y: 0, width: 100, height: 100 }),
    [{ id, rank: 1, points: Array.from(points), closed, width: 2, name: "rim" }],
    [
      {
        id: "i",
        rank: 2,
        outline: [[0, 0, 1, 0, 2, 0, 3, 0, 3, 1, 3, 2, 0, 0]],
        evenOdd: true,
        name: "blot",
      },
    ],
  );
  const [pocket] = pocketsOf(buildMap(linesOf(drawing)));
  const edits: Edit[] = [
    pour([{ anchor: anchorOf(pocket) }], { colour: "frond", step: 2 }, ["p"]),
    addBridges([{ id: "b", points: [0, 0, 1, 1, 2, 2, 3, 3] }]),
    setReach(2.5),
    declineOpenings([{ id: "d", at: [4, 5] }]),
    addShade({
      id: "s",
      outline: [[1, 1, 2, 2, 3, 3, 1, 1]],
      kind: "drawn",
      evenOdd: false,
      anchor: seedOnly([50, 50]),
      paint: { colour: "dusk", step: 0 },
      blend: "multiply",
      opacity: 0.5,
    }),
  ];
  for (const edit of edits) drawing = applyEdit(beginHistory(drawing), edit)!.history.drawing;
  return drawing;
})();

describe("the drawing file", () => {
  it("comes back without loss", () => {
    expect(readDrawingFile(writeDrawingFile(full))).toEqual(full);
  });

  const record = JSON.parse(writeDrawingFile(full));
  const opened = (change: object) => {
    const { drawing, ...repairs } = openDrawingFile(JSON.stringify({ ...record, ...change }));
    return { drawing, ...mendedBy(repairs) };
  };

  it("opens without what makes no sense, and names it", () => {
    expect(opened({ ink: "black; }" })).toMatchObject({ brought: [], lost: ["ink"] });
    const [stroke] = record.strokes;
    const bad = opened({ strokes: [stroke, { id: "x" }] });
    expect(bad).toMatchObject({ brought: [], lost: ["strokes"] });
    expect(Object.keys(bad.drawing.strokes)).toEqual([stroke.id]);
    expect(opened({ tin: undefined }).lost).toEqual(["tin"]);
  });

  it("brings what is out of bounds to them, and names it", () => {
    const name = "Rosette of leaves ".repeat(20);
    const { drawing, brought, lost } = opened({
      name,
      parts: [{ ...record.parts[0], name }],
      strokes: [{ ...record.strokes[0], dash: Array(70).fill(1) }],
      tin: [...record.tin, { id: "short", rank: 99, name: "Short", value: "abc" }],
    });
    expect([lost, brought]).toEqual([[], ["name", "parts", "strokes", "tin"]]);
    expect([drawing.name.length, drawing.parts.main.name.length]).toEqual([200, 80]);
    expect(Object.values(drawing.strokes)[0].dash).toHaveLength(64);
    expect(drawing.tin.short.value).toBe("#aabbcc");
  });

  it("is refused with a sentence where it has no page that could be", () => {
    for (const page of [
      { ...record.page, width: -1 },
      { ...record.page, width: 1e9 },
      { ...record.page, box: { x: 0, y: 0, width: 1, height: 1e6 } },
      undefined,
    ])
      expect(() => opened({ page })).toThrow(/no page, or one too large/);
  });

  it("is refused where it is none", () => {
    expect(() => readDrawingFile('{"format":"other"}')).toThrow("not a Fern Pocket drawing file");
    expect(() => readDrawingFile("{nonsense")).toThrow("not a Fern Pocket drawing file");
    expect(() => readDrawingFile("[1]")).toThrow("not a Fern Pocket drawing file");
  });
});
