/** Lines by their list, by the menu at the pointer, and by a pointer that keys move. */
import { expect, type Page } from "@playwright/test";
import type { Point } from "../core/geometry/point.ts";
import { artColour, deskReady, isAccessible, onScreen, openFile, said, save, stage, test } from "./desk.ts";

/** A pot with a stem in a group of its own, a lid that stands off it, and a wall between its halves. */
const POT = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 1000 1000"><g fill="none" stroke="#000" stroke-width="12">
<path id="pot" d="M200 400H800V900H200Z"/><path id="wall" d="M500 400V900"/>
<g id="lid"><path id="brim" d="M180 380H480M520 380H820"/><path id="knob" d="M460 300H540V350H460Z"/></g></g></svg>`;

/** A box with a gap of 40 in its floor. */
const AJAR = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 1000 1000"><path fill="none" stroke="#000" stroke-width="12" d="M480 800H200V200H800V800H520"/></svg>`;

const open = async (page: Page) => {
  await openFile(page, "pot.svg", POT);
  await deskReady(page);
  await stage(page, "Lines").click();
};
const list = (page: Page) => page.getByRole("list", { name: /^Lines, front to back/ });
const row = (page: Page, name: string) => list(page).getByRole("button", { name, exact: true });
/** Whether anything is painted at a place. */
const isPainted = async (page: Page, at: Point) => (await artColour(page, at))[3] > 0;
const rightClick = async (page: Page, at: Point) =>
  page.mouse.click(...(await onScreen(page, at)), { button: "right" });
const item = (page: Page, name: string | RegExp) => page.getByRole("menuitem", { name });

test("a line is named, hidden and locked in the list, and comes back so from SVG", async ({ page }) => {
  await open(page);
  await row(page, "wall").dblclick();
  await page.getByLabel("Name of the line").fill("Inner wall");
  await page.keyboard.press("Enter");
  await expect(row(page, "Inner wall")).toBeVisible();
  await expect.poll(() => isPainted(page, [500, 700])).toBe(true);
  await page.getByRole("button", { name: "Hide Inner wall" }).click();
  await expect.poll(() => isPainted(page, [500, 700])).toBe(false);
  await expect(stage(page, "Flats")).toContainText("of 3 pockets");
  await page.getByRole("button", { name: "Lock pot" }).click();
  await row(page, "pot").click();
  await page.keyboard.press("Backspace");
  await expect(
    page.getByText("The line pot is locked. Unlock it in the list of lines to change it.").first(),
  ).toBeVisible();
  const { bytes } = await save(page, "SVG");
  await openFile(page, "again.svg", bytes.toString());
  await deskReady(page);
  await stage(page, "Lines").click();
  await expect(page.getByRole("button", { name: "Show Inner wall" })).toBeVisible();
  await expect(page.getByRole("button", { name: "Unlock pot" })).toBeVisible();
  await expect(stage(page, "Flats")).toContainText("of 3 pockets");
});

test("a group is chosen, folded up and hidden as one, by pointer and by keys", async ({ page }) => {
  await open(page);
  await page.getByRole("button", { name: /^lid/ }).click();
  await expect(said(page)).toContainText("3 lines chosen");
  await page.getByRole("button", { name: "Hide lid" }).click();
  await expect.poll(() => isPainted(page, [500, 300])).toBe(false);
  await page.keyboard.press("Control+z");
  await expect.poll(() => isPainted(page, [500, 300])).toBe(true);
  await page.getByRole("button", { name: /^lid/ }).focus();
  await page.keyboard.press("ArrowLeft");
  await expect(row(page, "knob")).toHaveCount(0);
  await page.keyboard.press("ArrowDown");
  await expect(row(page, "wall")).toBeFocused();
  await page.keyboard.press("F2");
  await page.keyboard.type("Rib");
  await page.keyboard.press("Enter");
  await expect(row(page, "Rib")).toBeVisible();
  await isAccessible(page);
});

test("the menu at the pointer is for what lies there, on every stage that has one", async ({ page }) => {
  await open(page);
  await rightClick(page, [300, 400]);
  await item(page, "Hide").click();
  await expect.poll(() => isPainted(page, [300, 400])).toBe(false);
  await page.keyboard.press("Control+z");
  await rightClick(page, [500, 300]);
  await item(page, "Choose all of lid").click();
  await expect(said(page)).toContainText("3 lines chosen");
  await page.locator("#paper").press("Shift+F10");
  await expect(item(page, /^Remove/)).toBeVisible();
  await isAccessible(page, "[role=menu]");
  await page.keyboard.press("Escape");
  await stage(page, "Flats").click();
  await rightClick(page, [300, 700]);
  await item(page, /^Pour /).click();
  await expect.poll(() => isPainted(page, [300, 700])).toBe(true);
  await rightClick(page, [300, 700]);
  await item(page, /^Empty/).click();
  await expect.poll(() => isPainted(page, [300, 700])).toBe(false);
});

test("the chosen lines are copied and pasted from the menu", async ({ page, context }) => {
  await context.grantPermissions(["clipboard-read", "clipboard-write"]);
  await open(page);
  await rightClick(page, [500, 300]);
  await item(page, /^Copy Ctrl C/).click();
  await expect(said(page)).toContainText("copied");
  await rightClick(page, [950, 100]);
  await item(page, /^Paste/).click();
  await expect(stage(page, "Lines")).toContainText("6 strokes");
  // Bare path data, as people copy it out of files.
  await page.evaluate(() => navigator.clipboard.writeText("M0 0 L80 40 l-20,10"));
  await rightClick(page, [950, 100]);
  await item(page, /^Paste/).click();
  await expect(stage(page, "Lines")).toContainText("7 strokes");
});

test("everything a tool does with a pointer it does with the one that keys move", async ({ page }) => {
  await openFile(page, "ajar.svg", AJAR);
  await deskReady(page);
  await stage(page, "Gaps").click();
  await page.keyboard.press("w");
  await page.locator("#paper").focus();
  await page.keyboard.press("k");
  await expect(said(page)).toContainText("Pointer at");
  await page.keyboard.press("j");
  await expect(said(page)).toContainText("Place 1 of");
  await page.keyboard.press("Enter");
  await expect(said(page)).toContainText("Bridge pressed");
  await page.keyboard.press("j");
  await page.keyboard.press("Enter");
  await expect(page.getByText("Show bridges (1)")).toBeVisible();
  await stage(page, "Flats").click();
  await page.locator("#paper").focus();
  await page.keyboard.press("j");
  await expect(said(page)).toContainText("Pocket");
  await page.keyboard.press("Enter");
  await page.keyboard.press("Enter");
  await expect(stage(page, "Flats")).toContainText("1 of ");
  await page.keyboard.press("Escape");
  await expect(said(page)).toContainText("Pointer put away");
});
