/** Line art in and out again, beside the original: both rendered by the browser and compared pixel by pixel. */
import { execFileSync } from "node:child_process";
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { expect, type Page, test } from "@playwright/test";
import { decode } from "fast-png";
import { HARD_CASES } from "../core/formats/testing.ts";

const CELL = 120;
const COLUMNS = 10;

/** Renders SVGs side by side, each in a cell of its own, and gives their grey levels. */
async function rendered(page: Page, svgs: readonly string[]): Promise<number[][]> {
  const cells = svgs.map(
    (svg) => `<img src="data:image/svg+xml;base64,${Buffer.from(svg).toString("base64")}">`,
  );
  await page.setViewportSize({ width: CELL * COLUMNS, height: CELL * Math.ceil(svgs.length / COLUMNS) });
  await page.setContent(
    `<style>body{margin:0;display:grid;grid-template-columns:repeat(${COLUMNS},${CELL}px)}img{width:${CELL}px;height:${CELL}px}</style>${cells.join("")}`,
  );
  await page.waitForFunction(() =>
    [...document.images].every((image) => image.complete && image.naturalWidth > 0),
  );
  const { width, channels, data } = decode(await page.screenshot());
  return svgs.map((_, i) => {
    const [left, top] = [(i % COLUMNS) * CELL, Math.floor(i / COLUMNS) * CELL];
    const levels: number[] = [];
    for (let y = top; y < top + CELL; y++)
      for (let x = left; x < left + CELL; x++)
        for (let c = 0; c < 3; c++) levels.push(data[(y * width + x) * channels + c]);
    return levels;
  });
}

/** Difference of two renderings as a part of what the first has drawn on white. */
function difference(a: readonly number[], b: readonly number[]): number {
  let off = 0;
  let drawn = 0;
  a.forEach((level, i) => {
    off += Math.abs(level - b[i]);
    drawn += 255 - level;
  });
  return off / drawn;
}

/** Through the command line, as one batch. */
function converted(svgs: readonly string[]): string[] {
  const folder = mkdtempSync(join(tmpdir(), "fern-"));
  const names = svgs.map((svg, i) => {
    const name = join(folder, `${i}.svg`);
    writeFileSync(name, svg);
    return name;
  });
  const out = join(folder, "out");
  execFileSync("bash", [
    "scripts/compiled.sh",
    "bin/fern.ts",
    "convert",
    ...names,
    "--merge",
    "0",
    "--out",
    out,
  ]);
  const after = svgs.map((_, i) => readFileSync(join(out, `${i}.svg`), "utf8"));
  rmSync(folder, { recursive: true });
  return after;
}

async function differences(page: Page, svgs: readonly string[]): Promise<number[]> {
  const before = await rendered(page, svgs);
  const after = await rendered(page, converted(svgs));
  return before.map((levels, i) => difference(levels, after[i]));
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
