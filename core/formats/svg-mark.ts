/** What the walk over an SVG's tree finds: the marks a painter would leave, and what leaves none. */
import type { Matrix } from "../geometry/matrix.ts";
import type { Viewport } from "./svg-basic-shapes.ts";
import type { Chain } from "./svg-path.ts";
import type { Style } from "./svg-style.ts";
import type { SvgElement } from "./svg-tree.ts";

/** A plain colour. */
export interface Tint {
  /** #rrggbb */
  readonly value: string;
  readonly alpha: number;
}

/** A region that cuts off what lies outside it. */
export interface Clip {
  readonly outline: readonly (readonly number[])[];
  readonly evenOdd: boolean;
}

/** One painted shape. Chains are in page units; `matrix` brought them there. */
export interface Mark {
  readonly element: SvgElement;
  readonly style: Style;
  readonly chains: readonly Chain[];
  readonly matrix: Matrix;
  readonly viewport: Viewport;
  readonly fill: Tint | undefined;
  readonly stroke: Tint | undefined;
  readonly clips: readonly Clip[];
  readonly name: string | undefined;
  readonly groups: readonly string[];
}

export const ASIDE = [
  "text",
  "image",
  "script",
  "outside",
  "gradient",
  "pattern",
  "marker",
  "mask",
  "filter",
  "foreign",
  "blend",
  "faint",
  "unclipped",
  "unhidden",
  "circular",
  "beyond",
  "dash",
  "uneven",
  "too-many",
  "unknown",
] as const;
export type AsideKind = (typeof ASIDE)[number];

/** What was met on the way and could not be read as it is: names by kind. */
export type Asides = Map<AsideKind, string[]>;

export interface Marks {
  readonly marks: readonly Mark[];
  readonly asides: Asides;
}
