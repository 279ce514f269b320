import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { FEWEST_STEPS, MOST_DRIFT, MOST_STEPS } from "../drawing/bounds.ts";
import { ownStep, stepOf, stepsOf, stepWord } from "./ladder.ts";
import { apart, oklchOf } from "./oklch.ts";

const hex = fc.integer({ min: 0, max: 0xffffff }).map((n) => `#${n.toString(16).padStart(6, "0")}`);
const ladders = fc.record({
  steps: fc.integer({ min: FEWEST_STEPS, max: MOST_STEPS }),
  drift: fc.integer({ min: -MOST_DRIFT, max: MOST_DRIFT }),
});
const lightnesses = (colour: Parameters<typeof stepsOf>[0]) =>
  stepsOf(colour).map((step) => oklchOf(stepOf(colour, step)).l);

describe("the ladder", () => {
  it("has as many steps as are asked for, even in lightness within 2 %, whatever the colour", () => {
    fc.assert(
      fc.property(hex, ladders, (value, ladder) => {
        const all = lightnesses({ value, ladder });
        expect(all).toHaveLength(ladder.steps);
        const gaps = all.slice(1).map((l, i) => all[i] - l);
        expect(Math.max(...gaps) - Math.min(...gaps)).toBeLessThan(0.02);
        expect(Math.min(...gaps)).toBeGreaterThan(0);
      }),
    );
  });

  it("keeps its base and is always a colour that a screen has", () => {
    fc.assert(
      fc.property(hex, ladders, fc.integer({ min: -10, max: 10 }), (value, ladder, step) => {
        expect(stepOf({ value, ladder }, 0)).toBe(value);
        expect(stepOf({ value, ladder }, step)).toMatch(/^#[0-9a-f]{6}$/);
      }),
    );
  });

  it("ends in its last rung, so that nothing poured in a step is lost when its colour turns light", () => {
    expect(stepsOf({ value: "#ffffff" })).toEqual([0, -1, -2, -3, -4, -5, -6]);
    expect(stepOf({ value: "#fdfdfd" }, 3)).toBe("#fdfdfd");
    expect(stepsOf({ value: "#000000" })).toEqual([6, 5, 4, 3, 2, 1, 0]);
  });

  it("goes on beyond its ends as far as there is room, for light on what is lightest and shade on what is darkest", () => {
    const lightness = (value: string, step: number) => oklchOf(stepOf({ value }, step)).l;
    expect(stepsOf({ value: "#f4ead2" })[0]).toBe(0);
    expect(lightness("#f4ead2", 1)).toBeGreaterThan(lightness("#f4ead2", 0) + 0.03);
    const [deepest] = stepsOf({ value: "#c8704a" }).slice(-1);
    expect(lightness("#c8704a", deepest - 1)).toBeLessThan(lightness("#c8704a", deepest) - 0.05);
    expect(lightness("#c8704a", -10)).toBeGreaterThan(0.07);
  });

  it("squeezed has as many steps each way, as ladders of earlier versions had", () => {
    const ladder = { steps: 7, drift: 6, squeezed: true as const };
    expect(stepsOf({ value: "#f6d98b", ladder })).toEqual([3, 2, 1, 0, -1, -2, -3]);
    const earlier = { 3: "#fffae8", 1: "#f9e69c", "-1": "#e1be7a", "-3": "#b48c5c" };
    for (const [step, value] of Object.entries(earlier))
      expect(stepOf({ value: "#f6d98b", ladder }, Number(step))).toBe(value);
  });

  it("lets shadows drift towards violet and lights towards yellow, or the other way, or neither", () => {
    const hue = (step: number, drift?: number) =>
      oklchOf(stepOf({ value: "#c8704a", ladder: { steps: 7, drift: drift ?? 6 } }, step)).h;
    expect(hue(2)).toBeGreaterThan(hue(0) + 5);
    expect(hue(-2)).toBeLessThan(hue(0) - 5);
    expect(hue(2, -6)).toBeLessThan(hue(0) - 5);
    expect(Math.abs(hue(-2, 0) - hue(0))).toBeLessThan(1);
  });

  it("keeps a step set by hand, which follows its colour", () => {
    fc.assert(
      fc.property(hex, hex, ladders, (value, wanted, ladder) => {
        const own = ownStep({ value, ladder }, -1, wanted);
        expect(apart(stepOf({ value, ladder: { ...ladder, own: [own] } }, -1), wanted)).toBeLessThan(5);
      }),
    );
    const own = ownStep({ value: "#6f9a4a" }, -1, "#3a5f50");
    const follows = oklchOf(stepOf({ value: "#c23f5a", ladder: { steps: 7, drift: 6, own: [own] } }, -1));
    expect(follows.l).toBeLessThan(oklchOf(stepOf({ value: "#c23f5a" }, -1)).l - 0.05);
    expect(stepWord(-2)).toBe("2 darker");
  });
});
