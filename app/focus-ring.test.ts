/** The focus ring has two tones; on every mat one of them stands out by 3:1. */
import { readFileSync } from "node:fs";
import { wcagContrast } from "culori";
import { expect, it } from "vitest";

const css = readFileSync("app/app.css", "utf8");
const mats = [...css.matchAll(/--mat: (oklch\([^)]*\))/g)].map(([, colour]) => colour);
const fern = /--color-fern: (oklch\([^)]*\))/.exec(css)![1];

it("stands out by 3:1 on every mat and on the paper", () => {
  expect(css).toMatch(
    /:focus-visible \{\s*outline: 2px solid var\(--color-fern\);[^}]*box-shadow: 0 0 0 2px #fff/,
  );
  expect(mats).toHaveLength(3);
  for (const ground of [...mats, "#fff"])
    expect(Math.max(wcagContrast(fern, ground), wcagContrast("#fff", ground)), ground).toBeGreaterThanOrEqual(
      3,
    );
});
