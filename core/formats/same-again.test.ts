/** An SVG of ours that was opened and is written again is the very same file. */
import { readFileSync } from "node:fs";
import { expect, it } from "vitest";
import { ART, coloured } from "../../testing/foreign-art.ts";
import { sampleOf } from "../../testing/long-runs.ts";
import type { Drawing } from "../drawing/drawing.ts";
import { DrawingReader } from "../pockets/drawing-reader.ts";
import { derive } from "../scene/scene.ts";
import { readDrawingFile } from "./drawing-file.ts";
import { importSvg } from "./import-drawing.ts";
import { deliveredSvg } from "./svg-write.ts";

const written = (drawing: Drawing): string =>
  deliveredSvg(
    drawing,
    derive(
      drawing,
      new DrawingReader().read(drawing).pockets.filter(({ hidden }) => !hidden),
    ),
  );

it("byte for byte, from the first time on", () => {
  const others = sampleOf(ART, 30).filter(({ file, svg }) => {
    const first = written(coloured(importSvg(file, svg).drawing, false));
    return written(importSvg(file, first).drawing) !== first;
  });
  expect(others.map(({ file }) => file)).toEqual([]);
});

it.each(["demo/almanac-boot-coloured.fern", "core/formats/saved/bed-8.fern"])(
  "with light, gradients and what the picture does not show: %s",
  (file) => {
    const drawing = readDrawingFile(readFileSync(file, "utf8"));
    const first = written(drawing);
    expect(written(importSvg(drawing.name, first).drawing)).toBe(first);
  },
);
