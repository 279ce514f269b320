import "fake-indexeddb/auto";
import { unzipSync, zipSync } from "fflate";
import { beforeEach, expect, it } from "vitest";
import { addColour } from "#core/drawing/colour-edits.ts";
import { applyEdit, undo } from "#core/drawing/history.ts";
import { defaultPage, newDrawing } from "#core/drawing/new-drawing.ts";
import { VERSION } from "#core/drawing/upgrade.ts";
import { drawingFileText, readDrawingFile } from "#core/formats/drawing-file.ts";
import { drawerArchive, takeArchive } from "./archive.ts";
import { database } from "./database.ts";
import { addDrawing, keepChange, listDrawings, openDrawing } from "./shelf.ts";
import { drawingOf, keepVersion, versionsOf } from "./versions.ts";

beforeEach(async () => {
  await database.delete();
  await database.open();
});

async function filled(): Promise<string[]> {
  const ids: string[] = [];
  for (const name of ["Radishes", "Käfer / 1"]) {
    const drawing = newDrawing(name, defaultPage({ x: 0, y: 0, width: 10, height: 10 }), [
      { id: "s1", rank: 1, points: [0, 0, 3, 0, 6, 0, 9, 9], closed: false, width: 1 },
    ]);
    const { id } = await addDrawing(drawing);
    let { history } = (await openDrawing(id))!;
    for (const colour of ["one", "two"])
      history = applyEdit(history, addColour(colour, colour, "#123456"))!.history;
    history = undo(history)!.history;
    await keepChange(id, 0, { from: 0, steps: history.steps, cursor: 1 });
    await keepVersion(id, history.drawing, { name: "Half way", picture: null });
    ids.push(id);
  }
  return ids;
}

const archive = async () => new Uint8Array(await (await drawerArchive(() => {})).zip.arrayBuffer());

it("takes every drawing out and puts it in beside those there, with steps and versions", async () => {
  const ids = await filled();
  const bytes = await archive();
  expect(await takeArchive(bytes, () => {})).toEqual({ drawings: 2, bare: [], mended: [], lost: [] });
  const { rows } = await listDrawings();
  expect(rows.map(({ name }) => name).sort()).toEqual(["Käfer / 1", "Käfer / 1", "Radishes", "Radishes"]);
  const [copy] = rows.filter(({ id, name }) => name === "Radishes" && !ids.includes(id));
  const [own, other] = [await openDrawing(ids[0]), await openDrawing(copy.id)];
  expect(other!.history).toEqual(own!.history);
  const [version] = await versionsOf(copy.id);
  expect([version.name, drawingOf(version)]).toEqual(["Half way", own!.history.drawing]);
});

it("says which drawings it leaves out: those that a later version has kept", async () => {
  const [id] = await filled();
  await database.drawings.update(id, { version: VERSION + 1 });
  const { zip, left } = await drawerArchive(() => {});
  expect(left).toEqual([(await database.drawings.get(id))!.name]);
  const bytes = new Uint8Array(await zip.arrayBuffer());
  expect((await takeArchive(bytes, () => {})).drawings).toBe(1);
});

it("holds drawing files that open by themselves", async () => {
  await filled();
  const files = unzipSync(await archive());
  const names = Object.keys(files).filter((name) => name.endsWith(".fern"));
  expect(names.map((name) => name.replace(/^drawings\/\d /, "")).sort()).toEqual([
    "Käfer  1.fern",
    "Radishes.fern",
  ]);
  for (const name of names)
    expect(Object.keys(readDrawingFile(drawingFileText(files[name])).tin)).toContain("one");
});

it("goes on where a list of versions is bad", async () => {
  await filled();
  const files = unzipSync(await archive());
  const past = JSON.parse(new TextDecoder().decode(files["history/1.json"]));
  const [good] = past.versions;
  for (const [versions, left] of [
    [7, 0],
    [null, 0],
    [[good, { name: "Broken", file: "*" }, null], 1],
  ] as const) {
    const bad = new TextEncoder().encode(JSON.stringify({ ...past, versions }));
    const before = new Set((await listDrawings()).rows.map(({ id }) => id));
    const taken = await takeArchive(zipSync({ ...files, "history/1.json": bad }), () => {});
    expect([taken.drawings, taken.bare, taken.mended.length, taken.lost]).toEqual([2, [], 1, []]);
    const come = (await listDrawings()).rows.filter(({ id }) => !before.has(id));
    const counts = await Promise.all(come.map(async ({ id }) => (await versionsOf(id)).length));
    expect(counts.sort()).toEqual([left, 1].sort());
    for (const { id } of come) expect((await openDrawing(id))!.history.steps.length).toBe(2);
  }
});

it("brings in what can be read of a damaged one, and tells the rest", async () => {
  await filled();
  const files = unzipSync(await archive());
  const junk = new TextEncoder().encode("junk");
  const spoiled = zipSync({ ...files, "history/1.json": junk });
  const before = (await listDrawings()).rows.length;
  const taken = await takeArchive(spoiled, () => {});
  expect([taken.drawings, taken.bare.length, taken.lost]).toEqual([2, 1, []]);
  const fern = Object.keys(files).find((name) => name.startsWith("drawings/1"))!;
  const worse = await takeArchive(zipSync({ ...files, "history/1.json": junk, [fern]: junk }), () => {});
  expect([worse.drawings, worse.lost.length]).toEqual([1, 1]);
  expect((await listDrawings()).rows.length).toBe(before + 3);
  await expect(takeArchive(junk, () => {})).rejects.toThrow("damaged");
  await expect(takeArchive(zipSync({ "a.txt": junk }), () => {})).rejects.toThrow("not a Fern Pocket drawer");
});
