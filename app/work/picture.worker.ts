/** Paints a scene to PNG at any size, with its pixels per inch in the file. */
import * as Comlink from "comlink";
import { withPpi } from "#core/formats/png-ppi.ts";
import { writeSvg } from "#core/formats/svg-write.ts";
import type { Item, ScenePart, SceneSheet } from "#core/scene/items.ts";
import type { Scene } from "#core/scene/scene.ts";
import { paintScene } from "../painting/canvas-painter.ts";

async function png(scene: Scene, size: { width: number; height: number }, ppi: number): Promise<Blob> {
  const canvas = new OffscreenCanvas(size.width, size.height);
  const context = canvas.getContext("2d");
  if (!context) throw new Error("This browser cannot paint a picture that large.");
  const scale = size.width / scene.box.width;
  paintScene(context, scene, { scale, x: -scene.box.x * scale, y: -scene.box.y * scale });
  const bytes = new Uint8Array(await (await canvas.convertToBlob({ type: "image/png" })).arrayBuffer());
  return new Blob([withPpi(bytes, ppi)], { type: "image/png" });
}

const collected: Item[] = [];

/** Takes some of a scene's items, in order: whole scenes are too much to hand over in one go while a hand works. */
function take(items: readonly Item[]): void {
  collected.push(...items);
}

/** The scene made of the items taken, as SVG, for the drawer's picture. */
function svg(frame: Omit<Scene, "parts">, frames: readonly PartFrame[]): string {
  let from = 0;
  const parts = frames.map(({ sheets, ...part }) => ({
    ...part,
    sheets: sheets.map(({ count, ...sheet }) => {
      const items = collected.slice(from, from + count);
      from += count;
      return { ...sheet, items };
    }),
  }));
  return writeSvg({ ...frame, parts });
}

/** A part whose sheets have no items, but their number. */
export type PartFrame = Omit<ScenePart, "sheets"> & {
  readonly sheets: readonly (Omit<SceneSheet, "items"> & { readonly count: number })[];
};

const work = { png, take, svg };

export type PictureWork = typeof work;

Comlink.expose(work);
