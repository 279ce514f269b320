/** Colouring a loose drawing from elsewhere with dabs: touches that find for themselves how far they go. */
import { readFileSync } from "node:fs";
import { expect, type Page } from "@playwright/test";
import { readSvg } from "../core/formats/svg-read.ts";
import type { Point } from "../core/geometry/point.ts";
import { loosened } from "../testing/loose-lines.ts";
import { randomFrom } from "../testing/random.ts";
import {
  artColour,
  deskReady,
  dragPage,
  hexOf,
  isAccessible,
  isKept,
  onScreen,
  openFile,
  paper,
  pocketsIn,
  said,
  stage,
  test,
  tool,
  undo,
} from "./desk.ts";

/** A published ear of wheat on a page 1000 wide, whole and with a sixth of each line gone. */
const BODY = readFileSync("node_modules/lucide-static/icons/wheat.svg", "utf8").replace(
  /<\/?svg[^>]*>|<!--.*?-->/g,
  "",
);
const WHOLE = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 1000 1000"><g fill="none" stroke="#222" stroke-width="0.25" transform="scale(41.6)">${BODY}</g></svg>`;
const LEAVES = pocketsIn(WHOLE).filter(({ area }) => area > 5000);
const LOOSE = (() => {
  const { strokes } = readSvg(WHOLE);
  const paths = loosened(strokes, 1000, randomFrom(3)).map(({ points: [x, y, ...rest] }) => {
    const curves = Array.from({ length: rest.length / 6 }, (_, k) => `C${rest.slice(6 * k, 6 * k + 6)}`);
    return `<path d="M${x},${y}${curves.join("")}"/>`;
  });
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 1000 1000"><g fill="none" stroke="#222" stroke-width="9">${paths.join("")}</g></svg>`;
})();

const FROND = "#6f9a4a";
const MARIGOLD = "#e6a93a";

async function open(page: Page): Promise<void> {
  await openFile(page, "loose-wheat.svg", LOOSE);
  await deskReady(page);
  await stage(page, "Flats").click();
  await tool(page, "Dab").click();
}

const touch = ([x, y]: Point): Point[] => [
  [x - 12, y],
  [x + 12, y + 4],
];

async function takeUp(page: Page, colour: RegExp): Promise<void> {
  await page.getByRole("region", { name: "Tin" }).getByRole("button", { name: colour }).click();
}

const colourAt = async (page: Page, at: Point): Promise<string> => hexOf(await artColour(page, at));

test("a few touches colour a loose drawing: seen at once, kept over a reload, taken as one step and undone", async ({
  page,
}) => {
  await open(page);
  await expect(stage(page, "Flats")).toContainText("0 of");
  await dragPage(page, touch(LEAVES[0].seed));
  await expect(said(page)).toContainText(/^dab 1, Frond: would colour 1 region through \d+ openings?, .*mm/);
  await takeUp(page, /^Marigold/);
  await dragPage(page, touch(LEAVES[3].seed));
  await expect(said(page)).toContainText("dab 2, Marigold: would colour 1 region");
  await expect(page.getByRole("button", { name: /^Dabs not taken/ })).toContainText("2");
  await isAccessible(page, "[aria-label=Tray]");
  await isKept(page);
  await page.reload();
  await deskReady(page);
  await stage(page, "Flats").click();
  await page.getByRole("button", { name: /^Dabs not taken/ }).click();
  await expect(page.getByText(/^2 dabs: 2 regions/)).toBeVisible();
  await page.getByRole("button", { name: "Take it" }).click();
  await expect.poll(() => colourAt(page, LEAVES[0].seed)).toBe(FROND);
  expect(await colourAt(page, LEAVES[3].seed)).toBe(MARIGOLD);
  await expect(said(page)).toContainText("2 pockets coloured, closed by");
  await undo(page, "Take 2 dabs").click();
  await expect(page.getByText(/^2 dabs: 2 regions/)).toBeVisible();
  await undo(page, "Dab").click();
  await expect(page.getByText(/^1 dab: 1 region/)).toBeVisible();
});

test("dabs are given up one by one or together, one region is taken alone, and bare ones hold colour off", async ({
  page,
}) => {
  await open(page);
  const [first, second] = [LEAVES[0].seed, LEAVES[3].seed];
  await dragPage(page, touch(first));
  await takeUp(page, /^Marigold/);
  await dragPage(page, touch(second));
  await expect(page.getByText(/^2 dabs: 2 regions/)).toBeVisible();
  await page.mouse.click(...(await onScreen(page, first)), { button: "right" });
  await page.getByRole("menuitem", { name: /^Take this region/ }).click();
  await expect.poll(() => colourAt(page, first)).toBe(FROND);
  await expect(page.getByText(/^1 dab: 1 region/)).toBeVisible();
  await page.keyboard.down("Alt");
  await dragPage(page, touch([second[0] + 20, second[1] + 20]));
  await page.keyboard.up("Alt");
  await expect(said(page)).toContainText("dab 2, bare: keeps its place bare");
  await page.mouse.click(...(await onScreen(page, [second[0] + 20, second[1] + 20])), { button: "right" });
  await page.getByRole("menuitem", { name: "Give up this dab" }).click();
  await expect(page.getByText(/^1 dab: 1 region/)).toBeVisible();
  await page.getByRole("button", { name: "Give up", exact: true }).click();
  await expect(page.getByText("Touch what is to be coloured, closed or not.")).toBeVisible();
  await expect(page.getByRole("button", { name: "Take it" })).toBeDisabled();
});

test("dabs work by keys alone, and a locked sheet refuses them with a sentence", async ({ page }) => {
  await open(page);
  await paper(page).focus();
  await page.keyboard.press("k");
  await page.keyboard.press("Enter");
  await page.keyboard.press("Enter");
  await expect(said(page)).toContainText("dab 1, Frond: would colour");
  await page.keyboard.press("Backspace");
  await expect(page.getByText("Touch what is to be coloured, closed or not.")).toBeVisible();
  await page.getByRole("button", { name: "Lock flats" }).click();
  await dragPage(page, touch(LEAVES[0].seed));
  await expect(page.getByText(/locked/).first()).toBeVisible();
  await expect(page.getByText("Touch what is to be coloured, closed or not.")).toBeVisible();
});
