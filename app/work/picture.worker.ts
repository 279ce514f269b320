/** Paints a scene to PNG at any size, with its pixels per inch in the file. */
import * as Comlink from "comlink";
import { type Packed, unpack } from "#core/drawing/packed.ts";
import { withPpi } from "#core/formats/png-ppi.ts";
import { writeSvg } from "#core/formats/svg-write.ts";
import type { Scene } from "#core/scene/scene.ts";
import { paintScene } from "../painting/canvas-painter.ts";

async function png(
  packed: Packed<Scene>,
  size: { width: number; height: number },
  ppi: number,
): Promise<Blob> {
  const canvas = new OffscreenCanvas(size.width, size.height);
  const context = canvas.getContext("2d");
  if (!context) throw new Error("This browser cannot paint a picture that large.");
  const scene = unpack(packed);
  const scale = size.width / scene.box.width;
  paintScene(context, scene, { scale, x: -scene.box.x * scale, y: -scene.box.y * scale });
  const bytes = new Uint8Array(await (await canvas.convertToBlob({ type: "image/png" })).arrayBuffer());
  return new Blob([withPpi(bytes, ppi)], { type: "image/png" });
}

/** As SVG, for the drawer's picture. */
const svg = (scene: Packed<Scene>): string => writeSvg(unpack(scene));

const work = { png, svg };

export type PictureWork = typeof work;

Comlink.expose(work);
