import { describe, expect, it } from "vitest";
import { EVEN_CURVE, flatShare, throughCurve } from "./pen.ts";

describe("a pen's pressure", () => {
  it("is left as it is by the even curve", () => {
    for (const pressure of [0, 0.3, 0.5, 1]) expect(throughCurve(EVEN_CURVE, pressure)).toBeCloseTo(pressure);
  });
  it("goes through the three strengths asked for, and never falls", () => {
    const curve = [0.2, 0.4, 0.9] as const;
    expect([0, 0.5, 1].map((pressure) => throughCurve(curve, pressure))).toEqual([
      expect.closeTo(0.2),
      expect.closeTo(0.4),
      expect.closeTo(0.9),
    ]);
    const rising = Array.from({ length: 21 }, (_, i) => throughCurve(curve, i / 20));
    expect([...rising].sort((a, b) => a - b)).toEqual(rising);
  });
  it("is one strength where all three are the same", () => {
    expect(throughCurve([0.6, 0.6, 0.6], 0.1)).toBe(0.6);
  });
});

it("a flat nib draws thin the way it leans, and full across", () => {
  expect(flatShare(0.4, 0.4)).toBeLessThan(0.2);
  expect(flatShare(0.4 + Math.PI / 2, 0.4)).toBeCloseTo(1);
  expect(flatShare(0.4 + Math.PI, 0.4)).toBeCloseTo(flatShare(0.4, 0.4));
});
