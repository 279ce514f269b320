/** Patterns and bands over poured colour, on art from elsewhere. */
import { expect, type Page } from "@playwright/test";
import { encode } from "fast-png";
import { stepOf } from "../core/colour/ladder.ts";
import { readSvg } from "../core/formats/svg-read.ts";
import { pointAt } from "../core/geometry/cubic.ts";
import { nearestPlace } from "../core/geometry/nearest.ts";
import { distance, type Point } from "../core/geometry/point.ts";
import { pointAtShare } from "../core/lines/stretch.ts";
import {
  deskReady,
  isAccessible,
  openFile,
  pick,
  said,
  save,
  stage,
  test,
  tool,
  typeNumber,
} from "./desk.ts";
import { click, colourAt, FROND, GARDEN, GARDEN_PAGE, GARDEN_POCKETS, spot } from "./garden.ts";

const [a, b] = GARDEN_POCKETS;
const RADISH = "#c23f5a";

const tin = (page: Page) => page.getByRole("region", { name: "Tin" });

/** The line that bands follow when they are laid at the pocket's inner point. */
const followed = (() => {
  const far = ({ points }: { readonly points: readonly number[] }) =>
    distance(pointAt(points, nearestPlace(points, a.seed)), a.seed);
  return readSvg(GARDEN)
    .strokes.filter(({ id }) => a.lines.includes(id))
    .sort((p, q) => far(p) - far(q))[0];
})();

/** Dark dots on white, one across the corners where the picture repeats. */
const CLOVER = (() => {
  const side = 60;
  const data = new Uint8Array(3 * side * side).fill(255);
  for (let y = 0; y < side; y++)
    for (let x = 0; x < side; x++) {
      const far = (ox: number, oy: number) => Math.hypot(x - ox, y - oy);
      if (Math.min(far(0, 0), far(side, 0), far(0, side), far(side, side), far(30, 30)) < 16)
        data.fill(20, 3 * (y * side + x), 3 * (y * side + x) + 3);
    }
  return Buffer.from(encode({ width: side, height: side, data, channels: 3 }));
})();

/** The colours at many places of a pocket. */
async function coloursIn(page: Page, { box, seed }: typeof a): Promise<Set<string>> {
  const found = new Set<string>();
  for (let k = -8; k <= 8; k++) found.add(await colourAt(page, [seed[0], seed[1] + (k * box.height) / 60]));
  return found;
}

async function open(page: Page): Promise<void> {
  await openFile(page, "garden.svg", GARDEN);
  await deskReady(page);
  await stage(page, "Flats").click();
  await click(page, a.seed);
  await click(page, b.seed);
  await tin(page)
    .getByRole("button", { name: /^Radish/ })
    .click();
  await tool(page, "Pattern").click();
}

test("one cloth lies over two pockets, is moved and turned by hand, and comes back from SVG", async ({
  page,
}) => {
  await open(page);
  await typeNumber(page.getByRole("spinbutton", { name: /^Size/ }), "1.2");
  await click(page, a.seed);
  await click(page, b.seed);
  for (const pocket of [a, b])
    await expect
      .poll(async () => [...(await coloursIn(page, pocket))])
      .toEqual(expect.arrayContaining([FROND, RADISH]));
  const [x, y] = await spot(page, a.seed);
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x, y + 4, { steps: 4 });
  await page.mouse.up();
  await expect(page.getByRole("button", { name: "Undo: Change pattern" })).toBeVisible();
  await typeNumber(page.getByLabel("Turn"), "90");
  await expect(page.getByRole("button", { name: "Undo: Change pattern" })).toBeVisible();
  await isAccessible(page, "[aria-label=Tray]");
  const { bytes } = await save(page, "SVG");
  await openFile(page, "again.svg", bytes.toString());
  await page.getByRole("button", { name: "Put it on the desk" }).click();
  await deskReady(page);
  const again = await save(page, "SVG");
  const figures = (svg: Buffer) => svg.toString().match(/data-is="over"[^>]*| data-pattern="[^"]*"/g);
  expect(figures(again.bytes)).toEqual(figures(bytes));
  expect(figures(bytes)).toHaveLength(4);
});

test("a pattern is turned and scaled by its handle on the drawing", async ({ page }) => {
  await open(page);
  await typeNumber(page.getByRole("spinbutton", { name: /^Size/ }), "1.2");
  await click(page, a.seed);
  await expect(page.getByRole("button", { name: "Undo: Lay pattern" })).toBeVisible();
  // Half a page unit a millimetre; the handle stands four figures off.
  const [x, y] = a.seed;
  await page.mouse.move(...(await spot(page, [x + 2.4, y])));
  await page.mouse.down();
  await page.mouse.move(...(await spot(page, [x, y + 4.8])), { steps: 6 });
  await page.mouse.up();
  await expect(page.getByRole("button", { name: "Undo: Change pattern" })).toBeVisible();
  expect(Math.abs(Number(await page.getByLabel("Turn").inputValue()) - 90)).toBeLessThan(3);
  expect(
    Math.abs(Number(await page.getByRole("spinbutton", { name: /^Size/ }).inputValue()) - 2.4),
  ).toBeLessThan(0.1);
});

test("bands follow a line of the pocket inward, each in a colour of its own", async ({ page }) => {
  await open(page);
  await pick(page, "Pattern", "Bands");
  await typeNumber(page.getByLabel("Width"), "0.8");
  await click(page, a.seed);
  await expect(page.getByRole("button", { name: "Undo: Lay bands" })).toBeVisible();
  await tin(page)
    .getByRole("button", { name: /^Marigold/ })
    .click();
  await page.getByRole("button", { name: /^Band 1: Radish/ }).click();
  await expect(page.getByRole("button", { name: /^Band 1: Marigold/ })).toBeVisible();
  const end = await spot(page, pointAtShare(followed, 1));
  await page.mouse.move(...end);
  await page.mouse.down();
  await page.mouse.move(...(await spot(page, pointAtShare(followed, 0.5))), { steps: 4 });
  await page.mouse.up();
  await page.getByRole("button", { name: "Take the chosen pattern away" }).click();
  await expect.poll(async () => [...(await coloursIn(page, a))]).toEqual([FROND]);
  await page.keyboard.press("Control+z");
  await expect(page.getByRole("button", { name: "Redo: Take bands away" })).toBeVisible();
  const { bytes } = await save(page, "SVG");
  const [, to] = /data-bands="[^"]*along[^"]*to&quot;:([\d.]+)/.exec(bytes.toString())!;
  expect(Number(to)).toBeCloseTo(0.5, 1);
});

test("a picture repeats in steps of a tin colour, follows the tin, and comes back from SVG", async ({
  page,
}) => {
  await open(page);
  await pick(page, "Pattern", "Picture");
  await click(page, a.seed);
  await expect(page.getByText(/^Choose a picture first/).first()).toBeVisible();
  await page
    .getByLabel("Choose a picture")
    .setInputFiles({ name: "clover.png", mimeType: "image/png", buffer: CLOVER });
  await expect(page.getByRole("button", { name: "Undo: Bring in a picture to repeat" })).toBeVisible();
  await typeNumber(page.getByRole("spinbutton", { name: /^Size/ }), "2");
  await click(page, a.seed);
  await expect
    .poll(async () => [...(await coloursIn(page, a))])
    .toEqual(expect.arrayContaining([FROND, RADISH]));
  const { bytes } = await save(page, "SVG");
  expect(bytes.toString()).not.toContain("<image");
  const figures = (svg: Buffer) => svg.toString().match(/class="f-radish"[^>]*data-is="over"/g)?.length;
  expect(figures(bytes)).toBe(1);
  await openFile(page, "again.svg", bytes.toString());
  await page.getByRole("button", { name: "Put it on the desk" }).click();
  await deskReady(page);
  expect(figures((await save(page, "SVG")).bytes)).toBe(1);
  await stage(page, "Flats").click();
  await tool(page, "Pattern").click();
  await click(page, a.seed);
  await expect(page.getByLabel("Picture that repeats")).toHaveText("clover");
  await isAccessible(page, "[aria-label=Tray]");
});

test("dots lie on the ground too, and come back from the drawing file", async ({ page }) => {
  await open(page);
  const { x, y, width, height } = GARDEN_PAGE;
  const beside: Point = [x + 0.02 * width, y + 0.015 * height];
  await click(page, beside);
  await expect(said(page)).toContainText("a pocket, a shape or the ground");
  await stage(page, "Deliver").click();
  await page.getByRole("button", { name: "Ground", exact: true }).click();
  await page.getByRole("button", { name: "Cover the page in Radish" }).click();
  await page.keyboard.press("Escape");
  await stage(page, "Flats").click();
  await tool(page, "Pattern").click();
  await pick(page, "Pattern", "Dots");
  await typeNumber(page.getByRole("spinbutton", { name: /^Size/ }), "1.2");
  await click(page, beside);
  await expect(page.getByRole("button", { name: "Undo: Lay pattern" })).toBeVisible();
  const darker = stepOf({ value: RADISH }, -1);
  await expect.poll(() => colourAt(page, beside)).toBe(darker);
  expect(await colourAt(page, [beside[0] + 0.3, beside[1] + 0.3])).toBe(RADISH);
  const svg = (await save(page, "SVG")).bytes.toString();
  expect(svg).toMatch(/data-is="flat"[^>]* data-pattern="/);
  const { bytes } = await save(page, "Drawing file");
  await openFile(page, "again.fern", bytes);
  await deskReady(page);
  await expect.poll(() => colourAt(page, beside)).toBe(darker);
  expect((await save(page, "SVG")).bytes.toString()).toBe(svg);
});

test("a pattern needs a colour to lie over", async ({ page }) => {
  await openFile(page, "garden.svg", GARDEN);
  await deskReady(page);
  await stage(page, "Flats").click();
  await tool(page, "Pattern").click();
  await click(page, a.seed);
  await expect(page.getByText("Pour a colour here first: a pattern lies over it.").first()).toBeVisible();
});
