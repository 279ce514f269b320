/** What a delivered SVG does not show comes back from it all the same. */
import { readFileSync } from "node:fs";
import { expect, it } from "vitest";
import { edited } from "../../testing/drawings.ts";
import type { Drawing } from "../drawing/drawing.ts";
import { layGround } from "../drawing/page-edits.ts";
import { removePart } from "../drawing/part-edits.ts";
import { DrawingReader } from "../pockets/drawing-reader.ts";
import { derive } from "../scene/scene.ts";
import { readDrawingFile, writeDrawingFile } from "./drawing-file.ts";
import { importSvg } from "./import-drawing.ts";
import { deliveredSvg } from "./svg-write.ts";

const fixture = (name: string): Drawing =>
  readDrawingFile(readFileSync(`core/formats/fixtures/${name}.fern`, "utf8"));
const throughSvg = (drawing: Drawing): Drawing => {
  const pockets = new DrawingReader().read(drawing).pockets.filter(({ hidden }) => !hidden);
  return importSvg(drawing.name, deliveredSvg(drawing, derive(drawing, pockets))).drawing;
};
const sheetsOf = ({ flatShapes }: Drawing) => Object.values(flatShapes).map(({ sheet }) => sheet);

it.each(["shade", "light", "gloss"])("a free shape on the %s sheet, while drawn light is hidden", (name) => {
  expect(sheetsOf(throughSvg(fixture(name)))).toEqual([name]);
});

it("strokes with a width of their own, with the joins and dashes that they had", () => {
  const base = importSvg(
    "Lines",
    '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 100"><path fill="none" stroke="#000" d="M9 9L50 90 90 9"/></svg>',
  ).drawing;
  const [stroke] = Object.values(base.strokes);
  const pen = { join: "bevel", dash: [7, 3], dashOffset: 2, profile: [0, 0.2, 1, 1] } as const;
  const drawing = { ...base, strokes: { [stroke.id]: { ...stroke, ...pen, width: 3 } } };
  expect(Object.values(throughSvg(drawing).strokes)[0]).toMatchObject(pen);
});

it("a ground, where the part that drawings begin with is gone", () => {
  const drawing = fixture("ground-of-no-part");
  expect(Object.values(drawing.parts).map(({ name }) => name)).not.toContain("Missing part");
  for (const again of [readDrawingFile(writeDrawingFile(drawing)), throughSvg(drawing)])
    expect([Object.keys(again.parts), sheetsOf(again)]).toEqual([Object.keys(drawing.parts), ["ground"]]);
  const [ground] = Object.values(edited(drawing, layGround(drawing.page, drawing.ink)).flatShapes).slice(-1);
  expect(Object.keys(drawing.parts)).toContain(ground.part);
  expect(Object.keys(edited(drawing, removePart(Object.keys(drawing.parts)[0], "One")).parts).length).toBe(1);
});
