/** Lines cut open, as hands that stop short would leave them. */
import { between, curveCount, pointAt } from "../core/geometry/cubic.ts";
import { distance } from "../core/geometry/point.ts";
import type { Line } from "../core/pockets/segments.ts";

/**
 * A line with a gap of a length along it, the page unit, at a place from 0 to 1; undefined when the line is less than five
 * gaps long.
 */
export function cutLine(line: Line, gap: number, place: number): Line[] | undefined {
  const count = curveCount(line.points);
  const steps = count * 64;
  const lengths = [0];
  for (let k = 1; k <= steps; k++)
    lengths.push(lengths[k - 1] + distance(pointAt(line.points, (k - 1) / 64), pointAt(line.points, k / 64)));
  const total = lengths[steps];
  if (total < 5 * gap) return undefined;
  const paramAt = (length: number) => {
    const k = Math.max(
      1,
      lengths.findIndex((l) => l >= length),
    );
    return (k - (lengths[k] - length) / (lengths[k] - lengths[k - 1] || 1)) / 64;
  };
  const from = gap + place * (total - 3 * gap);
  const [u0, u1] = [paramAt(from), paramAt(from + gap)];
  const head = between(line.points, 0, u0);
  const tail = between(line.points, u1, count);
  const part = (points: number[], id: string): Line => ({ ...line, points, closed: false, id });
  if (line.closed) return [part([...tail, ...head.slice(2)], `${line.id}-cut`)];
  return [part(head, `${line.id}-head`), part(tail, `${line.id}-tail`)];
}
