/** Tidying a line that other lines end on: it stays under their ends. */
import { pointAt } from "../geometry/cubic.ts";
import { nearestPlace } from "../geometry/nearest.ts";
import { distance } from "../geometry/point.ts";
import { pointOf } from "./bend.ts";
import { type LineLike, meetsOn } from "./meets.ts";
import { type Tidied, type TidySettings, tidied } from "./tidy.ts";

/** An end keeps to a line as long as it lies within this part of their ink. */
const UNDER_INK = 0.8;
const ROUNDS = 3;

/**
 * Tidied so that every end that met the line still does: where it would come off, the line stays where it was. With
 * `strict` only the middle of the ink counts.
 */
export function tidiedUnderEnds(
  line: LineLike,
  others: readonly LineLike[],
  settings: TidySettings,
  pins: readonly number[],
  strict: boolean,
): Tidied {
  const byId = new Map(others.map((other) => [other.id, other]));
  const meets = meetsOn(line, others).map(({ id, point, u }) => {
    const { points, width } = byId.get(id)!;
    const end = pointOf(points, point);
    const slack = strict ? 0 : (UNDER_INK * (width + line.width)) / 2;
    return { u, end, slack };
  });
  const held = new Set(pins);
  let result = tidied(line.points, line.closed, settings, pins);
  for (let round = 0; round < ROUNDS && result.points !== line.points; round++) {
    const { points } = result;
    const lost = meets.filter(
      ({ u, end, slack }) =>
        !held.has(u) && distance(pointAt(points, nearestPlace(points, end)), end) > slack,
    );
    if (lost.length === 0) return result;
    for (const { u } of lost) held.add(u);
    result = tidied(line.points, line.closed, settings, [...held]);
  }
  return result;
}
