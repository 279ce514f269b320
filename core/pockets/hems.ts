/**
 * Where colour of a part behind goes on beyond a bridge, that part is hidden a hair less far: its colour runs on under
 * the front one's, so that no ground shows between the two. The hem is the ribbon that is not hidden.
 */
import { enclosedArea, polyline } from "../geometry/cubic.ts";
import { type Coords, mix, type Point } from "../geometry/point.ts";
import { regionContains } from "../geometry/polygon.ts";
import { FLATNESS, type Lattice } from "./segments.ts";

/** Width of a hem, as a part of the line work's diagonal. */
const HEM = 1 / 1200;

/** The ribbon inside a pocket along a flattened stretch of its outline, wound against outlines; undefined for dots. */
export function hemOf(stretch: Coords, rings: readonly number[][], lattice: Lattice): number[] | undefined {
  const points = Array.from(
    { length: stretch.length / 2 },
    (_, k): Point => [stretch[2 * k], stretch[2 * k + 1]],
  );
  const width = (HEM * lattice.tolerance) / FLATNESS;
  const middle = points.length >> 1;
  const inner = [width, -width]
    .map((by) => offset(points, by))
    .find((row) => regionContains(rings, mix(points[middle], row[middle], 0.5)));
  if (!inner) return undefined;
  const ring = (row: readonly Point[], other: readonly Point[]) =>
    polyline([...row, ...[...other].reverse(), row[0]]);
  const forth = ring(points, inner);
  return enclosedArea(forth) < 0 ? forth : ring(inner, points);
}

/** Points moved to one side of the way they lead. */
function offset(points: readonly Point[], by: number): Point[] {
  return points.map(([x, y], i) => {
    const [ax, ay] = points[Math.max(0, i - 1)];
    const [bx, by2] = points[Math.min(points.length - 1, i + 1)];
    const length = Math.hypot(bx - ax, by2 - ay) || 1;
    return [x - ((by2 - ay) / length) * by, y + ((bx - ax) / length) * by];
  });
}
