/**
 * The drawer on a processor four times slower, nothing in the browser's store: when it is first painted, and when it can be used.
 * Needs a build (`npm run build`) and Chromium.
 */
import type { Page } from "@playwright/test";
import { goTo } from "./go-to.ts";
import { withHost } from "./host.ts";
import { judge } from "./judge.ts";
import { middle } from "./timing.ts";

const PORT = 4196;
const SLOWER = 4;
const ROUNDS = 7;

export const startBench = (): Promise<void> =>
  withHost(PORT, async (newPage, url) => {
    // The server is warm, as a host's is.
    const first = await newPage();
    await goTo(first, url);
    await first.close();
    const painted: number[] = [];
    const usable: number[] = [];
    for (let k = 0; k < ROUNDS; k++) {
      const page = await newPage();
      const cdp = await page.context().newCDPSession(page);
      await cdp.send("Emulation.setCPUThrottlingRate", { rate: SLOWER });
      await page.goto(url);
      painted.push(await firstPaint(page));
      usable.push(await firstUse(page));
      await page.close();
    }
    const what = "the drawer, on a processor four times slower";
    judge({
      area: "opening",
      what: `${what}: first painted`,
      measured: middle(painted),
      unit: "ms",
      aim: 1000,
    });
    console.log(`  it can be used after ${middle(usable).toFixed(0)} ms`);
  });

const firstPaint = (page: Page): Promise<number> =>
  page.evaluate(
    () =>
      new Promise<number>((resolve) =>
        new PerformanceObserver((list) => {
          for (const { name, startTime } of list.getEntries())
            if (name === "first-contentful-paint") resolve(startTime);
        }).observe({ type: "paint", buffered: true }),
      ),
  );

/** When React has taken over what the server painted. */
const firstUse = (page: Page): Promise<number> =>
  page.evaluate(async () => {
    const isTaken = () =>
      Object.keys(document.querySelector("main") ?? {}).some((key) => key.startsWith("__react"));
    while (!isTaken()) await new Promise((resolve) => setTimeout(resolve, 10));
    return performance.now();
  });
