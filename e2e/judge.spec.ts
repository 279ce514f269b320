/** Judging colours, and taking them as they are seen, on art from elsewhere. */
import { expect, type Page } from "@playwright/test";
import {
  artColour,
  deskReady,
  hexOf,
  isAccessible,
  onScreen,
  openFile,
  openSection,
  pick,
  stage,
  test,
} from "./desk.ts";
import { GARDEN, GARDEN_PAGE, GARDEN_POCKETS } from "./garden.ts";

const [a, b, c] = GARDEN_POCKETS;
const tin = (page: Page) => page.getByRole("region", { name: "Tin" });
const at = (page: Page, { seed }: typeof a) => onScreen(page, seed, GARDEN_PAGE);
const colourIn = async (page: Page, { seed }: typeof a) => hexOf(await artColour(page, seed, GARDEN_PAGE));

async function pour(page: Page, colour: RegExp, pocket: typeof a): Promise<void> {
  await tin(page).getByRole("button", { name: colour }).click();
  await page.mouse.click(...(await at(page, pocket)));
}

async function open(page: Page): Promise<void> {
  await openFile(page, "garden.svg", GARDEN);
  await deskReady(page);
  await stage(page, "Flats").click();
  await pour(page, /^Frond/, a);
  await pour(page, /^Radish/, b);
}

test("the picture is looked at in grey; charts and pockets light one another; near colours are parted", async ({
  page,
}) => {
  await open(page);
  await pour(page, /^Rain barrel/, c);
  const art = page.locator('canvas[data-layer="art"]').locator("..");
  await openSection(page, "Judge");
  await pick(page, "How the picture is looked at", "In grey");
  await expect(art).toHaveCSS("filter", /look-grey/);
  const bars = page.getByRole("list", { name: "Area by colour" }).getByRole("button");
  await expect(bars).toHaveCount(3);
  // An undercoat counts where nothing lies over it, a colour shape where it is seen.
  await tin(page)
    .getByRole("button", { name: /^Marigold/ })
    .click();
  await page.getByRole("switch", { name: "Undercoat" }).click();
  await expect(bars).toHaveCount(4);
  await page.mouse.move(...(await at(page, b)));
  await expect(page.locator("[data-lit]").first()).toHaveAccessibleName(/^Radish/);
  const near = page.getByRole("list", { name: "Colours too near to tell apart" });
  await expect(near).toContainText("hardly differ");
  await openSection(page, "Snags");
  await expect(page.getByRole("button", { name: /^Colours too near/ })).toContainText("1");
  await stage(page, "Lines").click();
  await page.getByRole("button", { name: /^Colours too near/ }).press("Enter");
  await expect(near.getByRole("button", { name: "Part them" }).first()).toBeFocused();
  await page.keyboard.press("Enter");
  await expect(near).toHaveCount(0);
  await expect(page.getByText("All colours can be told apart.")).toBeVisible();
  await isAccessible(page);
  await stage(page, "Lines").click();
  await expect(art).toHaveCSS("filter", "none");
});

test("a colour is taken as it is seen under shade: a new colour, or the step that looks so", async ({
  page,
}) => {
  await open(page);
  await stage(page, "Light").click();
  await tin(page).getByRole("button", { name: /^Dusk/ }).click();
  const [x, y] = await at(page, a);
  await page.mouse.move(x - 6, y - 6);
  await page.mouse.down();
  for (const [dx, dy] of [
    [6, -6],
    [6, 6],
    [-6, 6],
    [-6, -5],
  ])
    await page.mouse.move(x + dx, y + dy, { steps: 4 });
  await page.mouse.up();
  await expect.poll(() => colourIn(page, a)).not.toBe("#6f9a4a");
  const seen = await colourIn(page, a);
  await stage(page, "Flats").click();
  await page.mouse.move(x, y);
  await page.keyboard.down("Shift");
  await page.keyboard.down("D");
  await page.mouse.click(x, y);
  await page.keyboard.up("D");
  await page.keyboard.up("Shift");
  await expect(page.getByText(/No step of the tin looks like this: .* was put in/).first()).toBeVisible();
  await page.mouse.click(...(await at(page, c)));
  await expect.poll(() => colourIn(page, c)).toBe(seen);
});
