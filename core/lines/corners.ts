/** Where a run of points turns sharply. */
import { distance, type Point } from "../geometry/point.ts";

/**
 * Indices of corners among points along a line: those where the directions over `reach` page units before and after
 * differ by more than `angle` radians, and by more than at any other point as near. Ends are no corners; on a closed
 * line, whose last point is followed by its first, every point may be one.
 */
export function cornersAmong(
  points: readonly Point[],
  closed: boolean,
  angle: number,
  reach: number,
): number[] {
  const n = points.length;
  const turns = points.map((_, i) => turnAt(points, i, closed, reach));
  const corners: number[] = [];
  for (let i = closed ? 0 : 1; i < (closed ? n : n - 1); i++) {
    if (turns[i] <= angle) continue;
    let sharpest = true;
    for (const way of [-1, 1] as const)
      for (let k = 1, far = 0; k < n && sharpest; k++) {
        const j = wrapped(i + way * k, n, closed);
        if (j < 0) break;
        far += distance(points[j], points[wrapped(i + way * (k - 1), n, closed)]);
        if (far > reach) break;
        sharpest = turns[j] < turns[i] || (turns[j] === turns[i] && way > 0);
      }
    if (sharpest) corners.push(i);
  }
  return corners;
}

const wrapped = (i: number, n: number, closed: boolean): number =>
  closed ? ((i % n) + n) % n : i >= 0 && i < n ? i : -1;

/** By how much the line turns about a point, in radians. */
function turnAt(points: readonly Point[], i: number, closed: boolean, reach: number): number {
  const before = placeAt(points, i, -1, closed, reach);
  const after = placeAt(points, i, 1, closed, reach);
  if (!before || !after) return 0;
  const [x, y] = points[i];
  const ax = x - before[0];
  const ay = y - before[1];
  const bx = after[0] - x;
  const by = after[1] - y;
  return Math.abs(Math.atan2(ax * by - ay * bx, ax * bx + ay * by));
}

/** The place a distance along the line from point i; its end where that comes first, if half as far at least. */
function placeAt(
  points: readonly Point[],
  i: number,
  way: 1 | -1,
  closed: boolean,
  reach: number,
): Point | undefined {
  let far = 0;
  let last = points[i];
  for (let k = 1; k < points.length; k++) {
    const j = wrapped(i + way * k, points.length, closed);
    if (j < 0) break;
    const step = distance(last, points[j]);
    if (far + step >= reach) {
      const t = step > 0 ? (reach - far) / step : 0;
      return [last[0] + (points[j][0] - last[0]) * t, last[1] + (points[j][1] - last[1]) * t];
    }
    far += step;
    last = points[j];
  }
  return far >= reach / 2 ? last : undefined;
}
