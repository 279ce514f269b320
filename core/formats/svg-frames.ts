/** Elements of our SVGs that frame others: sheets and parts; and which of them are read though they are not shown. */
import { inPart, MAIN } from "../drawing/parts.ts";
import { OURS } from "./svg-facts.ts";
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

/** The sheet that an element of a file of ours lies on. */
export function sheetOver(element: SvgElement): string | undefined {
  for (let above: SvgElement | null = element; above; above = above.parent) {
    const sheet = sheetNamed(above);
    if (sheet) return sheet;
  }
  return undefined;
}

/** The part that an element of a file of ours belongs to, as its entities say it. */
export function partOver(element: SvgElement): { readonly part?: string } {
  for (let above: SvgElement | null = element; above; above = above.parent)
    if (isPart(above)) return inPart(above.attributes["data-part"] ?? MAIN);
  return {};
}
