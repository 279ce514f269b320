import { describe, expect, it } from "vitest";
import { fewChanges, withChanges } from "./few-changes.ts";

const taken = (before: readonly string[], after: readonly string[]): string[] => {
  const change = fewChanges(before, after)!;
  return withChanges(
    before,
    change,
    change.added.map((place) => after[place]),
  );
};

describe("few changes", () => {
  const list = [..."abcdefghij"];

  it("bring one list to the other, whatever comes, goes or moves", () => {
    for (const after of [
      "",
      "abcdefghij",
      "bcdefghij",
      "abcdefghijk",
      "xabcdefghij",
      "bacdefghij",
      "jihgfedcba",
    ])
      expect(taken(list, [...after]).join("")).toBe(after);
    expect(taken([], list)).toEqual(list);
  });

  it("are as few as what was touched", () => {
    expect(fewChanges(list, [..."abdefghijc"])).toEqual({ removed: [2], added: [9] });
    expect(fewChanges(list, [..."abXdefghij"])).toEqual({ removed: [2], added: [2] });
    expect(fewChanges(list, list)).toEqual({ removed: [], added: [] });
  });

  it("are not told where there are many", () => {
    const many = Array.from({ length: 200 }, (_, k) => `${k}`);
    expect(fewChanges(many, [...many].reverse())).toBeUndefined();
    expect(fewChanges([], many)).toBeUndefined();
  });
});
