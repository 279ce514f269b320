import { describe, expect, it } from "vitest";
import { seedOnly } from "../drawing/anchor.ts";
import { addBridges, declineOpenings, pour, setReach } from "../drawing/edits.ts";
import { applyEdit, beginHistory, type Edit } from "../drawing/history.ts";
import { defaultPage, newDrawing } from "../drawing/new-drawing.ts";
import { addShade } from "../drawing/shape-edits.ts";
import { anchorOf } from "../pockets/anchors.ts";
import { buildMap } from "../pockets/planar-map.ts";
import { pocketsOf } from "../pockets/pockets.ts";
import { linesOf } from "../pockets/reading.ts";
import { circle } from "../pockets/testing.ts";
import { readDrawingFile, writeDrawingFile } from "./drawing-file.ts";

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

  it("names the parts that are not as expected", () => {
    const record = JSON.parse(writeDrawingFile(full));
    expect(() => readDrawingFile(JSON.stringify({ ...record, ink: "black; }" }))).toThrow(/ink/);
    expect(() => readDrawingFile(JSON.stringify({ ...record, page: { ...record.page, width: -1 } }))).toThrow(
      /page/,
    );
    expect(() => readDrawingFile(JSON.stringify({ ...record, strokes: [{ id: "x" }] }))).toThrow(/strokes/);
    expect(() => readDrawingFile('{"format":"other"}')).toThrow("not a Fern Pocket drawing file");
    expect(() => readDrawingFile("{nonsense")).toThrow("not a Fern Pocket drawing file");
    expect(() => readDrawingFile("[1]")).toThrow("not a Fern Pocket drawing file");
  });
});
