/**
 * The Drawing: plain immutable facts. Everything else (pockets, scene, pictures) is derived from them. What each kind of fact
 * holds, and between which bounds, is declared in facts/; the types are taken from there.
 */
import type { Anchor } from "./facts/anchor.ts";
import type { Colour, Colourway, Paint } from "./facts/colours.ts";
import type { Dab } from "./facts/dab.ts";
import type { Crease, GroundShadow, Lamp, LightStyle, Lights } from "./facts/light.ts";
import type { Bridge, Declined, InkShape, Nib, Stroke } from "./facts/lines.ts";
import type { Page, Part, Sheet, Sticker } from "./facts/page.ts";
import type { Tile } from "./facts/patterns.ts";
import type { Pour } from "./facts/pour.ts";
import type { FlatShape, Shade } from "./facts/shapes.ts";
import type { SheetName } from "./kinds.ts";

export type * from "./facts/anchor.ts";
export type * from "./facts/colours.ts";
export type * from "./facts/dab.ts";
export type * from "./facts/gradients.ts";
export type * from "./facts/light.ts";
export type * from "./facts/lines.ts";
export type * from "./facts/page.ts";
export type * from "./facts/patterns.ts";
export type * from "./facts/pour.ts";
export type * from "./facts/shapes.ts";
export * from "./kinds.ts";

/** Entities by id; `rank` orders them, so that undo can put one back where it was. */
export type Table<T> = Readonly<Record<string, T>>;

/** What lives in a pocket. */
export interface Anchored {
  readonly id: string;
  readonly rank: number;
  readonly anchor: Anchor;
}

export interface Drawing {
  readonly name: string;
  readonly page: Page;
  readonly parts: Table<Part>;
  readonly strokes: Table<Stroke>;
  readonly inkShapes: Table<InkShape>;
  readonly nibs: Table<Nib>;
  readonly bridges: Table<Bridge>;
  /** Openings up to this width in page units count as closed; 0 for none. */
  readonly reach: number;
  readonly declined: Table<Declined>;
  readonly tin: Table<Colour>;
  readonly colourways: Table<Colourway>;
  /** The id of the colourway that is seen. */
  readonly shown: string;
  readonly tiles: Table<Tile>;
  readonly styles: Table<LightStyle>;
  readonly pours: Table<Pour>;
  readonly flatShapes: Table<FlatShape>;
  readonly shades: Table<Shade>;
  readonly creases: Table<Crease>;
  /** Dabs that have not been taken yet. */
  readonly dabs: Table<Dab>;
  readonly sheets: Readonly<Record<SheetName, Sheet>>;
  readonly lamp: Lamp;
  /** What all ink is drawn in that has no colour of its own. */
  readonly ink: Paint;
  /** On the ground; null for none. */
  readonly groundShadow: GroundShadow | null;
  /** Above the ground; null for none. */
  readonly sticker: Sticker | null;
  /** The kinds of light that are not as they begin: all begin seen, at full strength. */
  readonly lights: Lights;
  /** How strongly all gradients show, 0 to 1. */
  readonly gradientStrength: number;
  /** Beneath the flats, under everything that is enclosed; null for none. */
  readonly undercoat: Paint | null;
  /** Take centre lines alone when looking for pockets; otherwise touching ink counts as joined. */
  readonly strict: boolean;
  /** Whether hidden lines part colours. */
  readonly hiddenWalls: boolean;
  /** Whether the edges of colour shapes on the flats make pockets too. */
  readonly shapeWalls: boolean;
}

export const ranked = <T extends { readonly rank: number }>(table: Table<T>): T[] =>
  Object.values(table).sort((a, b) => a.rank - b.rank);

export const topRank = (table: Table<{ readonly rank: number }>): number =>
  Object.values(table).reduce((top, { rank }) => Math.max(top, rank), 0);

export const MM_PER_INCH = 25.4;

export const widthInInches = (page: Page): number =>
  page.unit === "in" ? page.width : page.width / MM_PER_INCH;

/** The bleed in page units. */
export const bleedOf = ({ bleed = 0, box, width }: Page): number => (bleed * box.width) / width;

/** Pixels of a picture of the page at a number of pixels per inch. */
export function pixelsOf(page: Page, ppi: number): { width: number; height: number } {
  const width = Math.max(1, Math.round(widthInInches(page) * ppi));
  return { width, height: Math.max(1, Math.round((width * page.box.height) / page.box.width)) };
}
