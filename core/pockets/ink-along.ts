/** How far ink shapes go from a place, and what lies on the way: by the segments of the map near it. */
import type { Point } from "../geometry/point.ts";
import { columnOf, eachIn, rowOf } from "./cells.ts";
import type { InkedMap } from "./inked-map.ts";
import type { PlanarMap } from "./planar-map.ts";
import { toLatticeX, toLatticeY } from "./segments.ts";

/** An outline closer than this many tolerances is the one the path begins on, displaced by its chords. */
export const OWN = 3;

/** How far ink goes from a point of its outline in a direction, up to `most`, in page units. */
export function inkAlong({ map, ink }: InkedMap, at: Point, [dx, dy]: Point, most: number): number {
  const { lattice } = map;
  const length = most / lattice.step;
  const x = toLatticeX(lattice, at[0]);
  const y = toLatticeY(lattice, at[1]);
  const isOutline = (line: number) => map.lines[line].region !== undefined;
  const hits = linesAlong(map, isOutline, x, y, dx * length, dy * length);
  const own = (OWN * lattice.tolerance) / most;
  const ahead = hits.filter((along) => along > own);
  for (let k = 0; k < ahead.length; k++) {
    // Shapes that touch, but for rounding, are one.
    if (ahead[k + 1] - ahead[k] < own) continue;
    const beyond = (ahead[k] + (ahead[k + 1] ?? 1)) / 2;
    if (!ink.holds([at[0] + dx * most * beyond, at[1] + dy * most * beyond])) return ahead[k] * most;
  }
  return most;
}

/** Where a way in lattice steps crosses some of the lines, as rising parts of it. */
export function linesAlong(
  { cells, segs }: PlanarMap,
  counts: (line: number) => boolean,
  x: number,
  y: number,
  dx: number,
  dy: number,
): number[] {
  const hits = new Set<number>();
  const look = (s: number) => {
    if (!counts(segs.line[s])) return;
    const ex = segs.bx[s] - segs.ax[s];
    const ey = segs.by[s] - segs.ay[s];
    const turn = dx * ey - dy * ex;
    if (turn === 0) return;
    const px = segs.ax[s] - x;
    const py = segs.ay[s] - y;
    const along = (px * ey - py * ex) / turn;
    const across = (px * dy - py * dx) / turn;
    if (along > 0 && along < 1 && across >= 0 && across <= 1) hits.add(along);
  };
  const lastRow = rowOf(cells, Math.max(y, y + dy));
  const lastColumn = columnOf(cells, Math.max(x, x + dx));
  for (let row = rowOf(cells, Math.min(y, y + dy)); row <= lastRow; row++)
    for (let column = columnOf(cells, Math.min(x, x + dx)); column <= lastColumn; column++)
      eachIn(cells, segs, row * cells.columns + column, look);
  return [...hits].sort((a, b) => a - b);
}
