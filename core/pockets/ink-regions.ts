/**
 * Filled ink: regions bounded by outlines, by either fill rule of SVG. Their outlines are lines of the planar map;
 * faces inside any of them are ink and no pockets.
 */
import { flatten } from "../geometry/cubic.ts";
import { type Box, boundsOf, boxHolds, type Point } from "../geometry/point.ts";
import { windingNumber } from "../geometry/polygon.ts";

/** One filled shape: closed chains of cubics in page units. */
export interface InkRegion {
  readonly outline: readonly (readonly number[])[];
  readonly evenOdd: boolean;
}

interface Flat {
  readonly rings: readonly number[][];
  readonly box: Box;
  readonly evenOdd: boolean;
}

const known = new WeakMap<InkRegion, Flat>();

function flatOf(region: InkRegion, tolerance: number): Flat {
  const before = known.get(region);
  if (before) return before;
  const rings = region.outline.map((chain) => flatten(chain, tolerance).slice(0, -2));
  const flat = { rings, box: boundsOf(rings) ?? NOWHERE, evenOdd: region.evenOdd };
  known.set(region, flat);
  return flat;
}

const NOWHERE: Box = { x: 0, y: 0, width: -1, height: -1 };

/** Whether a point in page units lies in any of the regions. */
export function isInk(regions: Iterable<InkRegion>, at: Point, tolerance: number): boolean {
  for (const region of regions) {
    const { rings, box, evenOdd } = flatOf(region, tolerance);
    if (!boxHolds(box, at)) continue;
    const winding = rings.reduce((sum, ring) => sum + windingNumber(ring, at), 0);
    if (evenOdd ? winding % 2 !== 0 : winding !== 0) return true;
  }
  return false;
}
