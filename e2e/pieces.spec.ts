/** A picture painted in pieces, bands of a PNG and what a change leaves to be painted, is pixel for pixel the one painted whole. */
import { readFileSync } from "node:fs";
import { expect, type Page, test } from "@playwright/test";
import { build } from "esbuild";
import { drawingFileText, readDrawingFile } from "../core/formats/drawing-file.ts";
import { DrawingReader } from "../core/pockets/drawing-reader.ts";
import { settledBy } from "../core/scene/items.ts";
import { derive, type Scene, sceneOf } from "../core/scene/scene.ts";
import { ALL } from "../testing/every-item.ts";

/** The painter and the maker of bands, as they run in the browser. */
async function withPainter(page: Page): Promise<void> {
  const { outputFiles } = await build({
    stdin: {
      contents: `export * from "./app/work/canvas-studio.ts"; export * from "./app/painting/art-surface.ts"; export * from "./app/painting/canvas-painter.ts";`,
      resolveDir: process.cwd(),
    },
    bundle: true,
    write: false,
    format: "iife",
    globalName: "painter",
    logLevel: "error",
  });
  await page.goto("about:blank");
  await page.addScriptTag({ content: outputFiles[0].text });
}

const coloured = (demo: string): Scene => {
  const drawing = readDrawingFile(drawingFileText(readFileSync(`demo/almanac-${demo}-coloured.fern`)));
  const pockets = new DrawingReader().read(drawing).pockets.filter(({ hidden }) => !hidden);
  return sceneOf(drawing, derive(drawing, pockets));
};

/** All of it faint, in sheets and in parts. */
const faint: Scene = {
  ...ALL,
  parts: ALL.parts.map((part) => ({
    ...part,
    sheets: part.sheets.map((sheet) => ({ ...sheet, opacity: 0.5, ...settledBy(sheet.items) })),
  })),
};

/** Softness that reaches far from where it lies. */
const soft: Scene = {
  ...ALL,
  parts: ALL.parts.map((part) => ({
    ...part,
    sheets: part.sheets.map((sheet) => ({
      ...sheet,
      items: sheet.items.map((item) =>
        item.effects.blur ? { ...item, effects: { ...item.effects, blur: 6 } } : item,
      ),
    })),
  })),
};

const WIDTH = 2400;
/** Of all pixels, those on edges that may come out otherwise by some levels. */
const EDGES = 5e-3;
/** Wide blurs are made from a smaller picture, whose pixels begin elsewhere in each piece. */
const BLURRED = 5e-2;

declare const painter: typeof import("../app/work/canvas-studio.ts") &
  typeof import("../app/painting/art-surface.ts") &
  typeof import("../app/painting/canvas-painter.ts");

/** Pieces that are painted anew. */
const PIECES = 24;

/**
 * How bands, and pieces painted anew, differ from the whole. Browsers cut long curves where a canvas ends before they
 * smooth their edges, so that single pixels along edges come out otherwise: these are counted, areas must not differ.
 */
const differing = (page: Page, scene: Scene) =>
  page.evaluate(
    ([scene, width, pieces]) => {
      const { box } = scene;
      const scale = width / box.width;
      const height = Math.round(box.height * scale);
      const view = { scale, x: -box.x * scale, y: -box.y * scale };
      const pixels = (canvas: OffscreenCanvas) =>
        canvas.getContext("2d")!.getImageData(0, 0, width, height).data;
      const canvas = new OffscreenCanvas(width, height);
      const held = { parts: scene.parts } as unknown as import("../app/painting/held-scene.ts").HeldScene;
      const surface = new painter.ArtSurface(canvas, held);
      canvas.getContext("2d", { willReadFrequently: true });
      surface.move(view, { width, height });
      surface.paint();
      const whole = pixels(canvas);

      /** The share of pixels that differ at all, and how many squares of nine differ by more than three levels. */
      const compared = (data: Uint8Array | Uint8ClampedArray) => {
        const off = new Uint8Array(width * height);
        let count = 0;
        for (let p = 0; p < off.length; p++) {
          for (let k = 4 * p; k < 4 * p + 4; k++) off[p] = Math.max(off[p], Math.abs(data[k] - whole[k]));
          if (off[p] > 0) count++;
        }
        const isOff = (x: number, y: number) => off[y * width + x] > 3;
        let areas = 0;
        for (let y = 1; y + 1 < height; y++)
          for (let x = 1; x + 1 < width; x++)
            if (isOff(x, y) && [-1, 0, 1].every((dy) => [-1, 0, 1].every((dx) => isOff(x + dx, y + dy))))
              areas++;
        return { share: count / off.length, areas };
      };

      // Nothing is compressed here.
      const { bands: bandsOf } = painter.canvasStudio(() => new Worker(""));
      const bands = bandsOf(scene, { width, height });
      const banded = new Uint8Array(whole.length);
      for (let k = 0, at = 0; k < bands.count; k++) {
        const rows = bands.paint(k);
        banded.set(rows, at);
        at += rows.length;
      }
      for (let k = 0; k < pieces; k++) {
        const [x, y] = [(k * 0.377) % 1, (k * 0.619) % 1];
        const side = box.width * (0.02 + 0.2 * ((k * 0.29) % 1));
        surface.mark({ x: box.x + x * box.width, y: box.y + y * box.height, width: side, height: side });
        surface.paint();
      }
      return { count: bands.count, bands: compared(banded), pieces: compared(pixels(canvas)) };
    },
    [scene, WIDTH, PIECES] as const,
  );

for (const [name, scene, most] of [
  ["everything an item can be", ALL, EDGES],
  ["all of it faint", faint, EDGES],
  ["all that is soft far softer", soft, BLURRED],
  ["the lantern, lit", coloured("lantern"), EDGES],
  ["the boot, lit", coloured("boot"), EDGES],
] as const) {
  test(`${name}: pieces are those of the whole`, async ({ page }) => {
    await withPainter(page);
    const { count, bands, pieces } = await differing(page, scene);
    expect(count).toBeGreaterThan(1);
    for (const { share, areas } of [bands, pieces]) {
      expect(share).toBeLessThan(most);
      expect(areas).toBe(0);
    }
  });
}

test("a small picture takes no more of a canvas than it needs, however narrow it is", async ({ page }) => {
  await withPainter(page);
  const sizes = await page.evaluate((scene) => {
    const made: number[][] = [];
    const Canvas = OffscreenCanvas;
    globalThis.OffscreenCanvas = class extends Canvas {
      constructor(width: number, height: number) {
        super(width, height);
        made.push([width, height]);
      }
    };
    const { bands } = painter.canvasStudio(() => new Worker(""));
    const rows = bands(scene, { width: 16, height: 16 }).paint(0);
    return { made, rows: rows.length };
  }, soft);
  expect(sizes.rows).toBe(4 * 16 * 16);
  for (const [width, height] of sizes.made) expect([width, height < 100]).toEqual([16, true]);
});
