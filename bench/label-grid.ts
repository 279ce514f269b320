/** Pictures of labels, so that what different ways of colouring give can be compared cell by cell. */

import type { Box, Point } from "../core/geometry/point.ts";
import { crossingsAt } from "../core/geometry/polygon.ts";

/** Square cells over a page, row by row. */
export interface Grid {
  readonly columns: number;
  readonly rows: number;
  readonly box: Box;
  /** Page units. */
  readonly cell: number;
}

export function gridOver(box: Box, longerSide: number): Grid {
  const cell = Math.max(box.width, box.height) / longerSide;
  return { columns: Math.round(box.width / cell), rows: Math.round(box.height / cell), box, cell };
}

export interface LabelledRegion {
  readonly rings: readonly (readonly number[])[];
  readonly label: number;
}

/** The label at the middle of every cell; 0 where no region lies. */
export function painted({ columns, rows, box, cell }: Grid, regions: readonly LabelledRegion[]): Uint8Array {
  const labels = new Uint8Array(columns * rows);
  for (const { rings, label } of regions)
    for (let row = 0; row < rows; row++) {
      const xs = crossingsAt(rings, box.y + (row + 0.5) * cell);
      for (let k = 0; k + 1 < xs.length; k += 2) {
        const from = Math.max(0, Math.ceil((xs[k] - box.x) / cell - 0.5));
        const to = Math.min(columns, Math.ceil((xs[k + 1] - box.x) / cell - 0.5));
        labels.fill(label, row * columns + from, row * columns + Math.max(from, to));
      }
    }
  return labels;
}

/** 1 for cells that a flattened line runs through. */
export function walled(grid: Grid, lines: readonly (readonly number[])[]): Uint8Array {
  const walls = new Uint8Array(grid.columns * grid.rows);
  for (const flat of lines)
    for (let k = 2; k < flat.length; k += 2) {
      const steps = Math.ceil((4 * Math.hypot(flat[k] - flat[k - 2], flat[k + 1] - flat[k - 1])) / grid.cell);
      for (let s = 0; s <= steps; s++) {
        const t = steps > 0 ? s / steps : 0;
        const at: Point = [
          flat[k - 2] + t * (flat[k] - flat[k - 2]),
          flat[k - 1] + t * (flat[k + 1] - flat[k - 1]),
        ];
        const cell = cellAt(grid, at);
        if (cell >= 0) walls[cell] = 1;
      }
    }
  return walls;
}

/** The number of the cell that holds a point; -1 beyond the page. */
export function cellAt({ columns, rows, box, cell }: Grid, [x, y]: Point): number {
  const [column, row] = [Math.floor((x - box.x) / cell), Math.floor((y - box.y) / cell)];
  return column >= 0 && row >= 0 && column < columns && row < rows ? row * columns + column : -1;
}
