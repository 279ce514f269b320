/**
 * Large drawings in the browser: opened from an SVG, how long until the desk stands, its pockets are there and its
 * openings are; then the longest task of the main thread while a hand zooms, pans, hovers and pours, beside the
 * longest of the same desk left alone. Needs a build (`npm run build`) and Chromium.
 */
import { spawn } from "node:child_process";
import { chromium, type Page } from "@playwright/test";
import { newDrawing } from "../core/drawing/new-drawing.ts";
import { readSvg } from "../core/formats/svg-read.ts";
import type { Point } from "../core/geometry/point.ts";
import { buildMap } from "../core/pockets/planar-map.ts";
import { pocketsOf } from "../core/pockets/pockets.ts";
import { linesOf } from "../core/pockets/reading.ts";
import { CHROMIUM } from "./chromium.ts";
import { goTo } from "./go-to.ts";
import { crossingStrokes, PAGE, type Polyline, spotLike } from "./line-work.ts";

const PORT = 4194;
const AIMS = { desk: 1000, pockets: 2000, openings: 3000, task: 50 };

export async function largeBench(): Promise<void> {
  const server = spawn("node", ["build/host/main.js"], {
    env: { ...process.env, PORT: String(PORT), HOST: "127.0.0.1", NODE_ENV: "production" },
    stdio: "ignore",
  });
  const browser = await chromium.launch(CHROMIUM);
  try {
    for (const [name, strokes] of [
      ["3,000 spot-like strokes", spotLike(3000)],
      ["1,000 crossing strokes", crossingStrokes(1000)],
    ] as const) {
      const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
      console.log(`large, ${name}`);
      await measure(page, svgOf(strokes));
      await page.close();
    }
  } finally {
    await browser.close();
    server.kill();
  }
}

/** As an SVG from elsewhere. */
function svgOf(strokes: readonly Polyline[]): string {
  const paths = strokes.map(
    (points) => `<path d="M${points.map(([x, y]) => `${x.toFixed(2)} ${y.toFixed(2)}`).join("L")}"/>`,
  );
  return `<svg xmlns="http://www.w3.org/2000/svg" width="10in" height="10in" viewBox="0 0 ${PAGE} ${PAGE}">
<g fill="none" stroke="#000" stroke-width="2">${paths.join("\n")}</g></svg>`;
}

async function measure(page: Page, svg: string): Promise<void> {
  await goTo(page, `http://127.0.0.1:${PORT}/`);
  await page.waitForTimeout(1000);
  const seeds = pocketSeeds(svg);
  await watchTasks(page);
  const begun = await page.evaluate(() => performance.now());
  await page
    .locator("input[type=file]")
    .first()
    .setInputFiles({ name: "large.svg", mimeType: "image/svg+xml", buffer: Buffer.from(svg) });
  const since = async (what: keyof typeof AIMS, seen: Promise<unknown>) => {
    await seen;
    const took = (await page.evaluate(() => performance.now())) - begun;
    console.log(`  ${what.padEnd(9)} after ${took.toFixed(0)} ms (aim ${AIMS[what]})`);
  };
  const report = page.getByRole("button", { name: "Put it on the desk" });
  const desk = page.locator("#paper");
  await report.or(desk).waitFor({ timeout: 120_000 });
  if (await report.isVisible()) await report.click();
  await since("desk", desk.waitFor());
  await since("pockets", shows(page, "[aria-label=Stages]", / of \d{3,} pockets/));
  await since("openings", shows(page, "[aria-label=Stages]", /[1-9]\d* openings/));
  await page.waitForTimeout(3000);
  await toldTasks(page, "opening");
  await handAtWork(page, seeds);
}

const shows = (page: Page, selector: string, text: RegExp) =>
  page.waitForFunction(
    ([where, pattern]) => new RegExp(pattern).test(document.querySelector(where)?.textContent ?? ""),
    [selector, text.source] as const,
    { timeout: 120_000, polling: 16 },
  );

async function handAtWork(page: Page, seeds: readonly Point[]): Promise<void> {
  const box = (await page.locator("#paper").boundingBox())!;
  const scale = Math.min((box.width - 56) / PAGE, (box.height - 56) / PAGE);
  const places = seeds.map(
    ([x, y]): Point => [
      box.x + box.width / 2 + (x - PAGE / 2) * scale,
      box.y + box.height / 2 + (y - PAGE / 2) * scale,
    ],
  );
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

interface Watched {
  longTasks: number[];
}

async function watchTasks(page: Page): Promise<void> {
  await page.evaluate(() => {
    const longTasks: number[] = [];
    Object.assign(window, { longTasks });
    new PerformanceObserver((list) =>
      longTasks.push(...list.getEntries().map(({ duration }) => duration)),
    ).observe({ type: "longtask" });
  });
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

/** Inner points of the larger pockets, in page units. */
function pocketSeeds(svg: string): Point[] {
  const { page, strokes } = readSvg(svg);
  const pockets = pocketsOf(buildMap(linesOf(newDrawing("", page, strokes))));
  return pockets.slice(0, 200).map(({ seed }) => seed);
}
