/** The tools for lines on art from elsewhere: published icons, grouped and turned as people lay them out. */
import { expect, type Page } from "@playwright/test";
import { readSvg } from "../core/formats/svg-read.ts";
import { curveCount, pointAt } from "../core/geometry/cubic.ts";
import type { Point } from "../core/geometry/point.ts";
import {
  artColour,
  deskReady,
  hexOf,
  onScreen,
  openFile,
  save,
  stage,
  test,
  tool,
  typeNumber,
} from "./desk.ts";
import { GARDEN, GARDEN_PAGE, GARDEN_POCKETS } from "./garden.ts";

const PAGE = GARDEN_PAGE;
const POCKETS = GARDEN_POCKETS.length;

const click = async (page: Page, at: Point) => page.mouse.click(...(await onScreen(page, at, PAGE)));

async function drag(page: Page, points: readonly Point[]): Promise<void> {
  await page.mouse.move(...(await onScreen(page, points[0], PAGE)));
  await page.mouse.down();
  for (const point of points.slice(1))
    await page.mouse.move(...(await onScreen(page, point, PAGE)), { steps: 8 });
  await page.mouse.up();
}

/** A place between two points of a line, the nearest of such places. */
function placeNear([x, y]: Point): Point {
  const places = readSvg(GARDEN).strokes.map(({ points }) =>
    pointAt(points, Math.floor(curveCount(points) / 2) + 0.5),
  );
  return places.sort((a, b) => Math.hypot(a[0] - x, a[1] - y) - Math.hypot(b[0] - x, b[1] - y))[0];
}

test("draw, tidy, trim, bend, arrange and ink, all undone to the very same file", async ({ page }) => {
  test.slow();
  await openFile(page, "garden.svg", GARDEN);
  await deskReady(page);
  await expect(stage(page, "Flats")).toContainText(`0 of ${POCKETS} pockets`);
  const before = (await save(page, "SVG")).bytes.toString();
  await stage(page, "Lines").click();

  // A post across the rabbit, running on past it at both ends, then trimmed of what runs on.
  await tool(page, "Draw").click();
  await drag(page, [
    [17, 30],
    [17, 59],
  ]);
  await expect(page.getByRole("button", { name: "Undo: Draw line" })).toBeVisible();
  await expect(stage(page, "Flats")).not.toContainText(`of ${POCKETS} pockets`);
  const parted = Number(/of (\d+) pockets/.exec((await stage(page, "Flats").textContent())!)![1]);
  expect(parted).toBeGreaterThan(POCKETS);
  await tool(page, "Trim").click();
  // Tails are read once the hand rests.
  await expect(async () => {
    await click(page, [17, 31]);
    await expect(page.getByRole("button", { name: "Undo: Trim tail" })).toBeVisible({ timeout: 500 });
  }).toPass();
  await expect(stage(page, "Flats")).toContainText(`of ${parted} pockets`);

  await tool(page, "Tidy").click();
  await typeNumber(page.getByLabel("Tolerance"), "0.3");
  await page.getByRole("button", { name: "Tidy all lines" }).click();
  await expect(page.getByRole("button", { name: /^Undo: Tidy \d+ lines/ })).toBeVisible();

  await tool(page, "Bend").click();
  const grape = placeNear([45, 15]);
  await click(page, grape);
  await page.mouse.dblclick(...(await onScreen(page, grape, PAGE)));
  await expect(page.getByRole("button", { name: "Undo: Add point" })).toBeVisible();

  // A drag across the carrot gathers it; its mirror image lies where it lay.
  await tool(page, "Arrange").click();
  await drag(page, [
    [31, 46],
    [59, 44],
  ]);
  await page.getByRole("button", { name: "Mirror left to right" }).click();
  await expect(page.getByRole("button", { name: "Undo: Mirror" })).toBeVisible();
  await page.getByRole("button", { name: /^Radish/ }).click();
  await page.getByRole("button", { name: "Line colour" }).click();
  await page.getByRole("menuitem", { name: /^All lines in Radish/ }).click();
  const turtle = placeNear([15, 15]);
  await expect.poll(async () => hexOf(await artColour(page, turtle, PAGE))).toBe("#c23f5a");

  const undo = page.getByRole("button", { name: /^Undo: / });
  while ((await undo.count()) > 0) await page.keyboard.press("Control+z");
  await expect(stage(page, "Flats")).toContainText(`0 of ${POCKETS} pockets`);
  expect((await save(page, "SVG")).bytes.toString()).toBe(before);
});

test("colours on a hidden sheet come back with the file", async ({ page }) => {
  await openFile(page, "garden.svg", GARDEN);
  await deskReady(page);
  await stage(page, "Flats").click();
  const pocket = GARDEN_POCKETS[0];
  await click(page, pocket.seed);
  await expect(stage(page, "Flats")).toContainText(`1 of ${POCKETS} pockets`);
  await page.getByRole("button", { name: "Hide flats" }).click();
  await expect.poll(async () => (await artColour(page, pocket.seed, PAGE))[3]).toBe(0);
  const { bytes } = await save(page, "SVG");
  await openFile(page, "again.svg", bytes.toString());
  await page.getByRole("button", { name: "Put it on the desk" }).click();
  await deskReady(page);
  await expect(stage(page, "Flats")).toContainText(`1 of ${POCKETS} pockets`);
  expect((await artColour(page, pocket.seed, PAGE))[3]).toBe(0);
  await page.getByRole("button", { name: "Show flats" }).click();
  await expect.poll(async () => hexOf(await artColour(page, pocket.seed, PAGE))).toBe("#6f9a4a");
});

test("its groups are hidden and locked by the list, its lines reached by menu and by keys", async ({
  page,
}) => {
  await openFile(page, "garden.svg", GARDEN);
  await deskReady(page);
  await stage(page, "Lines").click();
  const isPainted = async (at: Point) => (await artColour(page, at, PAGE))[3] > 0;
  const grape = placeNear([45, 15]);
  await page.getByRole("button", { name: "Hide grape" }).click();
  await expect.poll(() => isPainted(grape)).toBe(false);
  await page.keyboard.press("Control+z");
  await expect.poll(() => isPainted(grape)).toBe(true);

  await page.getByRole("button", { name: "Lock rabbit" }).click();
  await tool(page, "Arrange").click();
  const onMenu = async (at: Point, name: RegExp) => {
    await page.mouse.click(...(await onScreen(page, at, PAGE)), { button: "right" });
    await page.getByRole("menuitem", { name }).click();
  };
  await onMenu(placeNear([15, 45]), /^Choose all of rabbit/);
  await page.keyboard.press("Delete");
  await expect(page.getByText(/is locked\. Unlock it in the list/).first()).toBeVisible();
  await onMenu(grape, /^Choose all of grape/);
  await page.keyboard.press("Delete");
  await expect.poll(() => isPainted(grape)).toBe(false);
  await page.keyboard.press("Control+z");
  await expect.poll(() => isPainted(grape)).toBe(true);

  await stage(page, "Flats").click();
  await page.locator("#paper").focus();
  await page.keyboard.press("j");
  await expect(page.locator("p[role=status]")).toContainText("Pocket");
  await page.keyboard.press("Enter");
  await page.keyboard.press("Enter");
  await expect(stage(page, "Flats")).toContainText(`1 of ${POCKETS} pockets`);
});
