/**
 * Spoiled art beside the original: what the browser draws of a file that came in without a word is in ours too. Fuzz, as in
 * core/formats/fuzz.test.ts, but picture against picture: nothing is lost that the report does not name.
 */
import { readFileSync } from "node:fs";
import { expect, test } from "@playwright/test";
import { HARD_CASES } from "../testing/hard-svgs.ts";
import { spoiled } from "../testing/mutator.ts";
import { converted, type Drawn, drawn, SIDE } from "./side-by-side.ts";

const COUNT = process.env.SOAK ? 10_000 : 300;
const AT_ONCE = 100;

const ICONS = ["house", "leaf", "cherry", "printer", "smile", "flower", "tent", "mountain"].map((name) =>
  readFileSync(`node_modules/lucide-static/icons/${name}.svg`, "utf8"),
);
const ART = [...Object.values(HARD_CASES), ...ICONS, ...ICONS];

const artOf = (seed: number): string =>
  spoiled(ART[seed % ART.length], ART[(seed * 31 + 1) % ART.length], seed);

/** Ours, for each that came in without a word. */
const silentlyRead = (files: readonly string[]): (string | undefined)[] =>
  converted(files).map(({ svg, report: { leftAside, changed } }) =>
    leftAside?.length === 0 && changed?.length === 0 ? svg : undefined,
  );

/** The darkest of red, green and blue of each pixel. */
const levelsOf = ({ pixels }: Drawn): Uint8Array =>
  Uint8Array.from({ length: SIDE * SIDE }, (_, p) =>
    Math.min(pixels[3 * p], pixels[3 * p + 1], pixels[3 * p + 2]),
  );

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

/** Where a turn by more circles than numbers can tell apart ends is for each renderer to say. */
const ENDLESS_TURN = /rotate\([^)]*\de\d\d/;

/** The slanted ends of lines that are skewed come in square to the line. */
const MOST_LOST = 12;

test("what came in without a word is all there", async ({ page }) => {
  test.setTimeout(COUNT * 1000);
  const first = Number(process.env.SEED ?? (process.env.SOAK ? Date.now() % 2 ** 30 : 1));
  test.info().annotations.push({ type: "seeds", description: `${first} to ${first + COUNT - 1}` });
  let compared = 0;
  for (let from = first; from < first + COUNT; from += AT_ONCE) {
    const seeds = Array.from({ length: AT_ONCE }, (_, k) => from + k);
    const files = seeds.map(artOf);
    const ours = silentlyRead(files);
    const silent = seeds
      .map((_, k) => k)
      .filter((k) => ours[k] !== undefined && !ENDLESS_TURN.test(files[k]));
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
        .soft(lostIn(levelsOf(before[i]), levelsOf(after[i])), `seed ${seeds[k]}`)
        .toBeLessThanOrEqual(MOST_LOST);
    });
  }
  expect(compared).toBeGreaterThan(COUNT / 20);
});
