/** Pockets of a drawing that comes in, and which of them a coloured fill coincides with: those are better poured than kept as a shape. */
import type { Drawing, Paint, Pour, Stroke, Table } from "../drawing/drawing.ts";
import { flatten } from "../geometry/cubic.ts";
import { type Box, boundsOf, boxesApart, boxHolds, diagonal, type Point } from "../geometry/point.ts";
import { crossingsAt, windingNumber } from "../geometry/polygon.ts";
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
  readonly evenOdd: boolean;
  readonly box: Box;
}

/** Pockets and fill may differ by this part of the fill's area … */
const LIKE = 0.015;
/** … and by this part of the ink that hides the edge between them. */
const UNDER_INK = 0.8;
const ROWS = 96;

export function flattened({ outline, evenOdd }: Fill): FlatFill | undefined {
  const box = boundsOf(outline);
  return box && { rings: outline.map((chain) => flatten(chain, diagonal(box) * 2e-4)), evenOdd, box };
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
  const shows = (at: Point) => inFill(fill, at) && !above.some((cover) => inFill(cover, at));
  const inside = pockets.filter(
    (pocket) => !boxesApart(pocket.box, fill.box) && shows(pocket.seed) && mostlyInside(pocket, shows),
  );
  if (inside.length === 0) return [];
  const filled = areaWhere(shows, [fill, ...above], fill.box);
  const pocketed = inside.reduce((sum, { area }) => sum + area, 0);
  const slack = filled * LIKE + UNDER_INK * inkAlong([fill, ...above], fill.box, inside, strokes);
  return Math.abs(filled - pocketed) <= slack ? inside : [];
}

function inFill({ rings, evenOdd, box }: FlatFill, at: Point): boolean {
  if (!boxHolds(box, at)) return false;
  const winding = rings.reduce((sum, ring) => sum + windingNumber(ring, at), 0);
  return evenOdd ? winding % 2 !== 0 : winding !== 0;
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

/** Area of what shows in a box, from evenly spread rows; it changes only where a row crosses one of the fills. */
function areaWhere(shows: (at: Point) => boolean, fills: readonly FlatFill[], { y, height }: Box): number {
  const rings = fills.flatMap((fill) => fill.rings);
  let length = 0;
  for (let row = 0; row < ROWS; row++) {
    const at = y + (height * (row + 0.5)) / ROWS;
    const xs = crossingsAt(rings, at);
    for (let k = 0; k + 1 < xs.length; k++)
      if (shows([(xs[k] + xs[k + 1]) / 2, at])) length += xs[k + 1] - xs[k];
  }
  return (length * height) / ROWS;
}

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
  new DrawingReader().read(drawing).pockets.filter(({ hidden }) => !hidden);

export const pouredIn = (pocket: Pocket, id: string, rank: number, paint: Paint): Pour => ({
  id,
  rank,
  paint,
  anchor: anchorOf(pocket),
});
