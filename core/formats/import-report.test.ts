import { describe, expect, it } from "vitest";
import { checkSize, FileProblem, LARGEST_FILE } from "./file-problem.ts";
import { asideLines, cameIn, cutLine, type ImportReport, speckLine } from "./import-report.ts";

const report = (more: Partial<ImportReport>): ImportReport => ({
  strokes: 0,
  inkShapes: 0,
  pours: 0,
  flatShapes: 0,
  colours: 0,
  coloursFound: 0,
  leftAside: [],
  changed: [],
  ...more,
});

describe("what came in", () => {
  it("is told in one sentence, with ones and manies", () => {
    expect(cameIn(report({ strokes: 1 }))).toBe("1 stroke came in.");
    expect(cameIn(report({ strokes: 12, pours: 1 }))).toBe("12 strokes and 1 poured pocket came in.");
    expect(cameIn(report({ strokes: 2, inkShapes: 1, flatShapes: 3 }))).toBe(
      "2 strokes, 1 ink shape and 3 flat shapes came in.",
    );
    expect(cameIn(report({}))).toBe("Nothing came in.");
  });

  it("names what was left aside, each name once and no more than a dozen", () => {
    const names = Array.from({ length: 20 }, (_, i) => `label ${i % 15}`);
    const { leftAside, changed } = asideLines(new Map([["text", names]]));
    expect(changed).toEqual([]);
    expect(leftAside).toHaveLength(1);
    expect(leftAside[0]).toMatchObject({
      kind: "text",
      count: 20,
      sentence: "20 pieces of text: letters come in once they are outlines.",
    });
    expect(leftAside[0].names).toEqual(Array.from({ length: 12 }, (_, i) => `label ${i}`));
  });

  it("parts what is missing from what is not quite as it was", () => {
    const { leftAside, changed } = asideLines(
      new Map([
        ["image", ["photo"]],
        ["gradient", ["sky", "sea"]],
        ["mask", ["fade"]],
      ]),
    );
    expect(leftAside.map(({ sentence }) => sentence)).toEqual([
      "1 picture made of pixels: bring one in as a scan instead.",
    ]);
    expect(changed.map(({ sentence }) => sentence)).toEqual([
      "2 gradients became their middle colour.",
      "1 masked item is shown whole.",
    ]);
  });

  it("tells of lines that were cut and shapes too small to see", () => {
    expect(cutLine(1).sentence).toBe("1 line was cut where the picture hid or clipped it.");
    expect(cutLine(3).sentence).toBe("3 lines were cut where the picture hid or clipped them.");
    expect(speckLine(2).sentence).toBe("2 coloured shapes are too small to see at printed size.");
  });
});

describe("a file's size", () => {
  const problemOf = (bytes: number): FileProblem | undefined => {
    try {
      checkSize(bytes);
      return undefined;
    } catch (error) {
      return error as FileProblem;
    }
  };

  it("is refused when there is nothing in it or too much, saying how much may be", () => {
    expect(problemOf(0)).toMatchObject({ kind: "empty", message: "The file is empty." });
    expect(problemOf(LARGEST_FILE)).toBeUndefined();
    const large = problemOf(64 * 1024 * 1024)!;
    expect(large).toBeInstanceOf(FileProblem);
    expect(large.message).toBe("The file has 64 MB; Fern Pocket reads up to 32 MB.");
  });
});
