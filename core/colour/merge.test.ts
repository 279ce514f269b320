import { describe, expect, it } from "vitest";
import { mergedColours } from "./merge.ts";
import { colourName } from "./name.ts";

describe("near-same colours", () => {
  const colours = [
    { value: "#6f9a4a", uses: 3 },
    { value: "#70994b", uses: 5 },
    { value: "#c23f5a", uses: 1 },
    { value: "#ffffff", uses: 2 },
  ];

  it("join the most used of those they can hardly be told from", () => {
    const { kept, standsFor } = mergedColours(colours, 2);
    expect(kept).toEqual([
      { value: "#70994b", uses: 8 },
      { value: "#ffffff", uses: 2 },
      { value: "#c23f5a", uses: 1 },
    ]);
    expect(standsFor.get("#6f9a4a")).toBe("#70994b");
    expect(standsFor.get("#ffffff")).toBe("#ffffff");
  });

  it("all stay at no difference, and never grow in number as more is allowed", () => {
    const counts = [0, 1, 5, 20, 60, 200].map((within) => mergedColours(colours, within).kept.length);
    expect(counts[0]).toBe(4);
    expect(counts).toEqual([...counts].sort((a, b) => b - a));
    expect(counts.at(-1)).toBe(1);
    expect(mergedColours([], 5).kept).toEqual([]);
  });
});

describe("names of colours", () => {
  it("say how light they are and of what hue", () => {
    const named = {
      "#000000": "Black",
      "#ffffff": "White",
      "#808080": "Mid grey",
      "#6f9a4a": "Mid green",
      "#4a382e": "Deep brown",
      "#c23f5a": "Mid red",
      "#a9cbd6": "Light blue",
      "#ffa500": "Light orange",
      "#ffff00": "Pale yellow",
      "#0000ff": "Deep blue",
      "#008080": "Mid teal",
      "#ff69b4": "Light pink",
    };
    for (const [value, name] of Object.entries(named)) expect(colourName(value)).toBe(name);
  });
});
