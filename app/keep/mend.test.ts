/** Junk in any table never takes the drawer down. */
import "fake-indexeddb/auto";
import fc from "fast-check";
import { beforeEach, describe, expect, it } from "vitest";
import { addColour } from "#core/drawing/colour-edits.ts";
import { applyEdit, toStep } from "#core/drawing/history.ts";
import { defaultPage, newDrawing } from "#core/drawing/new-drawing.ts";
import { unpack } from "#core/drawing/packed.ts";
import { DrawingReader } from "#core/pockets/drawing-reader.ts";
import { derive, sceneOf } from "#core/scene/scene.ts";
import { SOAK } from "../../testing/long-runs.ts";
import { database } from "./database.ts";
import { asideFile, mendDrawer, readAside } from "./mend.ts";
import { addDrawing, addHistory, keepChange, listDrawings, openDrawing, takeAdded } from "./shelf.ts";
import { packOldSteps } from "./step-blocks.ts";

const drawing = () =>
  newDrawing("Radishes", defaultPage({ x: 0, y: 0, width: 10, height: 10 }), [
    { id: "s1", rank: 1, points: [0, 0, 3, 0, 6, 0, 9, 9], closed: false, width: 1 },
    { id: "s2", rank: 2, points: [9, 0, 6, 0, 3, 0, 0, 9], closed: false, width: 1 },
  ]);

beforeEach(async () => {
  await database.delete();
  await database.open();
});

async function keptWithSteps(): Promise<string> {
  const { id } = await addDrawing(drawing());
  let { history } = (await openDrawing(id))!;
  for (const name of ["one", "two"]) history = applyEdit(history, addColour(name, name, "#123456"))!.history;
  await keepChange(id, 0, { from: 0, steps: history.steps, cursor: 2 });
  return id;
}

const junk = fc.oneof(
  fc.constantFrom(undefined, null, "junk", 7, Number.NaN, [], {}, [1, "2"], { frame: {} }, "\u0000"),
  fc.anything({ maxDepth: 2 }).filter((value) => typeof value !== "function" && typeof value !== "symbol"),
);
const RUNS = SOAK ? 100 : 15;

describe("a row gone bad", () => {
  it.each(["drawings", "pictures", "bases", "steps"] as const)(
    "in %s: the drawer lists, every drawing opens and can be drawn, what was stored is kept aside",
    async (table) => {
      await fc.assert(
        fc.asyncProperty(junk, fc.nat(20), fc.boolean(), async (value, which, whole) => {
          await database.delete();
          await database.open();
          const id = await keptWithSteps();
          const other = await keptWithSteps();
          await spoil(table, id, value, which, whole);
          await mendDrawer();
          const { rows } = await listDrawings();
          expect(rows.map((row) => row.id)).toEqual(expect.arrayContaining([id, other]));
          for (const { name, thumbnail } of rows)
            expect([typeof name, typeof thumbnail]).toEqual(["string", "string"]);
          for (const one of [id, other]) {
            const opened = (await openDrawing(one))!;
            const { drawing: open } = opened.history;
            expect(() => sceneOf(open, derive(open, new DrawingReader().read(open).pockets))).not.toThrow();
            if (opened.mended !== undefined) expect(await asideFile(one)).toContain("drawing");
            // And again, as it was opened.
            const again = (await openDrawing(one))!;
            expect(again.history.drawing).toEqual(open);
            expect(again.mended).toBeUndefined();
          }
          expect(Object.keys((await openDrawing(other))!.history.drawing.tin)).toContain("two");
        }),
        { numRuns: RUNS },
      );
    },
    180_000,
  );

  it("that is one stroke costs that stroke alone", async () => {
    const { id } = await addDrawing(drawing());
    const begun = (await database.bases.get(id))!;
    const spoiled = unpack(begun.base);
    Object.assign(spoiled.strokes.s1, { width: "wide" });
    await database.bases.put({
      id,
      base: { frame: spoiled, lengths: new Uint32Array(), numbers: new Float64Array() } as never,
    });
    const { history, mended } = (await openDrawing(id))!;
    expect([Object.keys(history.drawing.strokes), mended?.lost]).toEqual([["s2"], ["strokes"]]);
    expect(await asideFile(id)).toContain("wide");
  });
});

describe("a drawing with one value out of bounds", () => {
  const LONG = "Leaves of the allotment ".repeat(9);

  /** More steps than stay loose, of which the first gives its colour a name beyond all bounds. */
  async function outOfBounds(): Promise<string> {
    const { id } = await addDrawing(drawing());
    let { history } = (await openDrawing(id))!;
    for (let k = 0; k < 330; k++)
      history = applyEdit(history, addColour(`c${k}`, `Colour ${k}`, "#123456"))!.history;
    const steps = history.steps.map((step, k) =>
      k > 0
        ? step
        : {
            ...step,
            patches: step.patches.map((patch) => ({ ...patch, value: { ...patch.value, name: LONG } })),
          },
    );
    await keepChange(id, 0, { from: 0, steps, cursor: 300 });
    await packOldSteps(id);
    return id;
  }

  it("keeps every step, and tells it until what was stored is saved", async () => {
    const id = await outOfBounds();
    const { history, mended } = (await openDrawing(id))!;
    expect(mended).toEqual({ brought: ["tin"], lost: [] });
    expect([history.steps.length, history.cursor]).toEqual([330, 300]);
    expect(history.drawing.tin.c0.name).toBe(LONG.slice(0, 80));
    expect(toStep(history, 0)!.history.drawing).toEqual({ ...drawing(), name: "Radishes" });
    expect(toStep(history, 330)!.history.drawing.tin.c329.name).toBe("Colour 329");
    const again = (await openDrawing(id))!;
    expect(again.mended).toEqual({ brought: ["tin"], lost: [] });
    expect(again.history).toEqual(history);
    expect(await asideFile(id)).toContain(LONG);
    expect((await openDrawing(id))!.mended).toBeUndefined();
  });

  it("opens from the file of what was stored", async () => {
    const id = await outOfBounds();
    const { history } = (await openDrawing(id))!;
    const read = readAside((await asideFile(id))!)!;
    expect(read.history).toEqual(history);
    const copy = await addHistory(read, "");
    // A worker has added it, and the page takes it over.
    await takeAdded(copy.id, read.history.drawing, true);
    expect((await openDrawing(copy.id))!.history).toEqual(history);
    expect(readAside('{"format":"fern-pocket-drawing"}')).toBeUndefined();
  });
});

/** A whole row but its key, or one of its values. */
async function spoil(
  table: "drawings" | "pictures" | "bases" | "steps",
  id: string,
  value: unknown,
  which: number,
  whole: boolean,
): Promise<void> {
  const rows =
    table === "steps"
      ? database.steps.where("drawing").equals(id)
      : database.table(table).where("id").equals(id);
  const keys = table === "steps" ? ["drawing", "index"] : ["id"];
  await rows.modify((row: Record<string, unknown>) => {
    const names = Object.keys(row).filter((name) => !keys.includes(name) && name !== "deletedAt");
    for (const name of whole ? names : [names[which % names.length]]) row[name] = value;
  });
}
