/** Where the command line makes pictures: painted whole by resvg, compressed by zlib. */
import { createDeflate } from "node:zlib";
import { Resvg } from "@resvg/resvg-js";
import { decode } from "fast-png";
import type { Bands, Deflater, Studio } from "#core/deliver/studio.ts";
import { writeSvg } from "#core/formats/svg-write.ts";
import type { Size } from "#core/geometry/point.ts";
import type { Scene } from "#core/scene/scene.ts";

export const studio: Studio = { bands, deflater };

function bands(scene: Scene, size: Size): Bands {
  return { count: 1, paint: () => painted(scene, size) };
}

function painted(scene: Scene, { width, height }: Size): Uint8Array {
  const picture = new Resvg(writeSvg(scene), {
    fitTo: { mode: "width", value: width },
    font: { loadSystemFonts: false },
    logLevel: "off",
  }).render();
  // Its own PNG has straight alpha, its pixels have not.
  const { data } = decode(picture.asPng());
  const rows = new Uint8Array(4 * width * height);
  rows.set((data as Uint8Array).subarray(0, rows.length));
  return rows;
}

function deflater(): Deflater {
  const stream = createDeflate();
  const parts: Uint8Array[] = [];
  stream.on("data", (part: Buffer) => parts.push(new Uint8Array(part)));
  const ended = new Promise<void>((resolve, reject) => stream.on("end", resolve).on("error", reject));
  return {
    write: (bytes) => new Promise((resolve) => stream.write(bytes, () => resolve())),
    end: async () => {
      stream.end();
      await ended;
      return parts;
    },
    close: () => stream.destroy(),
  };
}
