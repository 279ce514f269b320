/** Parts made three times on published drawings, by hand: kept, opened again and opened from their file nothing is gone. */
import { readdirSync, readFileSync } from "node:fs";
import { expect, type Page } from "@playwright/test";
import { readSvg } from "../core/formats/svg-read.ts";
import { SOAK } from "../testing/long-runs.ts";
import { deskReady, isKept, onScreen, openFile, pocketsIn, save, stage, test, tool } from "./desk.ts";

const ICONS = "node_modules/lucide-static/icons";
const COUNT = SOAK ? 40 : 2;
const PARTS = 3;

/** Large enough to be clicked beside its ink. */
const pocketsOf = (svg: string) => {
  const { width, height } = readSvg(svg).page.box;
  return pocketsIn(svg).filter(({ area }) => area > (width * height) / 300);
};

const published = readdirSync(ICONS)
  .filter((file, i) => file.endsWith(".svg") && i % 7 === 2)
  .map((file) => ({ file, svg: readFileSync(`${ICONS}/${file}`, "utf8") }))
  .filter(({ svg }) => pocketsOf(svg).length >= PARTS)
  .slice(0, COUNT);

const parts = (page: Page) => page.getByRole("list", { name: "Parts, front to back" }).locator("li");
/** Without the hairlines between colours: where a pocket is as small as the lattice their ends may lie a step beside. */
const told = (svg: Buffer): string => svg.toString().replace(/<path[^>]*data-is="seam"[^>]*>\n?/g, "");

const figures = async (page: Page) =>
  Promise.all(["Lines", "Flats"].map((name) => stage(page, name).innerText()));

for (const { file, svg } of published)
  test(`${file}: nothing is gone`, async ({ page }) => {
    const { box } = readSvg(svg).page;
    await openFile(page, file, svg);
    await deskReady(page);
    await tool(page, "Gather").click();
    await page.keyboard.press("Control+a");
    await page.getByRole("button", { name: /^Pour / }).click();
    for (const [k, { seed }] of pocketsOf(svg).slice(0, PARTS).entries()) {
      const make = page.getByRole("button", { name: "Make a part" });
      await page.keyboard.press("Escape");
      await expect(make).toBeDisabled();
      await page.mouse.click(...(await onScreen(page, seed, box)));
      await make.click();
      await expect(parts(page)).toHaveCount(k + 2);
    }
    const { bytes: before } = await save(page, "SVG");
    const { bytes: drawing } = await save(page, "Drawing file");
    await isKept(page);
    const shown = await figures(page);
    await page.reload();
    await deskReady(page);
    await expect(page.getByRole("button", { name: /^Undo: Make Part/ })).toBeVisible();
    expect(await figures(page)).toEqual(shown);
    expect(told((await save(page, "SVG")).bytes)).toBe(told(before));
    await openFile(page, `${file.replace(".svg", "")}.fern`, drawing);
    await deskReady(page);
    expect(await figures(page)).toEqual(shown);
    expect(told((await save(page, "SVG")).bytes)).toBe(told(before));
  });
