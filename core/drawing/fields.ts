/**
 * Every field of a drawing, declared once: how it is kept, what it begins as, whether pockets are made of it and how an
 * SVG of ours carries it. Files, facts, patch filters and upgrades read this table; formats/drawing-records.ts holds
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
  /** A table of entities by id, the sheets by name, or one value. */
  readonly form: "table" | "sheets" | "value";
  /** What is read of the lines by it: pockets, openings too, or nothing. */
  readonly lines: "pockets" | "gaps" | "none";
  /** In the picture itself, in the facts beside it, or in the facts where the picture does not show it. */
  readonly svg: "picture" | "facts" | "unseen";
  /** What it is in a drawing that has just begun, and in files from before there was such a field. */
  readonly start?: () => T;
}

export const FIELDS: { readonly [K in keyof Drawing]: Field<Drawing[K]> } = {
  name: { form: "value", lines: "none", svg: "picture" },
  page: { form: "value", lines: "none", svg: "facts" },
  parts: { form: "table", lines: "gaps", svg: "facts", start: startingParts },
  strokes: { form: "table", lines: "gaps", svg: "picture", start: () => ({}) },
  inkShapes: { form: "table", lines: "gaps", svg: "picture", start: () => ({}) },
  nibs: { form: "table", lines: "gaps", svg: "facts", start: startingNibs },
  bridges: { form: "table", lines: "gaps", svg: "facts", start: () => ({}) },
  reach: { form: "value", lines: "pockets", svg: "facts", start: () => 0 },
  declined: { form: "table", lines: "pockets", svg: "facts", start: () => ({}) },
  tin: { form: "table", lines: "none", svg: "facts", start: startingTin },
  colourways: { form: "table", lines: "none", svg: "facts", start: startingColourways },
  shown: { form: "value", lines: "none", svg: "facts", start: () => FIRST_COLOURWAY },
  tiles: { form: "table", lines: "none", svg: "facts", start: () => ({}) },
  styles: { form: "table", lines: "none", svg: "facts", start: () => ({}) },
  pours: { form: "table", lines: "none", svg: "unseen", start: () => ({}) },
  flatShapes: { form: "table", lines: "gaps", svg: "picture", start: () => ({}) },
  shades: { form: "table", lines: "none", svg: "unseen", start: () => ({}) },
  creases: { form: "table", lines: "none", svg: "facts", start: () => ({}) },
  sheets: { form: "sheets", lines: "none", svg: "facts", start: startingSheets },
  ink: { form: "value", lines: "none", svg: "facts", start: startingInk },
  lamp: { form: "value", lines: "none", svg: "facts", start: startingLamp },
  groundShadow: { form: "value", lines: "none", svg: "facts", start: () => null },
  sticker: { form: "value", lines: "none", svg: "facts", start: () => null },
  lights: { form: "value", lines: "none", svg: "facts", start: () => ({}) },
  gradientStrength: { form: "value", lines: "none", svg: "facts", start: () => 1 },
  undercoat: { form: "value", lines: "none", svg: "facts", start: () => null },
  strict: { form: "value", lines: "gaps", svg: "facts", start: () => false },
  hiddenWalls: { form: "value", lines: "gaps", svg: "facts", start: () => true },
  shapeWalls: { form: "value", lines: "gaps", svg: "facts", start: () => false },
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
