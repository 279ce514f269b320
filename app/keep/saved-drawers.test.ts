/** Drawers as earlier versions kept them: their drawings open, and undo still goes all the way back. */
import "fake-indexeddb/auto";
import { readFileSync } from "node:fs";
import Dexie from "dexie";
import { afterEach, describe, expect, it } from "vitest";
import { redo, undo } from "#core/drawing/history.ts";
import { pack } from "#core/drawing/packed.ts";
import { readDrawingFile } from "#core/formats/drawing-file.ts";
import type { StepRow, WholeRow } from "./database.ts";
import { database } from "./database.ts";
import { openDrawing } from "./shelf.ts";

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
const saved = (version: number): SavedDrawer => JSON.parse(read(`saved/drawer-${drawingsOf(version)}.json`));

describe("drawers of earlier versions", () => {
  afterEach(async () => {
    database.close();
    await Dexie.delete("fern-pocket");
  });

  it.each([1, 2, 3, 4, 5, 6, 7, 8])(
    "version %i: the drawing is as it was, and so is each step",
    async (version) => {
      const drawer = saved(version);
      await keptByVersion(version, drawer);
      await database.open();
      const { history } = (await openDrawing("bed"))!;
      const file = readDrawingFile(read(`../../core/formats/saved/bed-${drawingsOf(version)}.fern`));
      expect(history.drawing).toEqual(file);
      expect(history.steps.map(({ label }) => label)).toEqual(drawer.steps.map(({ step }) => step.label));
      let back = history;
      for (let move = undo(back); move; move = undo(back)) back = move.history;
      expect(Object.keys(back.drawing.pours)).toEqual([]);
      expect(Object.keys(back.drawing.strokes)).toHaveLength(5);
      let again = back;
      while (again.cursor < history.cursor) again = redo(again)!.history;
      expect(again.drawing).toEqual(history.drawing);
    },
  );

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
