/** Lines and shapes as they are found in an SVG, in the order they are painted; what cannot be drawn as it is is told. */
import { inkWidthWithin, isDash, isInkWidth, isNearPage } from "../drawing/bounds.ts";
import type { InkShape, Page, Stroke } from "../drawing/drawing.ts";
import { keepsCircles } from "../geometry/matrix.ts";
import type { Box } from "../geometry/point.ts";
import type { InkRegion } from "../pockets/ink-regions.ts";
import { type AsideKind, type Asides, type Mark, tellAside } from "./svg-mark.ts";
import type { Chain } from "./svg-path.ts";
import { penOf } from "./svg-pen.ts";
import type { ReadFlat, SvgReading } from "./svg-reading.ts";

export class Found {
  private readonly strokes: Stroke[] = [];
  private readonly inkShapes: InkShape[] = [];
  private readonly flats: ReadFlat[] = [];
  private readonly tints = new Map<string, string>();
  private readonly taken = new Set<string>();
  private rank = 0;
  private cut = 0;

  /** `box` is the page; `pixelsPerUnit` is for pens that do not scale. */
  constructor(
    readonly box: Box,
    private readonly asides: Asides,
    private readonly pixelsPerUnit: number,
  ) {}

  reading(page: Page): SvgReading {
    const { strokes, inkShapes, flats, tints, asides, cut } = this;
    return { page, strokes, inkShapes, flats, tints, asides, cut };
  }

  /** The rank of what is painted next. */
  nextRank(): number {
    return ++this.rank;
  }

  addInk(region: InkRegion, value: string, said: Partial<InkShape>): string {
    const rank = this.nextRank();
    const id = `i${rank}`;
    this.inkShapes.push({ id, rank, ...region, ...said });
    this.tints.set(id, value);
    return id;
  }

  addFlat(region: InkRegion, laid: Omit<ReadFlat, "id" | "rank" | "outline" | "evenOdd">): string {
    const rank = this.nextRank();
    const id = `f${rank}`;
    this.flats.push({ id, rank, ...region, ...laid });
    return id;
  }

  /** Under the id it had, where no other line has that. */
  addStroke(stroke: Omit<Stroke, "id" | "rank">, value?: string, had?: string): string {
    const rank = this.nextRank();
    let id = had ?? `s${rank}`;
    while (this.taken.has(id)) id = `${id}-2`;
    this.taken.add(id);
    this.strokes.push({ id, rank, ...stroke });
    if (value) this.tints.set(id, value);
    return id;
  }

  /** A stroke was cut where the picture hides or clips it. */
  countCut(): void {
    this.cut++;
  }

  tell(kind: AsideKind, { name, element }: Mark): void {
    tellAside(this.asides, kind, name ?? element.name);
  }

  /** The chains of a mark that lie near the page; others are told. */
  nearChains(mark: Mark): readonly Chain[] {
    const near = mark.chains.filter(({ points }) => isNearPage(points, this.box));
    if (near.length < mark.chains.length) this.tell("beyond", mark);
    return near;
  }

  /** The pen of a stroke that shows; what about it cannot be drawn is told. */
  penOf(mark: Mark, points: readonly number[]): ReturnType<typeof penOf> {
    const pen = penOf(mark, points, this.pixelsPerUnit);
    if (!pen) return undefined;
    if (!isInkWidth(pen.width, this.box)) {
      // What we wrote is beyond its bounds by the rounding of its decimals alone.
      if (mark.element.attributes["data-is"] === "stroke")
        return { ...pen, width: inkWidthWithin(pen.width, this.box) };
      this.tell("beyond", mark);
      return undefined;
    }
    if (pen.dash && !keepsCircles(mark.matrix) && mark.style["vector-effect"] !== "non-scaling-stroke")
      this.tell("uneven", mark);
    if (!pen.dash || isDash(pen.dash, this.box)) return pen;
    this.tell("dash", mark);
    const { dash: _, dashOffset: __, ...whole } = pen;
    return whole;
  }
}

/** What a mark is called, and the groups it came in. */
export const calledAs = ({ name, groups }: Mark): Pick<Stroke, "name" | "groups"> => ({
  ...(name ? { name } : {}),
  ...(groups.length > 0 ? { groups } : {}),
});
