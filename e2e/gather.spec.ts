/** Gathering pockets and pouring into them, on art from elsewhere. */
import { expect, type Page } from "@playwright/test";
import { stepOf } from "../core/colour/ladder.ts";
import { artColour, deskReady, isAccessible, openFile, said, save, stage, test, tool } from "./desk.ts";
import { colourAt, GARDEN, GARDEN_PAGE, GARDEN_POCKETS, spot } from "./garden.ts";

const [a, b, c, d] = GARDEN_POCKETS;
const ALL = GARDEN_POCKETS.length;
const FROND = { value: "#6f9a4a" };
const RADISH = { value: "#c23f5a" };

const at = (page: Page, { seed }: typeof a) => spot(page, seed);
const click = async (page: Page, pocket: typeof a) => page.mouse.click(...(await at(page, pocket)));
const colourIn = (page: Page, { seed }: typeof a) => colourAt(page, seed);
const gathered = (page: Page) => page.getByText(/^\d+ gathered$/);

async function open(page: Page): Promise<void> {
  await openFile(page, "garden.svg", GARDEN);
  await deskReady(page);
  await stage(page, "Flats").click();
}

async function pour(page: Page, colour: RegExp, ...pockets: (typeof a)[]): Promise<void> {
  await page.getByRole("region", { name: "Tin" }).getByRole("button", { name: colour }).click();
  for (const pocket of pockets) await click(page, pocket);
}

test("pockets are gathered by colour, bare ones, turned round, with held keys and by keys alone", async ({
  page,
}) => {
  await open(page);
  await pour(page, /^Frond/, a, b);
  await pour(page, /^Radish/, c);
  await tool(page, "Gather").click();
  await tool(page, "All alike").click();
  await click(page, a);
  await expect(gathered(page)).toHaveText("2 gathered");
  await page.keyboard.down("Shift");
  await click(page, c);
  await page.keyboard.up("Shift");
  await expect(gathered(page)).toHaveText("3 gathered");
  await page.keyboard.down("Alt");
  await click(page, b);
  await page.keyboard.up("Alt");
  await expect(gathered(page)).toHaveText("1 gathered");
  await page.locator("#paper").focus();
  await page.keyboard.press("b");
  await expect(gathered(page)).toHaveText(`${ALL - 3} gathered`);
  await page.keyboard.press("i");
  await expect(gathered(page)).toHaveText("3 gathered");
  await page.keyboard.press("]");
  await expect(said(page)).toContainText("1 of 3 gathered: Pocket");
  await page.keyboard.press("]");
  await expect(said(page)).toContainText("2 of 3 gathered: Pocket");
  await isAccessible(page, "[aria-label=Tray]");
});

test("what is gathered goes a step darker, each from its own colour, and back", async ({ page }) => {
  await open(page);
  await pour(page, /^Frond/, a, b);
  await pour(page, /^Radish/, c);
  await tool(page, "Gather").click();
  await page.keyboard.press("Control+a");
  await page.getByRole("button", { name: "Darker" }).click();
  await expect.poll(() => colourIn(page, a)).toBe(stepOf(FROND, -1));
  await expect.poll(() => colourIn(page, c)).toBe(stepOf(RADISH, -1));
  expect((await artColour(page, d.seed, GARDEN_PAGE))[3]).toBe(0);
  await page.getByRole("button", { name: "Lighter" }).click();
  await expect.poll(() => colourIn(page, b)).toBe(FROND.value);
  await page.getByRole("button", { name: "Shade what is gathered by the lamp" }).click();
  await expect(page.getByRole("button", { name: "Undo: Shade 3 pockets" })).toBeVisible();
  await expect(stage(page, "Light")).toContainText("3 shades");
});

test("pouring lays a step from what is there, or ink that follows the drawing's; files bring both back", async ({
  page,
}) => {
  await open(page);
  await pour(page, /^Frond/, a, b);
  await tool(page, "1 darker").click();
  await page.mouse.move(...(await at(page, a)));
  await page.mouse.down();
  await page.mouse.up();
  await click(page, a);
  await expect.poll(() => colourIn(page, a)).toBe(stepOf(FROND, -2));
  await tool(page, "Spot black").click();
  await click(page, b);
  await expect(page.getByRole("button", { name: "Undo: Spot black" })).toBeVisible();
  const ink = await colourIn(page, b);
  expect(ink).not.toBe(FROND.value);
  await stage(page, "Lines").click();
  await tool(page, "Arrange").click();
  await page.getByRole("button", { name: /^Radish/ }).click();
  await page.getByRole("button", { name: "Line colour" }).click();
  await page.getByRole("menuitem", { name: /^The drawing’s ink in Radish/ }).click();
  await expect.poll(() => colourIn(page, b)).toBe(RADISH.value);
  const { bytes } = await save(page, "SVG");
  await openFile(page, "again.svg", bytes.toString());
  await page.getByRole("button", { name: "Put it on the desk" }).click();
  await deskReady(page);
  await expect.poll(() => colourIn(page, b)).toBe(RADISH.value);
  expect(await colourIn(page, a)).toBe(stepOf(FROND, -2));
});

test("an undercoat lies under everything enclosed, beneath what is poured", async ({ page }) => {
  await open(page);
  await pour(page, /^Frond/, a);
  await page
    .getByRole("region", { name: "Tin" })
    .getByRole("button", { name: /^Seed paper/ })
    .click();
  await page.getByRole("switch", { name: "Undercoat" }).click();
  await expect.poll(() => colourIn(page, d)).toBe("#efe3c8");
  expect(await colourIn(page, a)).toBe(FROND.value);
  const { bytes } = await save(page, "SVG");
  expect(bytes.toString().match(/data-is="undercoat"/g)).toHaveLength(1);
  await openFile(page, "again.svg", bytes.toString());
  await page.getByRole("button", { name: "Put it on the desk" }).click();
  await deskReady(page);
  await expect.poll(() => colourIn(page, d)).toBe("#efe3c8");
  await expect(stage(page, "Flats")).toContainText(`1 of ${ALL} pockets`);
});

test("an undercoat lies in each part under its own pockets", async ({ page }) => {
  await open(page);
  await tool(page, "Gather").click();
  await click(page, a);
  await page.getByRole("button", { name: "Make a part" }).click();
  await expect(page.getByRole("list", { name: "Parts, front to back" }).locator("li")).toHaveCount(2);
  await tool(page, "Pour").click();
  await page
    .getByRole("region", { name: "Tin" })
    .getByRole("button", { name: /^Seed paper/ })
    .click();
  await page.getByRole("switch", { name: "Undercoat" }).click();
  for (const pocket of [a, b, d]) await expect.poll(() => colourIn(page, pocket)).toBe("#efe3c8");
  const { bytes } = await save(page, "SVG");
  expect(bytes.toString().match(/data-is="undercoat"/g)).toHaveLength(2);
});
