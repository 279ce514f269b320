/** What was read of an SVG, before a drawing is made of it. */
import type { FlatShape, InkShape, Page, Paint, Pour, Shade, Stroke } from "../drawing/drawing.ts";
import type { Over } from "../drawing/over.ts";
import type { Point } from "../geometry/point.ts";
import type { Asides } from "./svg-mark.ts";

/** What an element of ours tells of its paint and place where its class and the order of the document do not. */
interface Told {
  readonly paint?: Paint;
  readonly toldRank?: number;
}

/** A coloured fill as it was found. */
export interface ReadFlat extends Omit<FlatShape, "paint">, Told {
  /** #rrggbb. */
  readonly value: string;
}

/** Colour that a file of ours says was poured into the pocket around a point. */
export interface ReadPour {
  readonly seed: Point;
  /** What it covers in the picture, by the nonzero winding rule. */
  readonly outline: readonly (readonly number[])[];
  readonly paintName: string;
  readonly rank: number;
  readonly toldRank?: number;
  readonly part?: string;
  readonly over: Pick<Pour, "spot" | "cuts"> & Over;
}

/** A shade that is to find its pockets again. */
export interface ReadShade extends Omit<Shade, "paint" | "anchor">, Told {
  readonly at: readonly Point[];
  readonly part?: string;
}

/** What a file of ours tells beside its lines and shapes. */
export interface OurReading {
  /** What the drawing is called in the file. */
  readonly title: string;
  /** As text, not checked yet. */
  readonly facts: string;
  /** Names of paints by the ids of strokes, ink shapes, flats and shades. */
  readonly paints: ReadonlyMap<string, string>;
  readonly pours: readonly ReadPour[];
  readonly shades: readonly ReadShade[];
}

export interface SvgReading {
  readonly page: Page;
  readonly strokes: readonly Stroke[];
  readonly inkShapes: readonly InkShape[];
  readonly flats: readonly ReadFlat[];
  /** #rrggbb of strokes and ink shapes, by id. */
  readonly tints: ReadonlyMap<string, string>;
  readonly asides: Asides;
  /** How many strokes were cut where the picture hides or clips them. */
  readonly cut: number;
  /** What a file of ours says beside its picture. */
  readonly ours?: OurReading;
}
