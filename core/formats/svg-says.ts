/**
 * What our SVGs say of their shapes beside how they look: each names in `data-is` what it stands for, and what its kind
 * needs to come back. One place for writer and reader.
 */
import type { Stroke } from "../drawing/drawing.ts";
import { enclosedArea } from "../geometry/cubic.ts";
import { range } from "../geometry/lists.ts";
import type { Point } from "../geometry/point.ts";
import { ringLength } from "../geometry/polygon.ts";
import type { Chain, Item, Laid, Says } from "../scene/items.ts";
import { chainsOf, pathData, short } from "./svg-path.ts";
import {
  type Attributes,
  FLAT_WORDS,
  fieldsIn,
  LAID_WORDS,
  LINE_WORDS,
  numbersIn,
  PEN_WORDS,
  POUR_WORDS,
  SHADE_WORDS,
  STROKE_WORDS,
  wordsOf,
} from "./svg-words.ts";

/**
 * What an element is that is made of what others say: a seam of the pour after it, what lies over of the one before, an
 * undercoat of all pockets.
 */
const DERIVED = ["over", "seam", "undercoat"] as const;
export type DerivedKind = (typeof DERIVED)[number];

/** What an element can stand for. */
export const KINDS = ["pour", "flat", "shade", "stroke", "shape", ...DERIVED] as const;
export type Kind = (typeof KINDS)[number];

export const isDerived = (kind: string | undefined): kind is DerivedKind =>
  (DERIVED as readonly (string | undefined)[]).includes(kind);

type SaysOf<K extends Says["is"]> = Extract<Says, { readonly is: K }>;

const SAYS: {
  readonly [K in Says["is"]]: (says: SaysOf<K>, item: Item, lineDigits: number) => Attributes;
} = {
  pour: (says, { area }) => ({
    "data-is": "pour",
    "data-at": placesText([says.at], area.kind === "region" ? area.chains : []),
    ...wordsOf(POUR_WORDS, says),
  }),
  over: () => ({ "data-is": "over" }),
  undercoat: () => ({ "data-is": "undercoat" }),
  flat: (says, item) => ({ "data-is": "flat", ...laidWords(says, item), ...wordsOf(FLAT_WORDS, says) }),
  shade: (says, item) => ({
    "data-is": "shade",
    "data-at": placesText(says.at, item.effects.clip ?? []),
    ...wordsOf(SHADE_WORDS, says),
    ...laidWords(says, item),
  }),
  stroke: (says, { id }) => ({
    "data-is": "stroke",
    "data-id": id,
    ...wordsOf(STROKE_WORDS, says),
    ...wordsOf(LINE_WORDS, says),
  }),
  nibbed: ({ stroke }, _, digits) => ({
    "data-is": "stroke",
    "data-id": stroke.id,
    "data-line": pathData(stroke.points, stroke.closed, digits),
    "data-width": short(stroke.width, digits),
    ...wordsOf(PEN_WORDS, stroke),
    ...wordsOf(STROKE_WORDS, stroke),
    ...wordsOf(LINE_WORDS, stroke),
  }),
  shape: (says) => ({ "data-is": "shape", ...wordsOf(LINE_WORDS, says) }),
};

/** A shape's own opacity, where it or its colour is seen through, and the class of its paint where a gradient stands over it. */
const laidWords = (says: Laid, { effects, paint }: Item): Attributes => ({
  ...wordsOf(LAID_WORDS, says),
  "data-opacity": (effects.opacity ?? 1) < 1 ? short(says.opacity, 3) : undefined,
  "data-paint": paint.kind === "gradient" ? paint.base.variable : undefined,
});

/** The attributes that say what an item stands for; lines are written with so many decimals. */
export const sayingOf = (item: Item, lineDigits: number): Attributes =>
  (SAYS[item.says.is] as (says: Says, item: Item, digits: number) => Attributes)(item.says, item, lineDigits);

export const SEAM: Attributes = { "data-is": "seam" };

/**
 * Written as exactly as it takes to lie within the given pocket outlines: finer digits may change when lines are
 * read again.
 */
function placesText(places: readonly Point[], outlines: readonly Chain[]): string {
  const thinnest = outlines.length > 0 ? Math.min(...outlines.map(thicknessOf)) : 0;
  const digits = Math.ceil(-Math.log10(thinnest * FINE));
  const text = (n: number) => (digits < EXACT ? short(n, Math.max(0, digits)) : `${n}`);
  return places.map(([x, y]) => `${text(x)} ${text(y)}`).join(" ");
}

/** Of a pocket's thickness, so exact is a place in it. */
const FINE = 1e-3;
/** With this many decimals a number is written exactly. */
const EXACT = 16;

/** How thick what a closed chain encloses is, or less, in page units: no chain is longer than the way by its handles. */
const thicknessOf = (chain: Chain): number => (2 * Math.abs(enclosedArea(chain))) / (ringLength(chain) || 1);

/** A point in each pocket that an element says it lives in. Up to version 2 of the facts its name said the kind. */
export function placesIn(attributes: Attributes): Point[] {
  const numbers = numbersIn(attributes["data-at"] ?? attributes["data-pour"] ?? attributes["data-shade"]);
  return range(0, Math.floor(numbers.length / 2)).map((i): Point => [numbers[2 * i], numbers[2 * i + 1]]);
}

/** What an element of a file written before `data-is` stands for. */
export function kindOfEarlierFiles(attributes: Attributes, sheet: string | undefined): Kind {
  if ("data-trap" in attributes) return "seam";
  if ("data-pour" in attributes) return "pour";
  if ("data-shade" in attributes) return "shade";
  if (sheet !== "ink") return "flat";
  return attributes["data-line"] || attributes.fill === "none" ? "stroke" : "shape";
}

/** The stroke whose ink an outline is. */
export function drawnStroke(attributes: Attributes): Omit<Stroke, "id" | "rank"> | undefined {
  const [line] = attributes["data-line"] ? chainsOf(attributes["data-line"]) : [];
  const width = Number(attributes["data-width"]);
  if (!line || !(width > 0)) return undefined;
  return {
    points: line.points,
    closed: line.closed,
    width,
    ...fieldsIn(PEN_WORDS, attributes),
    ...fieldsIn(STROKE_WORDS, attributes),
  };
}

/** A share from 0 to 1; all where the text makes no sense. */
export function shareIn(text: string | undefined): number {
  const share = Number(text ?? 1);
  return share >= 0 && share <= 1 ? share : 1;
}
