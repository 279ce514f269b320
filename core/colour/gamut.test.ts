import { describe, expect, it } from "vitest";
import { MOST_CHROMA, mostChroma } from "./gamut.ts";
import { hexOf, oklchOf } from "./oklch.ts";

describe("the edge of the gamut", () => {
  it.each(["#ff0000", "#00ff00", "#0000ff", "#ffff00", "#00ffff", "#ff00ff"])(
    "goes through %s, which has no more colour to give",
    (value) => {
      const { l, c, h } = oklchOf(value);
      expect(Math.abs(mostChroma(l, h) - c)).toBeLessThan(0.012);
    },
  );
  it("what lies within is the same when it was written and read; beyond it chroma gave way", () => {
    for (let h = 0; h < 360; h += 30)
      for (const l of [0.2, 0.5, 0.8]) {
        const edge = mostChroma(l, h);
        expect(oklchOf(hexOf({ l, c: 0.9 * edge, h })).c).toBeCloseTo(0.9 * edge, 1);
        expect(oklchOf(hexOf({ l, c: MOST_CHROMA, h })).c).toBeLessThan(edge + 0.01);
      }
  });
  it("is nothing at black and white", () => {
    expect([mostChroma(0, 120), mostChroma(1, 120)]).toEqual([0, 0]);
  });
});
