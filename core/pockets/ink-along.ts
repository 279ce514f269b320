/** How far ink shapes go from a place, and what lies on the way: by the segments of the map near it. */
import type { Point } from "../geometry/point.ts";
import { columnOf, eachIn, rowOf } from "./cells.ts";
import type { InkRegion } from "./ink-regions.ts";
import type { PlanarMap } from "./planar-map.ts";
import { toLatticeX, toLatticeY } from "./segments.ts";

/** An outline closer than this many tolerances is the one the path begins on, displaced by its chords. */
export const OWN = 3;

/** How far ink goes from a point of its outline in a direction, up to `most`, in page units. */
export function inkAlong(map: PlanarMap, at: Point, [dx, dy]: Point, most: number): number {
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
    if (!isInkAt(map, x + dx * length * beyond, y + dy * length * beyond)) return ahead[k] * most;
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

/** Whether a lattice place lies in an ink shape: by the turns of their outlines along its row, to its left. */
export function isInkAt({ cells, segs, lines }: PlanarMap, x: number, y: number): boolean {
  const winding = new Map<InkRegion, number>();
  const row = rowOf(cells, y);
  const first = columnOf(cells, x);
  for (let column = first; column >= 0; column--)
    eachIn(cells, segs, row * cells.columns + column, (s) => {
      const { region } = lines[segs.line[s]];
      const upward = segs.by[s] <= y;
      if (!region || segs.ay[s] <= y === upward) return;
      const crossing =
        segs.ax[s] + ((y - segs.ay[s]) / (segs.by[s] - segs.ay[s])) * (segs.bx[s] - segs.ax[s]);
      // A segment is in several cells; it counts in the one where it crosses the row.
      if (crossing >= x || columnOf(cells, crossing) !== column) return;
      winding.set(region, (winding.get(region) ?? 0) + (upward ? 1 : -1));
    });
  for (const [{ evenOdd }, turns] of winding) if (evenOdd ? turns % 2 !== 0 : turns !== 0) return true;
  return false;
}
