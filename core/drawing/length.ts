/** Lengths as people read them: page units shown in the page's own printed unit. */
import type { Page } from "./drawing.ts";

export const printed = (page: Page, pageUnits: number): number => (pageUnits * page.width) / page.box.width;

/** Like "3.4 mm" or "0.13 in". */
export function showLength(page: Page, pageUnits: number): string {
  const length = printed(page, pageUnits);
  const digits = page.unit === "in" ? (length < 0.1 ? 3 : 2) : length < 1 ? 2 : 1;
  return `${length.toFixed(digits)} ${page.unit}`;
}
