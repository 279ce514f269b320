/** What of the dabs lies at a place: the region that they claim there, and the touch itself. */
import type { DabRegion } from "#core/dabs/dab-reading.ts";
import type { Dab } from "#core/drawing/drawing.ts";
import { nearestOnLines } from "#core/geometry/nearest.ts";
import type { Point } from "#core/geometry/point.ts";
import { regionContains } from "#core/geometry/polygon.ts";
import type { Desk } from "../../store/desk-state.ts";
import { claimed, dabsInPart } from "./dab-state.ts";

export function holds({ triangles }: DabRegion, at: Point): boolean {
  for (let k = 0; k < triangles.length; k += 6)
    if (regionContains([triangles.subarray(k, k + 6)], at)) return true;
  return false;
}

export const regionAt = (desk: Desk, at: Point): DabRegion | undefined =>
  claimed(desk).regions.find((region) => holds(region, at));

/** The dab whose touch a hand means at a place, `grab` page units beside it at the most. */
export const dabAt = (desk: Desk, at: Point, grab: number): Dab | undefined =>
  nearestOnLines(dabsInPart(desk), at, grab)?.line;
