/** Makes pictures of a scene that is sent in slices: PNG at any size with its pixels per inch in the file, and SVG. */
import * as Comlink from "comlink";
import { withPpi } from "#core/formats/png-ppi.ts";
import { writeSvg } from "#core/formats/svg-write.ts";
import type { Scene } from "#core/scene/scene.ts";
import { paintScene } from "../painting/canvas-painter.ts";
import { HeldScene, type SceneMessage } from "../painting/held-scene.ts";
import type { Size } from "../painting/view.ts";

const held = new HeldScene();

function take(message: SceneMessage): void {
  held.take(message);
}

/** A scene that came without its items, with those that are held. */
const filled = (frame: Scene): Scene => ({
  ...frame,
  parts: frame.parts.map((part) => ({
    ...part,
    hides: held.parts.find(({ id }) => id === part.id)?.hides ?? [],
    sheets: part.sheets.map((sheet) => ({ ...sheet, items: held.itemsOf(part.id, sheet.name) })),
  })),
});

async function png(frame: Scene, size: Size, ppi: number): Promise<Blob> {
  const canvas = new OffscreenCanvas(size.width, size.height);
  const context = canvas.getContext("2d");
  if (!context) throw new Error("This browser cannot paint a picture that large.");
  const scene = filled(frame);
  const scale = size.width / scene.box.width;
  paintScene(context, scene, { scale, x: -scene.box.x * scale, y: -scene.box.y * scale });
  const bytes = new Uint8Array(await (await canvas.convertToBlob({ type: "image/png" })).arrayBuffer());
  return new Blob([withPpi(bytes, ppi)], { type: "image/png" });
}

const svg = (frame: Scene): string => writeSvg(filled(frame));

const work = { take, png, svg };

export type PictureWork = typeof work;

Comlink.expose(work);
