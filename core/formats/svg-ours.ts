/** What our own SVGs say of their shapes beside how they look (see svg-write.ts). */
import { DEEPEST_LIGHT, isId, LARGEST } from "../drawing/bounds.ts";
import {
  BLENDS,
  type ColourShape,
  type FlatShape,
  type Pour,
  SHAPE_SHEETS,
  type Shade,
  type Stroke,
  TRIMS,
} from "../drawing/drawing.ts";
import { OVERS, type OverName } from "../drawing/over.ts";
import { inPart, MAIN } from "../drawing/parts.ts";
import type { Point } from "../geometry/point.ts";
import { OURS } from "./svg-facts.ts";
import { closedPoints, isEvenOdd, type Mark } from "./svg-mark.ts";
import { holdIn, KINDS, type Kind, kindOfEarlierFiles, placesIn, shareIn, toldRankIn } from "./svg-says.ts";
import type { SvgElement, SvgTree } from "./svg-tree.ts";

/** The facts a file of ours carries, unread. */
export const factsIn = ({ byId }: SvgTree): string | undefined => {
  const element = byId.get(OURS);
  return element?.name === "metadata" ? element.text : undefined;
};

/** The sheet that an element of a file of ours is, as a whole. */
const sheetNamed = ({ attributes, parent }: SvgElement): string | undefined =>
  attributes["data-sheet"] ??
  (parent?.attributes.id === "art" && !("data-name" in attributes) ? attributes.id : undefined);

const isPart = ({ attributes }: SvgElement): boolean => attributes["data-is"] === "part";

/** Whether an element of a file of ours is a sheet or a part. */
export const isFrame = (element: SvgElement): boolean => sheetNamed(element) !== undefined || isPart(element);

/** Whether an element of a file of ours says itself what its filter or gradient is. */
export const isSaid = ({ attributes }: SvgElement): boolean =>
  "data-soft" in attributes || "data-gradient" in attributes || attributes["data-is"] === "over";

/** Whether an element of a file of ours is read also where it is not displayed: sheets, parts and lines may be hidden. */
export const isReadHidden = (element: SvgElement): boolean =>
  isFrame(element) || ["stroke", "shape"].includes(element.attributes["data-is"] ?? "");

/** Whether the line that a mark stands for is hidden or locked, and whether it holds a colour. */
export function lineSaidIn({ element, style }: Mark): Pick<Stroke, "hidden" | "locked" | "hold"> {
  return {
    ...holdIn(element.attributes),
    ...(style.display === "none" ? { hidden: true } : {}),
    ...(element.attributes["data-locked"] ? { locked: true } : {}),
  };
}

/** The sheet a mark lies on in a file of ours. */
function sheetOf({ element }: Mark): string | undefined {
  for (let above: SvgElement | null = element; above; above = above.parent) {
    const sheet = sheetNamed(above);
    if (sheet) return sheet;
  }
  return undefined;
}

/** The part a mark belongs to in a file of ours, as its entities say it. */
export function partIn({ element }: Mark): { readonly part?: string } {
  for (let above: SvgElement | null = element; above; above = above.parent)
    if (isPart(above)) return inPart(above.attributes["data-part"] ?? MAIN);
  return {};
}

/** What a pour is beside its colour, as its element tells it; nothing of it is checked. */
export interface ToldOver extends Pick<Pour, "spot" | "cuts"> {
  readonly over: Readonly<Partial<Record<OverName, string>>>;
}

export function overIn({ element: { attributes } }: Mark): ToldOver {
  return {
    ...(attributes["data-spot"] ? { spot: true } : {}),
    ...(attributes["data-cuts"] ? { cuts: true } : {}),
    over: Object.fromEntries(OVERS.map((name) => [name, attributes[`data-${name}`]])),
  };
}

export interface ToldLying extends Pick<FlatShape, "sheet" | "trim"> {
  /** Not checked. */
  readonly toldPattern?: string;
}

/** Where a colour shape lies, what it is trimmed to, and what lies over it. */
export function lyingIn(mark: Mark): ToldLying {
  const sheet = SHAPE_SHEETS.find((name) => name === sheetOf(mark));
  const trim = TRIMS.find((name) => name === mark.element.attributes["data-trim"]);
  const toldPattern = mark.element.attributes["data-pattern"];
  return {
    ...(sheet && sheet !== "flats" ? { sheet } : {}),
    ...(trim ? { trim } : {}),
    ...(toldPattern ? { toldPattern } : {}),
  };
}

/** The id a line had in its drawing: what lies along it names it so. */
export const idOf = ({ element }: Mark): string | undefined => {
  const id = element.attributes["data-id"];
  return isId(id) ? id : undefined;
};

/** The name a mark's paint goes by in the file's style rules, without the letter for fills or strokes. */
export const paintNameOf = ({ element }: Mark): string =>
  element.attributes["data-paint"] ?? (element.attributes.class ?? "").replace(/^[fs]-/, "");

/** What a mark stands for; undefined for a kind that is not known here. */
export function kindOf(mark: Mark): Kind | undefined {
  const { attributes } = mark.element;
  const said = attributes["data-is"];
  return said === undefined
    ? kindOfEarlierFiles(attributes, sheetOf(mark))
    : KINDS.find((kind) => kind === said);
}

/** The places in pockets that a pour or a shade names. */
export const placesOf = ({ element }: Mark): Point[] => placesIn(element.attributes);

export function shadeOf(mark: Mark, at: readonly Point[], rank: number): ReadShade {
  return {
    id: `h${rank}`,
    rank,
    kind: "drawn",
    outline: mark.chains.map(closedPoints),
    evenOdd: isEvenOdd(mark),
    opacity: shareIn(mark.element.attributes["data-opacity"]),
    at,
    ...deeperIn(mark),
    ...laidIn(mark),
    ...partIn(mark),
  };
}

function deeperIn({ element }: Mark): Pick<Shade, "deeper"> {
  const deeper = Number(element.attributes["data-deeper"] ?? Number.NaN);
  return Number.isInteger(deeper) && Math.abs(deeper) <= DEEPEST_LIGHT ? { deeper } : {};
}

export interface ToldLaid extends Pick<ColourShape, "blend" | "soft"> {
  /** Not checked. */
  readonly toldGradient?: string;
  readonly toldPaint?: string;
  readonly toldRank?: number;
}

/** How a colour shape lies over what is beneath. */
export function laidIn({ element, style }: Mark): ToldLaid {
  const blend = BLENDS.find((mode) => mode === style["mix-blend-mode"]);
  const soft = Number(element.attributes["data-soft"] ?? 0);
  const toldGradient = element.attributes["data-gradient"];
  const toldPaint = element.attributes["data-own"];
  return {
    ...(blend ? { blend } : {}),
    ...(soft > 0 && soft <= LARGEST ? { soft } : {}),
    ...(toldGradient ? { toldGradient } : {}),
    ...(toldPaint ? { toldPaint } : {}),
    ...toldRankIn(element.attributes),
  };
}

/** A shade that is to find its pockets again. */
export type ReadShade = Omit<Shade, "paint" | "anchor" | "gradient"> &
  ToldLaid & {
    readonly at: readonly Point[];
    readonly part?: string;
  };

/** Steps of what is beneath are of another paint in each of their pockets, and so there is an element for each. */
export const isSameShade = (one: ReadShade, other: ReadShade): boolean =>
  one.deeper !== undefined &&
  one.deeper === other.deeper &&
  one.toldRank !== undefined &&
  one.toldRank === other.toldRank &&
  one.part === other.part;
