import { describe, expect, it } from "vitest";
import { smallDrawing } from "../../testing/drawings.ts";
import { type Page, pixelsOf, ranked, topRank, widthInInches } from "./drawing.ts";
import { printed, showLength } from "./length.ts";
import { blankDrawing, defaultPage } from "./new-drawing.ts";
import { speckArea } from "./speck.ts";
import { startingInk, startingNibs, startingTin } from "./start.ts";
import { upgradedDrawing } from "./upgrade.ts";

const inches: Page = { box: { x: 0, y: 0, width: 600, height: 300 }, width: 6, unit: "in", ppi: 300 };
const millimetres: Page = { ...inches, width: 150, unit: "mm" };

describe("a page", () => {
  it("is as many pixels as its printed size and its ppi make", () => {
    expect(pixelsOf(inches, 300)).toEqual({ width: 1800, height: 900 });
    expect(widthInInches(millimetres)).toBeCloseTo(5.9055, 4);
    expect(pixelsOf(millimetres, 300)).toEqual({ width: 1772, height: 886 });
    expect(pixelsOf({ ...inches, width: 0.0001 }, 72)).toEqual({ width: 1, height: 1 });
  });

  it("shows lengths in its own unit, finer where they are short", () => {
    expect(printed(inches, 100)).toBe(1);
    expect(showLength(inches, 100)).toBe("1.00 in");
    expect(showLength(inches, 5)).toBe("0.050 in");
    expect(showLength(millimetres, 100)).toBe("25.0 mm");
    expect(showLength(millimetres, 2)).toBe("0.50 mm");
  });

  it("prints its longer side 100 mm long where the file does not say", () => {
    expect(defaultPage({ x: 5, y: 5, width: 24, height: 12 }).width).toBe(100);
    expect(defaultPage({ x: 0, y: 0, width: 12, height: 24 }).width).toBe(50);
  });

  it("begins blank at a printed size, its longer side 1000 units", () => {
    const { page, strokes } = blankDrawing("Packet", { width: 3, height: 4, unit: "in", ppi: 600 });
    expect(page).toEqual({ box: { x: 0, y: 0, width: 750, height: 1000 }, width: 3, unit: "in", ppi: 600 });
    expect(strokes).toEqual({});
  });

  it("calls a speck what is too small to see, whatever its units", () => {
    const twice = { ...inches, box: { x: 0, y: 0, width: 1200, height: 600 } };
    expect(speckArea(twice)).toBeCloseTo(4 * speckArea(inches), 9);
  });
});

describe("tables", () => {
  it("are ordered by rank, not by when entries came", () => {
    const { strokes } = smallDrawing();
    expect(ranked({ c: strokes.c, a: strokes.a }).map(({ id }) => id)).toEqual(["a", "c"]);
    expect(topRank(strokes)).toBe(4);
    expect(topRank({})).toBe(0);
  });
});

describe("what a drawing begins with", () => {
  it("has the ink among its colours, and nibs whose profiles rise in place", () => {
    expect(startingTin()[startingInk().colour]).toBeDefined();
    for (const { profile } of Object.values(startingNibs())) {
      const places = profile.filter((_, i) => i % 2 === 0);
      expect(places).toEqual([...places].sort((a, b) => a - b));
      expect([places[0], places.at(-1)]).toEqual([0, 1]);
      expect(Math.max(...profile.filter((_, i) => i % 2 === 1))).toBe(1);
    }
  });
});

describe("a drawing of version 1", () => {
  it("keeps its colours and takes its ink's value as a colour of the tin", () => {
    const { ink: _, nibs: __, flatShapes: ___, ...old } = smallDrawing();
    const { "lamp-black": ____, ...tin } = old.tin;
    const now = upgradedDrawing({ ...old, tin, ink: "#102030" }, 1);
    expect(now.tin[now.ink.colour]).toMatchObject({ value: "#102030", rank: 13 });
    expect(Object.keys(now.tin)).toHaveLength(Object.keys(tin).length + 1);
    expect(now.strokes).toEqual(smallDrawing().strokes);
    expect(now.flatShapes).toEqual({});
  });
});
