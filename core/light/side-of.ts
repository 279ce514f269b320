/** What lies on one side of a line that goes on straight where it ends. */
import { curveCount, derivativeAt, lineTo } from "../geometry/cubic.ts";
import type { Point } from "../geometry/point.ts";

/**
 * A closed chain of cubics: along the line, on in the directions it has at its ends for `far` page units, and back on the
 * side of the left hand of whoever walks along it where `side` is 1, of the right hand where it is -1 (y points down).
 */
export function sideOf(points: readonly number[], side: 1 | -1, far: number): number[] {
  const count = curveCount(points);
  const start: Point = [points[0], points[1]];
  const end: Point = [points[points.length - 2], points[points.length - 1]];
  const before = goneOn(start, directionAt(points, 0, 1), -far);
  const after = goneOn(end, directionAt(points, count, -1), far);
  const [dx, dy] = [after[0] - before[0], after[1] - before[1]];
  const long = Math.sqrt(dx * dx + dy * dy) || 1;
  const aside: Point = [(side * dy * far) / long, (-side * dx * far) / long];
  const corners: Point[] = [
    after,
    [after[0] + aside[0], after[1] + aside[1]],
    [before[0] + aside[0], before[1] + aside[1]],
    before,
    start,
  ];
  const chain = [...points];
  for (const corner of corners) lineTo(chain, corner);
  return chain;
}

/** The way a line leaves a place; where it rests there, towards what follows. */
function directionAt(points: readonly number[], u: number, into: 1 | -1): Point {
  for (const off of [0, 1e-3, 0.1, 1]) {
    const [dx, dy] = derivativeAt(points, u + into * off);
    const length = Math.sqrt(dx * dx + dy * dy);
    if (length > 1e-9) return [dx / length, dy / length];
  }
  return [1, 0];
}

const goneOn = ([x, y]: Point, [dx, dy]: Point, by: number): Point => [x + dx * by, y + dy * by];
