/**
 * A day's work in one sitting: thousands of steps done by hand on the lantern, in one page that is never closed. Told after every
 * so many: what a step takes, what the page holds in memory (after its rubbish was collected), and what storage takes. In the
 * end the drawing is opened again and saved as a file. Needs a build and Chromium.
 */
import { readdirSync, readFileSync } from "node:fs";
import type { CDPSession, Page } from "@playwright/test";
import { randomFrom } from "../testing/random.ts";
import { goTo } from "./go-to.ts";
import { withHost } from "./host.ts";
import { lanternSeeds } from "./seeds-on-screen.ts";

const PORT = 4198;
const STEPS = Number(process.env.STEPS ?? 5000);
const TOLD_EVERY = 1000;

export const dayBench = (): Promise<void> =>
  withHost(PORT, async (newPage, url) => {
    const page = await newPage();
    await goTo(page, url);
    await page.waitForTimeout(800);
    await page.getByRole("button", { name: "Open a copy of Lantern in the shed", exact: true }).click();
    await hasPockets(page);
    console.log(`day: ${STEPS} steps on the lantern by hand (pours, shade, lines, steps back)`);
    const cdp = await page.context().newCDPSession(page);
    const places = await lanternSeeds(page);
    const random = randomFrom(STEPS);
    const first = await held(page, cdp);
    let usual = 0;
    console.log(`  to begin with: ${told(first)}`);
    for (let done = 0; done < STEPS; done += TOLD_EVERY) {
      const begun = performance.now();
      for (let k = 0; k < TOLD_EVERY; k++) await step(page, places, random);
      const each = (performance.now() - begun) / TOLD_EVERY;
      usual ||= each;
      await page.locator("[data-keeping=kept]").waitFor();
      const now = await held(page, cdp);
      console.log(
        `  after ${done + TOLD_EVERY}: ${each.toFixed(0)} ms a step (${(each / usual).toFixed(2)} of the first thousand), ${told(now)}`,
      );
    }
    const again = performance.now();
    await page.reload();
    await hasPockets(page);
    console.log(
      `  opened again in ${((performance.now() - again) / 1000).toFixed(1)} s: ${told(await held(page, cdp))}`,
    );
    await page.close();
  });

const hasPockets = (page: Page) =>
  page.waitForFunction(() => /of \d+ pockets/.test(document.querySelector("nav")?.textContent ?? ""));

/** What a hand does, and that the page has shown it. */
async function step(page: Page, places: readonly [number, number][], random: () => number): Promise<void> {
  const [x, y] = places[Math.floor(random() * places.length)];
  const what = random();
  if (what < 0.06) await page.keyboard.press("Control+z");
  else if (what < 0.16) {
    await page.keyboard.press("1");
    await page.keyboard.press("q");
    await page.mouse.move(x, y);
    await page.mouse.down();
    await page.mouse.move(x + 30 * random(), y + 30 * random(), { steps: 3 });
    await page.mouse.up();
    // Lines would cut the pockets to nothing in a day: most are taken back.
    if (what < 0.15) await page.keyboard.press("Control+z");
  } else if (what < 0.3) {
    await page.keyboard.press("4");
    await page.mouse.click(x, y);
  } else {
    await page.keyboard.press("3");
    await page.keyboard.press(what < 0.6 ? "." : ",");
    await page.mouse.click(x, y);
  }
  await page.evaluate(
    () => new Promise((resolve) => requestAnimationFrame(() => requestAnimationFrame(resolve))),
  );
}

interface Held {
  readonly heap: number;
  /** Of the page's process, workers and pictures too. */
  readonly process: number;
  readonly storage: number;
}

async function held(page: Page, cdp: CDPSession): Promise<Held> {
  await page.waitForTimeout(1500);
  await cdp.send("HeapProfiler.collectGarbage");
  const { usedSize } = await cdp.send("Runtime.getHeapUsage");
  const storage = await page.evaluate(async () => (await navigator.storage.estimate()).usage ?? 0);
  return { heap: usedSize, process: largestRenderer(), storage };
}

const mega = (bytes: number) => `${(bytes / 2 ** 20).toFixed(0)} MB`;
const told = ({ heap, process, storage }: Held): string =>
  `heap ${mega(heap)}, process ${mega(process)}, storage ${mega(storage)}`;

/** Resident bytes of the largest of Chromium's renderers on this machine. */
function largestRenderer(): number {
  const sizes = readdirSync("/proc")
    .filter((name) => /^\d+$/.test(name))
    .map((pid) => {
      try {
        if (!readFileSync(`/proc/${pid}/cmdline`, "utf8").includes("--type=renderer")) return 0;
        return 1024 * Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, "utf8"))?.[1] ?? 0);
      } catch {
        return 0;
      }
    });
  return Math.max(0, ...sizes);
}
