/**
 * The parts of a scene: what is painted is an area, with a paint, under effects. Painters know these three and nothing
 * of what an item means; that is said beside them, for files that are to come back and for hit tests.
 */
import type {
  Blend,
  ColourShape,
  Echo,
  FlatShape,
  Gradient,
  Hold,
  Pour,
  Shade,
  SheetName,
  Stroke,
} from "../drawing/drawing.ts";
import type { Over } from "../drawing/over.ts";
import type { Matrix } from "../geometry/matrix.ts";
import type { Point } from "../geometry/point.ts";
import type { Tone } from "./palette.ts";

/** A chain of cubics (geometry/cubic.ts) in page units. */
export type Chain = readonly number[];

/** What a part hides of those behind it: asked for only where something is trimmed to it. */
export type Region = () => readonly Chain[];

export type Area = RegionArea | LineArea;

/** What lies within closed chains. */
export interface RegionArea {
  readonly kind: "region";
  readonly chains: readonly Chain[];
  readonly evenOdd: boolean;
}

/** What a line of one width covers; lengths in page units. */
export interface LineArea {
  readonly kind: "line";
  readonly points: Chain;
  readonly closed: boolean;
  readonly width: number;
  readonly cap: NonNullable<Stroke["cap"]>;
  readonly join: NonNullable<Stroke["join"]>;
  readonly miterLimit: number;
  readonly dash: readonly number[];
  readonly dashOffset: number;
}

/** What an area is painted with, in page coordinates. */
export type ItemPaint = { readonly kind: "tone"; readonly tone: Tone } | GradientPaint;

export interface PaintStop {
  /** 0 to 1. */
  readonly at: number;
  readonly tone: Tone;
  /** 0 to 1, beside that of the tone. */
  readonly opacity: number;
}

/** For regions. */
export interface GradientPaint {
  readonly kind: "gradient";
  readonly shape: Exclude<Gradient["kind"], "inward">;
  /** What it lies over, or in place of; lines are painted in it. */
  readonly base: Tone;
  /** From its own space to the page: there a line runs from 0 to 1 along x, and a circle of radius 1 lies around 0. */
  readonly space: Matrix;
  /** The x at which a radial gradient's first stop lies. */
  readonly focus: number;
  /** Rising; between them colours change evenly in sRGB. */
  readonly stops: readonly PaintStop[];
}

/** The tones that something is painted in. */
export const tonesIn = (paint: ItemPaint): readonly Tone[] =>
  paint.kind === "tone" ? [paint.tone] : paint.stops.map(({ tone }) => tone);

export interface Effects {
  /** Nothing shows outside these closed chains, by the nonzero rule. */
  readonly clip?: readonly Chain[];
  /** Lines by which the colour runs on under those painted after it; width in page units. */
  readonly seam?: { readonly chains: readonly Chain[]; readonly width: number };
  readonly blend?: Blend;
  /** Its edge is blurred: the standard deviation in page units. What is trimmed is trimmed after that. */
  readonly blur?: number;
  /** 0 to 1. */
  readonly opacity?: number;
}

/** How a shape of colour lies, and its own paint where a gradient is in its place. */
export type Laid = Pick<ColourShape, "rank" | "opacity" | "soft" | "gradient"> &
  Partial<Pick<ColourShape, "paint">>;

/** What an item stands for in the drawing. */
export type Says =
  /** A point of its pocket, and whether it is a spot black. */
  | ({ readonly is: "pour"; readonly at: Point } & Pick<Pour, "rank" | "spot" | "cuts"> & Over)
  /** Items over the colour of a pour or a shape, made from its own settings: a pattern's figures, a band, light. */
  | { readonly is: "over" }
  | { readonly is: "undercoat" }
  /** With its own opacity, beside that of its colour. */
  | ({ readonly is: "flat" } & Laid & Pick<FlatShape, "echo" | "trim" | "pattern">)
  /** A point of each of its pockets, and its own opacity. */
  | ({ readonly is: "shade"; readonly at: readonly Point[] } & Laid & Pick<Shade, "deeper">)
  | ({ readonly is: "stroke" } & Pick<Stroke, "nib" | "cut" | "echo" | "locked" | "hold">)
  /** A stroke whose width changes along it; its area is the ink it leaves. */
  | { readonly is: "nibbed"; readonly stroke: Stroke }
  | { readonly is: "shape"; readonly echo?: Echo; readonly locked?: true; readonly hold?: Hold };

export interface Item {
  readonly id: string;
  readonly says: Says;
  readonly area: Area;
  readonly paint: ItemPaint;
  readonly effects: Effects;
  readonly name?: string;
  /** Names of the groups it came in, from the outermost in. */
  readonly groups?: readonly string[];
  /** In the file, unseen. */
  readonly hidden?: true;
}

/** A part with its sheets, from the bottom up. */
export interface ScenePart {
  readonly id: string;
  readonly name: string;
  readonly sheets: readonly SceneSheet[];
  /** The region of the parts behind that this hides: closed chains, by the nonzero rule. */
  readonly hides: readonly Chain[];
  /** There, but not to be seen. */
  readonly hidden?: true;
}

export interface SceneSheet {
  readonly name: SheetName;
  readonly opacity: number;
  readonly items: readonly Item[];
  /** Something on it blends with what lies below: faint, its items are faint each; otherwise it is faint as a whole. */
  readonly blends?: true;
  /** There, but not to be seen. */
  readonly hidden?: true;
}

/** What of a sheet is settled by all that lies on it, and not by what a painter sees of it. */
export const settledBy = (items: readonly Item[]): Pick<SceneSheet, "blends"> =>
  items.some(({ effects }) => effects.blend) ? { blends: true } : {};
