/**
 * Reads the marks of art from elsewhere: strokes become strokes, dark fills ink shapes, other fills flat shapes. What
 * lies hidden beneath later fills or outside clip paths is cut away, since in our order ink is on top of all colour.
 */
import { converter } from "culori";
import { weakMapMemoize } from "reselect";
import { isShapeSize } from "../drawing/bounds.ts";
import { boundsOf, diagonal } from "../geometry/point.ts";
import type { InkRegion } from "../pockets/ink-regions.ts";
import { Budget, unlessTooDense } from "../pockets/too-dense.ts";
import type { Tint } from "./svg-colour.ts";
import { type Cover, Covers, clippedFill, clippedStroke, isBuried, visibleStroke } from "./svg-cover.ts";
import { calledAs, type Found } from "./svg-found.ts";
import { type AsideKind, closedPoints, isEvenOdd, type Mark } from "./svg-mark.ts";
import { isSeam } from "./svg-seams.ts";

const oklch = converter("oklch");

/** Filled shapes darker than this in OKLCH lightness are ink. */
const DARK = 0.45;

const lightnessOf = weakMapMemoize((value: string): number => oklch(value)?.l ?? 1);

const isDark = ({ value, alpha }: Tint): boolean => alpha > 0.5 && lightnessOf(value) < DARK;

/** Cubics of lines and shapes compared with those of what clips or hides them. */
const MOST_COMPARED = 1.5e5;

/** See-through strokes are drawn in full: ink is. */
const FAINT = 0.98;

export function readForeign(marks: readonly Mark[], found: Found, onProgress: (share: number) => void): void {
  const covers = new Covers(marks, ({ fill }) => fill !== undefined && fill.alpha > FAINT);
  const reader = new ForeignReader(found);
  const page = diagonal(found.box);
  marks.forEach((mark, i) => {
    const above = covers.after(i, mark);
    if (!above) found.tell("unhidden", mark);
    if (mark.fill) reader.addFill(mark, mark.fill, above ?? []);
    if (isSeam(mark, marks[i + 1], page)) found.tell("seam", mark);
    else if (mark.stroke) reader.addStroke(mark, mark.stroke, above ?? []);
    onProgress((i + 1) / marks.length);
  });
}

class ForeignReader {
  private readonly cutting = new Budget(MOST_COMPARED);

  constructor(private readonly found: Found) {}

  addFill(mark: Mark, tint: Tint, later: readonly Cover[]): void {
    const outline = this.found
      .nearChains(mark)
      .map(closedPoints)
      .filter((points) => points.length > 8);
    const region = this.clipped({ outline, evenOdd: isEvenOdd(mark) }, mark);
    const box = boundsOf(region.outline);
    if (!box) return;
    if (!isShapeSize(box, this.found.box)) {
      this.found.tell("beyond", mark);
      return;
    }
    const lightAbove = later.filter(({ mark: { fill } }) => fill && !isDark(fill));
    if (isDark(tint) && !isBuried(region, lightAbove)) this.found.addInk(region, tint.value, calledAs(mark));
    else
      this.found.addFlat(region, {
        value: tint.value,
        opacity: tint.alpha,
        ...(mark.name ? { name: mark.name } : {}),
      });
  }

  addStroke(mark: Mark, tint: Tint, later: readonly Cover[]): void {
    const { found } = this;
    const called = calledAs(mark);
    if (tint.alpha < FAINT) found.tell("faint", mark);
    for (const { points, closed } of found.nearChains(mark)) {
      const pen = found.penOf(mark, points);
      if (!pen || (pen.cap === "butt" && isPoint(points))) continue;
      const step = diagonal(found.box) / 400;
      const clipped = this.affords("unclipped", mark, points, mark.clips)
        ? clippedStroke(points, closed, mark.clips, step)
        : [points];
      const hiding = later.map(({ region }) => region);
      const pieces = this.affords("unhidden", mark, points, hiding)
        ? clipped.flatMap((piece) => visibleStroke(piece, closed && piece === points, pen.width, later, step))
        : clipped;
      const whole = pieces.length === 1 && pieces[0] === points;
      if (!whole) found.countCut();
      const cap = whole ? {} : { cap: "butt" as const };
      for (const piece of pieces)
        found.addStroke({ points: piece, closed: closed && whole, ...pen, ...cap, ...called }, tint.value);
    }
  }

  /** What clip paths leave of a region, by the nonzero rule where they cut it. */
  private clipped(region: InkRegion, mark: Mark): InkRegion {
    if (!this.affords("unclipped", mark, region.outline.flat(), mark.clips)) return region;
    const outline = unlessTooDense(
      () => clippedFill(region, mark.clips),
      () => {
        this.found.tell("unclipped", mark);
        return region.outline;
      },
    );
    return outline === region.outline ? region : { outline, evenOdd: false };
  }

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
    if (!affords) this.found.tell(kind, mark);
    return affords;
  }
}

const isPoint = (points: readonly number[]): boolean => points.every((n, k) => n === points[k % 2]);
