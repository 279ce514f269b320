import { converter } from "culori";
import { describe, expect, it } from "vitest";
import { STEPS, stepOf, stepWord } from "./ladder.ts";

const oklch = converter("oklch");
const lightness = (value: string) => oklch(value)!.l;

describe("the ladder", () => {
  it.each(["#6f9a4a", "#c23f5a", "#f6d98b", "#4b4a6e", "#808080", "#ffffff", "#000000"])(
    "of %s never turns back and keeps its base",
    (value) => {
      const steps = STEPS.map((step) => lightness(stepOf(value, step)));
      for (let i = 1; i < steps.length; i++) expect(steps[i]).toBeLessThanOrEqual(steps[i - 1] + 1e-3);
      expect(stepOf(value, 0)).toBe(value);
      for (const step of STEPS) expect(stepOf(value, step)).toMatch(/^#[0-9a-f]{6}$/);
    },
  );

  it("is even to the eye in the middle of the range", () => {
    const steps = STEPS.map((step) => lightness(stepOf("#6f9a4a", step)));
    const rungs = steps.slice(1).map((l, i) => steps[i] - l);
    expect(Math.max(...rungs) - Math.min(...rungs)).toBeLessThan(0.02);
  });

  it("lets shadows drift towards violet and lights towards yellow", () => {
    const hue = (step: number) => oklch(stepOf("#c8704a", step))!.h!;
    expect(hue(2)).toBeGreaterThan(hue(0));
    expect(hue(-2)).toBeLessThan(hue(0));
    expect(stepWord(-2)).toBe("2 darker");
  });
});
