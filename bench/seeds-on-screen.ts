import { readFileSync } from "node:fs";
import type { Page } from "@playwright/test";
import { newDrawing } from "../core/drawing/new-drawing.ts";
import { readSvg } from "../core/formats/svg-read.ts";
import type { Point } from "../core/geometry/point.ts";
import { buildMap } from "../core/pockets/planar-map.ts";
import { pocketsOf } from "../core/pockets/pockets.ts";
import { linesOf } from "../core/pockets/reading.ts";

/** CSS pixels of the mat left free on either side of the page where all of it is shown. */
const FREE = 28;

/** From page units to the CSS pixels of a desk that shows the whole of a square page. */
export async function ontoScreen(page: Page, side: number): Promise<(at: Point) => [number, number]> {
  const box = (await page.locator("#paper").boundingBox())!;
  const scale = (Math.min(box.width, box.height) - 2 * FREE) / side;
  return ([x, y]) => [
    box.x + box.width / 2 + (x - side / 2) * scale,
    box.y + box.height / 2 + (y - side / 2) * scale,
  ];
}

/** Inner points of an SVG's pockets, largest first, in the CSS pixels of a desk that shows the whole of a square page. */
export async function seedsOnScreen(page: Page, svg: string): Promise<[number, number][]> {
  const { page: sheet, strokes } = readSvg(svg);
  const pockets = pocketsOf(buildMap(linesOf(newDrawing("", sheet, strokes))));
  const place = await ontoScreen(page, sheet.box.width);
  return pockets.filter(({ hidden }) => !hidden).map(({ seed }) => place(seed));
}

export const lanternSeeds = (page: Page): Promise<[number, number][]> =>
  seedsOnScreen(page, readFileSync("demo/almanac-lantern.svg", "utf8"));
