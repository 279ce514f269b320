/** Versions: kept, looked at beside the present, returned to, branched; and undo through all of it. */
import { expect, type Page } from "@playwright/test";
import type { Point } from "../core/geometry/point.ts";
import {
  clickPage,
  demoFile,
  fromMenu,
  isAccessible,
  isKept,
  openDemo,
  pocketsIn,
  stage,
  test,
  undo,
} from "./desk.ts";

const LANTERN = "Lantern in the shed";
const lantern = pocketsIn(demoFile("lantern"));
const poured = (page: Page, count: number) =>
  expect(stage(page, "Flats")).toContainText(`${count} of ${lantern.length} pockets`);
const pour = (page: Page, index: number) => clickPage(page, lantern[index].seed as Point);
const versions = (page: Page) => page.getByRole("dialog", { name: "Versions" });
const openVersions = (page: Page) => fromMenu(page, "Versions");

test("a version is named, returned to as a step, and opened as a drawing of its own", async ({ page }) => {
  test.slow();
  await openDemo(page, LANTERN);
  await pour(page, 0);
  await poured(page, 1);
  await openVersions(page);
  await expect(versions(page).getByText(/^None yet/)).toBeVisible();
  await versions(page).getByLabel("Name of the version").fill("One colour");
  await page.keyboard.press("Enter");
  const kept = versions(page).getByRole("button", { name: /One colour/ });
  await expect(kept).toBeVisible();
  await expect(versions(page).getByRole("img", { name: "The drawing as One colour" })).toBeVisible();
  await expect(versions(page).getByRole("img", { name: "The drawing now" })).toBeVisible();
  await isAccessible(page, "[role=dialog]");
  await page.keyboard.press("Escape");
  await pour(page, 1);
  await pour(page, 2);
  await poured(page, 3);
  await isKept(page);
  await page.reload();
  await poured(page, 3);
  await openVersions(page);
  await versions(page).getByRole("button", { name: "Go back to it" }).click();
  await poured(page, 1);
  await undo(page, "Go back to One colour").click();
  await poured(page, 3);
  await openVersions(page);
  await expect(
    versions(page)
      .getByText(/kept by itself/)
      .first(),
  ).toBeVisible();
  await versions(page)
    .getByRole("button", { name: /^One colour/ })
    .click();
  await versions(page).getByLabel("Name of this version").fill("Only one");
  await page.keyboard.press("Enter");
  await versions(page)
    .getByRole("button", { name: /^Only one/ })
    .click();
  await versions(page).getByRole("button", { name: "Open as a new drawing" }).click();
  await poured(page, 1);
  await expect(page.getByRole("link", { name: "Back to the drawer" })).toContainText("Only one");
  await page.goBack();
  await poured(page, 3);
});

test("before a step that changes much a version is kept by itself, with what there was", async ({ page }) => {
  await openDemo(page, LANTERN);
  await pour(page, 0);
  await poured(page, 1);
  await page.getByRole("radio", { name: "Gather", exact: true }).click();
  await page.keyboard.press("Control+a");
  await page.getByRole("button", { name: /^Pour / }).click();
  await poured(page, lantern.length);
  await openVersions(page);
  await versions(page)
    .getByRole("button", { name: /^Before: Pour/ })
    .click();
  await versions(page).getByRole("button", { name: "Go back to it" }).click();
  await poured(page, 1);
});
