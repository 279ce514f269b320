/** Pockets of a drawing that comes in, and which of them a coloured fill coincides with: those are better poured than kept as a shape. */
import type { Drawing, Paint, Pour, Stroke, Table } from "../drawing/drawing.ts";
import { BandedRegion } from "../geometry/banded-region.ts";
import { flatten } from "../geometry/cubic.ts";
import { type Box, boundsOf, boxesApart, boxHolds, diagonal, type Point } from "../geometry/point.ts";
import { crossingsAt } from "../geometry/polygon.ts";
import { anchorOf } from "../pockets/anchors.ts";
import { DrawingReader } from "../pockets/drawing-reader.ts";
import type { Pocket } from "../pockets/pockets.ts";

export interface Fill {
  readonly outline: readonly (readonly number[])[];
  readonly evenOdd: boolean;
}

/** A fill flattened, for many questions. */
export interface FlatFill {
  readonly rings: readonly number[][];
  readonly region: BandedRegion;
  readonly box: Box;
}

/** Pockets and fill may differ by this part of the fill's area … */
const LIKE = 0.015;
/** … and by this part of the ink that hides the edge between them. */
const UNDER_INK = 0.8;
const ROWS = 96;

export function flattened({ outline, evenOdd }: Fill): FlatFill | undefined {
  const box = boundsOf(outline);
  if (!box) return undefined;
  const rings = outline.map((chain) => flatten(chain, diagonal(box) * 2e-4));
  return { rings, region: new BandedRegion(rings, evenOdd), box };
}

/**
 * The pockets that are, together, what shows of a fill beneath the opaque fills painted after it; empty when no set of
 * pockets is.
 */
export function pocketsFilledBy(
  fill: FlatFill,
  later: readonly FlatFill[],
  pockets: readonly Pocket[],
  strokes: Table<Stroke>,
): Pocket[] {
  const above = later.filter(({ box }) => !boxesApart(box, fill.box));
  const shows = (at: Point) => fill.region.holds(at) && !above.some(({ region }) => region.holds(at));
  const inside = pockets.filter(
    (pocket) => !boxesApart(pocket.box, fill.box) && shows(pocket.seed) && mostlyInside(pocket, shows),
  );
  if (inside.length === 0) return [];
  const filled = areaShown(fill, above);
  const pocketed = inside.reduce((sum, { area }) => sum + area, 0);
  const slack = filled * LIKE + UNDER_INK * inkAlong([fill, ...above], fill.box, inside, strokes);
  return Math.abs(filled - pocketed) <= slack ? inside : [];
}

const PARTS = [0.2, 0.5, 0.8];
const MOSTLY = 0.8;

/** Whether nearly all of a few places all over a pocket lie in the fill. */
function mostlyInside({ rings, box }: Pocket, holds: (at: Point) => boolean): boolean {
  let all = 0;
  let held = 0;
  for (const part of PARTS) {
    const y = box.y + box.height * part;
    const xs = crossingsAt(rings, y);
    for (let k = 0; k + 1 < xs.length; k += 2) {
      all++;
      if (holds([(xs[k] + xs[k + 1]) / 2, y])) held++;
    }
  }
  return held >= all * MOSTLY;
}

/** Area of what shows of a fill beneath others, from evenly spread rows. */
function areaShown({ region, box }: FlatFill, above: readonly FlatFill[]): number {
  let length = 0;
  for (let row = 0; row < ROWS; row++)
    length += lengthShown(region, above, box.y + (box.height * (row + 0.5)) / ROWS);
  return (length * box.height) / ROWS;
}

/** How much of a row shows a region that others may cover: a sweep over where any of them is entered or left. */
function lengthShown(shown: BandedRegion, above: readonly FlatFill[], y: number): number {
  crossings.clear();
  shown.eachCrossing(y, (x, turn) => crossings.add(x, turn, 0));
  if (crossings.count === 0) return 0;
  const regions = [shown];
  for (const { region, box } of above) {
    if (y < box.y || y > box.y + box.height) continue;
    region.eachCrossing(y, (x, turn) => crossings.add(x, turn, regions.length));
    regions.push(region);
  }
  const { xs, turns, owners } = crossings;
  const windings = new Int32Array(regions.length);
  let covers = 0;
  let length = 0;
  for (let k = 0; k < crossings.count; k++) {
    if (k > 0 && covers === 0 && shown.counts(windings[0])) length += xs[k] - xs[k - 1];
    const owner = owners[k];
    const before = regions[owner].counts(windings[owner]);
    windings[owner] += turns[k];
    if (owner > 0) covers += Number(regions[owner].counts(windings[owner])) - Number(before);
  }
  return length;
}

/** Crossings of a row from left to right: where, by which turn, and of which region. */
class RowCrossings {
  count = 0;
  readonly xs: number[] = [];
  readonly turns: number[] = [];
  readonly owners: number[] = [];

  clear(): void {
    this.count = 0;
  }

  /** Puts one in its place: there are few, most of them in order. */
  add(x: number, turn: number, owner: number): void {
    const { xs, turns, owners } = this;
    let k = this.count++;
    for (; k > 0 && xs[k - 1] > x; k--) {
      xs[k] = xs[k - 1];
      turns[k] = turns[k - 1];
      owners[k] = owners[k - 1];
    }
    xs[k] = x;
    turns[k] = turn;
    owners[k] = owner;
  }
}

/** Used again for every row. */
const crossings = new RowCrossings();

/** Area of half the ink along the edges in a box: what lies there may belong to either side. */
function inkAlong(
  fills: readonly FlatFill[],
  box: Box,
  pockets: readonly Pocket[],
  strokes: Table<Stroke>,
): number {
  const widths = pockets.flatMap(({ lines }) => lines.map((id) => strokes[id]?.width ?? 0));
  const mean = widths.reduce((sum, width) => sum + width, 0) / Math.max(1, widths.length);
  let length = 0;
  for (const ring of fills.flatMap(({ rings }) => rings))
    for (let i = 0; i + 3 < ring.length; i += 2)
      if (boxHolds(box, [ring[i], ring[i + 1]]))
        length += Math.hypot(ring[i + 2] - ring[i], ring[i + 3] - ring[i + 1]);
  return (length * mean) / 2;
}

/** There are none where the lines are too dense: colour then stays in the shapes it came in. */
export const readPockets = (drawing: Drawing): Pocket[] =>
  new DrawingReader({ bare: true }).read(drawing).pockets.filter(({ hidden }) => !hidden);

export const pouredIn = (pocket: Pocket, id: string, rank: number, paint: Paint): Pour => ({
  id,
  rank,
  paint,
  anchor: anchorOf(pocket),
});
