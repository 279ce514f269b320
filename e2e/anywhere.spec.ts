/** The journey in short, on every demo drawing and on line art from elsewhere. */
import { readFileSync } from "node:fs";
import { expect, type Page } from "@playwright/test";
import { readSvg } from "../core/formats/svg-read.ts";
import type { Box, Point } from "../core/geometry/point.ts";
import type { Pocket } from "../core/pockets/pockets.ts";
import { sampleOf } from "../testing/long-runs.ts";
import {
  artColour,
  clickPage,
  demoFile,
  deskReady,
  hexOf,
  isKept,
  onScreen,
  openDemo,
  openFile,
  pocketsIn,
  save,
  stage,
  test,
} from "./desk.ts";

const DEMOS = {
  boot: "Boot with ferns",
  kettle: "Kettle on the potting bench",
  lantern: "Lantern in the shed",
  snail: "Snail on a rain barrel",
};
/** Published stroke icons, as other people draw. */
const ICONS = ["sprout", "flower-2", "house", "umbrella"];

/** The first pocket whose inner point no ink covers. */
async function pocketInSight(page: Page, pockets: readonly Pocket[], box: Box): Promise<Pocket> {
  for (const pocket of pockets) {
    const [, , , alpha] = await artColour(page, pocket.seed, box);
    if (alpha === 0) return pocket;
  }
  throw new Error("every pocket's inner point is under ink");
}

/** A click beyond the drawing is explained; a bridge is drawn by hand and taken back. */
async function explainAndBridge(page: Page, box: Box): Promise<void> {
  await stage(page, "Gaps").click();
  const corner = await onScreen(page, [box.x + box.width * 0.004, box.y + box.height * 0.004], box);
  await page.mouse.click(...corner);
  await expect(page.getByRole("region", { name: "Why colour would run out" })).toBeVisible();
  await page.getByRole("button", { name: "Leave it" }).click();
  await page.getByRole("radio", { name: "Bridge", exact: true }).click();
  await page.mouse.move(...corner);
  await page.mouse.down();
  await page.mouse.move(...(await onScreen(page, [box.x + box.width / 2, box.y + box.height / 2], box)), {
    steps: 6,
  });
  await page.mouse.up();
  await expect(page.getByText("Show bridges (1)")).toBeVisible();
  await page.keyboard.press("Control+z");
  await expect(page.getByText("Show bridges (0)")).toBeVisible();
}

/** A small shade around a place on screen, undone and done again. */
async function shadeAndUndo(page: Page, [x, y]: Point): Promise<void> {
  await stage(page, "Light").click();
  await page.mouse.move(x, y);
  await page.mouse.down();
  for (let k = 0; k <= 12; k++) await page.mouse.move(x + 8 * Math.sin(k / 2), y + 8 - 8 * Math.cos(k / 2));
  await page.mouse.up();
  await expect(stage(page, "Light")).toContainText("1 shade");
  await page.keyboard.press("Control+z");
  await expect(stage(page, "Light")).toContainText("0 shades");
  await page.keyboard.press("Control+Shift+z");
  await expect(stage(page, "Light")).toContainText("1 shade");
}

async function pourAndTakeHome(page: Page, svg: string): Promise<void> {
  const { page: sheet, strokes } = readSvg(svg);
  const { box } = sheet;
  const [x, y] = strokes[0].points;
  await expect.poll(async () => (await artColour(page, [x, y], box))[3]).toBeGreaterThan(0);
  await stage(page, "Flats").click();
  const pocket = await pocketInSight(page, pocketsIn(svg), box);
  await page.getByRole("button", { name: /^Radish/ }).click();
  await page.mouse.click(...(await onScreen(page, pocket.seed, box)));
  await expect.poll(async () => hexOf(await artColour(page, pocket.seed, box))).toBe("#c23f5a");
  await explainAndBridge(page, box);
  await shadeAndUndo(page, await onScreen(page, pocket.seed, box));
  await page.getByRole("button", { name: "Hide flats" }).click();
  await expect.poll(async () => hexOf(await artColour(page, pocket.seed, box))).not.toBe("#c23f5a");
  await page.getByRole("button", { name: "Show flats" }).click();
  await isKept(page);
  await page.reload();
  await expect(stage(page, "Flats")).toContainText("1 of");
  await expect(stage(page, "Light")).toContainText("1 shade");
  expect((await save(page, "PNG")).bytes.subarray(1, 4).toString()).toBe("PNG");
  const { bytes } = await save(page, "SVG");
  expect(bytes.toString()).toMatch(/--radish:\s*#c23f5a/);
}

for (const [file, title] of sampleOf(Object.entries(DEMOS), 2)) {
  test(`${title} is coloured and taken home`, async ({ page }) => {
    await openDemo(page, title);
    await pourAndTakeHome(page, demoFile(file));
  });
}

test("the coloured demo is coloured further", async ({ page }) => {
  await openDemo(page, "Boot with ferns, coloured");
  await page.getByRole("button", { name: /^Marigold/ }).click();
  await clickPage(page, [320, 800]);
  await expect.poll(async () => hexOf(await artColour(page, [320, 800]))).toBe("#e6a93a");
});

for (const name of sampleOf(ICONS, 2)) {
  test(`an icon from elsewhere (${name}) is coloured and taken home`, async ({ page }) => {
    const svg = readFileSync(`node_modules/lucide-static/icons/${name}.svg`, "utf8");
    await openFile(page, `${name}.svg`, svg);
    await deskReady(page);
    await pourAndTakeHome(page, svg);
  });
}
