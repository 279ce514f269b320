/** Strokes by where they lie: a hand asks for those around it with each of its moves. */
import Flatbush from "flatbush";
import { weakMapMemoize } from "reselect";
import type { Stroke, Table } from "#core/drawing/drawing.ts";
import { entitiesOf } from "#core/drawing/entities.ts";
import { knownBox } from "#core/geometry/known-box.ts";
import { grow, type Point } from "#core/geometry/point.ts";

/** Strokes whose ink may come within a distance of a place, in page units, in the table's order. */
export function strokesAround(table: Table<Stroke>, [x, y]: Point, within: number): Stroke[] {
  const { strokes, tree } = laidOut(table);
  const found = tree?.search(x - within, y - within, x + within, y + within) ?? [];
  return found.sort((a, b) => a - b).map((k) => strokes[k]);
}

/** Worked out once a table. */
const laidOut = weakMapMemoize((table: Table<Stroke>) => {
  const strokes = entitiesOf(table).filter(({ points }) => points.length > 0);
  if (strokes.length === 0) return { strokes };
  const tree = new Flatbush(strokes.length);
  for (const { points, width } of strokes) {
    const { x, y, width: across, height } = grow(knownBox(points)!, width / 2);
    tree.add(x, y, x + across, y + height);
  }
  tree.finish();
  return { strokes, tree };
});
