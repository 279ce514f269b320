/** The files that are painted of a scene, whoever makes them. */
import { MM_PER_INCH } from "../drawing/drawing.ts";
import { writePdf } from "../formats/pdf/pdf-write.ts";
import { greyPages } from "../formats/pdf/plates-pdf.ts";
import type { Scene } from "../scene/scene.ts";
import { FILE_KINDS, type FileKind } from "./kinds.ts";
import { layeredPicture } from "./layers.ts";
import { pictureOf } from "./picture.ts";
import { type Plate, platePng, platesOf } from "./plates.ts";
import { type GoOn, goOnOrStop, joined, type MadeFile, type Studio } from "./studio.ts";
import type { TextKind } from "./text-files.ts";

type PaintedKind = Exclude<FileKind, TextKind>;

export interface FileRequest {
  readonly as: PaintedKind;
  /** Without ending. */
  readonly name: string;
  readonly ppi: number;
  /** Printed width of the scene's box. */
  readonly widthInches: number;
  /** Page units beyond the page; in PDF alone. */
  readonly bleed?: number;
  /** What tin colours are called as printing inks, by the variables of their tones; without, a PDF is of sRGB colours. */
  readonly inks?: Readonly<Record<string, string>>;
  /** How far lighter plates run on under darker ones, in millimetres. */
  readonly overlap?: number;
}

/** Of plates around the page, in inches; and their usual overlap in millimetres. */
const MARGIN = 0.4;
const USUAL_OVERLAP = 0.2;

type Maker = (scene: Scene, request: FileRequest, studio: Studio, goOn: GoOn) => Promise<MadeFile[]>;

const MAKERS: Readonly<Record<PaintedKind, Maker>> = {
  png: async (scene, request, studio, goOn) => [
    fileOf(request, await pictureOf(scene, pictureRequest(scene, request), studio, goOn)),
  ],
  pdf: async (scene, request, _, goOn) => {
    const { widthInches, bleed = 0, ppi, inks } = request;
    await goOnOrStop(goOn, 0);
    const pdf = await writePdf(scene, {
      widthInches,
      bleedInches: (bleed * widthInches) / scene.box.width,
      ppi,
      ...(inks && { inkOf: ({ variable }) => inks[variable] ?? variable }),
    });
    return [fileOf(request, [pdf])];
  },
  layers: async (scene, request, studio, goOn) => [
    fileOf(request, await layeredPicture(scene, pictureRequest(scene, request), studio, goOn)),
  ],
  plates: async (scene, request, studio, goOn) => {
    const files: MadeFile[] = [];
    for await (const plate of plates(scene, request, studio, goOn)) {
      const variant = `plate-${files.length + 1}-${plate.tone.variable}`;
      const parts = platePng(plate, `${scene.title}: ${inkName(plate, request)}`, request.ppi);
      files.push(fileOf(request, parts, variant));
    }
    return files;
  },
  "plates-pdf": async (scene, request, studio, goOn) => {
    const pages: Parameters<typeof greyPages>[0][number][] = [];
    for await (const { size, pixels } of plates(scene, request, studio, goOn))
      pages.push({ size, pixels: joined(pixels) });
    const pdf = await greyPages(pages, {
      title: scene.title,
      widthInches: request.widthInches + 2 * MARGIN,
      marginInches: MARGIN,
    });
    return [fileOf(request, [pdf])];
  },
};

const fileOf = (
  { name, as }: FileRequest,
  parts: readonly Uint8Array[],
  variant = FILE_KINDS[as].variant,
): MadeFile => {
  const { ending, type } = FILE_KINDS[as];
  return { name: `${variant ? `${name}-${variant}` : name}${ending}`, type, parts };
};

const inkName = ({ tone }: Plate, { inks }: FileRequest): string => inks?.[tone.variable] ?? tone.variable;

function plates(scene: Scene, request: FileRequest, studio: Studio, goOn: GoOn): AsyncGenerator<Plate> {
  const inch = scene.box.width / request.widthInches;
  const overlap = ((request.overlap ?? USUAL_OVERLAP) / MM_PER_INCH) * inch;
  return platesOf(scene, { ...pictureRequest(scene, request), overlap, margin: MARGIN * inch }, studio, goOn);
}

const pictureRequest = (scene: Scene, { widthInches, ppi }: FileRequest) => {
  const width = Math.max(1, Math.round(widthInches * ppi));
  const height = Math.max(1, Math.round((width * scene.box.height) / scene.box.width));
  return { size: { width, height }, ppi };
};

/** Throws Stopped where it was stopped, an Error with a sentence where a file cannot be made. */
export const filesOf: Maker = (scene, request, studio, goOn) =>
  MAKERS[request.as](scene, request, studio, goOn);
