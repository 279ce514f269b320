/** What the walk over an SVG's tree finds: the marks a painter would leave, and what leaves none. */
import { polyline } from "../geometry/cubic.ts";
import type { Matrix } from "../geometry/matrix.ts";
import type { Viewport } from "./svg-basic-shapes.ts";
import type { Tint } from "./svg-colour.ts";
import type { Chain } from "./svg-path.ts";
import type { Style } from "./svg-style.ts";
import type { SvgElement } from "./svg-tree.ts";

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

export const isEvenOdd = ({ style }: Mark): boolean => style["fill-rule"] === "evenodd";

/** A chain closed by a straight line where it is not closed yet, as filling does. */
export function closedPoints({ points }: Chain): number[] {
  const n = points.length;
  if (points[0] === points[n - 2] && points[1] === points[n - 1]) return points;
  const home = polyline([
    [points[n - 2], points[n - 1]],
    [points[0], points[1]],
  ]);
  return [...points, ...home.slice(2)];
}

const ASIDE = [
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
  "broken-off",
  "dash",
  "uneven",
  "paint-order",
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
