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

export interface FileWish {
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

type Maker = (scene: Scene, wish: FileWish, studio: Studio, goOn: GoOn) => Promise<MadeFile[]>;

const MAKERS: Readonly<Record<PaintedKind, Maker>> = {
  png: async (scene, wish, studio, goOn) => [
    fileOf(wish, await pictureOf(scene, pictureWish(scene, wish), studio, goOn)),
  ],
  pdf: async (scene, wish, _, goOn) => {
    const { widthInches, bleed = 0, ppi, inks } = wish;
    await goOnOrStop(goOn, 0);
    const pdf = await writePdf(scene, {
      widthInches,
      bleedInches: (bleed * widthInches) / scene.box.width,
      ppi,
      ...(inks && { inkOf: ({ variable }) => inks[variable] ?? variable }),
    });
    return [fileOf(wish, [pdf])];
  },
  layers: async (scene, wish, studio, goOn) => [
    fileOf(wish, await layeredPicture(scene, pictureWish(scene, wish), studio, goOn)),
  ],
  plates: async (scene, wish, studio, goOn) => {
    const files: MadeFile[] = [];
    for await (const plate of plates(scene, wish, studio, goOn)) {
      const variant = `plate-${files.length + 1}-${plate.tone.variable}`;
      const parts = platePng(plate, `${scene.title}: ${inkName(plate, wish)}`, wish.ppi);
      files.push(fileOf(wish, parts, variant));
    }
    return files;
  },
  "plates-pdf": async (scene, wish, studio, goOn) => {
    const pages: Parameters<typeof greyPages>[0][number][] = [];
    for await (const { size, pixels } of plates(scene, wish, studio, goOn))
      pages.push({ size, pixels: joined(pixels) });
    const pdf = await greyPages(pages, {
      title: scene.title,
      widthInches: wish.widthInches + 2 * MARGIN,
      marginInches: MARGIN,
    });
    return [fileOf(wish, [pdf])];
  },
};

const fileOf = (
  { name, as }: FileWish,
  parts: readonly Uint8Array[],
  variant = FILE_KINDS[as].variant,
): MadeFile => {
  const { ending, type } = FILE_KINDS[as];
  return { name: `${variant ? `${name}-${variant}` : name}${ending}`, type, parts };
};

const inkName = ({ tone }: Plate, { inks }: FileWish): string => inks?.[tone.variable] ?? tone.variable;

function plates(scene: Scene, wish: FileWish, studio: Studio, goOn: GoOn): AsyncGenerator<Plate> {
  const inch = scene.box.width / wish.widthInches;
  const overlap = ((wish.overlap ?? USUAL_OVERLAP) / MM_PER_INCH) * inch;
  return platesOf(scene, { ...pictureWish(scene, wish), overlap, margin: MARGIN * inch }, studio, goOn);
}

const pictureWish = (scene: Scene, { widthInches, ppi }: FileWish) => {
  const width = Math.max(1, Math.round(widthInches * ppi));
  const height = Math.max(1, Math.round((width * scene.box.height) / scene.box.width));
  return { size: { width, height }, ppi };
};

/** Throws Stopped where it was stopped, an Error with a sentence where a file cannot be made. */
export const filesOf: Maker = (scene, wish, studio, goOn) => MAKERS[wish.as](scene, wish, studio, goOn);
