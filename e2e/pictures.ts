import { expect, type Page } from "@playwright/test";
import { HARD_CASES } from "../testing/hard-svgs.ts";
import {
  AROUND_FERNS,
  clickPage,
  dragPage,
  onScreen,
  openDemo,
  openFile,
  stage,
  test,
  typeNumber,
} from "./desk.ts";

const shoot = async (page: Page, name: string) => {
  await page.waitForTimeout(900);
  await page.screenshot({ path: `docs/screenshots/${name}.png` });
};

test("drawer", async ({ page }) => {
  await openDemo(page, "Boot with ferns, coloured");
  await page.waitForTimeout(1500);
  await page.getByRole("link", { name: "Back to the drawer" }).click();
  await shoot(page, "drawer");
});

test("the coloured boot in every stage", async ({ page }) => {
  await openDemo(page, "Boot with ferns, coloured");
  for (const name of ["Lines", "Gaps", "Flats", "Light", "Deliver"]) {
    await stage(page, name).click();
    if (name === "Light") {
      await page.getByRole("radio", { name: "Shapes", exact: true }).click();
      await clickPage(page, [600, 866]);
    }
    await shoot(page, `desk-${name.toLowerCase()}`);
  }
});

test("the lamp in the shed", async ({ page }) => {
  await openDemo(page, "Lantern in the shed, coloured");
  await stage(page, "Light").click();
  await page.getByRole("radio", { name: "Lamp", exact: true }).click();
  await page.waitForFunction(() => /Shade\s*\d/.test(document.body.innerText));
  await shoot(page, "lamp");
});

test("a leak explained", async ({ page }) => {
  await openDemo(page, "Boot with ferns");
  await clickPage(page, [320, 800]);
  await page.mouse.move(10, 400);
  await shoot(page, "leak");
});

test("files to take home, and versions", async ({ page }) => {
  await openDemo(page, "Kettle on the potting bench, coloured");
  await page.getByRole("button", { name: "Versions", exact: true }).click();
  await page.getByLabel("Name of the version").fill("With shade");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("button", { name: /^With shade/ })).toBeVisible();
  await page.keyboard.press("Escape");
  await page.getByRole("button", { name: "Hide shade" }).click();
  await page.getByRole("button", { name: "Versions", exact: true }).click();
  await page.getByRole("img", { name: "The drawing now" }).waitFor();
  await shoot(page, "versions");
  await page.keyboard.press("Escape");
  await page.getByRole("button", { name: "Show shade" }).click();
  await stage(page, "Deliver").click();
  await page.getByRole("button", { name: "More files" }).click();
  const saved = page.waitForEvent("download");
  await page.getByRole("checkbox", { name: /^PDF/ }).check();
  await page.getByRole("button", { name: "Save them" }).click();
  await saved;
  await expect(page.getByText(/about \d+ kB/)).toBeVisible();
  await shoot(page, "take-home");
});

test("what came in from an SVG", async ({ page }) => {
  const text = HARD_CASES["flats over lines"].replace("</svg>", "<text>October sheet</text></svg>");
  await openFile(page, "garden-plan.svg", text);
  await expect(page.getByRole("dialog")).toBeVisible();
  await shoot(page, "import");
});

test("a scan read as centre lines", async ({ page }) => {
  await page.goto("/scan?demo=almanac-radishes.png");
  await expect(page.getByText(/lines, \d+ points/)).toBeVisible({ timeout: 40_000 });
  await shoot(page, "scan");
});

test("the tools for lines", async ({ page }) => {
  await openDemo(page, "Sprig drawn with nibs");
  await stage(page, "Lines").click();
  await page.getByRole("button", { name: /^Nib:/ }).click();
  await shoot(page, "nibs");
  await page.keyboard.press("Escape");
  await page.getByRole("radio", { name: "Arrange" }).click();
  await dragPage(page, [
    [505, 700],
    [505, 430],
    [840, 320],
    [840, 700],
    [520, 705],
  ]);
  await shoot(page, "arrange");
});

test("the menu at the pointer, beside the list of lines", async ({ page }) => {
  await openDemo(page, "Lantern in the shed");
  await stage(page, "Lines").click();
  await page.getByRole("radio", { name: "Arrange" }).click();
  const list = page.getByRole("list", { name: /^Lines, front to back/ });
  for (const row of [4, 6]) await list.getByRole("button", { name: /^Hide/ }).nth(row).click();
  await list.getByRole("button", { name: /^Lock/ }).nth(8).click();
  await page.mouse.click(...(await onScreen(page, [500, 905])), { button: "right" });
  await shoot(page, "menu");
});

test("tidying", async ({ page }) => {
  await openDemo(page, "Snail on a rain barrel");
  await stage(page, "Lines").click();
  await page.getByRole("radio", { name: "Tidy" }).click();
  await typeNumber(page.getByLabel("Tolerance"), "0.3");
  await clickPage(page, [520, 386]);
  await page.waitForTimeout(600);
  await shoot(page, "tidy");
});

test("the ferns as a part, chosen to be moved", async ({ page }) => {
  await openDemo(page, "Boot with ferns, coloured");
  await page.getByRole("radio", { name: "Gather" }).click();
  await dragPage(page, AROUND_FERNS);
  await page.getByRole("button", { name: "Make a part" }).click();
  await page.getByRole("button", { name: "Part 2", exact: true }).dblclick();
  await page.getByLabel("Name of the part").fill("Ferns");
  await page.keyboard.press("Enter");
  await page.getByRole("button", { name: "Ferns", exact: true }).click();
  await shoot(page, "parts");
});

test("colourways side by side, and a palette out of a picture", async ({ page }) => {
  await openDemo(page, "Kettle on the potting bench, coloured");
  const inTinMenu = async (word: string) => {
    await page.getByRole("button", { name: "More of the tin" }).click();
    await page.getByRole("menuitem", { name: word }).click();
  };
  await inTinMenu("Colourways…");
  await expect(page.getByRole("dialog").getByRole("img")).toHaveCount(2);
  await shoot(page, "colourways");
  await page.keyboard.press("Escape");
  await inTinMenu("Colours from a picture…");
  await page.getByRole("dialog").locator("input[type=file]").setInputFiles("docs/screenshots/desk-flats.png");
  await expect(page.getByRole("checkbox")).toHaveCount(8);
  await page.getByRole("checkbox").nth(5).hover();
  await shoot(page, "palette");
});
