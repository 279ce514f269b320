/**
 * The main thread while a person pours, drags and pans on the lantern drawing: the longest task Chromium reports,
 * beside the longest of an idle page in the same run. Needs a build (`npm run build`) and Chromium.
 */
import type { Page } from "@playwright/test";
import { goTo } from "./go-to.ts";
import { withHost } from "./host.ts";
import { lanternSeeds } from "./seeds-on-screen.ts";

const PORT = 4193;
const LIMIT_MS = 50;

export const mainThreadBench = (): Promise<void> =>
  withHost(PORT, async (newPage, url) => measure(await newPage(), url));

async function measure(page: Page, url: string): Promise<void> {
  await goTo(page, url);
  await page.getByRole("button", { name: "Open a copy of Lantern in the shed", exact: true }).click();
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
  const places = await lanternSeeds(page);
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
