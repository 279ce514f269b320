/** `fern deliver`: a drawing file or an SVG as the files that Deliver makes; PNG is painted by the server's renderer. */
import { deflateSync } from "node:zlib";
import { Resvg } from "@resvg/resvg-js";
import { decode } from "fast-png";
import { type Drawing, pixelsOf, ranked } from "#core/drawing/drawing.ts";
import { readDrawingFile } from "#core/formats/drawing-file.ts";
import { importSvg } from "#core/formats/import-drawing.ts";
import { pngData, pngHead, pngTail, RowFilter } from "#core/formats/png-chunks.ts";
import { deliveredSvg } from "#core/formats/svg-write.ts";
import { DrawingReader } from "#core/pockets/drawing-reader.ts";
import { derive } from "#core/scene/scene.ts";

export const DELIVERED = ["svg", "png"] as const;

export interface DeliverWish {
  readonly as: (typeof DELIVERED)[number];
  /** Pixels per inch of a picture; those of the page where left out. */
  readonly ppi?: number;
  /** The name of the colourway that is shown; the one that is seen where left out. */
  readonly colourway?: string;
}

export interface Delivery {
  readonly bytes: Uint8Array;
  readonly report: object;
}

/** Throws an Error for a colourway that the drawing has not, a FileProblem for a file that cannot be read. */
export function deliver(name: string, text: string, { as, ppi, colourway }: DeliverWish): Delivery {
  const read = /^\s*\{/.test(text) ? readDrawingFile(text) : importSvg(name, text).drawing;
  const drawing = inWay(read, colourway);
  const pockets = new DrawingReader().read(drawing).pockets.filter(({ hidden }) => !hidden);
  const svg = deliveredSvg(drawing, derive(drawing, pockets));
  if (as === "svg") {
    const bytes = new TextEncoder().encode(svg);
    return { bytes, report: { as, bytes: bytes.length } };
  }
  const density = ppi ?? drawing.page.ppi;
  const { width, height } = pixelsOf(drawing.page, density);
  const bytes = pngOf(svg, { width, height, ppi: density, title: drawing.name });
  return { bytes, report: { as, width, height, ppi: density, bytes: bytes.length } };
}

function inWay(drawing: Drawing, name: string | undefined): Drawing {
  if (name === undefined) return drawing;
  const ways = ranked(drawing.colourways);
  const way = ways.find((one) => one.name === name);
  if (!way)
    throw new Error(`There is no colourway ${name}; there are ${ways.map((one) => one.name).join(", ")}.`);
  return { ...drawing, shown: way.id };
}

function pngOf(svg: string, facts: Parameters<typeof pngHead>[0]): Uint8Array {
  const picture = new Resvg(svg, {
    fitTo: { mode: "width", value: facts.width },
    font: { loadSystemFonts: false },
    logLevel: "off",
  }).render();
  // Its own PNG has straight alpha, its pixels have not.
  const { data, width, height } = decode(picture.asPng());
  const rows = new RowFilter(4 * width).colours(data as Uint8Array);
  const parts = [...pngHead({ ...facts, width, height }), pngData(deflateSync(rows)), pngTail()];
  return new Uint8Array(Buffer.concat(parts));
}
