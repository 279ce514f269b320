/** Made-up line work for timing engines: polylines in page units on a square page. All from fixed seeds. */
import type { Point } from "../core/geometry/point.ts";
import { randomFrom } from "../testing/random.ts";

export type Polyline = readonly Point[];

export const PAGE = 2000;
/** So wide that of what is strewn over it hardly anything crosses. */
export const WIDE_PAGE = 3 * PAGE;

/** Smooth wandering strokes of 24 segments, 200 to 1,000 units long, that cross one another heavily. */
export function crossingStrokes(count: number, { seed = 1, side = PAGE } = {}): Polyline[] {
  const random = randomFrom(seed);
  return Array.from({ length: count }, () => {
    const step = (200 + 800 * random()) / 24;
    const points: Point[] = [[random() * side, random() * side]];
    let heading = random() * Math.PI * 2;
    let turn = (random() - 0.5) * 0.3;
    for (let k = 0; k < 24; k++) {
      const [x, y] = points[k];
      turn += (random() - 0.5) * 0.08;
      heading += turn;
      points.push([x + Math.cos(heading) * step, y + Math.sin(heading) * step]);
    }
    return points;
  });
}

/**
 * What spots are made of: small closed loops and bundles of short hatching, half and half, strewn over a square page; the
 * larger it is the fewer cross. A stroke of hatching has so many segments.
 */
export function spotLike(count: number, { seed = 2, side = PAGE, hatching = 8 } = {}): Polyline[] {
  const random = randomFrom(seed);
  const strokes: Point[][] = [];
  while (strokes.length < count) {
    const at: Point = [random() * side, random() * side];
    if (strokes.length % 10 < 5) strokes.push(loopAround(at, 8 + 40 * random(), random));
    else for (let k = 0; k < 5 && strokes.length < count; k++) strokes.push(hatch(at, k, hatching, random));
  }
  return strokes;
}

/** Crossing strokes that each cross about as many others however many there are. */
export const crossingRow = (count: number): Polyline[] =>
  crossingStrokes(count, { side: PAGE * Math.sqrt(count / 300) });

/** Spot-like strokes of 24 segments each, as far apart however many there are. */
export const spotRow = (count: number): Polyline[] =>
  spotLike(count, { side: WIDE_PAGE * Math.sqrt(count / 3000), hatching: 24 });

function loopAround([x, y]: Point, radius: number, random: () => number): Point[] {
  const phase = random() * Math.PI * 2;
  const squash = 0.5 + random() / 2;
  const points = Array.from({ length: 24 }, (_, k): Point => {
    const a = (k / 24) * Math.PI * 2;
    const r = radius * (1 + 0.2 * Math.sin(3 * a + phase));
    return [x + r * Math.cos(a), y + r * squash * Math.sin(a)];
  });
  return [...points, points[0]];
}

function hatch([x, y]: Point, k: number, segments: number, random: () => number): Point[] {
  const length = 12 + 24 * random();
  return Array.from({ length: segments + 1 }, (_, i): Point => {
    const t = i / segments;
    return [x + k * 5 + t * length * 0.5 + 2 * Math.sin(3 * t), y + t * length];
  });
}
