/** Strokes by where they lie: a hand asks for those around it with each of its moves. */
import { weakMapMemoize } from "reselect";
import type { Stroke, Table } from "#core/drawing/drawing.ts";
import { entitiesOf } from "#core/drawing/entities.ts";
import { knownBox } from "#core/geometry/known-box.ts";
import { grow, type Point } from "#core/geometry/point.ts";

/** Strokes whose ink may come within a distance of a place, in page units. */
export function strokesAround(table: Table<Stroke>, [x, y]: Point, within: number): Stroke[] {
  const boxes = boxesOf(table);
  return entitiesOf(table).filter(
    (_, k) =>
      boxes[4 * k] <= x + within &&
      boxes[4 * k + 1] <= y + within &&
      boxes[4 * k + 2] >= x - within &&
      boxes[4 * k + 3] >= y - within,
  );
}

/** Left, top, right and bottom of the ink of each, worked out once a table; NaN where there is none. */
const boxesOf = weakMapMemoize((table: Table<Stroke>): Float64Array => {
  const strokes = entitiesOf(table);
  const boxes = new Float64Array(4 * strokes.length).fill(Number.NaN);
  strokes.forEach(({ points, width }, k) => {
    const known = knownBox(points);
    if (!known) return;
    const box = grow(known, width / 2);
    boxes.set([box.x, box.y, box.x + box.width, box.y + box.height], 4 * k);
  });
  return boxes;
});
