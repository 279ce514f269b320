/** Line work as a quick hand leaves it: strokes that stop short and break off. */
import { between, curveCount, pointAt } from "../core/geometry/cubic.ts";
import { distance } from "../core/geometry/point.ts";

/** Shares of the page's width, and of a stroke's length. */
const MOST_PULLED = 0.03;
const GAPS = [0.02, 0.08] as const;
const GONE = 1 / 6;
/** How many places are looked at for each curve to measure along it. */
const STEPS = 32;
const TRIES = 60;

interface Cuttable {
  readonly id: string;
  readonly points: readonly number[];
  readonly closed: boolean;
}

/** A stretch of a line's length, from 0. */
type Stretch = readonly [number, number];

/**
 * The lines with every open end pulled back by up to 3 % of the page's width, and with gaps of 2 to 8 %, until a sixth of each
 * is gone.
 */
export function loosened<L extends Cuttable>(
  lines: readonly L[],
  pageWidth: number,
  random: () => number,
): L[] {
  return lines.flatMap((line) => {
    const measure = measured(line);
    const gone = stretchesGone(line, measure.total, pageWidth, random);
    return remaining(gone, measure.total, line.closed).map(([from, to], i) => ({
      ...line,
      id: `${line.id}-${i}`,
      closed: line.closed && gone.length === 0,
      points: pieceOf(line, measure.paramAt, from, to, measure.total),
    }));
  });
}

function measured({ points }: Cuttable) {
  const lengths = [0];
  const steps = curveCount(points) * STEPS;
  for (let k = 1; k <= steps; k++)
    lengths.push(lengths[k - 1] + distance(pointAt(points, (k - 1) / STEPS), pointAt(points, k / STEPS)));
  const paramAt = (length: number) => {
    const k = lengths.findIndex((l) => l >= length);
    if (k <= 0) return k < 0 ? curveCount(points) : 0;
    return (k - (lengths[k] - length) / (lengths[k] - lengths[k - 1] || 1)) / STEPS;
  };
  return { total: lengths[steps], paramAt };
}

function stretchesGone(
  { closed }: Cuttable,
  total: number,
  pageWidth: number,
  random: () => number,
): Stretch[] {
  let budget = GONE * total;
  const gone: Stretch[] = [];
  const take = (from: number, length: number) => {
    gone.push([from, from + length]);
    budget -= length;
  };
  if (!closed) {
    const pull = () => Math.min(MOST_PULLED * pageWidth * random(), budget / 2);
    take(0, pull());
    const last = pull();
    take(total - last, last);
  }
  for (let k = 0; k < TRIES && budget > 0.2 * GAPS[0] * pageWidth; k++) {
    const length = Math.min(pageWidth * (GAPS[0] + (GAPS[1] - GAPS[0]) * random()), budget);
    const from = random() * (total - length);
    const apart = 0.3 * length;
    if (gone.every(([a, b]) => from + length + apart < a || from - apart > b)) take(from, length);
  }
  return gone.sort((a, b) => a[0] - b[0]);
}

/** What lies between the stretches that are gone; on a closed line the last piece runs on over its start. */
function remaining(gone: readonly Stretch[], total: number, closed: boolean): Stretch[] {
  if (gone.length === 0) return [[0, total]];
  const pieces = gone.slice(1).map(([from], i): Stretch => [gone[i][1], from]);
  if (closed) pieces.push([gone[gone.length - 1][1], total + gone[0][0]]);
  return pieces.filter(([from, to]) => to - from > 1e-6 * total);
}

function pieceOf(
  { points }: Cuttable,
  paramAt: (length: number) => number,
  from: number,
  to: number,
  total: number,
): number[] {
  if (to <= total) return between(points, paramAt(from), paramAt(to));
  const tail = between(points, paramAt(from), curveCount(points));
  return [...tail, ...between(points, 0, paramAt(to - total)).slice(2)];
}
