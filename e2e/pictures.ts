import { expect, type Page } from "@playwright/test";
import { clickPage, demoFile, dragPage, openDemo, paper, pocketsIn, stage, test } from "./desk.ts";

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
      await page.getByRole("radio", { name: "Adjust" }).click();
      await clickPage(page, [600, 866]);
    }
    await shoot(page, `desk-${name.toLowerCase()}`);
  }
});

test("a leak explained", async ({ page }) => {
  await openDemo(page, "Boot with ferns");
  await clickPage(page, [320, 800]);
  await page.mouse.move(10, 400);
  await shoot(page, "leak");
});

test("a reach tried on the lantern", async ({ page }) => {
  await openDemo(page, "Lantern in the shed");
  await stage(page, "Gaps").click();
  const slider = page.getByRole("slider", { name: "Reach" });
  await expect(page.getByRole("list", { name: "Openings, narrowest first" })).toBeVisible();
  const box = (await slider.boundingBox())!;
  await page.mouse.move(box.x + 7, box.y + 7);
  await page.mouse.down();
  await page.mouse.move(box.x + 90, box.y + 7, { steps: 20 });
  await shoot(page, "reach");
  await page.mouse.up();
});

test("pouring the lantern", async ({ page }) => {
  await openDemo(page, "Lantern in the shed");
  const pockets = pocketsIn(demoFile("lantern"));
  const colours = ["Dusk", "Rain barrel", "Enamel", "Lamp glow", "Terracotta"];
  for (const [i, name] of colours.entries()) {
    await page.getByRole("button", { name: new RegExp(`^${name}`) }).click();
    await dragPage(
      page,
      pockets.slice(i * 5, i * 5 + 2).map(({ seed }) => seed),
    );
  }
  await paper(page).hover();
  await shoot(page, "pouring");
});
