/** Old steps are packed, and undo still goes back through them. */
import "fake-indexeddb/auto";
import { beforeEach, expect, it } from "vitest";
import { changeColour } from "#core/drawing/colour-edits.ts";
import { applyEdit, type History, toStep } from "#core/drawing/history.ts";
import { defaultPage, newDrawing } from "#core/drawing/new-drawing.ts";
import { database } from "./database.ts";
import { changeBetween } from "./keeper.ts";
import { addDrawing, duplicateDrawing, keepChange, listDrawings, openDrawing } from "./shelf.ts";
import { packOldSteps } from "./step-blocks.ts";

beforeEach(async () => {
  await database.delete();
  await database.open();
});

const hex = (k: number): string => `#${(k * 7919).toString(16).padStart(6, "0").slice(-6)}`;

/** Steps that do not merge. */
const stepped = (history: History, count: number): History =>
  Array.from({ length: count }).reduce<History>(
    (now, _, k) =>
      applyEdit(now, { ...changeColour("frond", hex(now.steps.length + k + 1), "Frond"), merge: undefined })!
        .history,
    history,
  );

async function kept(count: number) {
  const drawing = newDrawing("Long", defaultPage({ x: 0, y: 0, width: 10, height: 10 }), []);
  const { id } = await addDrawing(drawing);
  const { history: begun } = (await openDrawing(id))!;
  const history = stepped(begun, count);
  await keepChange(id, 0, { from: 0, steps: history.steps, cursor: count });
  await packOldSteps(id);
  return { id, history };
}

const rows = (id: string) => database.steps.where("drawing").equals(id).count();

it("packs a hundred to a row but for the latest, and gives the same history back", async () => {
  const { id, history } = await kept(540);
  expect(await rows(id)).toBe(3 + 240);
  const { history: again } = (await openDrawing(id))!;
  expect(again).toEqual(history);
  expect(toStep(again, 17)!.history.drawing).toEqual(toStep(history, 17)!.history.drawing);
  await packOldSteps(id);
  expect(await rows(id)).toBe(3 + 240);
});

it("takes a block apart where the past is changed in the middle of it", async () => {
  const { id, history } = await kept(540);
  const back = toStep(history, 130)!.history;
  const other = stepped(back, 2);
  const change = changeBetween(history, other);
  expect(change.from).toBe(130);
  await keepChange(id, 1, change);
  const { history: again, mended } = (await openDrawing(id))!;
  expect([again.steps.length, again.cursor, mended]).toEqual([132, 132, undefined]);
  expect(again.drawing).toEqual(other.drawing);
  expect(toStep(again, 60)!.history.drawing).toEqual(toStep(history, 60)!.history.drawing);
});

it("opens as far as its steps go where a block went bad, and keeps all aside", async () => {
  const { id, history: whole } = await kept(540);
  await database.steps.put({
    drawing: id,
    index: 100,
    count: 100,
    packed: new Uint8Array([1, 2, 3]),
  } as never);
  const { history, mended } = (await openDrawing(id))!;
  expect([history.steps.length, mended?.lost]).toEqual([100, ["its latest steps"]]);
  expect(history.drawing).toEqual(toStep(whole, 100)!.history.drawing);
});

it("is copied with its drawing", async () => {
  const { id, history } = await kept(320);
  await duplicateDrawing(id);
  const copy = (await listDrawings()).rows.find((row) => row.id !== id)!;
  const again = (await openDrawing(copy.id))!.history;
  expect(again.steps).toEqual(history.steps);
});
