/** Hidden and locked lines: what is seen of them, what they still do, and how they come back from files. */
import { Resvg } from "@resvg/resvg-js";
import { describe, expect, it } from "vitest";
import { edited, page, shapeOf, strokeOf } from "../../testing/drawings.ts";
import type { Drawing } from "../drawing/drawing.ts";
import { pour } from "../drawing/edits.ts";
import { changeLines } from "../drawing/line-edits.ts";
import { newDrawing } from "../drawing/new-drawing.ts";
import { anchorOf } from "../pockets/anchors.ts";
import { DrawingReader } from "../pockets/drawing-reader.ts";
import { derive, pocketAt, sceneOf } from "../scene/scene.ts";
import { readDrawingFile, writeDrawingFile } from "./drawing-file.ts";
import { importSvg } from "./import-drawing.ts";
import { deliveredSvg, writeSvg } from "./svg-write.ts";

const read = (drawing: Drawing) => new DrawingReader().read(drawing).pockets;
const look = (drawing: Drawing) => derive(drawing, read(drawing));

const corners = (left: number, top: number, right: number, bottom: number): [number, number][] => [
  [left, top],
  [right, top],
  [right, bottom],
  [left, bottom],
  [left, top],
];

/** A box with a wall in it, a line drawn with a nib across its right half, and a blot of ink in the left one. */
const lined = newDrawing(
  "Lined",
  page,
  [
    strokeOf("box", 1, corners(10, 10, 90, 90)),
    strokeOf("wall", 2, [
      [50, 10],
      [50, 90],
    ]),
    {
      ...strokeOf("nibbed", 3, [
        [50, 50],
        [90, 50],
      ]),
      profile: [0, 0.5, 1, 1],
    },
  ],
  [shapeOf("blot", 4, corners(20, 60, 36, 76))],
);

/** Every pocket with a colour of its own. */
const poured = edited(
  lined,
  ...read(lined).map((pocket, i) =>
    pour([{ anchor: anchorOf(pocket) }], { colour: ["frond", "radish", "dusk"][i], step: 0 }, [`p${i}`]),
  ),
);

const pixelsOf = (drawing: Drawing): Buffer =>
  new Resvg(writeSvg(sceneOf(drawing, look(drawing))), { fitTo: { mode: "width", value: 400 } }).render()
    .pixels as Buffer;

const at = (pixels: Buffer, x: number, y: number): number[] => [
  ...pixels.subarray(4 * (4 * y * 400 + 4 * x), 4 * (4 * y * 400 + 4 * x) + 4),
];

describe("a hidden line", () => {
  const hidden = edited(poured, changeLines(["wall"], { hidden: true }));

  it("parts the same pockets as before, each with its colour", () => {
    const [before, after] = [look(poured), look(hidden)];
    expect(after.pockets.map(({ seed }) => seed)).toEqual(before.pockets.map(({ seed }) => seed));
    expect(after.pourOf).toEqual(before.pourOf);
  });

  it("is not painted, and no ground shines through where colours meet in its place", () => {
    const pixels = pixelsOf(hidden);
    const ink = at(pixelsOf(poured), 50, 30);
    for (let y = 14; y < 86; y++)
      for (let x = 46; x < 54; x++) {
        const pixel = at(pixels, x, y);
        expect(pixel[3], `at ${x}, ${y}`).toBe(255);
        if (Math.abs(y - 50) > 3) expect(pixel).not.toEqual(ink);
      }
  });

  it("leaves a pocket where it was an ink shape, to be poured", () => {
    const place = [28, 68] as const;
    expect(pocketAt(read(poured), [...place])).toBeUndefined();
    const open = edited(poured, changeLines(["blot"], { hidden: true }));
    expect(pocketAt(read(open), [...place])?.lines).toEqual(["blot/0"]);
  });

  it("is seen again as it was", () => {
    const again = edited(hidden, changeLines(["wall"], { hidden: false }));
    expect(again).toEqual(poured);
    expect(pixelsOf(again).equals(pixelsOf(poured))).toBe(true);
  });
});

describe("hidden and locked lines", () => {
  const closed = edited(
    poured,
    changeLines(["wall", "nibbed", "blot"], { hidden: true }),
    changeLines(["box", "nibbed", "blot"], { locked: true }),
    changeLines(["blot"], { name: "Old blot" }),
  );
  const said = ({ strokes, inkShapes }: Drawing) =>
    [...Object.values(strokes), ...Object.values(inkShapes)]
      .sort((a, b) => a.rank - b.rank)
      .map((line) => [line.hidden, line.locked, line.name]);

  it("come back from drawing files and from SVG, as does their colour", () => {
    const fromFile = readDrawingFile(writeDrawingFile(closed));
    expect(fromFile).toEqual(closed);
    const svg = deliveredSvg(closed, look(closed));
    const { drawing, report } = importSvg("Lined", svg);
    expect(said(drawing)).toEqual(said(closed));
    expect(report.leftAside).toEqual([]);
    expect(look(drawing).pockets).toHaveLength(look(closed).pockets.length);
    expect(look(drawing).pourOf.filter(Boolean)).toHaveLength(3);
  });

  it("are left aside as hidden in files of others", () => {
    const svg =
      '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9"><path d="M1 1H8" stroke="#000" data-is="stroke" display="none"/><path d="M1 2H8" stroke="#000"/></svg>';
    expect(Object.keys(importSvg("Other", svg).drawing.strokes)).toHaveLength(1);
  });
});
