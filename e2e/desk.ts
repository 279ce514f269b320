/** What the browser tests share: opening drawings, and finding places on the paper through the core. */
import { readFileSync } from "node:fs";
import AxeBuilder from "@axe-core/playwright";
import { type BrowserContext, test as base, expect, type Locator, type Page } from "@playwright/test";
import { newDrawing } from "../core/drawing/new-drawing.ts";
import { readSvg } from "../core/formats/svg-read.ts";
import type { Box, Point } from "../core/geometry/point.ts";
import { buildMap } from "../core/pockets/planar-map.ts";
import { type Pocket, pocketsOf } from "../core/pockets/pockets.ts";
import { linesOf } from "../core/pockets/reading.ts";

/**
 * A page that may ask nothing of the outside and must log no errors. The tests of one worker share it, so that the application is
 * fetched and compiled once; what is stored and what was asked of it is cleared before each.
 */
export const test = base.extend<{ context: BrowserContext; page: Page }, { shared: BrowserContext }>({
  shared: [
    async ({ browser }, use, { project }) => {
      const context = await browser.newContext(project.use);
      await use(context);
      await context.close();
    },
    { scope: "worker" },
  ],
  context: async ({ shared }, use) => {
    await use(shared);
    for (const page of shared.pages().slice(1)) await page.close();
    await shared.clearPermissions();
    await shared.setOffline(false);
  },
  page: async ({ context, baseURL, viewport }, use) => {
    const page = await pageOf(context);
    // A light page of the same place: the browser goes on in the process that has the application compiled.
    await page.goto("/fern.svg");
    await page.setViewportSize(viewport!);
    const cdp = await context.newCDPSession(page);
    await cdp.send("Storage.clearDataForOrigin", { origin: baseURL!, storageTypes: "all" });
    await cdp.detach();
    const problems: string[] = [];
    page.on("pageerror", (error) => problems.push(error.message));
    page.on("console", (message) => message.type() === "error" && problems.push(message.text()));
    page.on("request", (request) => {
      const url = request.url();
      if (!url.startsWith(baseURL!) && !/^(data|blob):/.test(url)) problems.push(`outside request: ${url}`);
    });
    await use(page);
    page.removeAllListeners();
    for (const script of scripts.splice(0)) await script.dispose();
    if (!page.isClosed()) await page.unrouteAll({ behavior: "ignoreErrors" });
    expect(problems).toEqual([]);
  },
});

/** After so many tests a page makes way for another: what its process has taken by then comes to a gigabyte. */
const FRESH_AFTER = 20;
let tests = 0;

async function pageOf(context: BrowserContext): Promise<Page> {
  if (tests++ % FRESH_AFTER === 0) for (const used of context.pages()) await used.close();
  return context.pages()[0] ?? (await context.newPage());
}

const scripts: { readonly dispose: () => Promise<void> }[] = [];

/** Has a script run before each load of the page in this test. */
export async function beforeLoads(page: Page, script: () => void): Promise<void> {
  scripts.push(await page.addInitScript(script));
}

export const demoFile = (name: string): string => readFileSync(`demo/almanac-${name}.svg`, "utf8");

/** The pockets of an SVG, as the desk finds them. */
export function pocketsIn(svg: string): Pocket[] {
  const { page, strokes, inkShapes } = readSvg(svg);
  return pocketsOf(buildMap(linesOf(newDrawing("", page, strokes, inkShapes)))).filter(
    ({ hidden }) => !hidden,
  );
}

/** What the desk last said aloud. */
export const said = (page: Page) => page.locator("p[role=status]");

export const paper = (page: Page) => page.locator("#paper");

/** Goes to the drawer and waits until it has looked what it holds: before that it hears nothing. */
export async function openDrawer(page: Page): Promise<void> {
  await page.goto("/", { waitUntil: "domcontentloaded" });
  await expect(
    page.getByText("Nothing here yet").or(page.getByRole("link", { name: /^Open / }).first()),
  ).toBeVisible();
}

export async function openDemo(page: Page, title: string): Promise<void> {
  await openDrawer(page);
  await page.getByRole("button", { name: `Open a copy of ${title}`, exact: true }).click();
  await deskReady(page);
}

export async function openFile(page: Page, name: string, text: string | Buffer): Promise<void> {
  await openDrawer(page);
  await page
    .getByLabel("Choose an SVG")
    .setInputFiles({ name, mimeType: "image/svg+xml", buffer: Buffer.from(text) });
}

export async function deskReady(page: Page): Promise<void> {
  await page.waitForURL(/\/desk\//);
  await expect(stage(page, "Flats")).toContainText("pockets");
  // It stays open, so that every setting is at hand in these tests.
  await openMore(page);
}

export const stage = (page: Page, name: string) =>
  page.getByRole("navigation", { name: "Stages" }).getByRole("button", { name: new RegExp(`^${name}`) });

/** Chooses from a list that opens. */
export async function pick(page: Page, label: string, word: string): Promise<void> {
  await page.getByRole("combobox", { name: label, exact: true }).click();
  await page.getByRole("option", { name: word, exact: true }).click();
}

/** A choice of the tray: a tool, or one of several ways. */
export const tool = (page: Page, name: string) => page.getByRole("radio", { name, exact: true });

/** What the tray has no room for, where it is not open yet. */
export async function openMore(page: Page): Promise<void> {
  const more = page.getByRole("button", { name: "More", exact: true, expanded: false });
  if (await more.isVisible()) await more.click();
}

/** The foot of the paper lies bare again. */
export const closeMore = (page: Page) =>
  page.getByRole("button", { name: "More", exact: true, expanded: true }).click();

/** Opens a section of the press, where it is folded. */
export async function openSection(page: Page, title: string): Promise<void> {
  const heading = page.getByRole("region", { name: title, exact: true }).getByRole("heading");
  const folded = heading.getByRole("button", { expanded: false });
  if (await folded.isVisible()) await folded.click();
}

/** Asks Find for some words. */
export async function find(page: Page, words: string): Promise<void> {
  await page.keyboard.press("Control+k");
  await page.getByRole("combobox", { name: "Find anything" }).fill(words);
}

export async function fromMenu(page: Page, entry: string): Promise<void> {
  await page.getByRole("button", { name: "Desk menu" }).click();
  await page.getByRole("menuitem", { name: entry }).click();
}

export const undo = (page: Page, label: string) => page.getByRole("button", { name: `Undo: ${label}` });

/** All that was done is in storage. */
export const isKept = (page: Page) => expect(page.locator("[data-keeping=kept]")).toBeVisible();

/** Nothing that axe finds wrong, in all of the page or within what a selector names. */
export async function isAccessible(page: Page, within = "html"): Promise<void> {
  // All is in one frame: the other mode opens a page of its own each time.
  const axe = new AxeBuilder({ page }).setLegacyMode(true).include(within);
  const { violations } = await axe.analyze();
  expect(violations.map(({ id, nodes }) => [id, nodes.map(({ html }) => html)])).toEqual([]);
}

const MARGIN = 28;

const WHOLE: Box = { x: 0, y: 0, width: 1000, height: 1000 };

/** From page points to screen while the whole page is shown, by the desk's own rule for fitting. */
async function toScreen(page: Page, view: Box): Promise<(at: Point) => Point> {
  const box = (await paper(page).boundingBox())!;
  const scale = Math.min((box.width - 2 * MARGIN) / view.width, (box.height - 2 * MARGIN) / view.height);
  return ([x, y]) => [
    box.x + box.width / 2 + (x - view.x - view.width / 2) * scale,
    box.y + box.height / 2 + (y - view.y - view.height / 2) * scale,
  ];
}

export const onScreen = async (page: Page, at: Point, view = WHOLE): Promise<Point> =>
  (await toScreen(page, view))(at);

export async function clickPage(page: Page, at: Point): Promise<void> {
  await page.mouse.click(...(await onScreen(page, at)));
}

/** Drags the mouse through page points, in small steps as a hand would. */
export async function dragPage(page: Page, points: readonly Point[]): Promise<void> {
  await page.mouse.move(...(await onScreen(page, points[0])));
  await page.mouse.down();
  for (const point of points.slice(1)) await page.mouse.move(...(await onScreen(page, point)), { steps: 8 });
  await page.mouse.up();
}

/** The colours shown on the art canvas at page points, each as [r, g, b, a]. */
export async function artColours(page: Page, places: readonly Point[], view = WHOLE): Promise<number[][]> {
  const spots = places.map(await toScreen(page, view));
  return page.evaluate((all) => {
    const canvas = document.querySelector<HTMLCanvasElement>('canvas[data-layer="art"]')!;
    const box = canvas.getBoundingClientRect();
    const probe = new OffscreenCanvas(1, 1).getContext("2d", { willReadFrequently: true })!;
    return all.map(([x, y]) => {
      probe.clearRect(0, 0, 1, 1);
      probe.drawImage(canvas, Math.round(box.x - x), Math.round(box.y - y));
      return [...probe.getImageData(0, 0, 1, 1).data];
    });
  }, spots);
}

export const artColour = async (page: Page, at: Point, view?: Box): Promise<number[]> =>
  (await artColours(page, [at], view))[0];

export const hexOf = ([r, g, b]: readonly number[]): string =>
  `#${[r, g, b].map((n) => n.toString(16).padStart(2, "0")).join("")}`;

export async function save(
  page: Page,
  what: "SVG" | "PNG" | "PDF" | "Drawing file",
): Promise<{ name: string; bytes: Buffer }> {
  await stage(page, "Deliver").click();
  return downloaded(page, () => page.getByRole("button", { name: `Save ${what}` }).click());
}

/** The file that something brings. */
export async function downloaded(
  page: Page,
  act: () => Promise<unknown>,
): Promise<{ name: string; bytes: Buffer }> {
  const waiting = page.waitForEvent("download");
  await act();
  const download = await waiting;
  const stream = await download.createReadStream();
  const chunks: Buffer[] = [];
  for await (const chunk of stream) chunks.push(chunk as Buffer);
  return { name: download.suggestedFilename(), bytes: Buffer.concat(chunks) };
}

/** Opens what the page can be changed by. */
export const openPage = (page: Page) => page.getByRole("button", { name: "Page", exact: true }).click();

/** Types a number and means it. */
export async function typeNumber(field: Locator, number: string): Promise<void> {
  await field.fill(number);
  await field.press("Enter");
}

/** A loop around the ferns of the boot, above its rim. */
export const AROUND_FERNS: readonly Point[] = [
  [90, 20],
  [620, 15],
  [900, 200],
  [890, 440],
  [620, 440],
  [540, 400],
  [330, 430],
  [80, 330],
  [95, 30],
];
