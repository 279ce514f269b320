/**
 * Trapping, a printer's word: colour runs a little way under the ink that bounds it, so that no fringe shows. Along
 * strokes a pocket reaches the centre line by itself. Along the outline of an ink shape it is grown into the ink, by
 * a distance that nowhere passes the middle of the ink, so that colour never comes out on the far side.
 */
import { flatten, polyline } from "../geometry/cubic.ts";
import { distance, mix, type Point } from "../geometry/point.ts";
import { columnOf, eachIn, rowOf } from "./cells.ts";
import type { Run } from "./outlines.ts";
import type { PlanarMap } from "./planar-map.ts";
import { toLatticeX, toLatticeY } from "./segments.ts";

/** How far colour runs under an ink shape, as a part of the flattening tolerance of the drawing. */
const TRAP = 100;
/** Of the ink's own thickness colour takes at most this part. */
const MOST = 0.5;
/** Points are at most this many traps apart. */
const APART = 4;

/** A cycle of a pocket's outline, grown where it runs along ink shapes; one closed chain of cubics. */
export function grownCycle(map: PlanarMap, runs: readonly Run[], pieces: readonly number[][]): number[] {
  const inked = runs.map(({ line }) => map.lines[line].region !== undefined);
  const { tolerance } = map.lattice;
  const flats = pieces.map((piece, i) => (inked[i] ? pointsOf(piece, tolerance) : []));
  const chain: number[] = [];
  pieces.forEach((piece, i) => {
    const before = inked.at(i - 1) ? flats.at(i - 1) : undefined;
    const next = (i + 1) % pieces.length;
    const after = inked[next] ? flats[next] : undefined;
    append(chain, inked[i] ? polyline(grownRun(map, flats[i], before, after)) : piece);
  });
  if (chain[0] !== chain[chain.length - 2] || chain[1] !== chain[chain.length - 1])
    append(chain, [chain[0], chain[1]]);
  return chain;
}

/** Goes on with a piece, by a straight line where it does not begin where the chain ends. */
function append(chain: number[], piece: readonly number[]): void {
  const n = chain.length;
  if (n > 0 && (chain[n - 2] !== piece[0] || chain[n - 1] !== piece[1])) {
    const way = polyline([
      [chain[n - 2], chain[n - 1]],
      [piece[0], piece[1]],
    ]);
    for (let k = 2; k < way.length; k++) chain.push(way[k]);
  }
  for (let k = n > 0 ? 2 : 0; k < piece.length; k++) chain.push(piece[k]);
}

/** Points along a piece, near enough to one another that the ink's thickness between them cannot surprise. */
function pointsOf(piece: readonly number[], tolerance: number): Point[] {
  const flat = flatten(piece, tolerance * 4);
  const points: Point[] = [[flat[0], flat[1]]];
  for (let k = 2; k < flat.length; k += 2) {
    const last = points[points.length - 1];
    const next: Point = [flat[k], flat[k + 1]];
    const parts = Math.ceil(distance(last, next) / (APART * TRAP * tolerance));
    for (let i = 1; i <= parts; i++) points.push(mix(last, next, i / parts));
  }
  return points;
}

/** Points along an ink outline, moved away from the pocket; neighbours along ink share the corner's direction. */
function grownRun(
  map: PlanarMap,
  points: readonly Point[],
  before: readonly Point[] | undefined,
  after: readonly Point[] | undefined,
): Point[] {
  const trap = TRAP * map.lattice.tolerance;
  return points.map((at, i) => {
    const from = points[i - 1] ?? before?.at(-2) ?? at;
    const to = points[i + 1] ?? after?.[1] ?? at;
    const outward = outwardAt(from, at, to);
    const room = inkAlong(map, at, outward, trap / MOST);
    return [at[0] + outward[0] * room * MOST, at[1] + outward[1] * room * MOST];
  });
}

/** The direction away from the pocket, which lies to the left of the way from one point over the next to the third. */
function outwardAt(from: Point, at: Point, to: Point): Point {
  const a = rightOf(from, at);
  const b = rightOf(at, to);
  const x = a[0] + b[0];
  const y = a[1] + b[1];
  const length = Math.hypot(x, y);
  return length > 1e-9 ? [x / length, y / length] : a;
}

function rightOf(from: Point, to: Point): Point {
  const x = to[0] - from[0];
  const y = to[1] - from[1];
  const length = Math.hypot(x, y) || 1;
  return [y / length, -x / length];
}

/** How far ink goes from a point of its outline in a direction, up to `most`, in page units. */
function inkAlong(map: PlanarMap, at: Point, [dx, dy]: Point, most: number): number {
  const { lattice, cells, segs, lines } = map;
  const length = most / lattice.step;
  const x = toLatticeX(lattice, at[0]);
  const y = toLatticeY(lattice, at[1]);
  const tooNear = (2 * lattice.tolerance) / lattice.step / length;
  let nearest = 1;
  const look = (s: number) => {
    if (!lines[segs.line[s]].region) return;
    const ex = segs.bx[s] - segs.ax[s];
    const ey = segs.by[s] - segs.ay[s];
    const turn = dx * ey - dy * ex;
    if (turn === 0) return;
    const px = segs.ax[s] - x;
    const py = segs.ay[s] - y;
    const along = (px * ey - py * ex) / turn / length;
    const across = (px * dy - py * dx) / turn;
    if (along > tooNear && along < nearest && across >= 0 && across <= 1) nearest = along;
  };
  const farX = x + dx * length;
  const farY = y + dy * length;
  const lastRow = rowOf(cells, Math.max(y, farY));
  const lastColumn = columnOf(cells, Math.max(x, farX));
  for (let row = rowOf(cells, Math.min(y, farY)); row <= lastRow; row++)
    for (let column = columnOf(cells, Math.min(x, farX)); column <= lastColumn; column++)
      eachIn(cells, segs, row * cells.columns + column, look);
  return nearest * most;
}
