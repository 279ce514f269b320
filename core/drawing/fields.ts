/**
 * Every field of a drawing, declared once: how it is kept, what it begins as, whether pockets are made of it and how an
 * SVG of ours carries it. Files, facts, patch filters and upgrades read this table; records.ts holds
 * for each the record that checks it.
 */
import type { Drawing } from "./drawing.ts";
import { startingParts } from "./parts.ts";
import {
  FIRST_COLOURWAY,
  startingColourways,
  startingInk,
  startingLamp,
  startingNibs,
  startingSheets,
  startingTin,
} from "./start.ts";

export interface Field<T> {
  /** What it is called before people. */
  readonly word: string;
  /** A table of entities by id, the sheets by name, or one value. */
  readonly form: "table" | "sheets" | "value";
  /** What it reads from the lines: pockets, openings as well, or nothing. */
  readonly lines: "pockets" | "gaps" | "none";
  /** In the picture itself, in the facts beside it, or in the facts where the picture does not show it. */
  readonly svg: "picture" | "facts" | "unseen";
  /** Its value in a new drawing, and in files older than the field. */
  readonly start?: () => T;
}

export const FIELDS: { readonly [K in keyof Drawing]: Field<Drawing[K]> } = {
  name: { word: "its name", form: "value", lines: "none", svg: "picture" },
  page: { word: "the page", form: "value", lines: "gaps", svg: "facts" },
  parts: { word: "parts", form: "table", lines: "gaps", svg: "facts", start: startingParts },
  strokes: { word: "lines", form: "table", lines: "gaps", svg: "picture", start: () => ({}) },
  inkShapes: { word: "ink shapes", form: "table", lines: "gaps", svg: "picture", start: () => ({}) },
  nibs: { word: "nibs", form: "table", lines: "gaps", svg: "facts", start: startingNibs },
  bridges: { word: "bridges", form: "table", lines: "gaps", svg: "facts", start: () => ({}) },
  reach: { word: "the reach", form: "value", lines: "pockets", svg: "facts", start: () => 0 },
  declined: { word: "openings left open", form: "table", lines: "pockets", svg: "facts", start: () => ({}) },
  tin: { word: "colours", form: "table", lines: "none", svg: "facts", start: startingTin },
  colourways: { word: "colourways", form: "table", lines: "none", svg: "facts", start: startingColourways },
  shown: {
    word: "the colourway shown",
    form: "value",
    lines: "none",
    svg: "facts",
    start: () => FIRST_COLOURWAY,
  },
  tiles: { word: "picture tiles", form: "table", lines: "none", svg: "facts", start: () => ({}) },
  styles: { word: "styles of light", form: "table", lines: "none", svg: "facts", start: () => ({}) },
  pours: { word: "pours", form: "table", lines: "none", svg: "unseen", start: () => ({}) },
  flatShapes: { word: "colour shapes", form: "table", lines: "gaps", svg: "unseen", start: () => ({}) },
  shades: { word: "shades", form: "table", lines: "none", svg: "unseen", start: () => ({}) },
  creases: { word: "creases", form: "table", lines: "none", svg: "facts", start: () => ({}) },
  dabs: { word: "dabs", form: "table", lines: "none", svg: "facts", start: () => ({}) },
  sheets: { word: "sheets", form: "sheets", lines: "none", svg: "facts", start: startingSheets },
  ink: { word: "the ink's colour", form: "value", lines: "none", svg: "facts", start: startingInk },
  lamp: { word: "the lamp", form: "value", lines: "none", svg: "facts", start: startingLamp },
  groundShadow: {
    word: "the shadow on the ground",
    form: "value",
    lines: "none",
    svg: "facts",
    start: () => null,
  },
  sticker: { word: "the rim of paper", form: "value", lines: "none", svg: "facts", start: () => null },
  lights: { word: "kinds of light", form: "value", lines: "none", svg: "facts", start: () => ({}) },
  gradientStrength: {
    word: "the strength of gradients",
    form: "value",
    lines: "none",
    svg: "facts",
    start: () => 1,
  },
  undercoat: { word: "the undercoat", form: "value", lines: "none", svg: "facts", start: () => null },
  strict: { word: "how touching ink counts", form: "value", lines: "gaps", svg: "facts", start: () => false },
  hiddenWalls: {
    word: "how hidden lines count",
    form: "value",
    lines: "gaps",
    svg: "facts",
    start: () => true,
  },
  shapeWalls: {
    word: "how edges of colour count",
    form: "value",
    lines: "gaps",
    svg: "facts",
    start: () => false,
  },
};

export type FieldName = keyof Drawing;

export const FIELD_NAMES = Object.keys(FIELDS) as readonly FieldName[];

/** The fields that are tables. */
export type TableName = {
  [K in keyof Drawing]: Drawing[K] extends Readonly<Record<string, { readonly id: string }>> ? K : never;
}[keyof Drawing];

/** All that a drawing begins with beside its name, its page and what is drawn on it. */
export const startingFields = (): Omit<Drawing, "name" | "page"> =>
  Object.fromEntries(
    FIELD_NAMES.flatMap((name) => {
      const { start } = FIELDS[name];
      return start ? [[name, start()]] : [];
    }),
  ) as unknown as Omit<Drawing, "name" | "page">;
