import Dexie from "dexie";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { addColour, changeColour } from "#core/drawing/colour-edits.ts";
import { applyEdit, type History, redo, undo } from "#core/drawing/history.ts";
import { defaultPage, newDrawing } from "#core/drawing/new-drawing.ts";
import { database } from "./database.ts";
import { Keeper, type KeepState } from "./keeper.ts";
import {
  addDrawing,
  clearDeleted,
  deleteDrawing,
  duplicateDrawing,
  keepChange,
  keepFirstThumbnail,
  listDrawings,
  type Opened,
  openDrawing,
  renameDrawing,
  restoreDrawing,
} from "./shelf.ts";

const drawing = () =>
  newDrawing("Radishes", defaultPage({ x: 0, y: 0, width: 10, height: 10 }), [
    { id: "s1", rank: 1, points: [0, 0, 1, 1, 2, 2, 3, 3], closed: false, width: 1 },
  ]);
/** Until nothing is being kept any more. */
async function settle(states: readonly KeepState[]): Promise<void> {
  const pause = () => new Promise((resolve) => setTimeout(resolve, 60));
  await pause();
  for (let k = 0; k < 100 && states.at(-1) === "keeping"; k++) await pause();
}

beforeEach(async () => {
  await database.delete();
  await database.open();
});
afterEach(() => {
  vi.restoreAllMocks();
});

/** A keeper with what it has said, and what it has had shown. */
function keeperOn(id: string, opened: Opened) {
  const states: KeepState[] = [];
  const shown: History[] = [];
  const keeper = new Keeper(id, opened, {
    onState: (state) => states.push(state),
    onHistory: (history) => shown.push(history),
  });
  return { keeper, states, shown };
}

async function openWithKeeper() {
  const { id } = await addDrawing(drawing());
  const opened = (await openDrawing(id))!;
  return { id, opened, ...keeperOn(id, opened) };
}

const steps = (history: History, count: number) =>
  Array.from({ length: count }).reduce<History>(
    (now, _, i) => applyEdit(now, addColour(`c${i}`, `Colour ${i}`, "#123456"))!.history,
    history,
  );

describe("the shelf", () => {
  it("gives back a drawing with its whole history, undone steps included", async () => {
    const { id, opened, keeper, states } = await openWithKeeper();
    const three = steps(opened.history, 3);
    keeper.keep(steps(opened.history, 1));
    keeper.keep(three);
    keeper.keep(undo(three)!.history);
    await settle(states);
    expect(states.at(-1)).toBe("kept");
    const again = (await openDrawing(id))!.history;
    expect(Object.keys(again.drawing.tin)).toContain("c1");
    expect(Object.keys(again.drawing.tin)).not.toContain("c2");
    expect(Object.keys(redo(again)!.history.drawing.tin)).toContain("c2");
  });

  it("keeps a merged step as the one it became", async () => {
    const { id, opened, keeper, states } = await openWithKeeper();
    let history = opened.history;
    for (const value of ["#000000", "#111111", "#222222"]) {
      history = applyEdit(history, changeColour("frond", value, "Frond"))!.history;
      keeper.keep(history);
    }
    await settle(states);
    const again = (await openDrawing(id))!.history;
    expect(again.steps).toHaveLength(1);
    expect(again.drawing.tin.frond.value).toBe("#222222");
  });

  it("lays what was changed here on what another tab has kept meanwhile", async () => {
    const { id, opened, keeper, states, shown } = await openWithKeeper();
    await keepChange(id, 0, { from: 0, steps: steps(opened.history, 1).steps, cursor: 1 });
    keeper.keep(applyEdit(opened.history, changeColour("frond", "#010203", "Frond"))!.history);
    await settle(states);
    expect(states.at(-1)).toBe("kept");
    const { history } = (await openDrawing(id))!;
    expect([history.drawing.tin.frond.value, Object.keys(history.drawing.tin)]).toEqual([
      "#010203",
      expect.arrayContaining(["c0"]),
    ]);
    expect(history.steps.map(({ label }) => label)).toEqual([expect.any(String), "Change Frond"]);
    expect(shown.at(-1)!.drawing).toEqual(history.drawing);
    // Each can be undone by itself.
    const back = undo(history)!.history.drawing;
    expect([back.tin.frond.value, "c0" in back.tin]).toEqual(["#6f9a4a", true]);
  });

  it("loses nothing where two tabs change one drawing again and again", async () => {
    const { id } = await addDrawing(drawing());
    const tabs = await Promise.all(
      ["one", "two"].map(async (name) => {
        const opened = (await openDrawing(id))!;
        return { name, now: opened.history, ...keeperOn(id, opened) };
      }),
    );
    for (let k = 0; k < 6; k++) {
      for (const tab of tabs) {
        tab.now = tab.shown.pop() ?? tab.now;
        tab.now = applyEdit(tab.now, addColour(`${tab.name}-${k}`, `${tab.name} ${k}`, "#123456"))!.history;
        tab.keeper.keep(tab.now);
      }
      for (const { keeper } of tabs) await keeper.settled();
    }
    const { tin } = (await openDrawing(id))!.history.drawing;
    const wanted = [0, 1, 2, 3, 4, 5].flatMap((k) => [`one-${k}`, `two-${k}`]);
    expect(wanted.filter((name) => !(name in tin))).toEqual([]);
  });

  it("says when storage is full, and catches up when there is room again", async () => {
    const { id, opened, keeper, states } = await openWithKeeper();
    const full = vi.spyOn(database.steps, "bulkPut").mockImplementation(() => {
      throw Object.assign(new Error("full"), { name: "QuotaExceededError" });
    });
    keeper.keep(steps(opened.history, 1));
    await settle(states);
    expect(states.at(-1)).toBe("full");
    full.mockRestore();
    keeper.keep(steps(opened.history, 2));
    await settle(states);
    expect(states.at(-1)).toBe("kept");
    expect((await openDrawing(id))!.history.steps).toHaveLength(2);
  });

  it("works in memory where the browser keeps nothing", async () => {
    vi.spyOn(database.drawings, "add").mockRejectedValue(new Error("denied"));
    const { id, kept } = await addDrawing(drawing());
    expect(kept).toBe("memory");
    const opened = (await openDrawing(id))!;
    expect(opened.history.drawing.name).toBe("Radishes");
    const keeper = keeperOn(id, opened).keeper;
    keeper.keep(steps(opened.history, 3));
    const again = (await openDrawing(id))!.history;
    expect(again.steps).toHaveLength(3);
    expect(Object.keys(again.drawing.tin)).toContain("c2");
    expect(undo(again)!.history.cursor).toBe(2);
    await deleteDrawing(id);
    expect(await openDrawing(id)).toBeUndefined();
    await restoreDrawing(id);
    expect((await openDrawing(id))!.history).toEqual(again);
    await deleteDrawing(id);
  });

  it("brings drawings kept by the first version up to this one", async () => {
    const { id } = await addDrawing(drawing());
    const row = (await database.drawings.get(id))!;
    await database.delete();
    const first = new Dexie("fern-pocket");
    first.version(1).stores({ drawings: "id, changedAt", steps: "[drawing+index], drawing" });
    const { nibs: _, flatShapes: __, ...base } = drawing();
    await first.table("drawings").add({ ...row, base: { ...base, ink: "#102030" } });
    first.close();
    await database.open();
    const { drawing: now } = (await openDrawing(id))!.history;
    expect(now.tin[now.ink.colour].value).toBe("#102030");
    expect(now.flatShapes).toEqual({});
  });

  it("keeps the first picture of a drawing only while it has none", async () => {
    const { id } = await addDrawing(drawing(), "");
    await keepFirstThumbnail(id, "plain");
    await keepFirstThumbnail(id, "plainer");
    expect((await database.pictures.get(id))!.thumbnail).toBe("plain");
  });

  it("renames, duplicates with history, deletes and puts back", async () => {
    const { id, opened, keeper, states } = await openWithKeeper();
    keeper.keep(steps(opened.history, 2));
    await settle(states);
    await renameDrawing(id, "Long radishes");
    await duplicateDrawing(id);
    const { rows } = await listDrawings();
    expect(rows.map(({ name }) => name).sort()).toEqual(["Long radishes", "Long radishes copy"]);
    expect(rows[0].thumbnail).toContain("<svg");
    expect(rows[1].thumbnail).toBe(rows[0].thumbnail);
    await deleteDrawing(id);
    expect(await openDrawing(id)).toBeUndefined();
    await restoreDrawing(id);
    expect((await openDrawing(id))!.history.steps).toHaveLength(2);
    await deleteDrawing(id);
    await clearDeleted(Date.now() + 2 * 24 * 3600 * 1000);
    expect(await database.steps.where("drawing").equals(id).count()).toBe(0);
    expect(await database.bases.get(id)).toBeUndefined();
    expect(await database.pictures.get(id)).toBeUndefined();
  });
});
