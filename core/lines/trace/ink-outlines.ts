/** Ink as filled shapes: smooth outlines with corners kept, each shape with its holes. */
import { type Box, boundsOf, boxHolds, distance, type Point } from "../../geometry/point.ts";
import { regionContains, ringArea } from "../../geometry/polygon.ts";
import { cornersAmong } from "../corners.ts";
import { fitWithCorners } from "../fit.ts";

/** Outlines keep this close to the ink's edge, in pixels. */
const TOLERANCE = 0.4;
const CORNER = (50 * Math.PI) / 180;
const CORNER_REACH = 4;
/** One edge point per this many pixels is enough. */
const SPACING = 1.1;

/** The shapes that contours (contours.ts) bound: closed chains of cubics in pixels, the outer one first. */
export function inkOutlinesOf(rings: readonly number[][]): number[][][] {
  const outers = rings
    .filter((ring) => ringArea(ring) > 0)
    .map((ring) => ({ ring, box: boundsOf([ring])!, area: ringArea(ring), holes: [] as number[][] }))
    .sort((a, b) => a.area - b.area);
  for (const hole of rings) {
    if (ringArea(hole) >= 0) continue;
    outers
      .find((outer) => outer.area > -ringArea(hole) && holds(outer, [hole[0], hole[1]]))
      ?.holes.push(hole);
  }
  return outers
    .reverse()
    .map(({ ring, holes }) => [ring, ...holes].map(smooth).filter((chain) => chain.length > 8));
}

const holds = ({ ring, box }: { ring: number[]; box: Box }, at: Point): boolean =>
  boxHolds(box, at) && regionContains([ring], at);

function smooth(ring: readonly number[]): number[] {
  const points: Point[] = [];
  for (let k = 0; k < ring.length; k += 2) {
    const at: Point = [ring[k], ring[k + 1]];
    if (points.length === 0 || distance(points[points.length - 1], at) >= SPACING) points.push(at);
  }
  if (points.length < 4) return [];
  const corners = cornersAmong(points, true, CORNER, CORNER_REACH);
  return fitWithCorners(points, corners, true, TOLERANCE);
}
