/**
 * What our SVGs say of their shapes beside how they look: each names in `data-is` what it stands for, and what its kind
 * needs to come back. One place for writer and reader.
 */
import { FARTHEST_STEP, isProfile } from "../drawing/bounds.ts";
import { checked } from "../drawing/checked.ts";
import { CAPS, ECHOES, type Echo, HOLDS, type Hold, JOINS, type Stroke } from "../drawing/drawing.ts";
import { Cut } from "../drawing/facts/lines.ts";
import { OVERS } from "../drawing/over.ts";
import { enclosedArea } from "../geometry/cubic.ts";
import { range } from "../geometry/lists.ts";
import type { Point } from "../geometry/point.ts";
import { ringLength } from "../geometry/polygon.ts";
import type { Chain, Item, Laid, Says } from "../scene/items.ts";
import { chainsOf, pathData, short } from "./svg-path.ts";

/**
 * What an element is that is made of what others say: a seam of the pour after it, what lies over of the one before, an
 * undercoat of all pockets.
 */
const DERIVED = ["over", "seam", "undercoat"] as const;
export type DerivedKind = (typeof DERIVED)[number];

/** What an element can stand for. */
export const KINDS = ["pour", "flat", "shade", "stroke", "shape", ...DERIVED] as const;
export type Kind = (typeof KINDS)[number];

export const isDerived = (kind: Kind | undefined): kind is DerivedKind =>
  (DERIVED as readonly (Kind | undefined)[]).includes(kind);

export type Attributes = Readonly<Record<string, string | undefined>>;

type SaysOf<K extends Says["is"]> = Extract<Says, { readonly is: K }>;

const WORDS: {
  readonly [K in Says["is"]]: (says: SaysOf<K>, item: Item, lineDigits: number) => Attributes;
} = {
  pour: ({ is: _, at, rank, spot, cuts, ...over }, { area }) => ({
    "data-is": "pour",
    "data-at": placesText([at], area.kind === "region" ? area.chains : []),
    "data-rank": `${rank}`,
    "data-spot": spot && "yes",
    "data-cuts": cuts && "yes",
    ...Object.fromEntries(OVERS.map((name) => [`data-${name}`, over[name] && JSON.stringify(over[name])])),
  }),
  over: () => ({ "data-is": "over" }),
  undercoat: () => ({ "data-is": "undercoat" }),
  flat: ({ trim, pattern, ...says }, item) => ({
    "data-is": "flat",
    "data-trim": trim,
    "data-pattern": pattern && JSON.stringify(pattern),
    ...laidWords(says, item),
    ...echoWords(says),
  }),
  shade: ({ at, ...says }, item) => ({
    "data-is": "shade",
    "data-at": placesText(at, item.effects.clip ?? []),
    "data-deeper": says.deeper === undefined ? undefined : `${says.deeper}`,
    ...laidWords(says, item),
  }),
  stroke: (says, { id }) => ({
    "data-is": "stroke",
    "data-id": id,
    "data-nib": says.nib,
    ...cutWords(says),
    ...echoWords(says),
    ...lockWords(says),
    ...holdWords(says),
  }),
  nibbed: ({ stroke }, _, digits) => ({
    "data-is": "stroke",
    "data-id": stroke.id,
    "data-line": pathData(stroke.points, stroke.closed, digits),
    "data-width": short(stroke.width, digits),
    "data-nib": stroke.nib,
    "data-profile": stroke.profile?.map((n) => short(n, 5)).join(" "),
    "data-cap": stroke.cap,
    "data-join": stroke.join,
    "data-miter": stroke.miterLimit === undefined ? undefined : `${stroke.miterLimit}`,
    "data-dash": stroke.dash?.join(" "),
    "data-dash-offset": stroke.dashOffset === undefined ? undefined : `${stroke.dashOffset}`,
    ...cutWords(stroke),
    ...echoWords(stroke),
    ...lockWords(stroke),
    ...holdWords(stroke),
  }),
  shape: (says) => ({ "data-is": "shape", ...echoWords(says), ...lockWords(says), ...holdWords(says) }),
};

/** A shape's own opacity, where it or its colour is seen through, and how soft it is. */
const laidWords = (
  { rank, opacity, soft, gradient, paint: own }: Laid,
  { effects, paint }: Item,
): Attributes => ({
  "data-rank": `${rank}`,
  "data-opacity": (effects.opacity ?? 1) < 1 ? short(opacity, 3) : undefined,
  "data-soft": soft === undefined ? undefined : `${soft}`,
  "data-gradient": gradient && JSON.stringify(gradient),
  "data-paint": paint.kind === "gradient" ? paint.base.variable : undefined,
  "data-own": own && JSON.stringify(own),
});

const echoWords = ({ echo }: { readonly echo?: Echo }): Attributes => ({ "data-echo": echo });

const lockWords = ({ locked }: { readonly locked?: true }): Attributes => ({
  "data-locked": locked && "yes",
});

const holdWords = ({ hold }: { readonly hold?: Hold }): Attributes => ({
  "data-hold": hold && `${hold.by} ${hold.deeper}`,
});

/** The colour hold that a line of a file of ours says it has. */
export function holdIn(attributes: Attributes): { readonly hold?: Hold } {
  const [, by, deeper] = /^(\w+) (-?\d{1,2})$/.exec(attributes["data-hold"] ?? "") ?? [];
  const known = HOLDS.find((name) => name === by);
  return known && Math.abs(Number(deeper)) <= FARTHEST_STEP
    ? { hold: { by: known, deeper: Number(deeper) } }
    : {};
}

const cutWords = ({ cut }: Pick<Stroke, "cut">): Attributes =>
  cut ? { "data-cut": `${cut.from} ${cut.to} ${cut.of}` } : {};

export function echoIn(attributes: Attributes): { readonly echo?: Echo } {
  const echo = ECHOES.find((name) => name === attributes["data-echo"]);
  return echo ? { echo } : {};
}

function cutIn(attributes: Attributes): Pick<Stroke, "cut"> {
  const [, from, to, of] = /^(\S+) (\S+) (.+)$/.exec(attributes["data-cut"] ?? "") ?? [];
  const cut = { of, from: Number(from), to: Number(to) };
  return of && "value" in checked(Cut, cut) ? { cut } : {};
}

/** The attributes that say what an item stands for; lines are written with so many decimals. */
export const sayingOf = (item: Item, lineDigits: number): Attributes =>
  (WORDS[item.says.is] as (says: Says, item: Item, digits: number) => Attributes)(
    item.says,
    item,
    lineDigits,
  );

export const SEAM: Attributes = { "data-is": "seam" };

/** As exact as it takes to lie in their pockets, whose outlines are given: what is finer may be other once lines were read again. */
function placesText(places: readonly Point[], outlines: readonly Chain[]): string {
  const thinnest = outlines.length > 0 ? Math.min(...outlines.map(thicknessOf)) : 0;
  const digits = Math.ceil(-Math.log10(thinnest * FINE));
  const text = (n: number) => (digits < EXACT ? short(n, Math.max(0, digits)) : `${n}`);
  return places.map(([x, y]) => `${text(x)} ${text(y)}`).join(" ");
}

/** Of a pocket's thickness, so exact is a place in it. */
const FINE = 1e-3;
/** With so many decimals a number is as exact as it is. */
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
  return { points: line.points, closed: line.closed, width, ...nibIn(attributes), ...penIn(attributes) };
}

/** The pen of a stroke whose outline does not tell it; what is out of bounds is brought to them with the whole drawing. */
function penIn(attributes: Attributes): Pick<Stroke, "cap" | "join" | "miterLimit" | "dash" | "dashOffset"> {
  const cap = CAPS.find((name) => name === attributes["data-cap"]);
  const join = JOINS.find((name) => name === attributes["data-join"]);
  const [miterLimit] = numbersIn(attributes["data-miter"]);
  const dash = numbersIn(attributes["data-dash"]);
  const [dashOffset] = numbersIn(attributes["data-dash-offset"]);
  return {
    ...(cap ? { cap } : {}),
    ...(join ? { join } : {}),
    ...(miterLimit === undefined ? {} : { miterLimit }),
    ...(dash.length > 0 ? { dash } : {}),
    ...(dashOffset === undefined ? {} : { dashOffset }),
  };
}

/** The nib and the profile a stroke says it has, and what part of a line it is. */
export function nibIn(attributes: Attributes): Pick<Stroke, "nib" | "profile" | "cut" | "echo"> {
  const profile = numbersIn(attributes["data-profile"]);
  return {
    ...(attributes["data-nib"] ? { nib: attributes["data-nib"] } : {}),
    ...(isProfile(profile) ? { profile } : {}),
    ...cutIn(attributes),
    ...echoIn(attributes),
  };
}

/** The rank that an element of a file of ours says it has. */
export function toldRankIn(attributes: Attributes): { readonly toldRank?: number } {
  const rank = Number.parseFloat(attributes["data-rank"] ?? "");
  return Number.isFinite(rank) ? { toldRank: rank } : {};
}

/** A share from 0 to 1; all where the text makes no sense. */
export function shareIn(text: string | undefined): number {
  const share = Number(text ?? 1);
  return share >= 0 && share <= 1 ? share : 1;
}

function numbersIn(text: string | undefined): number[] {
  const numbers = (text ?? "")
    .split(/[\s,]+/)
    .filter(Boolean)
    .map(Number);
  return numbers.every(Number.isFinite) ? numbers : [];
}
