/** Line art that nobody here drew: four published icons on one page, in groups, every second one turned. */
import { readFileSync } from "node:fs";
import { expect, type Page } from "@playwright/test";
import { readSvg } from "../core/formats/svg-read.ts";
import { flatten } from "../core/geometry/cubic.ts";
import type { Point } from "../core/geometry/point.ts";
import { artColour, deskReady, hexOf, onScreen, openFile, pocketsIn, stage, tool } from "./desk.ts";

const NAMES = ["turtle", "grape", "rabbit", "carrot"];

const inner = (name: string): string =>
  readFileSync(`node_modules/lucide-static/icons/${name}.svg`, "utf8")
    .replace(/^[\s\S]*?<svg[^>]*>/, "")
    .replace("</svg>", "");

export const GARDEN = `<svg xmlns="http://www.w3.org/2000/svg" width="120mm" height="120mm" viewBox="0 0 60 60" fill="none" stroke="#222" stroke-width="1.4" stroke-linecap="round" stroke-linejoin="round">${NAMES.map(
  (name, i) =>
    `<g id="${name}" transform="translate(${(i % 2) * 30 + 3} ${Math.floor(i / 2) * 30 + 3})${i % 2 ? " rotate(8 12 12)" : ""}">${inner(name)}</g>`,
).join("")}</svg>`;

/** Its page, in page units. */
export const GARDEN_PAGE = readSvg(GARDEN).page.box;

/** Its pockets as the desk finds them, largest first. */
export const GARDEN_POCKETS = pocketsIn(GARDEN);

/** The colour in hand when a drawing opens. */
export const FROND = "#6f9a4a";

export const spot = (page: Page, at: Point) => onScreen(page, at, GARDEN_PAGE);
export const click = async (page: Page, at: Point) => page.mouse.click(...(await spot(page, at)));
export const colourAt = async (page: Page, at: Point) => hexOf(await artColour(page, at, GARDEN_PAGE));

/** Opens the garden, pours into these pockets, and goes to the light. */
export async function openGarden(page: Page, pockets: readonly { readonly seed: Point }[]): Promise<void> {
  await openFile(page, "garden.svg", GARDEN);
  await deskReady(page);
  await stage(page, "Flats").click();
  for (const { seed } of pockets) await click(page, seed);
  await expect.poll(() => colourAt(page, pockets[pockets.length - 1].seed)).toBe(FROND);
  await stage(page, "Light").click();
}

const FLOWER = readFileSync("node_modules/lucide-static/icons/flower.svg", "utf8");

/** Puts a flower, from elsewhere too, in the middle of it as a part of its own. */
export async function putInFlower(page: Page): Promise<void> {
  await stage(page, "Lines").click();
  await tool(page, "Arrange").click();
  await page
    .getByLabel("Put in a file as a part")
    .setInputFiles({ name: "flower.svg", mimeType: "image/svg+xml", buffer: Buffer.from(FLOWER) });
  await expect(page.getByRole("list", { name: "Parts, front to back" }).locator("li")).toHaveCount(2);
  await stage(page, "Flats").click();
  await page.getByRole("button", { name: /^Undo: Put in/ }).waitFor();
}

const LINES = readSvg(GARDEN).strokes.map(({ points, width }) => ({ flat: flatten(points, 0.005), width }));

/** How far a place is from the nearest ink. */
export function clearance([x, y]: Point): number {
  let least = Number.POSITIVE_INFINITY;
  for (const { flat, width } of LINES)
    for (let k = 0; k < flat.length; k += 2)
      least = Math.min(least, Math.hypot(flat[k] - x, flat[k + 1] - y) - width / 2);
  return least;
}
