/**
 * Lines flattened to straight segments whose ends lie on a whole-number lattice. The lattice has 2^24 steps
 * over the longer side of the line work, so differences fit in 25 bits and their cross products in a double's
 * 53: every orientation test further on is exact in plain arithmetic.
 */
import { curveCount, pointAt, stepsFor } from "../geometry/cubic.ts";
import { type Box, boundsOf, type Coords, diagonal, type Point } from "../geometry/point.ts";

/** One line of the line work: a chain of cubics (see geometry/cubic.ts) in page units. */
export interface Line {
  readonly id: string;
  readonly points: Coords;
  readonly closed: boolean;
  /** Width of the ink along the line in page units; 0 for a bridge. */
  readonly width: number;
  readonly bridge: boolean;
}

const STEPS = 2 ** 24;
/** Chords stay this close to their curves, as a part of the line work's diagonal. */
const FLATNESS = 4e-5;
/** Rounding in page coordinates stays below a lattice step, however far from the origin a small drawing lies. */
const ROUNDING = 2 ** -46;

export interface Lattice {
  readonly originX: number;
  readonly originY: number;
  /** Page units per lattice step. */
  readonly step: number;
  /** Flattening tolerance in page units. */
  readonly tolerance: number;
}

export function latticeFor(lines: readonly Line[]): Lattice {
  const box: Box = boundsOf(lines.map((line) => line.points)) ?? { x: 0, y: 0, width: 1, height: 1 };
  const farthest = Math.max(Math.abs(box.x), Math.abs(box.y)) + Math.max(box.width, box.height);
  const step = Math.max(box.width / STEPS, box.height / STEPS, farthest * ROUNDING) || 1;
  return { originX: box.x, originY: box.y, step, tolerance: Math.max(FLATNESS * diagonal(box), step) };
}

export const toLatticeX = (lattice: Lattice, x: number): number =>
  Math.round((x - lattice.originX) / lattice.step);
export const toLatticeY = (lattice: Lattice, y: number): number =>
  Math.round((y - lattice.originY) / lattice.step);
export const toPage = (lattice: Lattice, x: number, y: number): Point => [
  lattice.originX + x * lattice.step,
  lattice.originY + y * lattice.step,
];

/** Segment s runs from (ax, ay) to (bx, by) along line[s], whose parameter goes from ua to ub there. */
export interface Segments {
  count: number;
  ax: Int32Array;
  ay: Int32Array;
  bx: Int32Array;
  by: Int32Array;
  line: Int32Array;
  ua: Float64Array;
  ub: Float64Array;
}

function allocate(capacity: number): Segments {
  return {
    count: 0,
    ax: new Int32Array(capacity),
    ay: new Int32Array(capacity),
    bx: new Int32Array(capacity),
    by: new Int32Array(capacity),
    line: new Int32Array(capacity),
    ua: new Float64Array(capacity),
    ub: new Float64Array(capacity),
  };
}

/** Flattens every line, after those of `before`; pieces shorter than a lattice step vanish. */
export function segmentsOf(
  lines: readonly Line[],
  lattice: Lattice,
  before?: Segments,
  firstLine = 0,
): Segments {
  let capacity = before?.count ?? 0;
  for (const { points } of lines)
    for (let c = 0; c < curveCount(points); c++) capacity += stepsFor(points, c * 6, lattice.tolerance);
  const out = allocate(capacity);
  if (before) copyInto(out, before);
  lines.forEach(({ points }, index) => {
    let x = toLatticeX(lattice, points[0]);
    let y = toLatticeY(lattice, points[1]);
    let from = 0;
    for (let c = 0; c < curveCount(points); c++) {
      const steps = stepsFor(points, c * 6, lattice.tolerance);
      for (let k = 1; k <= steps; k++) {
        const u = k === steps ? c + 1 : c + k / steps;
        const at = pointAt(points, u);
        const nextX = toLatticeX(lattice, at[0]);
        const nextY = toLatticeY(lattice, at[1]);
        if (nextX === x && nextY === y) continue;
        append(out, firstLine + index, x, y, nextX, nextY, from, u);
        x = nextX;
        y = nextY;
        from = u;
      }
    }
  });
  return out;
}

function copyInto(out: Segments, { count, ...from }: Segments): void {
  for (const key of ["ax", "ay", "bx", "by", "line"] as const) out[key].set(from[key].subarray(0, count));
  for (const key of ["ua", "ub"] as const) out[key].set(from[key].subarray(0, count));
  out.count = count;
}

function append(
  out: Segments,
  line: number,
  ax: number,
  ay: number,
  bx: number,
  by: number,
  ua: number,
  ub: number,
): void {
  const s = out.count++;
  out.ax[s] = ax;
  out.ay[s] = ay;
  out.bx[s] = bx;
  out.by[s] = by;
  out.line[s] = line;
  out.ua[s] = ua;
  out.ub[s] = ub;
}
