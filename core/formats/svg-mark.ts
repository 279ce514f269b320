/** What the walk over an SVG's tree finds: the marks a painter would leave, and what leaves none. */
import { LONGEST_TITLE } from "../drawing/bounds.ts";
import { cutShort } from "../drawing/plain-text.ts";
import { polyline } from "../geometry/cubic.ts";
import type { Matrix } from "../geometry/matrix.ts";
import type { Viewport } from "./svg-basic-shapes.ts";
import type { Tint } from "./svg-colour.ts";
import type { Chain } from "./svg-path.ts";
import type { Style } from "./svg-style.ts";
import { type SvgElement, textOf } from "./svg-tree.ts";

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
  "seam",
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

export function tellAside(asides: Asides, kind: AsideKind, name: string): void {
  const names = asides.get(kind);
  if (names) names.push(name);
  else asides.set(kind, [name]);
}

/** What an element is called by those who made it. */
export function nameOf({ attributes, children }: SvgElement): string | undefined {
  const title = children.find(({ name }) => name === "title");
  const name = attributes["data-name"] ?? attributes.id ?? (title ? textOf(title) : undefined);
  return name && (cutShort(name, LONGEST_TITLE) || undefined);
}
