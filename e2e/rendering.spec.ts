/** Line art in and out again, beside the original: both rendered by the browser and compared pixel by pixel. */
import { readdirSync, readFileSync } from "node:fs";
import { expect, type Page, test } from "@playwright/test";
import { HARD_CASES } from "../testing/hard-svgs.ts";
import { converted, drawn } from "./side-by-side.ts";

/** Difference of two renderings as a part of what the first has drawn on white. */
function difference(a: Uint8Array, b: Uint8Array): number {
  let off = 0;
  let drawn = 0;
  a.forEach((level, i) => {
    off += Math.abs(level - b[i]);
    drawn += 255 - level;
  });
  return off / drawn;
}

async function differences(page: Page, svgs: readonly string[]): Promise<number[]> {
  const before = await drawn(page, svgs);
  const after = await drawn(
    page,
    converted(svgs).map(({ svg }) => svg ?? ""),
  );
  return before.map(({ pixels }, i) => difference(pixels, after[i].pixels));
}

/** Rounding of coordinates and of anti-aliasing leaves this much. */
const ICON_TOLERANCE = 0.015;
/** Lines cut at clip paths leave this much. */
const HARD_TOLERANCE = 0.03;
/** The slanted ends of lines skewed by transforms come in square to the line. */
const LOOSER: Readonly<Record<string, number>> = { "turned, skewed and squeezed": 0.05 };
const EVERY = 10;

test("published stroke icons come out as they came in", async ({ page }) => {
  const folder = "node_modules/lucide-static/icons";
  const names = readdirSync(folder).filter((_, i) => i % EVERY === 0);
  expect(names.length).toBeGreaterThanOrEqual(150);
  const off = await differences(
    page,
    names.map((name) => readFileSync(`${folder}/${name}`, "utf8")),
  );
  const worse = names
    .filter((_, i) => !(off[i] <= ICON_TOLERANCE))
    .map((name) => `${name} ${off[names.indexOf(name)]}`);
  expect(worse).toEqual([]);
});

test("hard cases come out as they came in", async ({ page }) => {
  const names = Object.keys(HARD_CASES);
  const off = await differences(page, Object.values(HARD_CASES));
  expect(
    names
      .filter((_, i) => !(off[i] <= (LOOSER[names[i]] ?? HARD_TOLERANCE)))
      .map((name) => `${name} ${off[names.indexOf(name)].toFixed(4)}`),
  ).toEqual([]);
});
