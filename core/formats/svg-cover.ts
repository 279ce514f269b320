/** What a painter's order hides: ink beneath later fills, and whatever lies outside clip paths. */
import Flatbush from "flatbush";
import { curveCount, derivativeAt, pointAt } from "../geometry/cubic.ts";
import { type Box, boundsOf, boxHolds, diagonal, type Point } from "../geometry/point.ts";
import { crossingsAt, regionContains } from "../geometry/polygon.ts";
import { piecesWhere } from "../lines/cut.ts";
import { type InkRegion, isInk } from "../pockets/ink-regions.ts";
import { commonOutline } from "../pockets/region-meet.ts";
import { Budget, unlessTooDense } from "../pockets/too-dense.ts";
import type { Clip, Mark } from "./svg-mark.ts";

type Outline = readonly (readonly number[])[];

/** A fill that hides what lies beneath it. */
export interface Cover {
  readonly index: number;
  readonly mark: Mark;
  readonly region: InkRegion;
  readonly box: Box;
}

/** Finds the fills of those marks which hide what lies beneath them. */
export class Covers {
  private readonly found: Cover[] = [];
  private readonly index: Flatbush | undefined;

  constructor(marks: readonly Mark[], hides: (mark: Mark) => boolean) {
    marks.forEach((mark, index) => {
      const outline = mark.chains.map(({ points }) => points);
      const box = hides(mark) ? boundsOf(outline) : undefined;
      const region = { outline, evenOdd: mark.style["fill-rule"] === "evenodd" };
      if (box) this.found.push({ index, mark, region, box });
    });
    if (this.found.length === 0) return;
    this.index = new Flatbush(this.found.length);
    for (const { box } of this.found) this.index.add(box.x, box.y, box.x + box.width, box.y + box.height);
    this.index.finish();
  }

  private readonly looks = new Budget(MOST_LOOKS);

  /** Those painted after the mark at a place of the list that come near it; undefined once too many have been looked at. */
  after(place: number, { chains }: Mark): Cover[] | undefined {
    const { found, index } = this;
    if (!index) return [];
    if (!this.looks.affords(1)) return undefined;
    const { x, y, width, height } = boundsOf(chains.map(({ points }) => points))!;
    const isLater = (k: number) => {
      this.looks.spend(1);
      return found[k].index > place;
    };
    return unlessTooDense(
      () => index.search(x, y, x + width, y + height, isLater).map((k) => found[k]),
      () => undefined,
    );
  }
}

/** Fills looked at, of all marks together. */
const MOST_LOOKS = 2e6;

const tolerance = (box: Box): number => diagonal(box) * 1e-4 || 1e-6;

const covers = ({ region, box, mark }: Cover, at: Point): boolean =>
  boxHolds(box, at) &&
  isInk([region], at, tolerance(box)) &&
  mark.clips.every((clip) => isInk([clip], at, tolerance(box)));

/** A stroke is hidden where a later fill covers it to both its edges. */
export function visibleStroke(
  points: readonly number[],
  closed: boolean,
  width: number,
  later: readonly Cover[],
  step: number,
): Outline {
  if (later.length === 0) return [points];
  const shows = (u: number) => {
    const edges = edgesAt(points, u, width * 0.45);
    return !later.some((cover) => edges.every((at) => covers(cover, at)));
  };
  return piecesWhere(points, closed, shows, step);
}

/** The places at either side of a line. */
function edgesAt(points: readonly number[], u: number, off: number): Point[] {
  const [x, y] = pointAt(points, u);
  const inner = Math.max(1e-4, Math.min(curveCount(points) - 1e-4, u));
  const [dx, dy] = derivativeAt(points, inner);
  const length = Math.hypot(dx, dy) || 1;
  const [nx, ny] = [(-dy / length) * off, (dx / length) * off];
  return [
    [x + nx, y + ny],
    [x - nx, y - ny],
  ];
}

export function clippedStroke(
  points: readonly number[],
  closed: boolean,
  clips: readonly Clip[],
  step: number,
): Outline {
  const box = boundsOf([points])!;
  const cutting = clips.filter((clip) => !holdsBox(clip, box));
  if (cutting.length === 0) return [points];
  const inside = (u: number) => {
    const at = pointAt(points, u);
    return cutting.every((clip) => isInk([clip], at, tolerance(boundsOf(clip.outline) ?? box)));
  };
  return piecesWhere(points, closed, inside, step);
}

/** The outline itself where no clip path cuts it. */
export function clippedFill(region: InkRegion, clips: readonly Clip[]): Outline {
  const box = boundsOf(region.outline);
  if (!box) return [];
  let outline = region.outline;
  for (const clip of clips) {
    if (holdsBox(clip, box)) continue;
    const now = outline === region.outline ? region : { outline, evenOdd: false };
    outline = clip.outline.length > 0 ? commonOutline(now, clip) : [];
  }
  return outline;
}

/** Whether a clip path is a plain box around another box. */
function holdsBox({ outline }: Clip, { x, y, width, height }: Box): boolean {
  if (outline.length !== 1 || outline[0].length !== 26) return false;
  const ring = [0, 6, 12, 18].flatMap((o) => [outline[0][o], outline[0][o + 1]]);
  const slack = 1e-9 * (width + height);
  const corners: Point[] = [
    [x + slack, y + slack],
    [x + width - slack, y + slack],
    [x + slack, y + height - slack],
    [x + width - slack, y + height - slack],
  ];
  return corners.every((corner) => regionContains([ring], corner));
}

const ROWS = 24;
/** A dark fill of which more than this part lies beneath lighter fills is no ink: ink lies on top. */
const BURIED = 0.02;

export function isBuried(region: InkRegion, later: readonly Cover[]): boolean {
  if (later.length === 0) return false;
  const places = placesIn(region, boundsOf(region.outline)!);
  const hidden = places.filter((at) => later.some((cover) => covers(cover, at)));
  return hidden.length > places.length * BURIED;
}

/** Places spread over a region. */
function placesIn(region: InkRegion, box: Box): Point[] {
  const places: Point[] = [];
  const rings = region.outline.map((chain) => chain.filter((_, i) => i % 6 < 2));
  for (let row = 0; row < ROWS; row++) {
    const y = box.y + (box.height * (row + 0.5)) / ROWS;
    const xs = crossingsAt(rings, y);
    for (let k = 0; k + 1 < xs.length; k++)
      for (const t of [0.08, 0.25, 0.42, 0.58, 0.75, 0.92]) {
        const at: Point = [xs[k] + (xs[k + 1] - xs[k]) * t, y];
        if (isInk([region], at, tolerance(box))) places.push(at);
      }
  }
  return places;
}
