/**
 * Large drawings in the browser: opened from an SVG, how long until the desk stands, its pockets are there and its
 * openings are; then the longest task of the main thread while a hand zooms, pans, hovers and pours, beside the
 * longest of the same desk left alone. All of it seven times; what is in the middle counts. Needs a build (`npm run build`) and
 * Chromium.
 */
import type { Page } from "@playwright/test";
import { memoryOfPage } from "./browser-memory.ts";
import { goTo } from "./go-to.ts";
import { withHost } from "./host.ts";
import { judge } from "./judge.ts";
import { type Polyline, spotLike, WIDE_PAGE } from "./line-work.ts";
import { ontoScreen, seedsOnScreen } from "./seeds-on-screen.ts";
import { svgOf } from "./svg-of-lines.ts";
import { middle } from "./timing.ts";

const PORT = 4194;
interface Aims {
  readonly desk: number;
  readonly pockets: number;
  readonly openings: number;
  /** Of the longest task while a hand works. */
  readonly task: number;
  readonly memory?: number;
}

interface Case {
  readonly name: string;
  readonly strokes: readonly Polyline[];
  readonly side: number;
  readonly aims: Aims;
}

const spots = (count: number, aims: Aims): Case => {
  const side = WIDE_PAGE * Math.sqrt(count / 10_000);
  return { name: `${count} spot-like strokes`, strokes: spotLike(count, { side }), side, aims };
};

const CASES: readonly Case[] = [
  spots(3000, { desk: 1000, pockets: 2000, openings: 3000, task: 50 }),
  spots(10_000, { desk: 1500, pockets: 3000, openings: 5000, task: 50, memory: 600 }),
  spots(30_000, { desk: 3000, pockets: 8000, openings: 15_000, task: 100 }),
];

const ROUNDS = 7;

export const largeBench = (): Promise<void> =>
  withHost(PORT, async (newPage, url) => {
    for (const one of CASES) {
      console.log(`large, ${one.name}`);
      const opened: Opened[] = [];
      for (let round = 0; round < ROUNDS; round++) {
        const page = await newPage();
        opened.push(await open(page, url, one));
        if (round === ROUNDS - 1) await handAtWork(page, one);
        await page.close();
      }
      tellOpened(one, opened);
    }
  });

/** Milliseconds. */
type Opened = Watched["seen"] & { readonly task: number };

async function open(page: Page, url: string, { strokes, side }: Case): Promise<Opened> {
  await goTo(page, url);
  // A first visit fetches all there is for later: what is measured begins when that is done.
  await page.waitForLoadState("networkidle");
  await page.waitForTimeout(2000);
  await watch(page);
  await page
    .locator("input[type=file]")
    .first()
    .setInputFiles({
      name: "large.svg",
      mimeType: "image/svg+xml",
      buffer: Buffer.from(svgOf(strokes, side)),
    });
  await page.waitForFunction(() => (window as unknown as Watched).seen.openings, undefined, {
    timeout: 120_000,
  });
  await page.waitForTimeout(3000);
  const seen = await page.evaluate(() => (window as unknown as Watched).seen);
  return { ...seen, task: await longestTask(page) };
}

function tellOpened({ name, aims }: Case, opened: readonly Opened[]): void {
  const median = (of: keyof Opened) => middle(opened.map((one) => one[of]));
  for (const what of ["desk", "pockets", "openings"] as const)
    judge({
      area: "opening",
      what: `${name}: ${what} after`,
      measured: median(what),
      unit: "ms",
      aim: aims[what],
    });
  tellTask(`${name}, while it opens`, median("task"), aims.task);
}

interface Watched {
  longTasks: number[];
  /** When frames began. */
  frames: number[];
  /** Milliseconds from the file's choosing to when the page first showed something. */
  seen: Record<"desk" | "pockets" | "openings", number>;
}

/** Notes, within the page, its long tasks and when things are there; a report is accepted as soon as it shows. */
const watch = (page: Page): Promise<void> =>
  page.evaluate(() => {
    const watched: Watched = { longTasks: [], frames: [], seen: { desk: 0, pockets: 0, openings: 0 } };
    Object.assign(window, watched);
    let chosen = Number.POSITIVE_INFINITY;
    // The task in which the browser's driver hands the file over is its own.
    new PerformanceObserver((list) => {
      for (const { startTime, duration } of list.getEntries())
        if (startTime >= chosen) watched.longTasks.push(duration);
    }).observe({ type: "longtask" });
    const onFrame = (time: number) => {
      watched.frames.push(time);
      requestAnimationFrame(onFrame);
    };
    requestAnimationFrame(onFrame);
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

type Act = (page: Page, round: number) => Promise<void>;

async function handAtWork(page: Page, { name, strokes, side, aims }: Case): Promise<void> {
  const place = await ontoScreen(page, side);
  const inside = strokes.find(([[x, y]]) => [x, y].every((n) => n > side * 0.3 && n < side * 0.6))!;
  const acts = actsOn(await seedsOnScreen(page, svgOf(strokes, side)), place(inside[0]));
  const tasks = Object.fromEntries(Object.keys(acts).map((what): [string, number[]] => [what, []]));
  const frames: Record<string, number[]> = { panning: [], zooming: [] };
  for (let round = 0; round < ROUNDS; round++) {
    for (const [what, act] of Object.entries(acts)) {
      await forgetTasks(page);
      await act(page, round);
      const times = await framesOf(page);
      frames[what]?.push(times[Math.floor(times.length * 0.95)]);
      await page.waitForTimeout(600);
      tasks[what].push(await longestTask(page));
    }
    await stage(page, /^Flats/).click();
    await page.keyboard.press("Control+z");
    await page.waitForTimeout(600);
  }
  for (const [what, longest] of Object.entries(tasks))
    tellTask(`${name}, ${what}`, middle(longest), aims.task);
  for (const [what, longest] of Object.entries(frames))
    judge({
      area: "hand",
      what: `${name}, ${what}: frames, the longest but one in twenty`,
      measured: middle(longest),
      unit: "ms",
      aim: FRAME,
    });
  if (aims.memory)
    judge({
      area: "opening",
      what: `${name}: memory of the page, its workers and its pictures`,
      measured: memoryOfPage() / 2 ** 20,
      unit: "MB",
      aim: aims.memory,
    });
}

const stage = (page: Page, name: RegExp) =>
  page.getByRole("navigation", { name: "Stages" }).getByRole("button", { name });

const POURS = 12;

/** What a hand does in a round, in this order; the drag is undone after it. */
const actsOn = (
  places: readonly [number, number][],
  onStroke: [number, number],
): Readonly<Record<string, Act>> => ({
  "left alone": (page) => page.waitForTimeout(1000),
  hovering: async (page) => {
    for (const [x, y] of places.slice(0, 40)) await page.mouse.move(x, y, { steps: 3 });
  },
  pouring: async (page, round) => {
    for (const [x, y] of places.slice(round * POURS, (round + 1) * POURS)) await page.mouse.click(x, y);
  },
  panning: async (page) => {
    await page.mouse.move(640, 400);
    await page.mouse.down({ button: "middle" });
    for (let i = 0; i < 60; i++)
      await page.mouse.move(640 + 120 * Math.sin(i / 6), 400 + 80 * Math.cos(i / 7));
    await page.mouse.move(640, 400);
    await page.mouse.up({ button: "middle" });
  },
  zooming: async (page) => {
    for (let i = 0; i < 30; i++) await page.mouse.wheel(0, i < 15 ? -120 : 120);
  },
  "undoing six times": async (page) => {
    for (let i = 0; i < 6; i++) {
      await page.keyboard.press("Control+z");
      await page.waitForTimeout(60);
    }
  },
  "going to its lines": async (page) => {
    await stage(page, /^Lines/).click();
    await page.getByRole("radio", { name: "Arrange", exact: true }).click();
  },
  "dragging a stroke": async (page) => {
    await page.mouse.click(...onStroke);
    await page.mouse.down();
    for (let i = 0; i < 40; i++)
      await page.mouse.move(onStroke[0] + 2 * i, onStroke[1] + 20 * Math.sin(i / 6));
    await page.mouse.up();
  },
});

/** Sixty a second, and what timers round. */
const FRAME = 17;

const forgetTasks = (page: Page): Promise<void> =>
  page.evaluate(() => {
    const watched = window as unknown as Watched;
    watched.longTasks.length = 0;
    watched.frames.length = 0;
  });

/** Milliseconds from one frame to the next since tasks were forgotten, rising. */
async function framesOf(page: Page): Promise<number[]> {
  const at = await page.evaluate(() => [...(window as unknown as Watched).frames]);
  return at
    .slice(1)
    .map((time, k) => time - at[k])
    .sort((a, b) => a - b);
}

/** Milliseconds; what is no longer than 50 the browser does not report. */
async function longestTask(page: Page): Promise<number> {
  const tasks = await page.evaluate(() => [...(window as unknown as Watched).longTasks]);
  return Math.max(50, ...tasks);
}

const tellTask = (what: string, measured: number, aim: number): void =>
  judge({ area: "hand", what: `${what}: longest task`, measured, unit: "ms", aim });
