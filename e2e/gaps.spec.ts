/** Gaps and lines that move, with real pointer events. */
import { expect, type Page } from "@playwright/test";
import type { Point } from "../core/geometry/point.ts";
import {
  artColour,
  deskReady,
  dragPage,
  hexOf,
  onScreen,
  openFile,
  said,
  stage,
  test,
  typeNumber,
} from "./desk.ts";

/** A room with a door left ajar (a gap of 20), a window with a gap of 8, and a line that stops short of the wall. */
const ROOM = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 1000 1000"><g fill="none" stroke="#000" stroke-width="4">
<path d="M500 860L100 860L100 140L900 140L900 860L520 860"/>
<path d="M300 300L400 300L400 400L300 400L300 308"/>
<path d="M700 140L700 850"/>
<circle cx="560" cy="500" r="60"/></g></svg>`;

const openRoom = async (page: Page) => {
  await openFile(page, "room.svg", ROOM);
  await deskReady(page);
};
const clickAt = async (page: Page, at: Point) => page.mouse.click(...(await onScreen(page, at)));
const colourAt = async (page: Page, at: Point) => hexOf(await artColour(page, at));

test("reach lights up what it closes, closes it when let go, and is undone", async ({ page }) => {
  await openRoom(page);
  await stage(page, "Gaps").click();
  await expect(stage(page, "Gaps")).toContainText("3 openings");
  await expect(stage(page, "Flats")).toContainText("of 1 pockets");
  const slider = page.getByRole("slider", { name: "Reach" });
  const box = (await slider.boundingBox())!;
  await page.mouse.move(box.x + 7, box.y + 7);
  await page.mouse.down();
  await page.mouse.move(box.x + 120, box.y + 7, { steps: 10 });
  await expect(page.getByTestId("reach-count")).toContainText("3 closed, 3 new");
  await expect(stage(page, "Flats")).toContainText("of 1 pockets");
  await page.mouse.up();
  await expect(stage(page, "Flats")).toContainText("of 4 pockets");
  await expect(stage(page, "Gaps")).toContainText("0 openings");
  await page.getByRole("button", { name: "Bridge these 3 for good" }).click();
  await expect(page.getByText("Show bridges (3)")).toBeVisible();
  await page.keyboard.press("Control+z");
  await page.keyboard.press("Control+z");
  await expect(stage(page, "Flats")).toContainText("of 1 pockets");
  // The figure beside it is typed.
  const figure = page.getByRole("spinbutton", { name: /^Reach in/ });
  await expect(figure).toHaveValue("0");
  await typeNumber(figure, "9");
  await expect(stage(page, "Flats")).toContainText("of 4 pockets");
  await expect(figure).toHaveValue(/^[1-9]/);
});

test("openings are accepted, left open and reconsidered one by one", async ({ page }) => {
  await openRoom(page);
  await stage(page, "Gaps").click();
  await page.getByRole("button", { name: /^Opening 1 / }).click();
  await page.getByRole("button", { name: "Bridge it" }).click();
  await expect(stage(page, "Gaps")).toContainText("2 openings");
  await page.locator("#paper").focus();
  await page.keyboard.press("n");
  await expect(said(page)).toContainText("Opening 1 of 2");
  await page.keyboard.press("Delete");
  await expect(page.getByText("left open", { exact: true })).toBeVisible();
  await expect(stage(page, "Gaps")).toContainText("1 opening");
  await page.getByRole("button", { name: "Reconsider 1 left open" }).click();
  await expect(stage(page, "Gaps")).toContainText("2 openings");
});

test("a loose end is pulled onto the line it should meet by a click, or dragged there", async ({ page }) => {
  await openRoom(page);
  await stage(page, "Gaps").click();
  await page.getByRole("radio", { name: "Pull" }).click();
  await clickAt(page, [300, 308]);
  await expect(stage(page, "Flats")).toContainText("of 2 pockets");
  await dragPage(page, [
    [520, 860],
    [510, 858],
    [502, 860],
  ]);
  await expect(stage(page, "Flats")).toContainText("of 3 pockets");
  await dragPage(page, [
    [700, 850],
    [704, 852],
    [704, 862],
  ]);
  await expect(stage(page, "Flats")).toContainText("of 4 pockets");
});

test("a dragged line keeps its pockets coloured all the while", async ({ page }) => {
  await openRoom(page);
  await page.getByRole("button", { name: /^Marigold/ }).click();
  await clickAt(page, [560, 500]);
  await expect.poll(() => colourAt(page, [560, 500])).toBe("#e6a93a");
  await stage(page, "Lines").click();
  await page.getByRole("radio", { name: "Arrange" }).click();
  await page.mouse.move(...(await onScreen(page, [620, 500])));
  await page.mouse.down();
  for (const x of [640, 700, 780, 860]) {
    await page.mouse.move(...(await onScreen(page, [x, 520])), { steps: 6 });
    await expect.poll(() => colourAt(page, [x - 95, 520])).toBe("#e6a93a");
  }
  await page.mouse.up();
  await expect(page.getByRole("button", { name: "Undo: Move line" })).toBeVisible();
  await page.keyboard.press("Control+z");
  await expect.poll(() => colourAt(page, [560, 500])).toBe("#e6a93a");
  await expect.poll(() => colourAt(page, [790, 520])).not.toBe("#e6a93a");
});

test("specks take their neighbour's colour in one step", async ({ page }) => {
  const speck = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 1000 1000"><g fill="none" stroke="#000" stroke-width="0.1">
<rect x="100" y="100" width="600" height="600"/><path d="M100 102.5L102 102.5L102 100"/></g></svg>`;
  await openFile(page, "speck.svg", speck);
  await deskReady(page);
  await clickAt(page, [400, 400]);
  await page.getByRole("button", { name: "Fill the specks" }).click();
  await expect(stage(page, "Flats")).toContainText("2 of 2 pockets");
});

test("ink shapes bound pockets, and colour shows no fringe beside them", async ({ page }) => {
  const frame = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 1000 1000"><path fill="#111" fill-rule="evenodd" d="M200 200H800V800H200ZM230 230H770V770H230Z"/></svg>`;
  await openFile(page, "frame.svg", frame);
  await deskReady(page);
  await expect(stage(page, "Lines")).toContainText("1 line");
  await page.getByRole("button", { name: /^Marigold/ }).click();
  await clickAt(page, [500, 500]);
  await expect.poll(() => colourAt(page, [500, 500])).toBe("#e6a93a");
  const lightest = await page.evaluate(async () => {
    const canvas = document.querySelector<HTMLCanvasElement>('canvas[data-layer="art"]')!;
    const probe = new OffscreenCanvas(canvas.width, canvas.height).getContext("2d")!;
    probe.drawImage(canvas, 0, 0);
    const y = Math.round(canvas.height / 2);
    const row = probe.getImageData(0, y, canvas.width, 1).data;
    let first = 0;
    while (row[4 * first + 3] < 255) first++;
    let last = canvas.width - 1;
    while (row[4 * last + 3] < 255) last--;
    let least = 255;
    for (let x = first; x <= last; x++) least = Math.min(least, row[4 * x + 3]);
    return least;
  });
  expect(lightest).toBe(255);
});
