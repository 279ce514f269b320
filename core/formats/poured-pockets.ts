/** Which pockets a coloured fill coincides with: those are better poured than kept as a shape. */
import type { Stroke, Table } from "../drawing/drawing.ts";
import { flatten } from "../geometry/cubic.ts";
import { boundsOf, boxesApart, diagonal, type Point } from "../geometry/point.ts";
import { crossingsAt, windingNumber } from "../geometry/polygon.ts";
import type { Pocket } from "../pockets/pockets.ts";

interface Fill {
  readonly outline: readonly (readonly number[])[];
  readonly evenOdd: boolean;
}

/** Pockets and fill may differ by this part of the fill's area … */
const LIKE = 0.015;
/** … and by this part of the ink that hides the edge between them. */
const UNDER_INK = 0.8;
const ROWS = 96;

/** Empty when no set of pockets is like the fill. */
export function pocketsFilledBy(fill: Fill, pockets: readonly Pocket[], strokes: Table<Stroke>): Pocket[] {
  const box = boundsOf(fill.outline);
  if (!box) return [];
  const rings = fill.outline.map((chain) => flatten(chain, diagonal(box) * 2e-4));
  const holds = (at: Point) => inFill(rings, fill.evenOdd, at);
  const inside = pockets.filter(
    (pocket) => !boxesApart(pocket.box, box) && holds(pocket.seed) && mostlyInside(pocket, holds),
  );
  if (inside.length === 0) return [];
  const filled = areaOf(rings, fill.evenOdd);
  const pocketed = inside.reduce((sum, { area }) => sum + area, 0);
  const slack = filled * LIKE + UNDER_INK * inkAlong(rings, inside, strokes);
  return Math.abs(filled - pocketed) <= slack ? inside : [];
}

function inFill(rings: readonly number[][], evenOdd: boolean, at: Point): boolean {
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

/** Area by either fill rule, from evenly spread rows. */
function areaOf(rings: readonly number[][], evenOdd: boolean): number {
  const { y, height } = boundsOf(rings)!;
  let length = 0;
  for (let row = 0; row < ROWS; row++) {
    const at = y + (height * (row + 0.5)) / ROWS;
    const xs = crossingsAt(rings, at);
    for (let k = 0; k + 1 < xs.length; k++)
      if (inFill(rings, evenOdd, [(xs[k] + xs[k + 1]) / 2, at])) length += xs[k + 1] - xs[k];
  }
  return (length * height) / ROWS;
}

/** Area of half the ink along the fill's edge: what lies there may be of either side. */
function inkAlong(rings: readonly number[][], pockets: readonly Pocket[], strokes: Table<Stroke>): number {
  const widths = pockets.flatMap(({ lines }) => lines.map((id) => strokes[id]?.width ?? 0));
  const mean = widths.reduce((sum, width) => sum + width, 0) / Math.max(1, widths.length);
  const length = rings.reduce((sum, ring) => {
    let own = 0;
    for (let i = 0; i + 3 < ring.length; i += 2)
      own += Math.hypot(ring[i + 2] - ring[i], ring[i + 3] - ring[i + 1]);
    return sum + own;
  }, 0);
  return (length * mean) / 2;
}
