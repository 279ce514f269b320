/**
 * Pockets of lines beside a raster flood that only tells them apart: lines laid on a grid of square cells, and every cell between
 * them given the number of its pocket, row by row.
 */
import { newDrawing } from "../core/drawing/new-drawing.ts";
import { polyline } from "../core/geometry/cubic.ts";
import { LineReader } from "../core/pockets/line-reader.ts";
import { judge } from "./judge.ts";
import { gridOver, walled } from "./label-grid.ts";
import { spotLike, WIDE_PAGE } from "./line-work.ts";
import { middle, timed } from "./timing.ts";

const COUNT = 3000;
const ROUNDS = 7;
/** Cells along a side: a page of 12 in at 300 ppi. */
const CELLS = 3600;

export function floodBench(): void {
  const side = WIDE_PAGE * Math.sqrt(COUNT / 10_000);
  const lines = spotLike(COUNT, { side });
  const box = { x: 0, y: 0, width: side, height: side };
  const strokes = lines.map((points, k) => ({
    id: `s${k}`,
    rank: k,
    points: polyline(points),
    closed: false,
    width: 1,
  }));
  const drawing = { ...newDrawing("", { box, width: 12, unit: "in", ppi: 300 }, strokes), strict: true };
  const grid = gridOver(box, CELLS);
  const flat = lines.map((points) => points.flat());
  const times = Array.from({ length: ROUNDS + 1 }, () => ({
    ours: timed(() => new LineReader().read(drawing)),
    flood: timed(() => flooded(walled(grid, flat), grid.columns)),
  })).slice(1);
  const [ours, flood] = [middle(times.map((one) => one.ours)), middle(times.map((one) => one.flood))];
  judge({
    area: "engine",
    what: `pockets of ${COUNT} spot-like strokes`,
    measured: ours,
    unit: "ms",
    aim: Math.round(flood),
    limit: { what: "a raster flood at 300 ppi", measured: flood },
  });
}

/** Numbers the runs of free cells that touch one another from row to row. */
function flooded(walls: Uint8Array, columns: number): Int32Array {
  const labels = new Int32Array(walls.length);
  const stack = new Int32Array(walls.length);
  let count = 0;
  for (let begun = 0; begun < walls.length; begun++) {
    if (walls[begun] || labels[begun]) continue;
    labels[begun] = ++count;
    let top = 0;
    stack[top++] = begun;
    while (top > 0) {
      const at = stack[--top];
      const column = at % columns;
      if (column > 0) top = take(at - 1, top);
      if (column < columns - 1) top = take(at + 1, top);
      if (at >= columns) top = take(at - columns, top);
      if (at + columns < walls.length) top = take(at + columns, top);
    }
  }
  return labels;

  function take(cell: number, top: number): number {
    if (walls[cell] || labels[cell]) return top;
    labels[cell] = count;
    stack[top] = cell;
    return top + 1;
  }
}
