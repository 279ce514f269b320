/**
 * Seams in art from elsewhere: thin strokes in the colour of the fill that is painted right over them, along its edges, so that no
 * ground shows between neighbours. Such a stroke is no line: it would part pockets and stop pours.
 */
import { curveCount, flatten, pointAt } from "../geometry/cubic.ts";
import { meanScale } from "../geometry/matrix.ts";
import type { Point } from "../geometry/point.ts";
import { distanceToRings } from "../geometry/polygon.ts";
import { closedPoints, type Mark } from "./svg-mark.ts";
import { strokeWidthOf } from "./svg-marks.ts";

/** Of the page's diagonal: wider ones are seen. */
const THIN = 1 / 600;
/** Places looked at on each chain. */
const PLACES = [0, 0.25, 0.5, 0.75, 1];
/** Places times edges of the fill: what asks for more stays a line. */
const MOST_COMPARED = 1e6;

/** Whether a mark is a seam of the one that is painted next, on a page with this diagonal. */
export function isSeam(mark: Mark, next: Mark | undefined, diagonal: number): boolean {
  const { stroke, fill, chains } = mark;
  if (fill || !stroke || !next?.fill || next.stroke) return false;
  if (stroke.value !== next.fill.value || stroke.alpha !== next.fill.alpha) return false;
  const width = strokeWidthOf(mark) * meanScale(mark.matrix);
  if (width > THIN * diagonal) return false;
  const rings = next.chains.map((chain) => flatten(closedPoints(chain), width / 8));
  const places = chains.flatMap(({ points }) =>
    PLACES.map((share): Point => pointAt(points, share * curveCount(points))),
  );
  const edges = rings.reduce((sum, { length }) => sum + length / 2, 0);
  if (places.length * edges > MOST_COMPARED) return false;
  return places.every((at) => distanceToRings(at, rings) <= width / 2);
}
