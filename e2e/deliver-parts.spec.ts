/** A share of the art taken home, and in other words: a part alone, pockets united, inks by name, a ground with a gradient. */
import { expect, test } from "@playwright/test";
import type { Point } from "../core/geometry/point.ts";
import { differenceOf, drawnBy, halved, problemsOf, rgbOf, uncompressed } from "../testing/pdf-readers.ts";
import { isAccessible, onScreen, save, stage, tool, undo } from "./desk.ts";
import { colourAt, FROND, GARDEN_PAGE, GARDEN_POCKETS, openGarden, putInFlower } from "./garden.ts";
import { home, openHome, saved, tick } from "./take-home.ts";

const strokesIn = (svg: string): number => svg.match(/data-is="stroke"/g)?.length ?? 0;
const poursIn = (svg: string): number => svg.match(/data-is="pour"/g)?.length ?? 0;

test("a part alone, touching pockets as one shape, and tin colours as named inks", async ({ page }) => {
  test.slow();
  await openGarden(page, GARDEN_POCKETS);
  await putInFlower(page);
  await openHome(page);
  await tick(page, "PNG").uncheck();
  const whole = (await saved(page)).bytes.toString();
  await home(page).getByLabel("Parts").selectOption("flower alone");
  const flower = (await saved(page)).bytes.toString();
  expect(strokesIn(flower)).toBeGreaterThan(3);
  expect(strokesIn(flower)).toBeLessThan(strokesIn(whole));
  expect(poursIn(flower)).toBe(0);
  await home(page).getByLabel("Parts").selectOption("all parts");
  await home(page)
    .getByRole("switch", { name: /^SVG: touching pockets/ })
    .click();
  const united = (await saved(page)).bytes.toString();
  expect(poursIn(united)).toBeLessThan(poursIn(whole));
  expect(strokesIn(united)).toBe(strokesIn(whole));
  await home(page)
    .getByRole("switch", { name: /^PDF: tin colours/ })
    .click();
  await isAccessible(page);
  await tick(page, "SVG").uncheck();
  await tick(page, "PDF").check();
  const pdf = (await saved(page)).bytes;
  expect(problemsOf(pdf)).toBe("");
  expect(uncompressed(pdf)).toMatch(/\/Separation\s+\/Frond\s/);
  await tick(page, "PDF").uncheck();
  await tick(page, "PNG").check();
  const png = rgbOf((await saved(page)).bytes);
  for (const reader of ["poppler", "mupdf"] as const) {
    const { mean, apart } = differenceOf(halved(drawnBy(reader, pdf, png.width)), halved(png));
    expect([mean < 1.5, apart < 0.003], reader).toEqual([true, true]);
  }
});

test("a gradient lies over the ground, on the desk, in PNG and in PDF", async ({ page }) => {
  await openGarden(page, GARDEN_POCKETS.slice(0, 2));
  await stage(page, "Deliver").click();
  await page.getByRole("button", { name: "Ground", exact: true }).click();
  await page.getByRole("button", { name: "Cover the page in Frond" }).click();
  await expect(undo(page, "Lay ground")).toBeVisible();
  await page.keyboard.press("Escape");
  await stage(page, "Light").click();
  await tool(page, "Gradient").click();
  const { x, y, width, height } = GARDEN_PAGE;
  const at = (share: number): Point => [x + share * width, y + 0.015 * height];
  await page.mouse.move(...(await onScreen(page, at(0.02), GARDEN_PAGE)));
  await page.mouse.down();
  for (const share of [0.5, 0.98]) await page.mouse.move(...(await onScreen(page, at(share), GARDEN_PAGE)));
  await page.mouse.up();
  await expect(undo(page, "Lay gradient")).toBeVisible();
  await expect.poll(() => colourAt(page, at(0.9))).not.toBe(FROND);
  const shown = [await colourAt(page, at(0.1)), await colourAt(page, at(0.9))];
  expect(shown[0]).not.toBe(shown[1]);
  await stage(page, "Deliver").click();
  const png = rgbOf((await save(page, "PNG")).bytes);
  const pixel = ({ width: wide, pixels }: typeof png, share: number) => {
    const at3 = 3 * (Math.round(0.015 * wide) * wide + Math.round(share * wide));
    return [...pixels.subarray(at3, at3 + 3)];
  };
  const rgb = (hex: string) => [1, 3, 5].map((k) => Number.parseInt(hex.slice(k, k + 2), 16));
  [0.1, 0.9].forEach((share, k) => {
    pixel(png, share).forEach((level, c) => {
      expect(Math.abs(level - rgb(shown[k])[c]), `${share}`).toBeLessThan(6);
    });
  });
  const pdf = (await save(page, "PDF")).bytes;
  const { mean } = differenceOf(halved(drawnBy("poppler", pdf, png.width)), halved(png));
  expect(mean).toBeLessThan(1.5);
});
