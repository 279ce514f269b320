/** Moving lines about: whole, or one end of them. Chains of cubics in page units (geometry/cubic.ts). */
import { curveCount } from "../geometry/cubic.ts";
import type { Coords, Point } from "../geometry/point.ts";

export const shifted = (points: Coords, [dx, dy]: Point): number[] =>
  Array.from(points, (n, i) => n + (i % 2 === 0 ? dx : dy));

/** A chain with its start or end somewhere else; the handle there goes along, so that the line keeps its bearing. */
export function pulledEnd(points: Coords, start: boolean, to: Point): number[] {
  const pulled = Array.from(points);
  const end = start ? 0 : pulled.length - 2;
  const handle = start ? 2 : pulled.length - 4;
  const dx = to[0] - pulled[end];
  const dy = to[1] - pulled[end + 1];
  pulled[end] = to[0];
  pulled[end + 1] = to[1];
  pulled[handle] += dx;
  pulled[handle + 1] += dy;
  return pulled;
}

/** A chain whose ends lie elsewhere: what lies between goes along by its share of the way, so that it stays smooth. */
export function withEndsMoved(points: Coords, start: Point, end: Point): number[] {
  const n = points.length;
  const [sx, sy] = [start[0] - points[0], start[1] - points[1]];
  const [ex, ey] = [end[0] - points[n - 2], end[1] - points[n - 1]];
  const most = 3 * curveCount(points);
  return Array.from(points, (value, k) => {
    const share = Math.floor(k / 2) / most;
    return k % 2 === 0 ? value + sx + (ex - sx) * share : value + sy + (ey - sy) * share;
  });
}
