/**
 * Reads line art from SVG: strokes become strokes, dark fills ink shapes, other fills flat shapes. What lies hidden
 * beneath later fills or outside clip paths is cut away, since in our order ink is on top of all colour.
 */
import { converter } from "culori";
import {
  inkWidthWithin,
  isDash,
  isInkWidth,
  isNearPage,
  isPageBox,
  isShapeSize,
  LONGEST_TITLE,
} from "../drawing/bounds.ts";
import type { Echo, FlatShape, InkShape, Page, Stroke } from "../drawing/drawing.ts";
import { defaultPage } from "../drawing/new-drawing.ts";
import { cutShort, plainText } from "../drawing/plain-text.ts";
import { keepsCircles } from "../geometry/matrix.ts";
import { type Box, boundsOf, diagonal, grow, type Point } from "../geometry/point.ts";
import type { InkRegion } from "../pockets/ink-regions.ts";
import { Budget, unlessTooDense } from "../pockets/too-dense.ts";
import { FileProblem } from "./file-problem.ts";
import type { Tint } from "./svg-colour.ts";
import { type Cover, Covers, clippedFill, clippedStroke, isBuried, visibleStroke } from "./svg-cover.ts";
import { type AsideKind, type Asides, closedPoints, isEvenOdd, type Mark } from "./svg-mark.ts";
import { marksOf } from "./svg-marks.ts";
import {
  factsIn,
  idOf,
  isSameShade,
  kindOf,
  laidIn,
  lineSaidIn,
  lyingIn,
  overIn,
  paintNameOf,
  partIn,
  placesOf,
  type ReadShade,
  shadeOf,
  type ToldLaid,
  type ToldLying,
  type ToldOver,
} from "./svg-ours.ts";
import type { Chain } from "./svg-path.ts";
import { penOf } from "./svg-pen.ts";
import {
  type DerivedKind,
  drawnStroke,
  echoIn,
  isDerived,
  type Kind,
  nibIn,
  shareIn,
  toldRankIn,
} from "./svg-says.ts";
import { type SvgTree, textOf, treeOf } from "./svg-tree.ts";
import { lengthOf, viewBoxOf } from "./svg-units.ts";

/** A coloured fill as it was found. */
export interface ReadFlat extends Omit<FlatShape, "paint" | "gradient" | "pattern">, ToldLaid, ToldLying {
  readonly value: string;
}

/** Colour that a file of ours says was poured into the pocket around a point. */
interface ReadPour {
  readonly seed: Point;
  /** What it covers in the picture, by the nonzero winding rule. */
  readonly outline: readonly (readonly number[])[];
  readonly paint: string;
  readonly rank: number;
  readonly toldRank?: number;
  readonly part?: string;
  readonly over: ToldOver;
}

export interface OurReading {
  /** What the drawing is called in the file. */
  readonly title: string;
  /** As text, not checked yet. */
  readonly facts: string;
  /** Names of paints by the ids of strokes, ink shapes, flats and shades. */
  readonly paints: ReadonlyMap<string, string>;
  readonly pours: readonly ReadPour[];
  readonly shades: readonly ReadShade[];
}

export interface SvgReading {
  readonly page: Page;
  readonly strokes: readonly Stroke[];
  readonly inkShapes: readonly InkShape[];
  readonly flats: readonly ReadFlat[];
  /** #rrggbb of strokes and ink shapes, by id. */
  readonly tints: ReadonlyMap<string, string>;
  readonly asides: Asides;
  /** How many strokes were cut where the picture hides or clips them. */
  readonly cut: number;
  /** What a file of ours says beside its picture. */
  readonly ours?: OurReading;
}

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
  const reader = new MarkReader(box, asides, pixels, facts !== undefined);
  if (facts !== undefined) return reader.readOurs(marks, page, { facts, title: titleOf(tree) });
  reader.readAll(marks, (share) => onProgress(0.7 + 0.3 * share));
  const reading = reader.reading(page);
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

const oklch = converter("oklch");

/** Filled shapes darker than this in OKLCH lightness are ink. */
const DARK = 0.45;

const isDark = ({ value, alpha }: Tint): boolean => alpha > 0.5 && (oklch(value)?.l ?? 1) < DARK;

/** Cubics of lines and shapes compared with those of what clips or hides them. */
const MOST_COMPARED = 1.5e5;

/** See-through strokes are drawn in full: ink is. */
const FAINT = 0.98;

class MarkReader {
  private readonly strokes: Stroke[] = [];
  private readonly taken = new Set<string>();
  private readonly inkShapes: InkShape[] = [];
  private readonly flats: ReadFlat[] = [];
  private readonly tints = new Map<string, string>();
  private rank = 0;
  private cut = 0;

  constructor(
    private readonly box: Box,
    private readonly asides: Asides,
    private readonly pixelsPerUnit: number,
    private readonly ours: boolean,
  ) {}

  readAll(marks: readonly Mark[], onProgress: (share: number) => void): void {
    const covers = new Covers(marks, ({ fill }) => fill !== undefined && fill.alpha > FAINT);
    marks.forEach((mark, i) => {
      const found = covers.after(i, boundsOf(outlineOf(mark))!);
      if (!found) this.aside("unhidden", mark);
      const later = found ?? [];
      if (mark.fill) this.addFill(mark, mark.fill, later);
      if (mark.stroke) this.addStroke(mark, mark.stroke, later);
      onProgress((i + 1) / marks.length);
    });
  }

  reading(page: Page): SvgReading {
    const { strokes, inkShapes, flats, tints, asides, cut } = this;
    return { page, strokes, inkShapes, flats, tints, asides, cut };
  }

  private addFill(mark: Mark, tint: Tint, later: readonly Cover[]): void {
    const evenOdd = mark.style["fill-rule"] === "evenodd";
    const whole = this.nearChains(mark)
      .map(closedPoints)
      .filter((points) => points.length > 8);
    const outline = this.clipped({ outline: whole, evenOdd }, mark);
    const box = boundsOf(outline);
    if (!box) return;
    if (!isShapeSize(box, this.box)) {
      this.aside("beyond", mark);
      return;
    }
    const clipped = outline !== whole;
    const rule = clipped ? false : evenOdd;
    const lightAbove = later.filter(({ mark: { fill } }) => fill && !isDark(fill));
    if (isDark(tint) && !isBuried({ outline, evenOdd: rule }, lightAbove))
      this.addInk(mark, outline, rule, tint.value);
    else this.addFlat(mark, outline, rule, tint);
  }

  private addInk(
    mark: Mark,
    outline: readonly (readonly number[])[],
    evenOdd: boolean,
    value: string,
  ): string {
    const id = `i${++this.rank}`;
    const said = { ...this.saidOf(mark), ...(this.ours ? lineSaidIn(mark) : {}) };
    this.inkShapes.push({ id, rank: this.rank, outline, evenOdd, ...calledAs(mark), ...said });
    this.tints.set(id, value);
    return id;
  }

  private addFlat(mark: Mark, outline: readonly (readonly number[])[], evenOdd: boolean, tint: Tint): string {
    const id = `f${++this.rank}`;
    const { name } = mark;
    const { value, alpha: opacity } = tint;
    const named = name ? { name } : {};
    this.flats.push({
      id,
      rank: this.rank,
      outline,
      evenOdd,
      value,
      opacity,
      ...named,
      ...this.saidOf(mark),
      ...(this.ours ? { ...lyingIn(mark), ...laidIn(mark) } : {}),
    });
    return id;
  }

  /** What a file of ours says of an item beside how it looks. */
  private saidOf(mark: Mark): { readonly part?: string; readonly echo?: Echo } {
    return this.ours ? { ...partIn(mark), ...echoIn(mark.element.attributes) } : {};
  }

  private addStroke(mark: Mark, tint: Tint, later: readonly Cover[]): void {
    const called = calledAs(mark);
    if (tint.alpha < FAINT) this.aside("faint", mark);
    for (const { points, closed } of this.nearChains(mark)) {
      const pen = this.pen(mark, points);
      if (!pen || (pen.cap === "butt" && isPoint(points))) continue;
      const step = diagonal(this.box) / 400;
      const clipped = this.affords("unclipped", mark, points, mark.clips)
        ? clippedStroke(points, closed, mark.clips, step)
        : [points];
      const hiding = later.map(({ region }) => region);
      const pieces = this.affords("unhidden", mark, points, hiding)
        ? clipped.flatMap((piece) => visibleStroke(piece, closed && piece === points, pen.width, later, step))
        : clipped;
      const whole = pieces.length === 1 && pieces[0] === points;
      if (!whole) this.cut++;
      for (const piece of pieces) {
        const cap = whole ? {} : { cap: "butt" as const };
        const id = this.pushStroke({ points: piece, closed: closed && whole, ...pen, ...cap, ...called });
        this.tints.set(id, tint.value);
      }
    }
  }

  private aside(kind: AsideKind, { name, element }: Mark): void {
    const names = this.asides.get(kind);
    if (names) names.push(name ?? element.name);
    else this.asides.set(kind, [name ?? element.name]);
  }

  /** The chains of a mark that lie near the page; others are told. */
  private nearChains(mark: Mark): readonly Chain[] {
    const near = mark.chains.filter(({ points }) => isNearPage(points, this.box));
    if (near.length < mark.chains.length) this.aside("beyond", mark);
    return near;
  }

  /** The pen of a stroke that shows; what about it cannot be drawn is told. */
  private pen(mark: Mark, points: readonly number[]): ReturnType<typeof penOf> {
    const pen = penOf(mark, points, this.pixelsPerUnit);
    if (!pen) return undefined;
    if (!isInkWidth(pen.width, this.box)) {
      // What we wrote is beyond its bounds by the rounding of its decimals alone.
      if (mark.element.attributes["data-is"] === "stroke")
        return { ...pen, width: inkWidthWithin(pen.width, this.box) };
      this.aside("beyond", mark);
      return undefined;
    }
    if (pen.dash && !keepsCircles(mark.matrix) && mark.style["vector-effect"] !== "non-scaling-stroke")
      this.aside("uneven", mark);
    if (!pen.dash || isDash(pen.dash, this.box)) return pen;
    this.aside("dash", mark);
    const { dash: _, dashOffset: __, ...whole } = pen;
    return whole;
  }

  private clipped(region: InkRegion, mark: Mark): readonly (readonly number[])[] {
    if (!this.affords("unclipped", mark, region.outline.flat(), mark.clips)) return region.outline;
    return unlessTooDense(
      () => clippedFill(region, mark.clips),
      () => {
        this.aside("unclipped", mark);
        return region.outline;
      },
    );
  }

  private readonly cutting = new Budget(MOST_COMPARED);

  /** Whether comparing a chain with some regions is still within what one file may ask for; if not it is told. */
  private affords(
    kind: AsideKind,
    mark: Mark,
    points: readonly number[],
    regions: readonly Pick<InkRegion, "outline">[],
  ): boolean {
    if (regions.length === 0) return true;
    let numbers = 0;
    for (const { outline } of regions) for (const chain of outline) numbers += chain.length;
    const affords = this.cutting.affords((points.length / 6) * (numbers / 6));
    if (!affords) this.aside(kind, mark);
    return affords;
  }

  /** A file of ours: its marks say what they are. */
  readOurs(marks: readonly Mark[], page: Page, told: Pick<OurReading, "facts" | "title">): SvgReading {
    const paints = new Map<string, string>();
    const pours: ReadPour[] = [];
    const shades: ReadShade[] = [];
    const put: { readonly [K in Exclude<Kind, DerivedKind>]: (mark: Mark) => readonly string[] } = {
      pour: (mark) => {
        const [seed] = placesOf(mark);
        if (seed)
          pours.push({
            seed,
            outline: mark.chains.map(closedPoints),
            paint: paintNameOf(mark),
            rank: ++this.rank,
            ...toldRankIn(mark.element.attributes),
            ...partIn(mark),
            over: overIn(mark),
          });
        return NONE;
      },
      shade: (mark) => {
        const places = placesOf(mark);
        if (places.length === 0) return NONE;
        const shade = shadeOf(mark, places, ++this.rank);
        const same = shades.findIndex((one) => isSameShade(one, shade));
        if (same < 0) shades.push(shade);
        else shades[same] = { ...shades[same], at: [...shades[same].at, ...places] };
        return same < 0 ? [shade.id] : NONE;
      },
      flat: (mark) =>
        mark.fill
          ? [this.addFlat(mark, mark.chains.map(closedPoints), isEvenOdd(mark), ownTint(mark, mark.fill))]
          : NONE,
      stroke: (mark) => this.addOurStroke(mark),
      shape: (mark) =>
        mark.fill
          ? [this.addInk(mark, mark.chains.map(closedPoints), isEvenOdd(mark), mark.fill.value)]
          : NONE,
    };
    for (const mark of marks) {
      const kind = kindOf(mark);
      if (isDerived(kind)) continue;
      const chains = this.nearChains(mark);
      if (!kind) this.aside("unknown", mark);
      else if (!placesOf(mark).every((place) => isNearPage(place, this.box))) this.aside("beyond", mark);
      else if (chains.length > 0) {
        for (const id of put[kind]({ ...mark, chains })) paints.set(id, paintNameOf(mark));
      }
    }
    return { ...this.reading(page), ours: { ...told, paints, pours, shades } };
  }

  private addOurStroke(mark: Mark): string[] {
    const drawn = drawnStroke(mark.element.attributes);
    const called = { ...calledAs(mark), ...partIn(mark), ...lineSaidIn(mark) };
    if (drawn && isNearPage(drawn.points, this.box))
      return [
        this.pushStroke({ ...drawn, width: inkWidthWithin(drawn.width, this.box), ...called }, idOf(mark)),
      ];
    return mark.chains.flatMap(({ points, closed }) => {
      const pen = mark.stroke && this.pen(mark, points);
      const nib = nibIn(mark.element.attributes);
      return pen ? [this.pushStroke({ points, closed, ...pen, ...nib, ...called }, idOf(mark))] : [];
    });
  }

  /** Under the id it had, where no other line has that. */
  private pushStroke(stroke: Omit<Stroke, "id" | "rank">, had?: string): string {
    this.rank++;
    let id = had ?? `s${this.rank}`;
    while (this.taken.has(id)) id = `${id}-2`;
    this.taken.add(id);
    this.strokes.push({ id, rank: this.rank, ...stroke });
    return id;
  }
}

const NONE: readonly string[] = [];

/** A tint without what its colour's and the sheet's own opacity take from it. */
const ownTint = ({ style, element }: Mark, tint: Tint): Tint => ({
  ...tint,
  alpha: shareIn(element.attributes["data-opacity"] ?? style["fill-opacity"]),
});

const outlineOf = ({ chains }: Mark): number[][] => chains.map(({ points }) => points);

const calledAs = ({ name, groups }: Mark): Pick<Stroke, "name" | "groups"> => ({
  ...(name ? { name } : {}),
  ...(groups.length > 0 ? { groups } : {}),
});

const isPoint = (points: readonly number[]): boolean => points.every((n, k) => n === points[k % 2]);

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
