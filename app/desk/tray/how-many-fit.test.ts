import { describe, expect, it } from "vitest";
import { howManyFit } from "./how-many-fit.ts";

describe("how many settings a tray has room for", () => {
  const row = { gap: 10, most: 3, more: 50 };
  it.each([
    ["all, where all fit", [100, 100], 210, 2],
    ["no more than three", [10, 10, 10, 10], 500, 3],
    ["those that show nothing do not count", [10, 0, 10, 0, 10, 0], 500, 6],
    ["with room for what opens the others", [100, 100, 100], 319, 2],
    ["none, where the first is too wide", [300, 10], 200, 0],
    ["the first that does not fit ends the row", [100, 300, 10], 250, 1],
  ])("%s", (_, widths, room, count) => {
    expect(howManyFit(widths, room, row)).toBe(count);
  });
});
