/** Drawings that once hung, or whose pockets hung on how they came about. */
import { readFileSync } from "node:fs";
import { expect, it } from "vitest";
import type { Drawing } from "../drawing/drawing.ts";
import { readDrawingFile } from "../formats/drawing-file.ts";
import { importSvg } from "../formats/import-drawing.ts";
import { DrawingReader } from "./drawing-reader.ts";

const fixture = (name: string): string => readFileSync(`core/pockets/fixtures/${name}`, "utf8");

it.each(["triangle-on-grid", "stones-on-grid"])("the openings of %s are found, turned or not", (name) => {
  const svg = fixture(`${name}.svg`);
  // Off the grid as well, where its lines lie on no whole numbers.
  for (const text of [
    svg,
    svg.replace("<path", '<g transform="rotate(0.7 3 5) scale(1.37)"><path').replace("</svg>", "</g></svg>"),
  ]) {
    const reader = new DrawingReader();
    const { drawing } = importSvg(name, text);
    expect(reader.read(drawing).pockets.length).toBeGreaterThan(1);
    expect(reader.gaps(drawing).looseEnds.length).toBeGreaterThan(0);
  }
});

const areasIn = (reader: DrawingReader, drawing: Drawing): number[] =>
  reader
    .read(drawing)
    .pockets.map(({ area }) => Math.round(area * 1e4) / 1e4)
    .sort((a, b) => b - a);

it.each(["touching", "moved"])(
  "pockets followed through an edit are those of a fresh reading: %s",
  (name) => {
    const [before, after] = ["before", "after"].map((when) =>
      readDrawingFile(fixture(`${name}-${when}.fern`)),
    );
    const reader = new DrawingReader();
    reader.read(before);
    expect(areasIn(reader, after)).toEqual(areasIn(new DrawingReader(), after));
  },
);
