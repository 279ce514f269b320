/** Line work for tests and benchmarks. */
import { polyline } from "../core/geometry/cubic.ts";
import type { Point } from "../core/geometry/point.ts";
import type { Line } from "../core/pockets/segments.ts";

let serial = 0;

/** A line through points, straight from each to the next. */
export function straight(points: readonly Point[], width = 0, id = `line-${serial++}`): Line {
  const [first] = points;
  const last = points[points.length - 1];
  const closed = points.length > 2 && first[0] === last[0] && first[1] === last[1];
  return { id, points: polyline(points), closed, width, bridge: false };
}

export const box = (x: number, y: number, width: number, height: number, ink = 0): Line =>
  straight(
    [
      [x, y],
      [x + width, y],
      [x + width, y + height],
      [x, y + height],
      [x, y],
    ],
    ink,
  );

/** Part of a circle as cubics of at most a quarter turn; angles in degrees. */
export function arc(cx: number, cy: number, r: number, from: number, to: number, width = 0): Line {
  const pieces = Math.max(1, Math.ceil(Math.abs(to - from) / 90 - 1e-9));
  const step = ((to - from) * Math.PI) / 180 / pieces;
  const k = (4 / 3) * Math.tan(step / 4) * r;
  const points: number[] = [];
  for (let i = 0; i <= pieces; i++) {
    const a = (from * Math.PI) / 180 + i * step;
    const [x, y] = [cx + r * Math.cos(a), cy + r * Math.sin(a)];
    const [dx, dy] = [-Math.sin(a) * k, Math.cos(a) * k];
    if (i > 0) points.push(x - dx, y - dy);
    points.push(x, y);
    if (i < pieces) points.push(x + dx, y + dy);
  }
  const closed = Math.abs(to - from) === 360;
  if (closed) [points[points.length - 2], points[points.length - 1]] = points;
  return { id: `arc-${serial++}`, points, closed, width, bridge: false };
}

export const circle = (cx: number, cy: number, r: number, width = 0): Line => arc(cx, cy, r, 0, 360, width);
