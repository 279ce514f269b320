/** Openings that nobody sees: between centre lines, but wholly under the ink of the lines on either side. */
import { distance, type Point } from "../geometry/point.ts";
import { closestOnSegment } from "../geometry/segment.ts";
import { cellOf, eachIn } from "./cells.ts";
import type { Opening } from "./free-space.ts";
import { ROUNDING } from "./joins.ts";
import type { PlanarMap } from "./planar-map.ts";
import { inkWidthAt, toLatticeX, toLatticeY } from "./segments.ts";

/**
 * Whether the ink on both sides of an opening closes it. Lines that touch side by side are joined where they come
 * nearest, unless they meet close by as they are: what such an opening leads to is then a crumb under ink.
 */
export const isUnderInk = (map: PlanarMap, { from, to, width }: Opening): boolean =>
  !map.strict && 2 * width <= inkAt(map, from) + inkAt(map, to);

/** The width of the widest ink drawn along a place, in page units. */
function inkAt({ lines, lattice, segs, cells }: PlanarMap, [px, py]: Point): number {
  const at: Point = [toLatticeX(lattice, px), toLatticeY(lattice, py)];
  let widest = 0;
  eachIn(cells, segs, cellOf(cells, at[0], at[1]), (s) => {
    const line = lines[segs.line[s]];
    const a: Point = [segs.ax[s], segs.ay[s]];
    const b: Point = [segs.bx[s], segs.by[s]];
    if (line.hidden || distance(closestOnSegment(a, b, at), at) > ROUNDING) return;
    widest = Math.max(widest, inkWidthAt(line, segs.ua[s]));
  });
  return widest;
}
