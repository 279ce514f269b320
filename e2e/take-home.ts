/** The window of the files to take home. */
import { expect, type Page } from "@playwright/test";
import { downloaded, stage } from "./desk.ts";

export const home = (page: Page) => page.getByRole("dialog", { name: "Files to take home" });

export async function openHome(page: Page): Promise<void> {
  await stage(page, "Deliver").click();
  await page.getByRole("button", { name: "More files" }).click();
  await expect(home(page).getByRole("img", { name: "What is taken home" })).toBeVisible();
}

export const tick = (page: Page, word: string) =>
  home(page).getByRole("checkbox", { name: new RegExp(`^${word}`) });

export const saved = (page: Page) =>
  downloaded(page, () => home(page).getByRole("button", { name: "Save them" }).click());
