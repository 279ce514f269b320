/** The rim of paper around a spot. */
import { expect, it } from "vitest";
import { edited, strokeOf } from "../../testing/drawings.ts";
import type { Drawing } from "../drawing/drawing.ts";
import { changeSheet, pour } from "../drawing/edits.ts";
import { defaultPage, newDrawing } from "../drawing/new-drawing.ts";
import { setSticker } from "../drawing/page-edits.ts";
import { readDrawingFile, writeDrawingFile } from "../formats/drawing-file.ts";
import { importSvg } from "../formats/import-drawing.ts";
import { writeSvg } from "../formats/svg-write.ts";
import { flatten } from "../geometry/cubic.ts";
import type { Point } from "../geometry/point.ts";
import { regionContains } from "../geometry/polygon.ts";
import { anchorOf } from "../pockets/anchors.ts";
import { LineReader } from "../pockets/line-reader.ts";
import { derive, sceneOf } from "./scene.ts";

const frame = strokeOf("frame", 1, [
  [30, 30],
  [70, 30],
  [70, 70],
  [30, 70],
  [30, 30],
]);
const lone = strokeOf("lone", 2, [
  [5, 90],
  [15, 90],
]);
const bare = newDrawing("Frame", defaultPage({ x: 0, y: 0, width: 100, height: 100 }), [frame, lone]);
const [pocket] = new LineReader().read(bare);
const paint = { colour: "seed-paper", step: 0 };
const rimmed = edited(
  bare,
  pour([{ anchor: anchorOf(pocket) }], { colour: "frond", step: 0 }, ["p"]),
  setSticker({ paint, width: 5 }),
);
const scene = (drawing: Drawing) => sceneOf(drawing, derive(drawing, new LineReader().read(drawing)));
const groundOf = (drawing: Drawing) =>
  scene(drawing).parts[0]?.sheets.find(({ name }) => name === "ground")?.items ?? [];

it("lies as far around ink and colour as asked for, and under all that they enclose", () => {
  const [item, ...more] = groundOf(rimmed);
  expect([more, item.id, item.effects]).toEqual([[], "sticker", {}]);
  const { area } = item;
  const rings = area.kind === "region" ? area.chains.map((chain) => flatten(chain, 0.01)) : [];
  const isIn = (at: Point) => regionContains(rings, at);
  const reach = frame.width / 2 + 5;
  expect([isIn([50, 50]), isIn([30 - reach + 0.3, 50]), isIn([30 - reach - 0.3, 50])]).toEqual([
    true,
    true,
    false,
  ]);
  expect([isIn([10, 90 - reach + 0.3]), isIn([10, 90 - reach - 0.3]), isIn([22, 60])]).toEqual([
    true,
    false,
    false,
  ]);
  // Corners are round.
  const corner = (away: number): Point => [30 - away * Math.SQRT1_2, 30 - away * Math.SQRT1_2];
  expect([isIn(corner(reach - 0.3)), isIn(corner(reach + 0.5))]).toEqual([true, false]);
});

it("is the same one until something moves, and goes with the ground", () => {
  const area = (drawing: Drawing) => groundOf(drawing)[0].area as { chains: unknown };
  const pockets = new LineReader().read(rimmed);
  const derived = derive(rimmed, pockets);
  const again = [1, 2].map(() => sceneOf(rimmed, derived).parts[0].sheets[0].items[0].area) as {
    chains: unknown;
  }[];
  expect(again[0].chains).toBe(again[1].chains);
  expect(area(rimmed).chains).toBeTruthy();
  expect(groundOf(edited(rimmed, changeSheet("ground", { visible: false })))).toEqual([]);
});

it("comes back from files", () => {
  expect(readDrawingFile(writeDrawingFile(rimmed)).sticker).toEqual({ paint, width: 5 });
  const { drawing } = importSvg("", writeSvg(scene(rimmed), { drawing: rimmed }));
  expect([drawing.sticker, Object.keys(drawing.flatShapes)]).toEqual([rimmed.sticker, []]);
  expect(groundOf(drawing)).toHaveLength(1);
});
