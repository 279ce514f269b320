import { expect, type Page } from "@playwright/test";
import type { Point } from "../core/geometry/point.ts";
import {
  AROUND_FERNS,
  clickPage,
  closeMore,
  dragPage,
  fromMenu,
  openDemo,
  openDrawer,
  openMore,
  stage,
  test,
} from "./desk.ts";

const shoot = async (page: Page, name: string) => {
  await page.waitForTimeout(900);
  await page.screenshot({ path: `docs/screenshots/${name}.png` });
};

/** With nothing over the foot of the paper. */
async function open(page: Page, title: string): Promise<void> {
  await openDemo(page, title);
  await closeMore(page);
}

test("drawer", async ({ page }) => {
  await openDemo(page, "Boot with ferns, coloured");
  await page.waitForTimeout(1500);
  await page.getByRole("link", { name: "Back to the drawer" }).click();
  await shoot(page, "drawer");
});

test("the coloured boot in every stage", async ({ page }) => {
  await open(page, "Boot with ferns, coloured");
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

test("dabs on a loose drawing", async ({ page }) => {
  await open(page, "Pumpkins by the path");
  await stage(page, "Flats").click();
  await page.getByRole("radio", { name: "Dab", exact: true }).click();
  for (const [colour, from, to] of DABS) {
    await page.getByRole("region", { name: "Tin" }).getByRole("button", { name: colour }).click();
    await dragPage(page, [from, to]);
  }
  await page.waitForFunction(() => /8 dabs: 8 regions/.test(document.body.innerText));
  await shoot(page, "dabs");
});

const DABS: readonly [colour: RegExp, from: Point, to: Point][] = [
  [/^Terracotta/, [395, 500], [400, 620]],
  [/^Marigold/, [280, 520], [285, 600]],
  [/^Marigold/, [510, 520], [512, 600]],
  [/^Terracotta/, [190, 520], [192, 580]],
  [/^Terracotta/, [600, 520], [602, 570]],
  [/^Frond/, [240, 250], [270, 260]],
  [/^Frond/, [405, 340], [400, 370]],
  [/^Dusk/, [560, 740], [620, 770]],
];

test("files to take home, and versions", async ({ page }) => {
  await open(page, "Kettle on the potting bench, coloured");
  await fromMenu(page, "Versions");
  await page.getByLabel("Name of the version").fill("With shade");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("button", { name: /^With shade/ })).toBeVisible();
  await page.keyboard.press("Escape");
  await page.getByRole("button", { name: "Hide shade" }).click();
  await fromMenu(page, "Versions");
  await page.getByRole("img", { name: "The drawing now" }).waitFor();
  await shoot(page, "versions");
  await page.keyboard.press("Escape");
  await page.getByRole("button", { name: "Show shade" }).click();
  await stage(page, "Deliver").click();
  await openMore(page);
  await page.getByRole("button", { name: "More files" }).click();
  const saved = page.waitForEvent("download");
  await page.getByRole("checkbox", { name: /^PDF/ }).check();
  await page.getByRole("button", { name: "Save them" }).click();
  await saved;
  await expect(page.getByText(/about \d+ kB/)).toBeVisible();
  await shoot(page, "take-home");
});

test("a scan read as centre lines", async ({ page }) => {
  await page.goto("/scan?demo=almanac-radishes.png");
  await expect(page.getByText(/lines, \d+ points/)).toBeVisible({ timeout: 40_000 });
  await shoot(page, "scan");
});

test("lines arranged", async ({ page }) => {
  await openDemo(page, "Sprig drawn with nibs");
  await stage(page, "Lines").click();
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

test("a colour on its plane, and Find in a dark room", async ({ page }) => {
  await open(page, "Kettle on the potting bench, coloured");
  await page.getByRole("button", { name: "Change Terracotta" }).click();
  await shoot(page, "colour");
  await page.keyboard.press("Escape");
  for (const words of ["dark frame", "shadow"]) {
    await page.keyboard.press("Control+k");
    await page.getByRole("combobox", { name: "Find anything" }).fill(words);
    if (words === "dark frame") await page.keyboard.press("Enter");
  }
  await shoot(page, "find");
});

test("tablets", async ({ browser, baseURL }) => {
  for (const [width, height, name] of [
    [1180, 820, "tablet"],
    [820, 1180, "tablet-upright"],
  ] as const) {
    const context = await browser.newContext({
      baseURL,
      viewport: { width, height },
      hasTouch: true,
      isMobile: true,
    });
    const page = await context.newPage();
    await openDemo(
      page,
      name === "tablet" ? "Snail on a rain barrel, coloured" : "Boot with ferns, coloured",
    );
    await closeMore(page);
    if (name === "tablet") {
      await stage(page, "Light").tap();
      await page.getByRole("radio", { name: "Lamp", exact: true }).tap();
    }
    await page.getByRole("button", { name: name === "tablet" ? "Press panel" : "Tin panel" }).tap();
    await shoot(page, name);
    await context.close();
  }
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

test("colourways side by side", async ({ page }) => {
  await open(page, "Kettle on the potting bench, coloured");
  await page.getByRole("button", { name: "More of the tin" }).click();
  await page.getByRole("menuitem", { name: "Colourways…" }).click();
  await expect(page.getByRole("dialog").getByRole("img")).toHaveCount(2);
  await shoot(page, "colourways");
});

test("the guided spot at its second step, with Help beside it", async ({ page }) => {
  await openDrawer(page);
  await page.getByRole("button", { name: "Show me" }).click();
  await page.waitForURL(/\/desk\//);
  await page
    .getByRole("region", { name: "Tin" })
    .getByRole("button", { name: /^Terracotta/ })
    .click();
  await expect(stage(page, "Flats")).toContainText("0 of 5 pockets");
  const rim = (await page.getByTestId("show-me-ring").boundingBox())!;
  await page.mouse.click(rim.x + rim.width / 2, rim.y + rim.height / 2);
  await page.getByRole("button", { name: "Help: Pouring" }).click();
  await shoot(page, "show-me");
});
