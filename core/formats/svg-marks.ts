/**
 * Walks an SVG's tree as a painter would, following groups, `use`, `symbol` and nested `svg`, and gives every mark it
 * would leave in page units, from the bottom up. What leaves no mark we can read is counted by kind and name.
 */
import { LARGEST } from "../drawing/bounds.ts";
import { composed, IDENTITY, type Matrix, mapped, translation } from "../geometry/matrix.ts";
import type { Box } from "../geometry/point.ts";
import { diagonalOf, pathOf, SHAPES, type Viewport } from "./svg-basic-shapes.ts";
import { ClipReader, curvesOf, usedAt } from "./svg-clips.ts";
import type { Tint } from "./svg-colour.ts";
import { factsIn, isFrame, isReadHidden, isSaid } from "./svg-frames.ts";
import {
  type AsideKind,
  type Asides,
  type Clip,
  type Mark,
  type Marks,
  nameOf,
  tellAside,
} from "./svg-mark.ts";
import { readPaint } from "./svg-paint.ts";
import { chainsOf, readPath } from "./svg-path.ts";
import { isDerived } from "./svg-says.ts";
import { type Style, StyleSheet } from "./svg-style.ts";
import { linkOf, type SvgElement, type SvgTree, textOf } from "./svg-tree.ts";
import { anyLength, lengthOf, matrixOf, originOf, urlOf, viewBoxMatrix, viewBoxOf } from "./svg-units.ts";

/** Elements whose contents are not part of the picture itself. */
const UNPAINTED = new Set([
  "defs",
  "symbol",
  "clipPath",
  "mask",
  "pattern",
  "marker",
  "linearGradient",
  "radialGradient",
  "filter",
  "metadata",
  "style",
  "title",
  "desc",
]);

/** The language in which a picture with several is read. */
const LANGUAGE = "en";

const MOST_MARKS = 50_000;
/** Cubics of all marks. */
const MOST_CURVES = 400_000;
/** Elements passed, those that are used as often as they are. */
const MOST_WALKED = 200_000;
const DEEPEST_USE = 24;

interface Place {
  readonly style: Style;
  readonly matrix: Matrix;
  readonly viewport: Viewport;
  readonly clips: readonly Clip[];
  readonly name: string | undefined;
  readonly groups: readonly string[];
  /** What the `use` elements that lead here use, the outermost first. */
  readonly using: readonly SvgElement[];
}

export interface MarksOptions {
  /** Hears how many elements have been passed. */
  readonly onWalked?: (count: number) => void;
  /** A file of ours: sheets that are hidden or fully faint are read all the same. */
  readonly ours?: boolean;
}

export function marksOf(
  tree: SvgTree,
  box: Box,
  { onWalked = () => {}, ours = false }: MarksOptions = {},
): Marks {
  const painter = new Painter(tree, onWalked, ours);
  painter.children(tree.root, {
    style: painter.sheet.styleOf(tree.root, {}),
    matrix: IDENTITY,
    viewport: box,
    clips: [],
    name: undefined,
    groups: [],
    using: [],
  });
  return { marks: painter.marks, asides: painter.asides };
}

class Painter {
  readonly marks: Mark[] = [];
  readonly asides: Asides = new Map();
  readonly sheet: StyleSheet;
  private walked = 0;
  private curves = 0;
  private readonly clips: ClipReader;

  constructor(
    private readonly tree: SvgTree,
    private readonly onWalked: (count: number) => void,
    private readonly ours: boolean,
  ) {
    this.sheet = new StyleSheet(tree);
    this.clips = new ClipReader(tree, this.sheet, this.asides);
    this.noteScripts(tree.root);
  }

  /** Within a named group; the sheets of our own files are none. */
  private grouped(element: SvgElement, place: Place): Place {
    const name = nameOf(element);
    if (!name || this.isOwn(element)) return place;
    return { ...place, groups: [...place.groups, name] };
  }

  private isOwn(element: SvgElement): boolean {
    const isArt = element.attributes.id === "art" && element.parent === this.tree.root;
    return (isArt || isFrame(element)) && factsIn(this.tree) !== undefined;
  }

  private aside(kind: AsideKind, name: string): void {
    tellAside(this.asides, kind, name);
  }

  private noteScripts(element: SvgElement): void {
    const { name, attributes, children } = element;
    if (name === "script" || Object.keys(attributes).some((key) => /^on/i.test(key)))
      this.aside("script", name);
    const link = linkOf(element);
    if (link && !link.startsWith("#") && !link.startsWith("data:") && name !== "a")
      this.aside("outside", link);
    for (const child of children) this.noteScripts(child);
  }

  children(element: SvgElement, place: Place): void {
    for (const child of element.children) this.paint(child, place);
  }

  /** Paints the first child of a switch that asks for nothing we lack. */
  private choose(element: SvgElement, place: Place): void {
    const chosen = element.children.find(({ attributes: { requiredExtensions, systemLanguage } }) => {
      const languages = systemLanguage?.split(/[\s,]+/) ?? [LANGUAGE];
      return !requiredExtensions && languages.some((language) => language.split("-")[0] === LANGUAGE);
    });
    if (chosen) this.paint(chosen, place);
  }

  private paint(element: SvgElement, above: Place): void {
    this.onWalked(++this.walked);
    const { name } = element;
    if (this.walked > MOST_WALKED) {
      if (this.walked === MOST_WALKED + 1) this.aside("too-many", nameOf(element) ?? name);
      return;
    }
    if (UNPAINTED.has(name) || name === "script") return;
    const place = this.enter(element, above);
    if (place.style.display === "none" && !(this.ours && isReadHidden(element))) return;
    if (SHAPES.has(name)) this.addMark(element, place);
    else if (name === "use") this.follow(element, place);
    else if (name === "svg") this.openViewport(element, place, element);
    else if (name === "g" || name === "a") this.children(element, this.grouped(element, place));
    else if (name === "switch") this.choose(element, this.grouped(element, place));
    else if (name === "text") this.aside("text", textOf(element) || nameOf(element) || "text");
    else if (name === "image") this.aside("image", pictureName(element));
    else if (name === "foreignObject") this.aside("foreign", nameOf(element) ?? name);
  }

  private enter(element: SvgElement, above: Place): Place {
    const style = this.sheet.styleOf(element, above.style);
    const matrix = composed(above.matrix, placedTransform(style, above.viewport));
    const opacity = Number(above.style["fern-opacity"] ?? 1) * alphaOf(style.opacity);
    for (const kind of ["mask", "filter"] as const)
      if (style[kind] && style[kind] !== "none" && !(this.ours && isSaid(element)))
        this.aside(kind, nameOf(element) ?? element.name);
    if (style["mix-blend-mode"] && style["mix-blend-mode"] !== "normal" && !this.ours)
      this.aside("blend", nameOf(element) ?? element.name);
    const clip = urlOf(style["clip-path"]);
    const clips =
      clip && !this.ours
        ? [...above.clips, ...this.clips.clipOf(element, clip, { ...above, matrix })]
        : above.clips;
    return {
      ...above,
      style: opacity < 1 ? { ...style, "fern-opacity": String(opacity) } : style,
      matrix,
      clips,
      name: nameOf(element),
    };
  }

  private follow(element: SvgElement, place: Place): void {
    const link = linkOf(element);
    const target = link?.startsWith("#") ? this.tree.byId.get(link.slice(1)) : undefined;
    if (!target) return;
    if (isWithin(element, target) || place.using.includes(target) || place.using.length >= DEEPEST_USE) {
      this.aside("circular", nameOf(element) ?? "use");
      return;
    }
    const inner = this.grouped(element, {
      ...place,
      matrix: composed(place.matrix, usedAt(element, place.viewport)),
      using: [...place.using, target],
    });
    if (target.name !== "symbol" && target.name !== "svg") {
      this.paint(target, inner);
      return;
    }
    const entered = this.enter(target, inner);
    if (entered.style.display !== "none") this.openViewport(target, entered, element);
  }

  /** A nested viewport; `sized` is the element that says how large it is. */
  private openViewport(element: SvgElement, place: Place, sized: SvgElement): void {
    const { attributes } = element;
    const size = (key: "width" | "height") =>
      lengthOf(sized.attributes[key] ?? attributes[key], place.viewport[key]) ?? place.viewport[key];
    const [width, height] = [size("width"), size("height")];
    if (!(width > 0 && height > 0)) return;
    const [x, y] =
      element.name === "svg"
        ? [
            lengthOf(attributes.x, place.viewport.width) ?? 0,
            lengthOf(attributes.y, place.viewport.height) ?? 0,
          ]
        : [0, 0];
    const port = composed(place.matrix, translation(x, y));
    const view = viewBoxOf(attributes.viewBox);
    const inner = view ? viewBoxMatrix(view, width, height, attributes.preserveAspectRatio) : IDENTITY;
    const shows = /visible|auto/.test(place.style.overflow ?? "");
    this.children(
      element,
      this.grouped(element, {
        ...place,
        matrix: composed(port, inner),
        viewport: view ?? { width, height },
        clips: shows
          ? place.clips
          : [...place.clips, { outline: [corners(width, height, port)], evenOdd: false }],
      }),
    );
  }

  private addMark(element: SvgElement, place: Place): void {
    // Made of what others say: it is not read, and so counts for nothing, however many figures a pattern has.
    if (this.ours && isDerived(element.attributes["data-is"])) return;
    const { style, matrix, viewport, clips, name, groups } = place;
    if (style.visibility === "hidden" || style.visibility === "collapse") return;
    if (this.marks.length >= MOST_MARKS || this.curves >= MOST_CURVES) {
      this.aside("too-many", name ?? element.name);
      return;
    }
    const d = pathOf(element, viewport);
    if (!d || d === "none") return;
    const { chains: read, brokenOff } = readPath(d);
    if (brokenOff) this.aside("broken-off", name ?? element.name);
    const all = read.map((chain) => ({ ...chain, points: mapped(chain.points, matrix) }));
    const chains = all.filter(({ points }) => points.every((n) => Math.abs(n) <= LARGEST));
    if (chains.length < all.length) this.aside("beyond", name ?? element.name);
    if (chains.length === 0) return;
    this.curves += curvesOf(chains.map(({ points }) => points));
    for (const key of ["marker", "marker-start", "marker-mid", "marker-end"])
      if (style[key] && style[key] !== "none") this.aside("marker", name ?? element.name);
    const fill = element.name === "line" ? undefined : this.tint(style, "fill", "black", element);
    const stroke = this.tint(style, "stroke", "none", element);
    if (fill && stroke && isStrokeFirst(style["paint-order"]))
      this.aside("paint-order", name ?? element.name);
    if (fill || stroke)
      this.marks.push({ element, style, chains, matrix, viewport, fill, stroke, clips, name, groups });
  }

  private tint(
    style: Style,
    kind: "fill" | "stroke",
    initial: string,
    element: SvgElement,
  ): Tint | undefined {
    const { tint, aside } = readPaint(style[kind] || initial, style.color ?? "black", this.tree, this.sheet);
    if (aside && !(this.ours && isSaid(element))) this.aside(aside, nameOf(element) ?? element.name);
    const opacity = alphaOf(style[`${kind}-opacity`]) * Number(style["fern-opacity"] ?? 1);
    return tint && (this.ours || tint.alpha * opacity > 0)
      ? { ...tint, alpha: tint.alpha * opacity }
      : undefined;
  }
}

/** Whether an element is another one or lies somewhere in it. */
function isWithin(element: SvgElement, outer: SvgElement): boolean {
  for (let above: SvgElement | null = element; above; above = above.parent) if (above === outer) return true;
  return false;
}

const alphaOf = (text: string | undefined): number => {
  const value = lengthOf(text, 1);
  return value === undefined ? 1 : Math.max(0, Math.min(1, value));
};

/** Whether the fill is painted over the stroke. */
const isStrokeFirst = (order = ""): boolean => /^\s*(markers\s+)?stroke\b/.test(order);

function pictureName(element: SvgElement): string {
  const link = linkOf(element) ?? "";
  const file = link.startsWith("data:") ? undefined : link.split(/[/\\]/).pop();
  return nameOf(element) ?? (file || "picture");
}

function corners(width: number, height: number, matrix: Matrix): number[] {
  const [chain] = chainsOf(`M0 0H${width}V${height}H0Z`);
  return mapped(chain.points, matrix);
}

export const strokeWidthOf = ({ style, viewport }: Pick<Mark, "style" | "viewport">): number =>
  Math.min(LARGEST, anyLength(style["stroke-width"], diagonalOf(viewport)) ?? 1);

/** An element's own transform, about its origin. */
function placedTransform(style: Style, viewport: Viewport): Matrix {
  const own = matrixOf(style.transform);
  if (!style["transform-origin"]) return own;
  const [x, y] = originOf(style["transform-origin"], viewport);
  return composed(translation(x, y), composed(own, translation(-x, -y)));
}
