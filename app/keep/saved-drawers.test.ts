/** Drawers as earlier versions kept them: their drawings open, and undo still goes all the way back. */
import "fake-indexeddb/auto";
import { readFileSync } from "node:fs";
import Dexie from "dexie";
import { afterEach, describe, expect, it } from "vitest";
import { type Step, toStep } from "#core/drawing/history.ts";
import { pack } from "#core/drawing/packed.ts";
import { VERSION } from "#core/drawing/upgrade.ts";
import { readDrawingFile } from "#core/formats/drawing-file.ts";
import { range } from "#core/geometry/lists.ts";
import type { StepRow, WholeRow } from "./database.ts";
import { database } from "./database.ts";
import { listDrawings, NewerDrawing, type Opened, openDrawing, storedFile } from "./shelf.ts";
import { packOldSteps } from "./step-blocks.ts";

interface SavedDrawer {
  readonly drawings: readonly WholeRow[];
  readonly steps: readonly StepRow[];
}

const read = (path: string) => readFileSync(new URL(path, import.meta.url), "utf8");

async function keptByVersion(version: number, { drawings, steps }: SavedDrawer): Promise<void> {
  const old = new Dexie("fern-pocket");
  const apart = version > 4;
  for (let v = 1; v <= version; v++)
    old.version(v).stores({
      drawings: "id, changedAt",
      steps: "[drawing+index], drawing",
      ...(v > 4 ? { bases: "id" } : {}),
    });
  await old.open();
  await old.table("drawings").bulkAdd(apart ? drawings.map(({ base: _, ...row }) => row) : [...drawings]);
  if (apart) await old.table("bases").bulkAdd(drawings.map(({ id, base }) => ({ id, base: pack(base) })));
  await old.table("steps").bulkAdd([...steps]);
  old.close();
}

/** Drawers of version 5 held drawings as those of version 4 did, but for where they stood; from then on they are a version behind. */
const drawingsOf = (version: number): number => (version < 5 ? version : version - 1);
const savedForm = (form: number): SavedDrawer => JSON.parse(read(`saved/drawer-${form}.json`));
const saved = (version: number): SavedDrawer => savedForm(drawingsOf(version));

/** The same with many more steps, the last one that is done undone and done again and again. */
function longer({ drawings, steps: all }: SavedDrawer): SavedDrawer {
  const steps = all.slice(0, drawings[0].cursor);
  const { drawing, step } = steps[steps.length - 1];
  const back: Step = { ...step, patches: step.inverse, inverse: step.patches };
  const more = range(0, MORE).map((k) => ({ drawing, index: steps.length + k, step: k % 2 ? step : back }));
  return {
    drawings: drawings.map((row) => ({ ...row, cursor: steps.length + MORE, thumbnail: "<svg/>" })),
    steps: [...steps, ...more],
  };
}

const MORE = 320;

/** What a drawing is that was opened, that undo leads all the way back through it, and redo all the way here. */
function expectWhole({ history }: Opened, form: number, count: number): void {
  const file = readDrawingFile(read(`../../core/formats/saved/bed-${form}.fern`));
  expect(history.drawing).toEqual(file);
  expect(history.steps).toHaveLength(count);
  const begun = toStep(history, 0)!.history;
  expect(Object.keys(begun.drawing.pours)).toEqual([]);
  expect(Object.keys(begun.drawing.strokes)).toHaveLength(5);
  expect(toStep(begun, count)!.history.drawing).toEqual(history.drawing);
}

describe("drawers of earlier versions", () => {
  afterEach(async () => {
    database.close();
    await Dexie.delete("fern-pocket");
  });

  it.each([1, 2, 3, 4, 5, 6, 7, 8])(
    "version %i: the drawing is as it was, and so is each of more than 300 steps",
    async (version) => {
      const drawer = longer(saved(version));
      await keptByVersion(version, drawer);
      await database.open();
      expectWhole((await openDrawing("bed"))!, drawingsOf(version), drawer.steps.length);
      expect((await listDrawings()).rows).toMatchObject([{ id: "bed", thumbnail: "<svg/>" }]);
      expect(await database.drawings.get("bed")).not.toHaveProperty("thumbnail");
    },
  );

  it.each([7, 8])(
    "brings up a drawing whose row says version %i, packed steps and all, once",
    async (form) => {
      const { drawings, steps } = longer(savedForm(form));
      await database.open();
      const [{ base, ...row }] = drawings;
      await database.drawings.add({ ...row, version: form });
      await database.bases.add({ id: row.id, base: pack(base) });
      await database.steps.bulkAdd([...steps]);
      await packOldSteps(row.id);
      expect(await database.steps.count()).toBeLessThan(steps.length);
      expectWhole((await openDrawing("bed"))!, form, steps.length);
      const { version, revision } = (await database.drawings.get("bed"))!;
      expect([version, revision]).toEqual([VERSION, row.revision + 1]);
      expectWhole((await openDrawing("bed"))!, form, steps.length);
      expect((await database.drawings.get("bed"))!.revision).toBe(revision);
    },
  );

  it("leaves a drawing of a version to come alone, and hands it out as it is stored", async () => {
    const { drawings, steps } = savedForm(7);
    await database.open();
    const [{ base, ...row }] = drawings;
    await database.drawings.add({ ...row, version: VERSION + 1 });
    await database.bases.add({ id: row.id, base: pack(base) });
    await database.steps.bulkAdd([...steps]);
    const before = [await database.bases.toArray(), await database.steps.toArray()];
    await expect(openDrawing("bed")).rejects.toThrow(NewerDrawing);
    expect([await database.bases.toArray(), await database.steps.toArray()]).toEqual(before);
    expect(JSON.parse((await storedFile("bed"))!)).toMatchObject({ row: { version: VERSION + 1 } });
    expect((await listDrawings()).rows.map(({ id }) => id)).toEqual(["bed"]);
  });

  it("keeps the drawing and all steps up to one that cannot be followed any more", async () => {
    const { drawings, steps } = saved(3);
    const broken = steps.map((row, i) =>
      i === 6 ? { ...row, step: { ...row.step, patches: [{ op: "replace", path: ["no", "such"] }] } } : row,
    ) as StepRow[];
    await keptByVersion(3, { drawings, steps: broken });
    await database.open();
    const { history } = (await openDrawing("bed"))!;
    expect(history.steps.map(({ label }) => label)).toEqual(steps.slice(0, 6).map(({ step }) => step.label));
    expect(Object.keys(history.drawing.pours)).toEqual(["p1", "p2", "p3", "p4"]);
  });
});
