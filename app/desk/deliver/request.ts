/** What is taken home: which files, of what, in which colours. Plain values, so that it can be kept and repeated. */
import { FILE_KINDS, type FileKind } from "#core/deliver/kinds.ts";
import type { SheetName } from "#core/drawing/drawing.ts";

/** Which sheets, by a word of their own where they are several. */
export const SHARES = [
  "all",
  "flat",
  "flats",
  "ink",
  "shade",
  "light",
  "gloss",
  "ground",
  "no-ground",
] as const;
export type Share = (typeof SHARES)[number];

export const SHEETS_OF: Readonly<Record<Share, readonly SheetName[] | undefined>> = {
  all: undefined,
  flat: ["ground", "flats", "ink"],
  flats: ["ground", "flats"],
  ink: ["ink"],
  shade: ["shade"],
  light: ["light"],
  gloss: ["gloss"],
  ground: ["ground"],
  "no-ground": ["flats", "shade", "light", "ink", "gloss"],
};

/** Instead of the id of a colourway. */
export const SEEN = "";
export const EVERY = "*";
export const CONTACT = "#";

export interface TakeHome {
  readonly kinds: readonly FileKind[];
  readonly share: Share;
  /** The id of a part; none for all. */
  readonly part: string;
  /** The id of a colourway, or SEEN, EVERY, CONTACT. */
  readonly way: string;
  readonly ppi: number;
  /** Touching pockets of one colour as one shape, in SVG. */
  readonly united: boolean;
  /** Tin colours as named printing inks, in PDF. */
  readonly inks: boolean;
  /** The id of the colourway that an SVG shows on dark pages; none for none. */
  readonly dark: string;
}

export const usualRequest = (kinds: readonly FileKind[], ppi: number): TakeHome => ({
  kinds,
  share: "all",
  part: "",
  way: SEEN,
  ppi,
  united: false,
  inks: false,
  dark: "",
});

/** Whether a file of a kind is made of what is asked for: a drawing file holds all there is, and a contact sheet has no plates. */
export const isMade = (
  kind: FileKind,
  { way, share, part }: Pick<TakeHome, "way" | "share" | "part">,
): boolean =>
  FILE_KINDS[kind].whole
    ? share === "all" && part === "" && (way === SEEN || way === EVERY)
    : way !== CONTACT || !FILE_KINDS[kind].byInk;

export const SHARE_WORDS: Readonly<Record<Share, string>> = {
  all: "all sheets",
  flat: "flat colour and ink",
  flats: "flat colour only",
  ink: "ink only",
  shade: "shade only",
  light: "light only",
  gloss: "gloss only",
  ground: "ground only",
  "no-ground": "all but the ground",
};

/** What fields that change a request are given. */
export interface RequestFields {
  readonly request: TakeHome;
  readonly onChange: (change: Partial<TakeHome>) => void;
}
