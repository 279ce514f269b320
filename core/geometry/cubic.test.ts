import { describe, expect, it } from "vitest";
import { circle } from "../../testing/line-work.ts";
import {
  between,
  closestNear,
  crossingNear,
  enclosedArea,
  flatten,
  pointAt,
  polyline,
  reversed,
} from "./cubic.ts";

const WAVE = [0, 0, 10, 30, 20, -30, 30, 0, 40, 30, 50, 30, 60, 0];

describe("chains of cubics", () => {
  it("cuts a piece that runs along the same curve", () => {
    const piece = between(WAVE, 0.3, 1.6);
    for (const t of [0, 0.25, 0.5, 0.75, 1]) {
      const on = pointAt(piece, t);
      const u = closestNear(WAVE, on, 0.3 + 0.7 * t, 0.3);
      expect(pointAt(WAVE, u)[0]).toBeCloseTo(on[0], 6);
      expect(pointAt(WAVE, u)[1]).toBeCloseTo(on[1], 6);
    }
    expect(piece.slice(0, 2)).toEqual([...pointAt(WAVE, 0.3)]);
    expect(piece.slice(-2)[0]).toBeCloseTo(pointAt(WAVE, 1.6)[0], 9);
  });

  it("walks backwards when asked from high to low", () => {
    expect(between(WAVE, 2, 0)).toEqual(reversed(WAVE));
  });

  it("ends where the chain does, whatever parameters are asked for", () => {
    expect(between(WAVE, -1, 7)).toEqual(WAVE);
    expect(between(WAVE, 5, 7)).toEqual([60, 0]);
  });

  it("measures the area of a circle to the accuracy of its cubics", () => {
    expect(enclosedArea(circle(7, -3, 50).points)).toBeCloseTo(Math.PI * 2500, -1);
    expect(Math.abs(enclosedArea(circle(7, -3, 50).points) / (Math.PI * 2500) - 1)).toBeLessThan(6e-4);
  });

  it("flattens within the tolerance asked for", () => {
    const chords = flatten(WAVE, 0.05);
    for (let u = 0; u <= 2; u += 0.01) {
      const [x, y] = pointAt(WAVE, u);
      let nearest = Infinity;
      for (let i = 0; i + 3 < chords.length; i += 2) {
        const [ax, ay, bx, by] = chords.slice(i, i + 4);
        const length = (bx - ax) ** 2 + (by - ay) ** 2;
        const t = Math.max(0, Math.min(1, ((x - ax) * (bx - ax) + (y - ay) * (by - ay)) / length));
        nearest = Math.min(nearest, Math.hypot(x - ax - t * (bx - ax), y - ay - t * (by - ay)));
      }
      expect(nearest).toBeLessThanOrEqual(0.05);
    }
  });

  it("finds where two curves cross, and owns up when they do not", () => {
    const level = polyline([
      [0, 5],
      [60, 5],
    ]);
    const at = crossingNear(WAVE, 0.1, level, 0.1, 20);
    expect(at?.[1]).toBeCloseTo(5, 9);
    const far = polyline([
      [0, 500],
      [60, 500],
    ]);
    expect(crossingNear(WAVE, 0.5, far, 0.5, 20)).toBeUndefined();
  });
});
