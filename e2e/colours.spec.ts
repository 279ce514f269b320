/** The tin on art from elsewhere: groups, ladders, colourways, palettes out of pictures and files. */
import { expect, type Page } from "@playwright/test";
import { encode } from "fast-png";
import { unzipSync } from "fflate";
import { LADDER, stepOf } from "../core/colour/ladder.ts";
import { apart } from "../core/colour/oklch.ts";
import { artColour, deskReady, isAccessible, openFile, save, stage, test, typeNumber } from "./desk.ts";
import { colourAt, FROND, GARDEN, GARDEN_PAGE, GARDEN_POCKETS, spot } from "./garden.ts";

const [first, second] = GARDEN_POCKETS;

const open = async (page: Page) => {
  await openFile(page, "garden.svg", GARDEN);
  await deskReady(page);
  await stage(page, "Flats").click();
};
const pourInto = async (page: Page, { seed }: typeof first) => page.mouse.click(...(await spot(page, seed)));
const colourIn = (page: Page, { seed }: typeof first) => colourAt(page, seed);
/** Where a pocket is, as shares of the page. */
const shareOf = ({ seed: [x, y] }: typeof first) => [
  (x - GARDEN_PAGE.x) / GARDEN_PAGE.width,
  (y - GARDEN_PAGE.y) / GARDEN_PAGE.height,
];
const tin = (page: Page) => page.getByRole("region", { name: "Tin" });
const inTinMenu = async (page: Page, ...words: string[]) => {
  await page.getByRole("button", { name: "More of the tin" }).click();
  for (const word of words) await page.getByRole("menuitem", { name: word }).click();
};
test("a new colour is named at once, and its name is no key for the paper", async ({ page }) => {
  await open(page);
  await page.getByRole("button", { name: "Add a colour" }).click();
  await page.keyboard.type("Sky 4");
  await page.keyboard.press("Enter");
  const well = page.getByRole("region", { name: "Tin" }).getByRole("button", { name: /^Sky 4/ });
  await expect(well).toBeFocused();
  await expect(stage(page, "Flats")).toHaveAttribute("aria-current", "step");
});

test("colours stand in groups, are named in place, and go as is said", async ({ page }) => {
  await open(page);
  await pourInto(page, first);
  await page.getByRole("button", { name: "Change Frond" }).click();
  await page.getByLabel("Group").fill("Leaves");
  await page.keyboard.press("Enter");
  await isAccessible(page, "[role=dialog]");
  await page.keyboard.press("Escape");
  await expect(tin(page).getByRole("listitem").nth(-2)).toContainText("Leaves");
  await expect(tin(page).getByRole("listitem").last()).toContainText("Frond");
  await page.getByRole("button", { name: "Leaves", exact: true }).click();
  await page.keyboard.type("Beds");
  await page.keyboard.press("Enter");
  await expect(tin(page).getByRole("button", { name: "Beds", exact: true })).toBeVisible();
  await tin(page)
    .getByRole("button", { name: /^Frond/ })
    .press("F2");
  await page.keyboard.type("Kale");
  await page.keyboard.press("Enter");
  await page.getByRole("button", { name: "Change Kale" }).click();
  await page.getByLabel("Its place is then").selectOption("empty");
  await page.getByRole("button", { name: "Remove Kale" }).click();
  await expect.poll(async () => (await artColour(page, first.seed, GARDEN_PAGE))[3]).toBe(0);
  await page.keyboard.press("Control+z");
  await expect.poll(() => colourIn(page, first)).toBe(FROND);
});

test("a ladder has as many steps as are asked for, and one set by hand follows its colour", async ({
  page,
}) => {
  await open(page);
  const rungs = page.getByRole("radiogroup", { name: "Ladder of Frond" }).getByRole("radio");
  await expect(rungs).toHaveCount(7);
  await page.getByRole("radio", { name: "Frond 1 darker" }).click();
  await pourInto(page, first);
  await expect.poll(() => colourIn(page, first)).toBe(stepOf({ value: FROND }, -1));
  await page.getByRole("button", { name: "Change the ladder of Frond" }).click();
  await typeNumber(page.getByRole("spinbutton", { name: "Steps" }), "5");
  await expect(rungs).toHaveCount(5);
  const hex = page.getByLabel("Step as hexadecimal");
  await expect(hex).toHaveValue(stepOf({ value: FROND, ladder: { ...LADDER, steps: 5 } }, -1));
  await hex.fill("#204060");
  await expect.poll(async () => apart(await colourIn(page, first), "#204060")).toBeLessThan(1.5);
  await isAccessible(page, "[role=dialog]");
  await page.keyboard.press("Escape");
  await expect(page.getByRole("radio", { name: "Frond 1 darker, set by hand" })).toBeChecked();
});

test("colourways lie side by side, a key steps through them, and a file has them all", async ({ page }) => {
  await open(page);
  await pourInto(page, first);
  await inTinMenu(page, "Colourways…");
  await page.getByRole("button", { name: "Copy First colours" }).click();
  const dialog = page.getByRole("dialog");
  await expect(dialog.getByRole("img")).toHaveCount(2);
  await dialog.getByLabel("Hue", { exact: true }).focus();
  for (let i = 0; i < 20; i++) await page.keyboard.press("ArrowRight");
  const pictures = page.getByRole("dialog").getByRole("img");
  const pixel = (which: number) =>
    pictures.nth(which).evaluate(async (image: HTMLImageElement, at) => {
      await image.decode();
      const context = new OffscreenCanvas(200, 200).getContext("2d")!;
      context.drawImage(image, 0, 0, 200, 200);
      return [...context.getImageData(200 * at[0], 200 * at[1], 1, 1).data].join();
    }, shareOf(first));
  await expect.poll(() => pixel(1)).not.toBe(await pixel(0));
  await isAccessible(page, "[role=dialog]");
  await page.keyboard.press("Escape");
  await expect.poll(() => colourIn(page, first)).not.toBe(FROND);
  const turned = await colourIn(page, first);
  await page.keyboard.press("c");
  await expect.poll(() => colourIn(page, first)).toBe(FROND);
  await page.keyboard.press("Shift+C");
  await expect.poll(() => colourIn(page, first)).toBe(turned);
  const svg = (await save(page, "SVG")).bytes.toString();
  const viewed = await page.context().newPage();
  const seen = async (way: string) => {
    const text = svg.replace('data-colourway="colourway-2"', `data-colourway="${way}"`);
    await viewed.setContent(text);
    return viewed.locator('[data-is="pour"]').evaluate((path) => getComputedStyle(path).fill);
  };
  const rgb = (hex: string) =>
    `rgb(${[1, 3, 5].map((k) => Number.parseInt(hex.slice(k, k + 2), 16)).join(", ")})`;
  expect(await seen("colourway-2")).toBe(rgb(turned));
  expect(await seen("first-colours")).toBe(rgb(FROND));
  await page.getByLabel("Colourway to deliver").selectOption("in each colourway");
  const { name, bytes } = await save(page, "PNG");
  expect(name).toBe("garden.zip");
  expect(Object.keys(unzipSync(bytes)).sort()).toEqual([
    "garden-Colourway-2.png",
    "garden-First-colours.png",
  ]);
  await openFile(page, "again.svg", svg);
  await page.getByRole("button", { name: "Put it on the desk" }).click();
  await deskReady(page);
  await expect(page.getByRole("button", { name: "Colourway: Colourway 2" })).toBeVisible();
});

test("a picture gives its colours, to the tin or as a colourway", async ({ page }) => {
  await open(page);
  await pourInto(page, first);
  const known = ["#204060", "#e0b050", "#f2efe6"];
  const data = new Uint8Array(3 * 90 * 60);
  for (let k = 0; k < 90 * 60; k++)
    data.set(
      known[Math.floor((k % 90) / 30)].match(/[0-9a-f]{2}/g)!.map((n) => Number.parseInt(n, 16)),
      3 * k,
    );
  const picture = { name: "tile.png", mimeType: "image/png" };
  const buffer = Buffer.from(encode({ width: 90, height: 60, data, channels: 3 }));
  await inTinMenu(page, "Colours from a picture…");
  const dialog = page.getByRole("dialog");
  await dialog
    .locator("input[type=file]")
    .setInputFiles({ name: "no.png", mimeType: "image/png", buffer: Buffer.from("no") });
  await expect(dialog.getByText("This is not a picture that can be read here.")).toBeVisible();
  await dialog.locator("input[type=file]").setInputFiles({ ...picture, buffer });
  await dialog.getByLabel("How many colours").focus();
  await page.keyboard.press("Home");
  await page.keyboard.press("PageUp");
  await expect(dialog.getByRole("checkbox")).not.toHaveCount(0);
  await isAccessible(page, "[role=dialog]");
  await dialog.getByLabel("How many colours").focus();
  await page.keyboard.press("Home");
  await page.keyboard.press("ArrowRight");
  await expect(dialog.getByRole("checkbox")).toHaveCount(3);
  await dialog.getByLabel("Name of #204060").fill("Night rain");
  await dialog.getByRole("button", { name: "Put 3 colours in the tin" }).click();
  await tin(page)
    .getByRole("button", { name: /^Night rain/ })
    .click();
  await pourInto(page, second);
  await expect.poll(() => colourIn(page, second)).toBe("#204060");
});

test("a palette goes out and comes into another drawing; what is none is told", async ({ page }) => {
  await open(page);
  await page.getByRole("button", { name: "Change Frond" }).click();
  await page.getByLabel("Colour as hexadecimal").fill("#123456");
  await page.keyboard.press("Escape");
  await inTinMenu(page, "Colourways…");
  await page.getByRole("button", { name: "Copy First colours" }).click();
  await page.getByRole("dialog").getByLabel("Hue", { exact: true }).focus();
  for (let i = 0; i < 20; i++) await page.keyboard.press("ArrowRight");
  await page.keyboard.press("Escape");
  const waiting = page.waitForEvent("download");
  await inTinMenu(page, "Save the palette as", "Design tokens");
  const path = await (await waiting).path();
  await open(page);
  await page
    .getByLabel("Palette to bring in")
    .setInputFiles({ name: "diary.txt", mimeType: "text/plain", buffer: Buffer.from("Dear diary") });
  await expect(page.getByText(/“diary.txt” was not brought in/).first()).toBeVisible();
  await page.getByLabel("Palette to bring in").setInputFiles(path);
  await expect(page.getByText(/1 colour put in the tin; 12 were there already/).first()).toBeVisible();
  await page.keyboard.press("c");
  await expect(page.getByRole("button", { name: "Colourway: Colourway 2" })).toBeVisible();
  await inTinMenu(page, "Take from another drawing", "garden");
  await expect(page.getByText(/0 colours put in the tin; 13 were there already/).first()).toBeVisible();
});
