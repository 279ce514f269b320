/** `fern deliver`: a drawing file or an SVG as the files that Deliver makes; pictures are painted by resvg. */
import { type FileKind, filesOf } from "#core/deliver/files.ts";
import { plainScene } from "#core/deliver/plain-scene.ts";
import { joined } from "#core/deliver/studio.ts";
import { bleedOf, type Drawing, ranked, widthInInches } from "#core/drawing/drawing.ts";
import { readDrawingFile } from "#core/formats/drawing-file.ts";
import { importSvg } from "#core/formats/import-drawing.ts";
import { deliveredSvg, plainSvg } from "#core/formats/svg-write.ts";
import { DrawingReader } from "#core/pockets/drawing-reader.ts";
import { derive, sceneOf } from "#core/scene/scene.ts";
import { studio } from "./studio.ts";

export const DELIVERED = ["svg", "plain-svg", "png", "pdf", "ora", "plates", "plates-pdf"] as const;

const KINDS: Readonly<Record<Exclude<(typeof DELIVERED)[number], "svg" | "plain-svg">, FileKind>> = {
  png: "png",
  pdf: "pdf",
  ora: "layers",
  plates: "plates",
  "plates-pdf": "plates-pdf",
};

export interface DeliverWish {
  readonly as: (typeof DELIVERED)[number];
  /** Pixels per inch of a picture; those of the page where left out. */
  readonly ppi?: number;
  /** The name of the colourway that is shown; the one that is seen where left out. */
  readonly colourway?: string;
}

export interface Delivery {
  readonly name: string;
  readonly bytes: Uint8Array;
}

/** Throws an Error for a colourway that the drawing has not, a FileProblem for a file that cannot be read. */
export async function deliver(
  name: string,
  text: string,
  { as, ppi, colourway }: DeliverWish,
): Promise<Delivery[]> {
  const read = /^\s*\{/.test(text) ? readDrawingFile(text) : importSvg(name, text).drawing;
  const drawing = inWay(read, colourway);
  const pockets = new DrawingReader().read(drawing).pockets.filter(({ hidden }) => !hidden);
  const derived = derive(drawing, pockets);
  if (as === "svg" || as === "plain-svg") {
    const svg =
      as === "svg"
        ? deliveredSvg(drawing, derived)
        : plainSvg(plainScene(sceneOf(drawing, derived)).scene, drawing.page);
    return [{ name: `${name}.svg`, bytes: new TextEncoder().encode(svg) }];
  }
  const { page } = drawing;
  const wish = {
    as: KINDS[as],
    name,
    ppi: ppi ?? page.ppi,
    widthInches: widthInInches(page),
    bleed: bleedOf(page),
  };
  const files = await filesOf(sceneOf(drawing, derived), wish, studio, async () => true);
  return files.map((file) => ({ name: file.name, bytes: joined(file.parts) }));
}

function inWay(drawing: Drawing, name: string | undefined): Drawing {
  if (name === undefined) return drawing;
  const ways = ranked(drawing.colourways);
  const way = ways.find((one) => one.name === name);
  if (!way)
    throw new Error(`There is no colourway ${name}; there are ${ways.map((one) => one.name).join(", ")}.`);
  return { ...drawing, shown: way.id };
}
