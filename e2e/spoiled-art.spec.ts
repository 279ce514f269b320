/**
 * Spoiled art beside the original: what the browser draws of a file that came in without a word is in ours too. Fuzz, as in
 * core/formats/fuzz.test.ts, but picture against picture: nothing is lost that the report does not name.
 */
import { spawnSync } from "node:child_process";
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { expect, type Page, test } from "@playwright/test";
import { decode } from "fast-png";
import { spoiled } from "../core/formats/mutator.ts";
import { HARD_CASES } from "../core/formats/testing.ts";

const COUNT = process.env.SOAK ? 10_000 : 300;
const AT_ONCE = 100;
const SIDE = 120;
const COLUMNS = 10;

const ICONS = ["house", "leaf", "cherry", "printer", "smile", "flower", "tent", "mountain"].map((name) =>
  readFileSync(`node_modules/lucide-static/icons/${name}.svg`, "utf8"),
);
const ART = [...Object.values(HARD_CASES), ...ICONS, ...ICONS];

const artOf = (seed: number): string =>
  spoiled(ART[seed % ART.length], ART[(seed * 31 + 1) % ART.length], seed);

interface Report {
  readonly problem?: string;
  readonly leftAside?: readonly unknown[];
  readonly changed?: readonly unknown[];
}

/** Ours, for each that came in without a word. */
function silentlyRead(files: readonly string[]): (string | undefined)[] {
  const folder = mkdtempSync(join(tmpdir(), "fern-spoiled-"));
  const names = files.map((text, k) => {
    const name = join(folder, `${k}.svg`);
    writeFileSync(name, text);
    return name;
  });
  const out = join(folder, "out");
  const ran = spawnSync(
    "bash",
    ["scripts/compiled.sh", "bin/fern.ts", "convert", ...names, "--merge", "0", "--json", "--out", out],
    {
      maxBuffer: 2 ** 28,
    },
  );
  expect([0, 2], ran.stderr.toString()).toContain(ran.status);
  const reports: Report[] = JSON.parse(ran.stdout.toString());
  const ours = reports.map(({ leftAside, changed }, k) =>
    leftAside?.length === 0 && changed?.length === 0
      ? readFileSync(join(out, `${k}.svg`), "utf8")
      : undefined,
  );
  rmSync(folder, { recursive: true });
  return ours;
}

interface Drawn {
  /** Wide to high; undefined for what the browser draws nothing of. */
  readonly shape: number | undefined;
  /** The darkest of red, green and blue of each pixel on white. */
  readonly levels: Uint8Array;
}

/** As the browser draws them, each in a square of its own. */
async function drawn(page: Page, files: readonly string[]): Promise<Drawn[]> {
  const cells = files.map(
    (text) => `<img src="data:image/svg+xml;base64,${Buffer.from(text).toString("base64")}">`,
  );
  await page.setViewportSize({ width: SIDE * COLUMNS, height: SIDE * Math.ceil(files.length / COLUMNS) });
  await page.setContent(
    `<style>body{margin:0;display:grid;grid-template-columns:repeat(${COLUMNS},${SIDE}px)}img{width:${SIDE}px;height:${SIDE}px}</style>${cells.join("")}`,
  );
  await page.waitForFunction(() => [...document.images].every(({ complete }) => complete));
  const shapes = await page.evaluate(() =>
    [...document.images].map(({ naturalWidth, naturalHeight }) => naturalWidth / naturalHeight),
  );
  const { width, channels, data } = decode(await page.screenshot());
  return files.map((_, k) => {
    const [left, top] = [(k % COLUMNS) * SIDE, Math.floor(k / COLUMNS) * SIDE];
    const levels = Uint8Array.from({ length: SIDE * SIDE }, (_, p) => {
      const at = ((top + Math.floor(p / SIDE)) * width + left + (p % SIDE)) * channels;
      return Math.min(data[at], data[at + 1], data[at + 2]);
    });
    return { shape: shapes[k] > 0 ? shapes[k] : undefined, levels };
  });
}

const DARK = 150;
const BARE = 225;

/** Pixels that are drawn in the first, with nothing drawn around their place in the second. */
function lostIn(original: Uint8Array, ours: Uint8Array): number {
  const isBare = (p: number): boolean =>
    [-1, 0, 1].every((dy) => [-1, 0, 1].every((dx) => ours[p + dy * SIDE + dx] > BARE));
  let lost = 0;
  for (let y = 1; y < SIDE - 1; y++)
    for (let x = 1; x < SIDE - 1; x++) {
      const p = y * SIDE + x;
      if (original[p] <= DARK && isBare(p)) lost++;
    }
  return lost;
}

/** The slanted ends of lines that are skewed come in square to the line. */
const MOST_LOST = 12;

test("what came in without a word is all there", async ({ page }) => {
  test.setTimeout(COUNT * 1000);
  const first = Number(process.env.SEED ?? Date.now() % 2 ** 30);
  test.info().annotations.push({ type: "seeds", description: `${first} to ${first + COUNT - 1}` });
  let compared = 0;
  for (let from = first; from < first + COUNT; from += AT_ONCE) {
    const seeds = Array.from({ length: AT_ONCE }, (_, k) => from + k);
    const files = seeds.map(artOf);
    const ours = silentlyRead(files);
    const silent = seeds.map((_, k) => k).filter((k) => ours[k] !== undefined);
    const before = await drawn(
      page,
      silent.map((k) => files[k]),
    );
    const after = await drawn(
      page,
      silent.map((k) => ours[k]!),
    );
    silent.forEach((k, i) => {
      // A page that makes no sense is fitted to what is on it, where browsers take one of their own.
      if (Math.abs((before[i].shape ?? 0) - (after[i].shape ?? 0)) > 0.02) return;
      compared++;
      expect
        .soft(lostIn(before[i].levels, after[i].levels), `seed ${seeds[k]}`)
        .toBeLessThanOrEqual(MOST_LOST);
    });
  }
  expect(compared).toBeGreaterThan(COUNT / 20);
});
