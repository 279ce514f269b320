/** What our own SVGs say of their shapes beside how they look (see svg-write.ts). */
import { BLENDS, type Shade, type Stroke } from "../drawing/drawing.ts";
import type { Point } from "../geometry/point.ts";
import { isProfile } from "./bounds.ts";
import { OURS } from "./svg-facts.ts";
import type { Mark } from "./svg-marks.ts";
import { chainsOf } from "./svg-path.ts";
import type { SvgElement, SvgTree } from "./svg-tree.ts";

/** The facts a file of ours carries, unread. */
export const factsIn = ({ byId }: SvgTree): string | undefined => {
  const element = byId.get(OURS);
  return element?.name === "metadata" ? element.text : undefined;
};

/** Whether an element of a file of ours is a whole sheet. */
export const isSheet = ({ parent }: SvgElement): boolean => parent?.attributes.id === "art";

/** The sheet a mark lies on in a file of ours. */
export function sheetOf({ element }: Mark): string | undefined {
  for (let above: SvgElement | null = element; above; above = above.parent)
    if (isSheet(above)) return above.attributes.id;
  return undefined;
}

/** The name a mark's paint goes by in the file's style rules, without the letter for fills or strokes. */
export const paintNameOf = ({ element }: Mark): string =>
  (element.attributes.class ?? "").replace(/^[fs]-/, "");

export const isTrap = ({ element }: Mark): boolean => "data-trap" in element.attributes;

/** A point in the pocket a pour coloured, or undefined for what is no pour. */
export const pourPlace = ({ element }: Mark): Point | undefined => placeIn(element.attributes["data-pour"]);

/** The place in a pocket that a pour or a shade names. */
export const placeOf = (mark: Mark): Point | undefined =>
  pourPlace(mark) ?? placeIn(mark.element.attributes["data-shade"]);

/** A share from 0 to 1; all where the text makes no sense. */
export function shareIn(text: string | undefined): number {
  const share = Number(text ?? 1);
  return share >= 0 && share <= 1 ? share : 1;
}

export function shadeOf(mark: Mark, id: string, rank: number): Omit<Shade, "paint"> | undefined {
  const { attributes } = mark.element;
  const seed = placeIn(attributes["data-shade"]);
  if (!seed) return undefined;
  const blend = BLENDS.find((mode) => mode === mark.style["mix-blend-mode"]) ?? "normal";
  const opacity = shareIn(attributes["data-opacity"]);
  return { id, rank, points: mark.chains[0].points, seed, blend, opacity };
}

/** The stroke whose ink an outline is. */
export function drawnStroke({ element }: Mark): Omit<Stroke, "id" | "rank"> | undefined {
  const { attributes } = element;
  const [line] = attributes["data-line"] ? chainsOf(attributes["data-line"]) : [];
  const width = Number(attributes["data-width"]);
  if (!line || !(width > 0)) return undefined;
  return { points: line.points, closed: line.closed, width, ...nibOf(element) };
}

/** The nib and the profile a stroke says it has. */
export function nibOf({ attributes }: SvgElement): Pick<Stroke, "nib" | "profile"> {
  const profile = numbersIn(attributes["data-profile"]);
  return {
    ...(attributes["data-nib"] ? { nib: attributes["data-nib"] } : {}),
    ...(isProfile(profile) ? { profile } : {}),
  };
}

function placeIn(text: string | undefined): Point | undefined {
  const [x, y] = numbersIn(text);
  return Number.isFinite(x) && Number.isFinite(y) ? [x, y] : undefined;
}

function numbersIn(text: string | undefined): number[] {
  const numbers = (text ?? "")
    .split(/[\s,]+/)
    .filter(Boolean)
    .map(Number);
  return numbers.every(Number.isFinite) ? numbers : [];
}
