import { describe, expect, it } from "vitest";
import { STAGES } from "../stages/index.ts";
import { OTHER_WORDS } from "./other-words.ts";
import { scoreOf } from "./score.ts";

const best = (sought: string): string => {
  const tools = STAGES.flatMap(({ tools }) => tools);
  const settings = STAGES.flatMap((stage) => [
    ...Object.keys(stage.settings ?? {}),
    ...stage.tools.flatMap((tool) => Object.keys(tool.settings ?? {})),
  ]);
  const scored = [
    ...tools.map(({ word, hint }) => ({
      word,
      score: scoreOf(word, `${hint} ${OTHER_WORDS[word] ?? ""}`, sought),
    })),
    ...settings.map((word) => ({ word, score: scoreOf(word, OTHER_WORDS[word] ?? "", sought) })),
  ];
  return scored.sort((a, b) => b.score - a.score)[0].word;
};

describe("what Find finds first", () => {
  it.each([
    ["shadow", /shade|shadow|lamp|crease/i],
    ["erase", /Empty|Trim|Unbridge/],
    ["fill gap", /Explain|Bridge|Reach/],
    ["export", /Save SVG|More files/],
    ["eyedropper", /^Dip$/],
    ["simplify", /^Tidy$/],
    ["steady", /^Steadying$/],
    ["rotate", /^Arrange$/],
  ])("%s", (sought, wanted) => {
    expect(best(sought)).toMatch(wanted);
  });
  it("asks for every word, and knows none of what is not there", () => {
    expect(scoreOf("Pour", "fill paint", "fill paint")).toBeGreaterThan(0);
    expect(scoreOf("Pour", "fill paint", "fill moon")).toBe(0);
  });
  it("knows other words for nothing that is not there", () => {
    const words = new Set([
      ...STAGES.flatMap(({ tools, settings = {} }) => [
        ...tools.map(({ word }) => word),
        ...Object.keys(settings),
      ]),
      ...STAGES.flatMap(({ tools }) => tools.flatMap((tool) => Object.keys(tool.settings ?? {}))),
    ]);
    const elsewhere =
      /^(Help|Versions|Settings|Keys|Colours from|Colourways|Before|Press|Parts|Snags|Judge|Print)/;
    expect(Object.keys(OTHER_WORDS).filter((word) => !words.has(word) && !elsewhere.test(word))).toEqual([]);
  });
});
