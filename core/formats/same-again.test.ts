/** An SVG of ours that was opened and is written again is the very same file. */
import { readFileSync } from "node:fs";
import { expect, it } from "vitest";
import { ART, coloured } from "../../testing/foreign-art.ts";
import { box } from "../../testing/line-work.ts";
import { sampleOf } from "../../testing/long-runs.ts";
import type { Drawing, Pour, Stroke } from "../drawing/drawing.ts";
import { newDrawing } from "../drawing/new-drawing.ts";
import { anchorOf } from "../pockets/anchors.ts";
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

it.each(["demo/almanac-boot-coloured.fern", "core/formats/saved/bed-9.fern"])(
  "with light, gradients and what the picture does not show: %s",
  (file) => {
    const drawing = readDrawingFile(readFileSync(file, "utf8"));
    const first = written(drawing);
    expect(written(importSvg(drawing.name, first).drawing)).toBe(first);
  },
);

it("with more figures of patterns than an SVG may have shapes of its own", () => {
  const boxes = [0, 1, 2, 3, 4, 5].map((k) =>
    box(10 + 330 * (k % 3), 10 + 330 * Math.floor(k / 3), 300, 300, 2),
  );
  const page = { box: { x: 0, y: 0, width: 1000, height: 1000 }, width: 100, unit: "mm", ppi: 300 } as const;
  const bare = newDrawing(
    "patterns",
    page,
    boxes.map(
      ({ points }, rank): Stroke => ({
        id: `box-${rank}`,
        rank,
        points: Array.from(points),
        width: 2,
        closed: true,
      }),
    ),
  );
  const { pockets } = new DrawingReader().read(bare);
  const pattern = {
    kind: "dots",
    cloth: "c",
    paint: { colour: "radish", step: 0 },
    at: [0, 0],
    turn: 0,
    size: 1,
    share: 0.5,
    opacity: 1,
  } as const;
  const pours = pockets.map(
    (pocket, i): Pour => ({
      id: `p${i}`,
      rank: i,
      paint: { colour: "frond", step: 0 },
      anchor: anchorOf(pocket),
      pattern,
    }),
  );
  const drawing = { ...bare, pours: Object.fromEntries(pours.map((pour) => [pour.id, pour])) };
  const { drawing: again, report } = importSvg("patterns", written(drawing));
  expect(report.leftAside).toEqual([]);
  expect([
    Object.keys(again.strokes).length,
    Object.values(again.pours).map(({ pattern }) => pattern?.size),
  ]).toEqual([6, pours.map(() => 1)]);
});
