/** Help: every control that a page names is on the desk under that name, every page has its figure, and "?" opens it at its place. */
import { expect, type Page } from "@playwright/test";
import { HELP_PAGES } from "../app/help/pages.ts";
import { isAccessible, openDemo, openDrawer, openMore, openSection, stage, test } from "./desk.ts";

const help = (page: Page) => page.getByRole("dialog", { name: "Help" });

/** The names of all that can be pressed or read as a heading just now, without the figures in them. */
const names = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const SAYS =
      "button, a, input, select, h2, label, legend, [role=slider], [role=menuitem], [role=menuitemradio], [role=option], [data-setting]";
    return [...document.querySelectorAll(SAYS)].flatMap((el) => [
      el.getAttribute("aria-label") ?? "",
      el.getAttribute("data-setting") ?? "",
      el.textContent ?? "",
      ...[...el.children].map((child) => child.textContent ?? ""),
    ]);
  });

/** Without what is counted in them. */
const plain = (name: string): string =>
  name
    .replace(/\(.*\)|[\d%°…]+/g, "")
    .replace(/\s+/g, " ")
    .trim()
    .toLowerCase();

test("what its pages name is there, on the desk and in the drawer", async ({ page }) => {
  test.slow();
  const seen = new Set<string>();
  const look = async () => {
    for (const name of await names(page)) seen.add(plain(name));
  };
  await openDrawer(page);
  await look();
  await openDemo(page, "Boot with ferns, coloured");
  // Two colours that are hardly told apart, so that Judge has something to part.
  await page.getByRole("button", { name: "Change Deep fern" }).click();
  await page.getByLabel("Colour as hexadecimal").fill("#6f9a4b");
  await page.keyboard.press("Enter");
  await page.keyboard.press("Escape");
  await page.locator("#paper").focus();
  for (const name of ["Lines", "Gaps", "Flats", "Light", "Deliver"]) {
    await stage(page, name).click();
    const tools = await page
      .getByRole("radiogroup", { name: `Tools for ${name}` })
      .getByRole("radio")
      .all();
    for (const tool of tools) {
      await tool.click();
      await openMore(page);
      if ((await tool.textContent()) === "Lamp")
        for (const makes of ["Form", "Rim", "Shadow"]) {
          await page.getByRole("radio", { name: makes, exact: true }).click();
          await look();
        }
      await look();
    }
    for (const section of ["Snags", "Judge", "Light", "Lines", "Print size"]) {
      const there = page.getByRole("region", { name: section, exact: true });
      if (await there.isVisible()) await openSection(page, section);
      await look();
    }
  }
  for (const menu of ["Desk menu", "More of the tin"]) {
    await page.getByRole("button", { name: menu }).click();
    await look();
    await page.keyboard.press("Escape");
  }
  const named = new Set<string>();
  await page.goto("/help");
  for (const { name, title, figure } of HELP_PAGES) {
    await page.getByRole("button", { name: title, exact: true }).click();
    const article = page.locator(`[data-help="${name}"]`);
    for (const control of await article.locator("[data-control]").all())
      named.add(`${name}: ${(await control.getAttribute("data-control"))!}`);
    for (const link of await article.locator("[data-see]").all())
      expect(HELP_PAGES.map((one) => one.name)).toContain(await link.getAttribute("data-see"));
    const picture = article.getByRole("img", { name: figure });
    await expect
      .poll(() => picture.evaluate((img: HTMLImageElement) => img.naturalWidth))
      .toBeGreaterThan(100);
    await page.getByRole("button", { name: "All pages" }).click();
  }
  expect(named.size).toBeGreaterThan(60);
  expect([...named].filter((one) => !seen.has(plain(one.slice(one.indexOf(": ") + 2))))).toEqual([]);
});

test("“?” of panels, tools and sections opens the page at its place; the desk works on beside it", async ({
  page,
}) => {
  await openDemo(page, "Seedling in a pot");
  for (const [button, title] of [
    ["Help: The tin", "The tin"],
    ["Help: Snags", "Snags"],
    ["Help: Pouring", "Pouring"],
  ]) {
    await page.getByRole("button", { name: button, exact: true }).click();
    await expect(help(page).getByRole("heading", { name: title, exact: true })).toBeVisible();
    if (title !== "Pouring") await page.keyboard.press("Escape");
  }
  await isAccessible(page, "[role=dialog]");
  await page.getByRole("radio", { name: "Dab", exact: true }).click();
  await expect(help(page)).toBeVisible();
  await page.keyboard.press("F1");
  await expect(help(page).getByRole("heading", { name: "Dabs for loose drawings" })).toBeVisible();
  await help(page).getByRole("button", { name: "Close Help" }).click();
  await page.keyboard.press("Control+k");
  await page.getByRole("combobox", { name: "Find anything" }).fill("eyedropper");
  await page.getByRole("option", { name: /Pouring.*page of Help/ }).click();
  await expect(help(page).getByRole("heading", { name: "Pouring" })).toBeVisible();
});
