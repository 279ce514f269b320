/**
 * Large drawings in the browser: opened from an SVG, how long until the desk stands, its pockets are there and its
 * openings are; then the longest task of the main thread while a hand zooms, pans, hovers and pours, beside the
 * longest of the same desk left alone. Needs a build (`npm run build`) and Chromium.
 */
import type { Page } from "@playwright/test";
import { goTo } from "./go-to.ts";
import { withHost } from "./host.ts";
import { crossingStrokes, PAGE, spotLike, WIDE_PAGE } from "./line-work.ts";
import { seedsOnScreen } from "./seeds-on-screen.ts";
import { svgOf } from "./svg-of-lines.ts";

const PORT = 4194;
const CASES = [
  { name: "3,000 spot-like strokes", strokes: spotLike(3000, { side: WIDE_PAGE }), side: WIDE_PAGE },
  { name: "10,000 spot-like strokes", strokes: spotLike(10_000, { side: WIDE_PAGE }), side: WIDE_PAGE },
  { name: "1,000 crossing strokes", strokes: crossingStrokes(1000), side: PAGE },
];
const AIMS = { desk: 1000, pockets: 2000, openings: 3000, task: 50 };

export const largeBench = (): Promise<void> =>
  withHost(PORT, async (newPage, url) => {
    for (const { name, strokes, side } of CASES) {
      console.log(`large, ${name}`);
      const page = await newPage();
      await measure(page, url, svgOf(strokes, side));
      await page.close();
    }
  });

async function measure(page: Page, url: string, svg: string): Promise<void> {
  await goTo(page, url);
  await page.waitForTimeout(1000);
  await watch(page);
  await page
    .locator("input[type=file]")
    .first()
    .setInputFiles({ name: "large.svg", mimeType: "image/svg+xml", buffer: Buffer.from(svg) });
  for (const what of ["desk", "pockets", "openings"] as const) {
    const took = await page.waitForFunction((of) => (window as unknown as Watched).seen[of], what, {
      timeout: 120_000,
    });
    console.log(`  ${what.padEnd(9)} after ${(await took.jsonValue()).toFixed(0)} ms (aim ${AIMS[what]})`);
  }
  await page.waitForTimeout(3000);
  await toldTasks(page, "opening");
  await handAtWork(page, await seedsOnScreen(page, svg));
}

interface Watched {
  longTasks: number[];
  /** Milliseconds from the file's choosing to when the page first showed something. */
  seen: Record<"desk" | "pockets" | "openings", number>;
}

/** Notes, within the page, its long tasks and when things are there; a report is accepted as soon as it shows. */
const watch = (page: Page): Promise<void> =>
  page.evaluate(() => {
    const watched: Watched = { longTasks: [], seen: { desk: 0, pockets: 0, openings: 0 } };
    Object.assign(window, watched);
    let chosen = Number.POSITIVE_INFINITY;
    // The task in which the browser's driver hands the file over is its own.
    new PerformanceObserver((list) => {
      for (const { startTime, duration } of list.getEntries())
        if (startTime >= chosen) watched.longTasks.push(duration);
    }).observe({ type: "longtask" });
    const textOf = (selector: string) => document.querySelector(selector)?.textContent ?? "";
    const shown = {
      desk: () => document.querySelector("#paper") !== null,
      pockets: () => /of \d{3,} pockets/.test(textOf("[aria-label=Stages]")),
      openings: () => /[1-9]\d* openings/.test(textOf("[aria-label=Stages]")),
    };
    let accepted = false;
    const look = (begun: number) => {
      const buttons = [...document.querySelectorAll<HTMLElement>("[role=dialog] button")];
      const accept = buttons.find(({ textContent }) => textContent === "Put it on the desk");
      if (accept && !accepted) accept.click();
      accepted ||= accept !== undefined;
      for (const what of ["desk", "pockets", "openings"] as const)
        if (!watched.seen[what] && shown[what]()) watched.seen[what] = performance.now() - begun;
      if (!watched.seen.openings) requestAnimationFrame(() => look(begun));
    };
    const begin = () => {
      chosen = performance.now();
      look(chosen);
    };
    document.addEventListener("change", begin, { capture: true, once: true });
  });

async function handAtWork(page: Page, places: readonly [number, number][]): Promise<void> {
  const acts: Record<string, () => Promise<void>> = {
    idle: () => page.waitForTimeout(1000),
    hovering: async () => {
      for (const [x, y] of places.slice(0, 120)) await page.mouse.move(x, y, { steps: 3 });
    },
    pouring: async () => {
      for (const [x, y] of places.slice(0, 12)) await page.mouse.click(x, y);
    },
    panning: async () => {
      await page.mouse.move(640, 400);
      await page.mouse.down({ button: "middle" });
      for (let i = 0; i < 60; i++)
        await page.mouse.move(640 + 120 * Math.sin(i / 6), 400 + 80 * Math.cos(i / 7));
      await page.mouse.up({ button: "middle" });
    },
    zooming: async () => {
      for (let i = 0; i < 30; i++) await page.mouse.wheel(0, i < 15 ? -120 : 120);
    },
    "undo ×6": async () => {
      for (let i = 0; i < 6; i++) {
        await page.keyboard.press("Control+z");
        await page.waitForTimeout(60);
      }
    },
  };
  for (const [what, act] of Object.entries(acts)) {
    await forgetTasks(page);
    await act();
    await page.waitForTimeout(600);
    await toldTasks(page, what);
  }
}

const forgetTasks = (page: Page): Promise<void> =>
  page.evaluate(() => {
    (window as unknown as Watched).longTasks.length = 0;
  });

async function toldTasks(page: Page, what: string): Promise<void> {
  const tasks = await page.evaluate(() => [...(window as unknown as Watched).longTasks]);
  const most =
    tasks.length > 0 ? `longest ${Math.max(...tasks).toFixed(0)} ms, ${tasks.length} over` : "none over";
  console.log(`  tasks ${what.padEnd(9)} ${most} ${AIMS.task} ms`);
}
