/** The journey in short, on every demo drawing and on line art from elsewhere. */
import { readFileSync } from "node:fs";
import { expect, type Page } from "@playwright/test";
import { readSvg } from "../core/formats/svg-read.ts";
import type { Box } from "../core/geometry/point.ts";
import type { Pocket } from "../core/pockets/pockets.ts";
import {
  artColour,
  clickPage,
  demoFile,
  deskReady,
  hexOf,
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
  const { bytes } = await save(page, "SVG");
  expect(bytes.toString()).toMatch(/--radish:\s*#c23f5a/);
}

for (const [file, title] of Object.entries(DEMOS)) {
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

for (const name of ICONS) {
  test(`an icon from elsewhere (${name}) is coloured and taken home`, async ({ page }) => {
    const svg = readFileSync(`node_modules/lucide-static/icons/${name}.svg`, "utf8");
    await openFile(page, `${name}.svg`, svg);
    await deskReady(page);
    await pourAndTakeHome(page, svg);
  });
}
