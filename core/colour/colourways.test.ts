import { describe, expect, it } from "vitest";
import { NO_TURN, turned, valuesFromPalette } from "./colourways.ts";
import { apart, oklchOf } from "./oklch.ts";

const values = { leaf: "#6f9a4a", soil: "#4a382e", glow: "#f6d98b" };

describe("a colourway turned as a whole", () => {
  it("stays as it was where nothing is turned", () => {
    for (const [id, value] of Object.entries(turned(values, NO_TURN)))
      expect(apart(value, values[id as keyof typeof values])).toBeLessThan(0.5);
  });

  it("turns hue and keeps lightness", () => {
    const { leaf } = turned(values, { ...NO_TURN, hue: 120 });
    const [now, was] = [oklchOf(leaf), oklchOf(values.leaf)];
    expect(now.h).toBeCloseTo((was.h + 120) % 360, -1);
    expect(Math.abs(now.l - was.l)).toBeLessThan(0.01);
  });

  it("bends lightness through black, middle and white, never out of order", () => {
    const night = turned(values, { ...NO_TURN, black: 0.1, middle: 0.4, white: 0.7 });
    const l = (id: keyof typeof values) => oklchOf(night[id]).l;
    expect(l("soil")).toBeGreaterThan(0.1);
    expect(l("glow")).toBeLessThan(0.7);
    expect(l("soil")).toBeLessThan(l("leaf"));
    expect(l("leaf")).toBeLessThan(l("glow"));
    expect(oklchOf(turned(values, { ...NO_TURN, chroma: 0 }).leaf).c).toBeLessThan(0.005);
  });
});

describe("a colourway out of a palette", () => {
  it("keeps what is darker darker", () => {
    const found = valuesFromPalette(values, ["#ffffff", "#112244", "#7788aa"]);
    expect(found).toEqual({ soil: "#112244", leaf: "#7788aa", glow: "#ffffff" });
  });

  it("takes colours twice where the palette has fewer, and the ends where it has more", () => {
    expect(valuesFromPalette(values, ["#000000"])).toEqual({
      soil: "#000000",
      leaf: "#000000",
      glow: "#000000",
    });
    const greys = ["#000000", "#444444", "#888888", "#cccccc", "#ffffff"];
    expect(valuesFromPalette(values, greys)).toEqual({ soil: "#000000", leaf: "#888888", glow: "#ffffff" });
  });
});
