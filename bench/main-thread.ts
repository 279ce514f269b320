/**
 * The main thread while a person pours, drags and pans on the lantern drawing: the longest task Chromium reports,
 * beside the longest of an idle page in the same run. Needs a build (`npm run build`) and Chromium.
 */
import { spawn } from "node:child_process";
import { readFileSync } from "node:fs";
import { chromium, type Page } from "@playwright/test";
import { newDrawing } from "../core/drawing/new-drawing.ts";
import { readSvg } from "../core/formats/svg-read.ts";
import type { Point } from "../core/geometry/point.ts";
import { buildMap } from "../core/pockets/planar-map.ts";
import { pocketsOf } from "../core/pockets/pockets.ts";
import { linesOf } from "../core/pockets/reading.ts";
import { CHROMIUM } from "./chromium.ts";
import { goTo } from "./go-to.ts";

const PORT = 4193;
const LIMIT_MS = 50;

export async function mainThreadBench(): Promise<void> {
  const server = spawn("node", ["build/host/main.js"], {
    env: { ...process.env, PORT: String(PORT), HOST: "127.0.0.1", NODE_ENV: "production" },
    stdio: "ignore",
  });
  const browser = await chromium.launch(CHROMIUM);
  try {
    await measure(await browser.newPage({ viewport: { width: 1280, height: 800 } }));
  } finally {
    await browser.close();
    server.kill();
  }
}

async function measure(page: Page): Promise<void> {
  await goTo(page, `http://127.0.0.1:${PORT}/`);
  await page.getByRole("button", { name: "Open a copy of Lantern in the shed" }).click();
  await page.waitForURL(/desk/);
  await page.waitForTimeout(4000);
  await page.evaluate(() => {
    const seen: number[] = [];
    Object.assign(window, { longTasks: seen });
    new PerformanceObserver((list) =>
      seen.push(...list.getEntries().map(({ duration }) => duration)),
    ).observe({ type: "longtask" });
  });
  const longest = async (what: string, act: () => Promise<void>) => {
    await page.evaluate(() => ((window as unknown as { longTasks: number[] }).longTasks.length = 0));
    await act();
    await page.waitForTimeout(400);
    const tasks = await page.evaluate(() => [...(window as unknown as { longTasks: number[] }).longTasks]);
    const most = tasks.length
      ? `${Math.max(...tasks).toFixed(0)} ms in ${tasks.length} tasks over`
      : "no task over";
    console.log(`  main thread, ${what.padEnd(10)} ${most} ${LIMIT_MS} ms`);
  };
  const places = await seedsOnScreen(page);
  await longest("idle", () => page.waitForTimeout(1000));
  await longest("pouring", async () => {
    for (const [x, y] of places.slice(0, 25)) await page.mouse.click(x, y);
  });
  await longest("dragging", async () => {
    await page.mouse.move(...places[30]);
    await page.mouse.down();
    for (const [x, y] of places.slice(31, 60)) await page.mouse.move(x, y, { steps: 6 });
    await page.mouse.up();
  });
  await longest("panning", async () => {
    await page.mouse.move(640, 400);
    await page.mouse.down({ button: "middle" });
    for (let i = 0; i < 60; i++)
      await page.mouse.move(640 + 120 * Math.sin(i / 6), 400 + 80 * Math.cos(i / 7));
    await page.mouse.up({ button: "middle" });
  });
  await longest("zooming", async () => {
    for (let i = 0; i < 30; i++) await page.mouse.wheel(0, i < 15 ? -120 : 120);
  });
}

/** Inner points of the drawing's pockets where the whole page is shown. */
async function seedsOnScreen(page: Page): Promise<[number, number][]> {
  const { page: sheet, strokes } = readSvg(readFileSync("demo/almanac-lantern.svg", "utf8"));
  const pockets = pocketsOf(buildMap(linesOf(newDrawing("", sheet, strokes))));
  const box = (await page.locator("#paper").boundingBox())!;
  const scale = Math.min((box.width - 56) / 1000, (box.height - 56) / 1000);
  const place = ([x, y]: Point): [number, number] => [
    box.x + box.width / 2 + (x - 500) * scale,
    box.y + box.height / 2 + (y - 500) * scale,
  ];
  return pockets.filter(({ hidden }) => !hidden).map(({ seed }) => place(seed));
}
