/** The shipped demo drawings, read from disk by the server. */
import { readFile } from "node:fs/promises";
import { extname, join } from "node:path";
import { readDrawingFile } from "#core/formats/drawing-file.ts";
import { writeSvg } from "#core/formats/svg-write.ts";
import { DrawingReader } from "#core/pockets/drawing-reader.ts";
import { derive, sceneOf } from "#core/scene/scene.ts";
import type { Demo } from "./demo.ts";

/** Those that show where this goes come first. */
export const DEMOS: readonly Demo[] = [
  {
    file: "almanac-boot-coloured.fern",
    title: "Boot with ferns, coloured",
    about: "Form, rim and shadow by one lamp",
  },
  {
    file: "almanac-lantern-coloured.fern",
    title: "Lantern in the shed, coloured",
    about: "Lit by its own flame",
  },
  {
    file: "almanac-snail-coloured.fern",
    title: "Snail on a rain barrel, coloured",
    about: "Two colourways, before and after the rain",
  },
  {
    file: "almanac-kettle-coloured.fern",
    title: "Kettle on the potting bench, coloured",
    about: "A striped cloth, and a colourway for the evening",
  },
  { file: "almanac-boot.svg", title: "Boot with ferns", about: "Two honest gaps to find and bridge" },
  {
    file: "almanac-kettle.svg",
    title: "Kettle on the potting bench",
    about: "Small pockets and overlapping things",
  },
  { file: "almanac-lantern.svg", title: "Lantern in the shed", about: "The big one, at dusk" },
  {
    file: "almanac-snail.svg",
    title: "Snail on a rain barrel",
    about: "Lines that run on past their crossings",
  },
  {
    file: "almanac-radishes.png",
    title: "Bunch of radishes",
    about: "A scan, with pencil and dust, to read as lines",
  },
  {
    file: "almanac-sprig.fern",
    title: "Sprig drawn with nibs",
    about: "Begun on a blank page: nibs to change, lines to bend",
  },
];

const FOLDER = join(process.cwd(), "demo");

export const isDemo = (file: string): boolean => DEMOS.some((demo) => demo.file === file);

export const readDemo = (file: string): Promise<Buffer> => readFile(join(FOLDER, file));

const TYPES: Readonly<Record<string, string>> = {
  ".svg": "image/svg+xml",
  ".png": "image/png",
  ".fern": "application/json",
};

export const typeOf = (file: string): string => TYPES[extname(file)];

const thumbnails = new Map<string, Promise<string>>();

/** A picture of a demo as SVG; a drawing file is drawn from its content. */
export function demoThumbnail(file: string): Promise<string> {
  const known = thumbnails.get(file) ?? drawThumbnail(file);
  thumbnails.set(file, known);
  return known;
}

async function drawThumbnail(file: string): Promise<string> {
  const text = (await readDemo(file)).toString("utf8");
  if (!file.endsWith(".fern")) return text;
  const drawing = await readDrawingFile(text);
  const { pockets } = new DrawingReader().read(drawing);
  return writeSvg(sceneOf(drawing, derive(drawing, pockets)));
}
