/** Colour drawn without lines to hold it: a loose drawing coloured under its ink. */
import { readFileSync } from "node:fs";
import { expect, type Page } from "@playwright/test";
import type { Point } from "../core/geometry/point.ts";
import {
  artColour,
  deskReady,
  dragPage,
  hexOf,
  isAccessible,
  onScreen,
  openFile,
  pick,
  said,
  save,
  stage,
  test,
  tool,
  typeNumber,
} from "./desk.ts";

/** Two lines that enclose nothing, and a box. */
const LOOSE = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 1000 1000"><g fill="none" stroke="#000" stroke-width="10">
<path d="M150 200Q500 80 850 220"/><path d="M160 700Q480 820 840 690"/><path d="M300 300H700V600H300Z"/></g></svg>`;
const FROND = "#6f9a4a";
const RADISH = "#c23f5a";

const tin = (page: Page, name: RegExp) =>
  page.getByRole("region", { name: "Tin" }).getByRole("button", { name });
const colourAt = async (page: Page, at: Point) => hexOf(await artColour(page, at));
const isClear = async (page: Page, at: Point) => (await artColour(page, at))[3] === 0;
const box = async (page: Page, from: Point, to: Point) => dragPage(page, [from, to]);

async function open(page: Page): Promise<void> {
  await openFile(page, "loose.svg", LOOSE);
  await deskReady(page);
  await stage(page, "Flats").click();
  await tool(page, "Colour").click();
}

test("a loop, a nib and boxes of colour are united, cut, rubbed, moved and taken home", async ({ page }) => {
  await open(page);
  await dragPage(page, [
    [200, 250],
    [800, 260],
    [790, 650],
    [210, 640],
    [205, 260],
  ]);
  await expect.poll(() => colourAt(page, [240, 450])).toBe(FROND);
  await page.mouse.click(...(await onScreen(page, [240, 450])));
  await tool(page, "Box").click();
  await pick(page, "What becomes of it", "cut from the chosen");
  await box(page, [420, 400], [580, 520]);
  await expect.poll(() => isClear(page, [500, 460])).toBe(true);
  await expect(page.getByRole("button", { name: "Undo: Cut colour away" })).toBeVisible();
  await pick(page, "What becomes of it", "united with the chosen");
  await box(page, [700, 600], [900, 900]);
  await expect.poll(() => colourAt(page, [860, 860])).toBe(FROND);
  await tool(page, "Rub away").click();
  await dragPage(page, [
    [880, 880],
    [860, 860],
    [840, 870],
  ]);
  await expect.poll(() => isClear(page, [860, 866])).toBe(true);
  await page.locator("#paper").focus();
  for (let i = 0; i < 3; i++) await page.keyboard.press("Shift+ArrowLeft");
  await expect(page.getByRole("button", { name: "Undo: Move shape" })).toBeVisible();
  await isAccessible(page, "[aria-label=Tray]");
  const { bytes } = await save(page, "SVG");
  expect(bytes.toString().match(/data-is="flat"/g)).toHaveLength(1);
  await stage(page, "Flats").click();
  await page.mouse.click(...(await onScreen(page, [240, 450])));
  await page.keyboard.press("Backspace");
  await expect.poll(() => isClear(page, [240, 450])).toBe(true);
});

test("colour lies on any sheet, trimmed to what is coloured, and a click chooses it", async ({ page }) => {
  await open(page);
  await tool(page, "Pour").click();
  await page.mouse.click(...(await onScreen(page, [500, 450])));
  await tin(page, /^Radish/).click();
  await tool(page, "Colour").click();
  await pick(page, "Trimmed to", "on what is coloured");
  await tool(page, "Oval").click();
  await box(page, [500, 350], [900, 550]);
  await expect.poll(() => colourAt(page, [640, 450])).toBe(RADISH);
  expect(await isClear(page, [800, 450])).toBe(true);
  expect(await colourAt(page, [340, 450])).toBe(FROND);
  // What was drawn stays as it is when the next one is set otherwise: it is chosen first.
  await pick(page, "Trimmed to", "free");
  await expect(page.getByRole("button", { name: "Undo: Draw colour" })).toBeVisible();
  await page.mouse.click(...(await onScreen(page, [640, 450])));
  await pick(page, "Trimmed to", "free");
  await expect.poll(() => colourAt(page, [800, 450])).toBe(RADISH);
  await pick(page, "Sheet", "on ground");
  await expect.poll(() => colourAt(page, [640, 450])).toBe(FROND);
  await page.keyboard.press("Escape");
  await page.mouse.click(...(await onScreen(page, [800, 450])));
  await expect(page.getByLabel("Sheet")).toHaveText("on ground");
  await pick(page, "Sheet", "on gloss");
  await expect.poll(() => colourAt(page, [700, 450])).toBe(RADISH);
});

test("freehand colour is coloured too, and nothing unseen is drawn in silence", async ({ page }) => {
  await open(page);
  await tool(page, "Box").click();
  await box(page, [200, 750], [500, 950]);
  await expect.poll(() => colourAt(page, [300, 850])).toBe(FROND);
  await tin(page, /^Radish/).click();
  await pick(page, "Trimmed to", "on what is coloured");
  await pick(page, "Sheet", "on shade");
  await box(page, [400, 800], [700, 900]);
  await expect.poll(() => colourAt(page, [450, 850])).toBe(RADISH);
  expect(await isClear(page, [600, 850])).toBe(true);
  await box(page, [750, 850], [900, 950]);
  await expect(said(page)).toContainText("nothing here is");
  await page.keyboard.press("Control+z");
  await expect.poll(() => colourAt(page, [450, 850])).toBe(FROND);
});

test("the menu at the pointer is that of a chosen shape, with whatever tool, and of the pocket beside it", async ({
  page,
}) => {
  await open(page);
  await tool(page, "Box").click();
  await box(page, [310, 310], [500, 590]);
  await expect.poll(() => colourAt(page, [400, 450])).toBe(FROND);
  await page.mouse.click(...(await onScreen(page, [400, 450])));
  await tin(page, /^Radish/).click();
  await tool(page, "Pour").click();
  await page.mouse.click(...(await onScreen(page, [400, 450])), { button: "right" });
  await page.getByRole("menuitem", { name: "Give it Radish" }).click();
  await expect.poll(() => colourAt(page, [400, 450])).toBe(RADISH);
  await page.mouse.click(...(await onScreen(page, [600, 450])), { button: "right" });
  await expect(page.getByRole("menuitem", { name: /^Pour Radish/ })).toBeVisible();
});

test("several shapes are chosen, moved, turned, made soft and bent by their points", async ({ page }) => {
  await open(page);
  await tool(page, "Box").click();
  await box(page, [200, 200], [400, 400]);
  await box(page, [600, 200], [800, 400]);
  await expect.poll(() => colourAt(page, [740, 240])).toBe(FROND);
  await tool(page, "Shapes").click();
  await page.mouse.click(...(await onScreen(page, [300, 300])));
  await page.keyboard.down("Shift");
  await page.mouse.click(...(await onScreen(page, [740, 260])));
  await page.keyboard.up("Shift");
  await dragPage(page, [
    [300, 300],
    [300, 400],
    [300, 500],
  ]);
  await expect.poll(() => colourAt(page, [740, 560])).toBe(FROND);
  expect(await isClear(page, [300, 250])).toBe(true);
  await expect(page.getByRole("button", { name: "Undo: Move 2 shapes" })).toBeVisible();
  await typeNumber(page.getByRole("spinbutton", { name: "turn" }), "90");
  await expect.poll(() => colourAt(page, [500, 260])).toBe(FROND);
  await page.locator("#paper").focus();
  await page.keyboard.press("Control+z");
  await expect.poll(() => colourAt(page, [740, 560])).toBe(FROND);
  await page.keyboard.press("Control+d");
  await expect(page.getByRole("button", { name: "Undo: Duplicate 2 shapes" })).toBeVisible();
  await page.keyboard.press("Control+z");
  await expect.poll(() => colourAt(page, [740, 560])).toBe(FROND);
  await page.mouse.click(...(await onScreen(page, [740, 500])));
  await tool(page, "By points").click();
  await dragPage(page, [
    [800, 400],
    [860, 350],
    [900, 300],
  ]);
  await expect.poll(() => colourAt(page, [820, 385])).toBe(FROND);
  await page.getByRole("slider", { name: "Softness of the edge" }).press("End");
  await expect.poll(async () => (await artColour(page, [595, 500]))[3]).toBeLessThan(250);
  await isAccessible(page, "[aria-label=Tray]");
  const { bytes } = await save(page, "SVG");
  expect(bytes.toString()).toMatch(/data-soft="[\d.]+"[^>]*filter="url\(#spot-/);
});

test("flat-coloured art from elsewhere is tidied: fewer shapes, the same picture", async ({ page }) => {
  const svg = readFileSync("node_modules/@twemoji/svg/1f4e0.svg", "utf8");
  await openFile(page, "machine.svg", svg);
  await page.getByRole("button", { name: "Put it on the desk" }).click();
  await deskReady(page);
  await stage(page, "Flats").click();
  await tool(page, "Colour").click();
  await page.getByRole("button", { name: "Tidy shapes" }).click();
  await expect(page.getByText(/^\d+ shapes are \d+ now\./).first()).toBeVisible();
  await expect(page.getByRole("button", { name: "Undo: Tidy shapes" })).toBeVisible();
  const view = { x: 0, y: 0, width: 36, height: 36 };
  expect(hexOf(await artColour(page, [15.5, 25.5], view))).toBe("#ccd6dd");
  expect(hexOf(await artColour(page, [17.5, 25.5], view))).toBe("#66757f");
});

test("overlapping shapes without a stroke are poured region by region, their edges parting colours", async ({
  page,
}) => {
  const discs = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 1000 1000"><circle cx="400" cy="500" r="250" fill="#e0b050"/><circle cx="600" cy="500" r="250" fill="#6f9a4a"/></svg>`;
  await openFile(page, "discs.svg", discs);
  await page.getByRole("button", { name: "Put it on the desk" }).click();
  await deskReady(page);
  await stage(page, "Lines").click();
  await tool(page, "Look").click();
  await page.getByRole("switch", { name: "Edges of colour part colours" }).click();
  await expect(stage(page, "Flats")).toContainText("of 3 pockets");
  await stage(page, "Flats").click();
  await page.getByRole("button", { name: "Add a colour" }).click();
  await page.mouse.click(...(await onScreen(page, [500, 500])));
  await expect(stage(page, "Flats")).toContainText("1 of 3 pockets");
  await expect.poll(() => colourAt(page, [500, 500])).toBe("#9fb3a2");
  expect(await colourAt(page, [250, 500])).toBe("#e0b050");
  // By choice the shapes are cut there, so that nothing of them shows through what is faint.
  await page.getByRole("switch", { name: "Cut out of shapes" }).click();
  await page.getByRole("radio", { name: "1 darker", exact: true }).click();
  await expect(page.getByRole("switch", { name: "Cut out of shapes" })).toBeHidden();
  await page.getByRole("radio", { name: "In hand" }).click();
  await page.mouse.click(...(await onScreen(page, [500, 500])));
  await expect(page.getByRole("button", { name: "Undo: Pour pocket" })).toBeVisible();
  const cut = (await save(page, "SVG")).bytes.toString();
  expect(cut.match(/data-is="flat"[^>]*clip-path/g)).toHaveLength(2);
  expect(cut).toMatch(/data-is="pour"[^>]*data-cuts="yes"/);
});

test("flat-coloured art can be tidied on the way in; what becomes of each colour is seen", async ({
  page,
}) => {
  const near = ["#c23f5a", "#c2405b", "#c13f5a", "#6f9a4a"]
    .map((fill, i) => `<rect x="${100 + 200 * i}" y="100" width="201" height="300" fill="${fill}"/>`)
    .join("");
  const speck = `<rect x="901" y="200" width="1" height="2" fill="#5577cc"/>`;
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 1000 1000">${near}${speck}</svg>`;
  await openFile(page, "strips.svg", svg);
  const report = page.getByRole("dialog");
  await expect(report.getByText("#c13f5a, 3 uses; #c23f5a, #c2405b become this")).toBeAttached();
  await expect(report.getByText(/^5 shapes become 2: .* 1 too small or thin to see goes/)).toBeVisible();
  await isAccessible(page, "[role=dialog]");
  await report.getByRole("switch", { name: "Tidy them" }).click();
  await report.getByRole("button", { name: "Put it on the desk" }).click();
  await deskReady(page);
  const { bytes } = await save(page, "SVG");
  expect(bytes.toString().match(/data-is="flat"/g)).toHaveLength(2);
});
