/**
 * Reads stroke line art from SVG. The XML goes through a streaming parser that knows no entities of its own, runs
 * nothing and fetches nothing; what cannot be read is counted and told.
 */

import { converter } from "culori";
import { SaxesParser, type SaxesTagPlain } from "saxes";
import type { InkShape, Page, Stroke } from "../drawing/drawing.ts";
import { defaultPage } from "../drawing/new-drawing.ts";
import { polyline } from "../geometry/cubic.ts";
import { type Box, boundsOf, grow } from "../geometry/point.ts";
import { FileProblem } from "./file-problem.ts";
import { type Chain, chainsOf } from "./svg-path.ts";

export interface SvgReading {
  readonly page: Page;
  readonly strokes: readonly Stroke[];
  readonly inkShapes: readonly InkShape[];
  /** Sentences on what was left aside. */
  readonly notes: readonly string[];
}

const oklch = converter("oklch");

/** What an element hands down to its children. */
interface Inherited {
  readonly transform: string;
  readonly stroke: string;
  readonly strokeWidth: string;
  readonly fill: string;
  readonly fillRule: string;
  readonly hidden: boolean;
  readonly name: string | undefined;
}

const ROOT: Inherited = {
  transform: "",
  stroke: "none",
  strokeWidth: "1",
  fill: "black",
  fillRule: "nonzero",
  hidden: false,
  name: undefined,
};

/** Elements whose contents are not part of the picture itself. */
const ASIDE = new Set([
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
  "script",
  "foreignObject",
]);
const SHAPES = new Set(["path", "line", "polyline", "polygon", "circle", "ellipse", "rect"]);

export function readSvg(text: string): SvgReading {
  if (text.trim() === "") throw new FileProblem("empty", "The file is empty.");
  const reader = new SvgReader();
  const parser = new SaxesParser();
  parser.on("error", (error) => {
    throw new FileProblem("broken", `The file's XML is broken (${plain(error.message)}).`);
  });
  parser.on("opentag", (tag) => reader.open(tag));
  parser.on("closetag", () => reader.close());
  parser.write(text).close();
  return reader.finish();
}

const plain = (message: string): string =>
  message.replace(/^(undefined:)?(\d+):(\d+): /, "line $2: ").replace(/\.$/, "");

class SvgReader {
  private readonly stack: Inherited[] = [];
  private readonly strokes: Stroke[] = [];
  private readonly inkShapes: InkShape[] = [];
  private readonly counts = new Map<string, number>();
  private asideDepth = 0;
  private box: Box | undefined;
  private size: { width?: string; height?: string } = {};

  open(tag: SaxesTagPlain): void {
    const name = tag.name.replace(/^svg:/, "");
    const attributes = tag.attributes as Record<string, string>;
    if (this.stack.length === 0) this.openRoot(name, attributes);
    const inherited = this.inherit(attributes);
    this.stack.push(inherited);
    if (this.asideDepth > 0 || ASIDE.has(name)) this.asideDepth++;
    this.noteOddities(name, attributes);
    if (this.asideDepth === 0 && SHAPES.has(name) && !inherited.hidden)
      this.addShape(name, attributes, inherited);
  }

  close(): void {
    this.stack.pop();
    if (this.asideDepth > 0) this.asideDepth--;
  }

  finish(): SvgReading {
    const { strokes, inkShapes } = this;
    const box = this.box ?? this.boxOfInk();
    if (!box || strokes.length + inkShapes.length === 0)
      throw new FileProblem("no-lines", this.emptyMessage());
    return { page: pageFor(box, this.size), strokes, inkShapes, notes: this.notes() };
  }

  private openRoot(name: string, attributes: Record<string, string>): void {
    if (name !== "svg")
      throw new FileProblem("not-svg", `This is not an SVG: its outermost element is <${name}>.`);
    this.size = { width: attributes.width, height: attributes.height };
    const view = (attributes.viewBox ?? "").split(/[\s,]+/).map(Number);
    const sized = [lengthInPixels(attributes.width), lengthInPixels(attributes.height)];
    if (view.length === 4 && view.every(Number.isFinite) && view[2] > 0 && view[3] > 0) {
      this.box = { x: view[0], y: view[1], width: view[2], height: view[3] };
    } else if (sized[0] && sized[1]) {
      this.box = { x: 0, y: 0, width: sized[0], height: sized[1] };
    }
  }

  private inherit(attributes: Record<string, string>): Inherited {
    const above = this.stack[this.stack.length - 1] ?? ROOT;
    const style = { ...attributes, ...declarations(attributes.style) };
    return {
      transform: [above.transform, attributes.transform].filter(Boolean).join(" "),
      stroke: style.stroke ?? above.stroke,
      strokeWidth: style["stroke-width"] ?? above.strokeWidth,
      fill: style.fill ?? above.fill,
      fillRule: style["fill-rule"] ?? above.fillRule,
      hidden: above.hidden || style.display === "none" || style.visibility === "hidden",
      name: attributes.id ?? above.name,
    };
  }

  private noteOddities(name: string, attributes: Record<string, string>): void {
    if (name === "script" || Object.keys(attributes).some((key) => /^on/i.test(key))) this.count("script");
    if (name === "image") this.count("image");
    if (name === "text") this.count("text");
    if (name === "use") this.count("use");
    if (name === "style") this.count("style");
    const link = attributes.href ?? attributes["xlink:href"];
    if (link && !link.startsWith("#") && !link.startsWith("data:") && name !== "a") this.count("outside");
  }

  private count(what: string): void {
    this.counts.set(what, (this.counts.get(what) ?? 0) + 1);
  }

  private addShape(name: string, attributes: Record<string, string>, inherited: Inherited): void {
    const inked = isInkColour(inherited.fill) && name !== "line";
    if (isNone(inherited.stroke) && !inked) {
      if (!isNone(inherited.fill)) this.count("filled");
      return;
    }
    const d = pathOf(name, attributes);
    if (!d) return;
    const { chains, scale } = chainsOf(d, inherited.transform);
    const named = inherited.name ? { name: inherited.name } : {};
    if (inked) this.addInkShape(chains, inherited.fillRule === "evenodd", named);
    const width = (lengthInPixels(inherited.strokeWidth) ?? 1) * scale;
    if (isNone(inherited.stroke) || !(width > 0)) return;
    for (const { points, closed } of chains) {
      const rank = this.nextRank();
      this.strokes.push({ id: `s${rank}`, rank, points, closed, width, ...named });
    }
  }

  private addInkShape(chains: readonly Chain[], evenOdd: boolean, named: { name?: string }): void {
    const outline = chains.map(closedPoints).filter((points) => points.length > 8);
    if (outline.length === 0) return;
    const rank = this.nextRank();
    this.inkShapes.push({ id: `i${rank}`, rank, outline, evenOdd, ...named });
  }

  private nextRank(): number {
    return this.strokes.length + this.inkShapes.length + 1;
  }

  private boxOfInk(): Box | undefined {
    const box = boundsOf([
      ...this.strokes.map(({ points }) => points),
      ...this.inkShapes.flatMap(({ outline }) => outline),
    ]);
    return box && grow(box, Math.max(box.width, box.height, 1) * 0.05);
  }

  private emptyMessage(): string {
    const filled = this.counts.get("filled") ?? 0;
    const found = filled
      ? ` It has ${filled} ${filled === 1 ? "shape" : "shapes"} in light or bright colours, which cannot be read as ink.`
      : "";
    return `No lines were found in this file.${found}`;
  }

  private notes(): string[] {
    const told: Record<string, (n: number) => string> = {
      filled: (n) =>
        `${n} coloured ${n === 1 ? "shape has" : "shapes have"} no dark fill or stroke and ${n === 1 ? "was" : "were"} left aside.`,
      text: (n) => `${n} piece${n === 1 ? "" : "s"} of text left aside.`,
      image: (n) => `${n} picture${n === 1 ? "" : "s"} left aside.`,
      use: (n) => `${n} reused symbol${n === 1 ? "" : "s"} left aside.`,
      style: () => "A style sheet was left aside; only attributes and inline styles were read.",
      script: (n) => `${n} script${n === 1 ? "" : "s"} found and not run.`,
      outside: (n) => `${n} link${n === 1 ? "" : "s"} to outside files not followed.`,
    };
    return [...this.counts].map(([what, n]) => told[what](n));
  }
}

/** Filled shapes darker than this in OKLCH lightness are ink. */
const DARK = 0.45;

function isInkColour(paint: string): boolean {
  if (isNone(paint)) return false;
  const colour = oklch(paint === "currentColor" ? "black" : paint);
  return colour !== undefined && colour.l < DARK && (colour.alpha ?? 1) > 0.5;
}

/** A chain closed by a straight line where it is not closed yet, as filling does. */
function closedPoints({ points }: Chain): number[] {
  const n = points.length;
  if (points[0] === points[n - 2] && points[1] === points[n - 1]) return points;
  const home = polyline([
    [points[n - 2], points[n - 1]],
    [points[0], points[1]],
  ]);
  return [...points, ...home.slice(2)];
}

const isNone = (paint: string): boolean => paint === "none" || paint === "transparent";

function declarations(style: string | undefined): Record<string, string> {
  const pairs = (style ?? "").split(";").map((part) => part.split(":"));
  return Object.fromEntries(
    pairs.filter(([key, value]) => key && value).map(([key, value]) => [key.trim(), value.trim()]),
  );
}

const PIXELS: Record<string, number> = {
  "": 1,
  px: 1,
  pt: 96 / 72,
  pc: 16,
  in: 96,
  mm: 96 / 25.4,
  cm: 96 / 2.54,
  q: 96 / 101.6,
};

function lengthInPixels(text: string | undefined): number | undefined {
  const match = /^\s*([+-]?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?)\s*([a-z]*)\s*$/i.exec(text ?? "");
  const unit = match && PIXELS[match[2].toLowerCase()];
  return match && unit ? Number(match[1]) * unit : undefined;
}

/** Physical units are kept; a size in pixels or none at all says nothing about print. */
function pageFor(box: Box, size: { width?: string }): Page {
  const page = defaultPage(box);
  const pixels = lengthInPixels(size.width);
  if (!pixels || !/(mm|cm|in|pt|pc|q)\s*$/i.test(size.width ?? "")) return page;
  return /in\s*$/i.test(size.width ?? "")
    ? { ...page, unit: "in", width: pixels / 96 }
    : { ...page, unit: "mm", width: Math.round((pixels / 96) * 25.4 * 100) / 100 };
}

/** Basic shapes written as path data, as SVG 2 chapter 10 defines them. */
function pathOf(name: string, attributes: Record<string, string>): string | undefined {
  const at = (key: string) => lengthInPixels(attributes[key]) ?? 0;
  switch (name) {
    case "path":
      return attributes.d;
    case "line":
      return `M${at("x1")} ${at("y1")}L${at("x2")} ${at("y2")}`;
    case "polyline":
      return attributes.points && `M${attributes.points}`;
    case "polygon":
      return attributes.points && `M${attributes.points}Z`;
    case "circle":
      return ellipse(at("cx"), at("cy"), at("r"), at("r"));
    case "ellipse":
      return ellipse(at("cx"), at("cy"), at("rx"), at("ry"));
    default:
      return rectangle(at("x"), at("y"), at("width"), at("height"), attributes.rx, attributes.ry);
  }
}

function ellipse(cx: number, cy: number, rx: number, ry: number): string | undefined {
  if (!(rx > 0 && ry > 0)) return undefined;
  return `M${cx - rx} ${cy}A${rx} ${ry} 0 0 1 ${cx + rx} ${cy}A${rx} ${ry} 0 0 1 ${cx - rx} ${cy}Z`;
}

function rectangle(
  x: number,
  y: number,
  w: number,
  h: number,
  rxText?: string,
  ryText?: string,
): string | undefined {
  if (!(w > 0 && h > 0)) return undefined;
  const rx = Math.min(w / 2, lengthInPixels(rxText ?? ryText) ?? 0);
  const ry = Math.min(h / 2, lengthInPixels(ryText ?? rxText) ?? 0);
  if (!(rx > 0 && ry > 0)) return `M${x} ${y}h${w}v${h}h${-w}Z`;
  const corner = `a${rx} ${ry} 0 0 1`;
  return `M${x + rx} ${y}h${w - 2 * rx}${corner} ${rx} ${ry}v${h - 2 * ry}${corner} ${-rx} ${ry}h${2 * rx - w}${corner} ${-rx} ${-ry}v${2 * ry - h}${corner} ${rx} ${-ry}Z`;
}
