import { describe, expect, it } from "vitest";
import { binOf, type Judged, nearColours, seenBy, toldApart, VISIONS } from "./judging.ts";
import { apart } from "./oklch.ts";

const judged = (id: string, value: string, area = 1): Judged => ({ id, name: id, value, area });

describe("colours that can hardly be told apart", () => {
  it("are found where all eyes confuse them, the smaller one named second", () => {
    const near = nearColours(
      [judged("a", "#6f9a4a", 1), judged("b", "#729c4d", 5), judged("c", "#102030", 2)],
      5,
    );
    expect(near.map(({ one, other }) => [one.id, other.id])).toEqual([["b", "a"]]);
    expect(near[0].apart).toBeLessThan(2);
  });

  it("and where some eyes do: a red and a green of one lightness", () => {
    const [red, green] = ["#a8693f", "#7d7d3c"];
    expect(apart(red, green)).toBeGreaterThan(8);
    const [found] = nearColours([judged("red", red), judged("green", green)], 8);
    expect(["protanopia", "deuteranopia"]).toContain(found.vision);
    expect(nearColours([judged("black", "#000000"), judged("red", red)], 8)).toEqual([]);
  });

  it("part by as little lightness as does it, for everyone", () => {
    const next = toldApart("#a8693f", ["#7d7d3c"], 8)!;
    for (const vision of VISIONS)
      expect(apart(seenBy(next, vision), seenBy("#7d7d3c", vision))).toBeGreaterThanOrEqual(8);
    expect(toldApart("#808080", ["#000000", "#808080", "#ffffff"], 90)).toBeUndefined();
  });
});

describe("values", () => {
  it("go from black to white in bins", () => {
    expect(["#000000", "#808080", "#ffffff"].map(binOf)).toEqual([0, 5, 9]);
    expect(seenBy("#123456", "all")).toBe("#123456");
  });
});
