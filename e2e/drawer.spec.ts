/** The whole drawer out and in, how full it is, and rows gone bad. */
import { readFileSync } from "node:fs";
import { expect } from "@playwright/test";
import { unzipSync } from "fflate";
import {
  clickPage,
  demoFile,
  deskReady,
  downloaded,
  isAccessible,
  isKept,
  openDemo,
  openDrawer,
  openFile,
  pocketsIn,
  stage,
  test,
} from "./desk.ts";

const KETTLE = "Kettle on the potting bench";
const kettle = pocketsIn(demoFile("kettle"));

test("the whole drawer is taken home as one file and put in again, steps and all", async ({ page }) => {
  test.slow();
  await openDemo(page, KETTLE);
  await clickPage(page, kettle[0].seed);
  await expect(stage(page, "Flats")).toContainText(`1 of ${kettle.length}`);
  await isKept(page);
  await openDrawer(page);
  await expect(page.getByText(/1 drawing, [\d.]+ MB of [\d.]+ (MB|GB) in this browser/)).toBeVisible();
  await isAccessible(page);
  const { name, bytes } = await downloaded(page, () =>
    page.getByRole("button", { name: "Take the whole drawer home" }).click(),
  );
  expect(name).toMatch(/^Fern-Pocket-drawer-\d{4}-\d\d-\d\d\.zip$/);
  expect(Object.keys(unzipSync(bytes))).toContain(`drawings/1 ${KETTLE}.fern`);
  await page
    .getByLabel("Choose a drawer that was taken home")
    .setInputFiles({ name, mimeType: "application/zip", buffer: bytes });
  await expect(page.getByText("1 drawing put into the drawer.").first()).toBeVisible();
  await expect(page.getByRole("link", { name: `Open ${KETTLE}` })).toHaveCount(2);
  await page
    .getByRole("link", { name: `Open ${KETTLE}` })
    .last()
    .click();
  await expect(stage(page, "Flats")).toContainText(`1 of ${kettle.length}`);
  await page.getByRole("button", { name: "Undo: Pour pocket" }).click();
  await expect(stage(page, "Flats")).toContainText(`0 of ${kettle.length}`);
  await openDrawer(page);
  await page
    .getByLabel("Choose a drawer that was taken home")
    .setInputFiles({ name: "no.zip", mimeType: "application/zip", buffer: Buffer.from("no") });
  await expect(page.getByText(/“no.zip” was not put in\. This archive is damaged/).first()).toBeVisible();
});

test("a drawing that a newer version has kept is left alone, and can be saved as it is stored", async ({
  page,
}) => {
  await openDemo(page, KETTLE);
  await isKept(page);
  await openDrawer(page);
  await page.evaluate(async () => {
    const open = indexedDB.open("fern-pocket");
    const base = await new Promise<IDBDatabase>((resolve) => {
      open.onsuccess = () => resolve(open.result);
    });
    const change = base.transaction("drawings", "readwrite");
    const drawings = change.objectStore("drawings");
    drawings.getAll().onsuccess = ({ target }) => {
      for (const row of (target as IDBRequest<object[]>).result) drawings.put({ ...row, version: 99 });
    };
    await new Promise((resolve) => {
      change.oncomplete = resolve;
    });
    base.close();
  });
  await page.getByRole("link", { name: `Open ${KETTLE}` }).click();
  await expect(page.getByRole("heading", { name: "Kept by a newer Fern Pocket" })).toBeVisible();
  await isAccessible(page);
  const saving = page.waitForEvent("download");
  await page.getByRole("button", { name: "Save what is stored" }).click();
  const saved = JSON.parse(readFileSync(await (await saving).path(), "utf8"));
  expect(saved.row.version).toBe(99);
});

test("a drawing whose rows went bad opens as far as it can be read; the rest is offered as a file", async ({
  page,
}) => {
  await openDemo(page, KETTLE);
  await clickPage(page, kettle[0].seed);
  await isKept(page);
  await openDemo(page, "Boot with ferns");
  await openDrawer(page);
  // Junk in every table.
  await page.evaluate(async () => {
    const open = indexedDB.open("fern-pocket");
    const base = await new Promise<IDBDatabase>((resolve) => {
      open.onsuccess = () => resolve(open.result);
    });
    const change = base.transaction(["drawings", "steps"], "readwrite");
    const drawings = change.objectStore("drawings");
    const all = await new Promise<{ id: string; name: string }[]>((resolve) => {
      const asked = drawings.getAll();
      asked.onsuccess = () => resolve(asked.result);
    });
    const kettle = all.find(({ name }) => name.startsWith("Kettle"))!;
    change.objectStore("steps").put({ drawing: kettle.id, index: 0, step: { patches: "junk" } });
    drawings.put({ id: "junk", name: 7, changedAt: "never" });
    await new Promise((resolve) => {
      change.oncomplete = resolve;
    });
    base.close();
  });
  await openDrawer(page);
  await expect(page.getByRole("link", { name: "Open Untitled" })).toBeVisible();
  await page.getByRole("link", { name: `Open ${KETTLE}` }).click();
  await expect(stage(page, "Flats")).toContainText(`0 of ${kettle.length}`);
  const told = page
    .getByText(/had gone bad in the browser’s storage.*could not be read: its latest steps/)
    .first();
  await expect(told).toBeVisible();
  // Told again until what was stored is saved.
  await page.reload();
  await expect(told).toBeVisible();
  const aside = await downloaded(page, () => page.getByRole("button", { name: "Save it as a file" }).click());
  expect(aside.bytes.toString()).toContain("junk");
  await clickPage(page, kettle[1].seed);
  await expect(stage(page, "Flats")).toContainText(`1 of ${kettle.length}`);
  await isKept(page);
  await page.reload();
  await expect(stage(page, "Flats")).toContainText(`1 of ${kettle.length}`);
  // The saved file opens, too.
  await openFile(page, "as it was stored.json", aside.bytes);
  await deskReady(page);
  await expect(page.getByText(/could not be read: its latest steps/).first()).toBeVisible();
  await openDrawer(page);
  await page.getByRole("link", { name: "Open Untitled" }).click();
  await expect(stage(page, "Flats")).toContainText("pockets");
});
