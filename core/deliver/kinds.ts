/** The kinds of file that are taken home, told once: for the desk, its list of what was taken, and the command line. */

interface FileKindFacts {
  /** What people call it, and what it is for. */
  readonly word: string;
  readonly hint: string;
  /** What the command line calls it. */
  readonly command: string;
  /** With its point, and its media type. */
  readonly ending: string;
  readonly type: string;
  /** Added to the name where another kind has the same ending. */
  readonly variant?: string;
  /** Its size depends on the pixels per inch. */
  readonly ofPixels?: true;
  /** A file for each ink. */
  readonly byInk?: true;
  /** One file holds every colourway. */
  readonly holdsWays?: true;
  /** It holds all there is, whatever was chosen. */
  readonly whole?: true;
}

export const KINDS = ["svg", "plain-svg", "png", "pdf", "layers", "plates", "plates-pdf", "fern"] as const;
export type FileKind = (typeof KINDS)[number];

export const FILE_KINDS: Readonly<Record<FileKind, FileKindFacts>> = {
  svg: {
    word: "SVG",
    hint: "Stays sharp at any size, holds every colourway, opens here again as it was",
    command: "svg",
    ending: ".svg",
    type: "image/svg+xml",
    holdsWays: true,
  },
  "plain-svg": {
    word: "Plain SVG",
    hint: "For programs that know no blend modes, filters or custom colours: all is written out",
    command: "plain-svg",
    ending: ".svg",
    type: "image/svg+xml",
    variant: "plain",
  },
  png: {
    word: "PNG",
    hint: "Pixels on a clear ground, with their ppi",
    command: "png",
    ending: ".png",
    type: "image/png",
    ofPixels: true,
  },
  pdf: {
    word: "PDF",
    hint: "Vector, for print: blend modes and clear ground kept, with bleed",
    command: "pdf",
    ending: ".pdf",
    type: "application/pdf",
  },
  layers: {
    word: "Layered picture",
    hint: "OpenRaster, for painters: a group for each part, in it a layer for each sheet",
    command: "ora",
    ending: ".ora",
    type: "image/openraster",
    ofPixels: true,
  },
  plates: {
    word: "Plates, PNG",
    hint: "A grey picture for each ink, with marks; lighter inks run on under darker ones",
    command: "plates",
    ending: ".png",
    type: "image/png",
    ofPixels: true,
    byInk: true,
  },
  "plates-pdf": {
    word: "Plates, PDF",
    hint: "The same as one file, a page for each ink",
    command: "plates-pdf",
    ending: ".pdf",
    type: "application/pdf",
    variant: "plates",
    ofPixels: true,
    byInk: true,
  },
  fern: {
    word: "Drawing file",
    hint: "The drawing itself, to go on with anywhere",
    command: "fern",
    ending: ".fern",
    type: "application/gzip",
    holdsWays: true,
    whole: true,
  },
};
