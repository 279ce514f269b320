import { readFileSync } from "node:fs";
import { expect, it } from "vitest";
import { sortOpenings } from "../app/desk/gaps/openings.ts";
import { tooNear } from "../app/desk/judge/judged.ts";
import { pocketCounts, waitingIn } from "../app/desk/pockets/stats.ts";
import type { Desk } from "../app/desk/store/desk-state.ts";
import { DEMOS } from "../app/drawer/demo.ts";
import { readDrawingFile } from "../core/formats/drawing-file.ts";
import { DrawingReader } from "../core/pockets/drawing-reader.ts";
import { derive } from "../core/scene/scene.ts";

const FINISHED = DEMOS.slice(0, 8);

it.each(FINISHED.map(({ file }) => file))("%s has no snag left", async (file) => {
  const drawing = await readDrawingFile(readFileSync(`demo/${file}`, "utf8"));
  const reader = new DrawingReader();
  const { pockets } = reader.read(drawing);
  const derived = derive(
    drawing,
    pockets.filter(({ hidden }) => !hidden),
  );
  const gaps = { ...reader.gaps(drawing), stamp: 0, strokes: drawing.strokes };
  const desk = { drawing, derived, gaps } as Desk;
  const { bare, specks } = pocketCounts(desk);
  expect({ bare, specks }).toEqual({ bare: [], specks: [] });
  expect(waitingIn(desk)).toEqual([]);
  expect(sortOpenings(desk).open).toEqual([]);
  expect(Object.keys(drawing.dabs)).toEqual([]);
  expect(tooNear(desk)).toEqual([]);
});
