import { describe, expect, it } from "vitest";
import { newDrawing } from "#core/drawing/new-drawing.ts";
import { page, shapeOf, strokeOf } from "../../../testing/drawings.ts";
import { lineRows, unfolded } from "./line-rows.ts";

const line = (id: string, rank: number, more: object = {}) => ({
  ...strokeOf(id, rank, [
    [0, rank],
    [9, rank],
  ]),
  ...more,
});

const drawing = newDrawing(
  "Bed",
  page,
  [
    line("a", 1, { groups: ["fern"] }),
    line("b", 2, { name: "Rim" }),
    line("c", 3, { groups: ["fern", "leaf"] }),
    line("d", 4, { groups: ["fern"], part: "other" }),
    line("e", 5, { echo: "over" }),
    line("f", 6, { groups: ["fern"] }),
  ],
  [
    shapeOf("blot", 7, [
      [0, 0],
      [1, 0],
      [1, 1],
    ]),
  ],
);
const rows = lineRows({ drawing, part: "main" });

describe("the list of lines", () => {
  it("goes from the front to the back, those of a group beneath its name, without echoes and other parts", () => {
    expect(rows.map(({ depth, name }) => `${"  ".repeat(depth)}${name}`)).toEqual([
      "Shape 5",
      "fern",
      "  Stroke 4",
      "  leaf",
      "    Stroke 3",
      "  Stroke 1",
      "Rim",
    ]);
  });

  it("knows all lines within a group, in groups of their own too", () => {
    const lines = (name: string) => rows.find((row) => row.name === name)!.lines.map(({ id }) => id);
    expect([lines("fern"), lines("leaf"), lines("Rim")]).toEqual([["f", "c", "a"], ["c"], ["b"]]);
  });

  it("folds up a group with all within it, and nothing after it", () => {
    const names = (folded: string[]) => unfolded(rows, new Set(folded)).map(({ name }) => name);
    expect(names(["/fern"])).toEqual(["Shape 5", "fern", "Rim"]);
    expect(names(["/fern/leaf"])).toEqual(["Shape 5", "fern", "Stroke 4", "leaf", "Stroke 1", "Rim"]);
  });

  it("is the very same list for the same lines", () => {
    expect(lineRows({ drawing: { ...drawing, name: "Other" }, part: "main" })).toBe(rows);
  });
});
