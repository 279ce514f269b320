/** A position or vector in page units, y downwards as in SVG. */
export type Point = readonly [x: number, y: number];

export interface Size {
  readonly width: number;
  readonly height: number;
}

/** An axis-parallel box in page units. */
export interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** Any flat run of numbers: plain arrays in the drawing, typed arrays in hot paths. */
export type Coords = ArrayLike<number>;

/** By square root: Math.hypot guards against overflow at many times the cost. */
export function distance(a: Point, b: Point): number {
  const dx = b[0] - a[0];
  const dy = b[1] - a[1];
  return Math.sqrt(dx * dx + dy * dy);
}

export const mix = (a: Point, b: Point, t: number): Point => [
  a[0] + (b[0] - a[0]) * t,
  a[1] + (b[1] - a[1]) * t,
];

/** The box around flat coordinates [x, y, x, y, …]; undefined when there are none. */
export function boundsOf(runs: Iterable<Coords>): Box | undefined {
  let left = Infinity;
  let top = Infinity;
  let right = -Infinity;
  let bottom = -Infinity;
  for (const run of runs) {
    for (let i = 0; i + 1 < run.length; i += 2) {
      const x = run[i];
      const y = run[i + 1];
      if (x < left) left = x;
      if (x > right) right = x;
      if (y < top) top = y;
      if (y > bottom) bottom = y;
    }
  }
  return right < left ? undefined : { x: left, y: top, width: right - left, height: bottom - top };
}

export const grow = (box: Box, by: number): Box => ({
  x: box.x - by,
  y: box.y - by,
  width: box.width + 2 * by,
  height: box.height + 2 * by,
});

export const diagonal = (box: Box): number => Math.hypot(box.width, box.height);

export const boxHolds = ({ x, y, width, height }: Box, [px, py]: Point): boolean =>
  px >= x && px <= x + width && py >= y && py <= y + height;

export const boxesApart = (a: Box, b: Box): boolean =>
  a.x > b.x + b.width || b.x > a.x + a.width || a.y > b.y + b.height || b.y > a.y + a.height;
