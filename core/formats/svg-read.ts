/** Reads line art from SVG: art from elsewhere by how it looks, files of ours by what they say. */
import { isPageBox, LONGEST_TITLE } from "../drawing/bounds.ts";
import type { Page } from "../drawing/drawing.ts";
import { defaultPage } from "../drawing/new-drawing.ts";
import { cutShort, plainText } from "../drawing/plain-text.ts";
import { type Box, boundsOf, grow } from "../geometry/point.ts";
import { FileProblem } from "./file-problem.ts";
import { readForeign } from "./svg-foreign.ts";
import { Found } from "./svg-found.ts";
import { factsIn } from "./svg-frames.ts";
import type { Asides, Mark } from "./svg-mark.ts";
import { marksOf } from "./svg-marks.ts";
import { readOurs } from "./svg-ours.ts";
import type { SvgReading } from "./svg-reading.ts";
import { type SvgTree, textOf, treeOf } from "./svg-tree.ts";
import { lengthOf, viewBoxOf } from "./svg-units.ts";

export interface SvgReadOptions {
  /** Hears how much of the work is done, 0 to 1. */
  readonly onProgress?: (share: number) => void;
  /** Takes a file of ours for any other. */
  readonly asForeign?: boolean;
}

/** Throws a FileProblem when there is nothing to read. */
export function readSvg(
  text: string,
  { onProgress = () => {}, asForeign = false }: SvgReadOptions = {},
): SvgReading {
  if (text.trim() === "") throw new FileProblem("empty", "The file is empty.");
  const tree = treeOf(text, (share) => onProgress(share * 0.4));
  if (tree.root.name !== "svg")
    throw new FileProblem("not-svg", `This is not an SVG: its outermost element is <${tree.root.name}>.`);
  const given = givenBox(tree);
  const facts = asForeign ? undefined : factsIn(tree);
  const { marks, asides } = marksOf(tree, given ?? UNKNOWN, {
    onWalked: (count) => onProgress(0.4 + (0.3 * count) / tree.count),
    ours: facts !== undefined,
  });
  const box = given ?? boxOf(marks);
  if (!box || (marks.length === 0 && facts === undefined))
    throw new FileProblem("no-lines", emptyMessage(asides));
  const page = pageFor(box, tree.root.attributes.width);
  const pixels = (lengthOf(tree.root.attributes.width) ?? box.width) / box.width;
  const found = new Found(box, asides, pixels);
  if (facts !== undefined) {
    const told = readOurs(marks, found);
    return { ...found.reading(page), ours: { facts, title: titleOf(tree), ...told } };
  }
  readForeign(marks, found, (share) => onProgress(0.7 + 0.3 * share));
  const reading = found.reading(page);
  if (reading.strokes.length + reading.inkShapes.length + reading.flats.length === 0)
    throw new FileProblem("no-lines", emptyMessage(asides));
  return reading;
}

const UNKNOWN: Box = { x: 0, y: 0, width: 300, height: 150 };

function titleOf({ root }: SvgTree): string {
  const title = root.children.find(({ name }) => name === "title");
  return title ? cutShort(plainText(textOf(title)), LONGEST_TITLE) : "";
}

function givenBox({ root }: SvgTree): Box | undefined {
  const { viewBox, width, height } = root.attributes;
  const [w, h] = [lengthOf(width), lengthOf(height)];
  const sized = { x: 0, y: 0, width: w ?? 0, height: h ?? 0 };
  return viewBoxOf(viewBox) ?? (isPageBox(sized) ? sized : undefined);
}

/** Around all marks, where that makes a page. */
function boxOf(marks: readonly Mark[]): Box | undefined {
  const box = boundsOf(marks.flatMap(({ chains }) => chains.map(({ points }) => points)));
  const page = box && grow(box, Math.max(box.width, box.height, 1) * 0.05);
  return page && isPageBox(page) ? page : undefined;
}

function emptyMessage(asides: Asides): string {
  const pictures = asides.get("image")?.length ?? 0;
  const texts = asides.get("text")?.length ?? 0;
  if (pictures > 0)
    return "No lines were found in this file: it holds a picture made of pixels. Bring the picture itself in as a scan.";
  if (texts > 0)
    return "No lines were found in this file: it holds text only. Turn letters into outlines before saving it as SVG.";
  return "No lines were found in this file.";
}

/** Physical units are kept; a size in pixels or none at all says nothing about print. */
function pageFor(box: Box, width: string | undefined): Page {
  const page = defaultPage(box);
  const pixels = lengthOf(width);
  if (!pixels || !/(mm|cm|in|pt|pc|q)\s*$/i.test(width ?? "")) return page;
  return /in\s*$/i.test(width ?? "")
    ? { ...page, unit: "in", width: pixels / 96 }
    : { ...page, unit: "mm", width: Math.round((pixels / 96) * 25.4 * 100) / 100 };
}
