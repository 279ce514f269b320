/** `fern deliver`: a drawing file or an SVG as the files that Deliver makes; pictures are painted by resvg. */
import { readFileSync } from "node:fs";
import { createRequire } from "node:module";
import { contactOf } from "#core/deliver/contact-sheet.ts";
import { filesOf } from "#core/deliver/files.ts";
import { inkNames } from "#core/deliver/ink-names.ts";
import { FILE_KINDS, type FileKind } from "#core/deliver/kinds.ts";
import { Lettering } from "#core/deliver/lettering.ts";
import { joined } from "#core/deliver/studio.ts";
import { isText, textFile } from "#core/deliver/text-files.ts";
import {
  bleedOf,
  type Drawing,
  type Page,
  pixelsOf,
  ranked,
  SHEETS,
  type SheetName,
  widthInInches,
} from "#core/drawing/drawing.ts";
import { DrawingReader } from "#core/pockets/drawing-reader.ts";
import { type Chosen, chosenScene } from "#core/scene/chosen-scene.ts";
import { type Derived, derive, sceneOf } from "#core/scene/scene.ts";
import { openDrawing } from "./open-drawing.ts";
import { studio } from "./studio.ts";

export interface DeliverRequest {
  readonly as: FileKind;
  /** Pixels per inch of a picture; those of the page where left out. */
  readonly ppi?: number;
  /** The name of a part, and those of sheets; all where left out. */
  readonly part?: string;
  readonly sheets?: readonly string[];
  /** The name of the colourway that an SVG shows on dark pages. */
  readonly dark?: string;
  /** Tin colours as named printing inks, in PDF. */
  readonly inks?: boolean;
  /** All colourways on one sheet, with their names. */
  readonly contact?: boolean;
}

export interface Delivery {
  readonly name: string;
  readonly bytes: Uint8Array;
}

/** A drawing that was opened, and what is derived from it. */
export interface Opened {
  readonly name: string;
  readonly drawing: Drawing;
  readonly derived: Derived;
}

/** In a colourway by its name. Throws an Error for one that the drawing has not, a FileProblem for a file that cannot be read. */
export function opened(name: string, text: string, colourway?: string): Opened {
  const drawing = inWay(openDrawing(name, text), colourway);
  const pockets = new DrawingReader().read(drawing).pockets.filter(({ hidden }) => !hidden);
  return { name, drawing, derived: derive(drawing, pockets) };
}

/** Throws an Error with a sentence where a file cannot be made. */
export async function deliver(
  { name, drawing, derived }: Opened,
  request: DeliverRequest,
): Promise<Delivery[]> {
  const { as } = request;
  const chosen = chosenOf(drawing, request);
  if (request.contact && FILE_KINDS[as].byInk) throw new Error("A contact sheet has no plates.");
  const { scene, page } = request.contact
    ? contactOf(drawing, derived, chosen, printLetters())
    : { scene: chosenScene(sceneOf(drawing, derived), chosen), page: drawing.page };
  if (isText(as)) {
    const isWhole = !chosen.part && !chosen.sheets && !request.contact;
    const dark = request.dark === undefined ? undefined : wayNamed(drawing, request.dark);
    const bytes = textFile(as, { drawing, derived, scene, page, isWhole }, { dark });
    return [{ name: `${name}${FILE_KINDS[as].ending}`, bytes }];
  }
  const file = {
    as,
    name,
    ppi: sensiblePpi(page, request.ppi),
    widthInches: widthInInches(page),
    bleed: bleedOf(page),
    ...(request.inks || FILE_KINDS[as].byInk ? { inks: inkNames(drawing, scene) } : {}),
  };
  const files = await filesOf(scene, file, studio, async () => true);
  return files.map((file) => ({ name: file.name, bytes: joined(file.parts) }));
}

/** The font of names, as the desk has it. */
function printLetters(): Lettering {
  const file = createRequire(import.meta.url).resolve(
    "@fontsource/fraunces/files/fraunces-latin-400-normal.woff",
  );
  return new Lettering(new Uint8Array(readFileSync(file)).buffer);
}

/** Pixels of the largest picture that is painted in one piece. */
const MOST_PIXELS = 120e6;

function sensiblePpi(page: Page, ppi = page.ppi): number {
  const { width, height } = pixelsOf(page, ppi);
  if (!(ppi >= 1)) throw new Error("--ppi takes a number from 1 on.");
  if (width * height > MOST_PIXELS)
    throw new Error(
      `At ${ppi} pixels per inch the picture would have ${width} x ${height} pixels; up to 120 million are painted.`,
    );
  return ppi;
}

function chosenOf({ parts }: Drawing, { part, sheets }: DeliverRequest): Chosen {
  const known = ranked(parts);
  const own = known.find(({ name }) => name === part);
  if (part !== undefined && !own)
    throw new Error(`There is no part ${part}; there are ${known.map(({ name }) => name).join(", ")}.`);
  const wrong = sheets?.find((name) => !SHEETS.some((sheet) => sheet === name));
  if (wrong !== undefined) throw new Error(`There is no sheet ${wrong}; there are ${SHEETS.join(", ")}.`);
  return { ...(own && { part: own.id }), ...(sheets && { sheets: sheets as SheetName[] }) };
}

function inWay(drawing: Drawing, name: string | undefined): Drawing {
  return name === undefined ? drawing : { ...drawing, shown: wayNamed(drawing, name) };
}

function wayNamed({ colourways }: Drawing, name: string): string {
  const ways = ranked(colourways);
  const way = ways.find((one) => one.name === name);
  if (!way)
    throw new Error(`There is no colourway ${name}; there are ${ways.map((one) => one.name).join(", ")}.`);
  return way.id;
}
