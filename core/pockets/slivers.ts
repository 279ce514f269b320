/**
 * Whether a very thin face is drawn or only rounding. Lines are moved by up to a lattice step before they are
 * noded, and curves stand as chords within a tolerance: three lines through one point, or the same curve drawn
 * twice, then enclose slivers that nobody drew. A thin face between straight lines is measured again on the lines
 * as they were given.
 */
import { curveCount, isBent, pointAt } from "../geometry/cubic.ts";
import { distance, type Point } from "../geometry/point.ts";
import { originOf } from "./half-edges.ts";
import type { MapParts } from "./map-parts.ts";
import { endParameter, goesOn, toPage } from "./segments.ts";

/** Rounding to the lattice makes no face thicker on average than this many steps. */
const ROUNDING = 4;
/** A face beside a join is rounding up to this thickness: joins are as long as rounding makes them. */
const BESIDE_JOINS = 100;
/** What doubles can tell apart, as a part of the coordinates' size. */
const PRECISION = 1e-12;

/** `twice` is twice the signed area of the loop through half-edge `first`, `length` its length, in lattice steps. */
export function isSliver(parts: MapParts, first: number, twice: number, length: number): boolean {
  // There and back along the same edges; sums of longer ones are rounded and say less.
  if (twice === 0 && length < EXACT) return true;
  const { tolerance, step } = parts.lattice;
  const thickness = Math.abs(twice) / length;
  if (thickness > Math.max(ROUNDING, (2 * tolerance) / step)) return false;
  const sides = sidesOf(parts, first);
  if (sides.some(({ owner }) => isCurved(parts, owner))) return true;
  if (thickness <= BESIDE_JOINS && sides.some(({ owner }) => parts.joins.has(parts.segs.line[owner])))
    return true;
  return thickness <= ROUNDING && isRounding(parts, sides);
}

/** The area of loops no longer than this many lattice steps is summed up exactly. */
const EXACT = 2 ** 26;

/** A stretch of a loop along one segment, and the vertex where it begins. */
interface Side {
  readonly owner: number;
  readonly vertex: number;
}

function sidesOf({ halfEdges }: MapParts, first: number): Side[] {
  const { noding, next } = halfEdges;
  const sides: Side[] = [];
  let h = first;
  do {
    const owner = noding.owner[h >> 1];
    if (sides[sides.length - 1]?.owner !== owner) sides.push({ owner, vertex: originOf(noding, h) });
    h = next[h];
  } while (h !== first);
  if (sides.length > 1 && sides[0].owner === sides[sides.length - 1].owner) sides.shift();
  return sides;
}

function isCurved({ segs, lines }: MapParts, s: number): boolean {
  const { points } = lines[segs.line[s]];
  return isBent(points, Math.min(curveCount(points) - 1, Math.floor(segs.ua[s])) * 6);
}

/** Measures a loop of straight sides on the lines as given. */
function isRounding(parts: MapParts, sides: readonly Side[]): boolean {
  if (sides.length < 3) return true;
  const { vx, vy } = parts.halfEdges.noding;
  const corners: Point[] = [];
  for (let i = 0; i < sides.length; i++) {
    const { owner, vertex } = sides[i];
    const corner = cornerOf(parts, sides[(i + sides.length - 1) % sides.length].owner, owner);
    const rounded = toPage(parts.lattice, vx[vertex], vy[vertex]);
    // Lines that only share a rounded vertex do not truly meet there.
    if (!corner || distance(corner, rounded) > 2 * ROUNDING * parts.lattice.step) return true;
    corners.push(corner);
  }
  const [ox, oy] = corners[0];
  let twice = 0;
  let length = 0;
  let size = 0;
  corners.forEach(([x, y], i) => {
    const [nextX, nextY] = corners[(i + 1) % corners.length];
    twice += (x - ox) * (nextY - oy) - (nextX - ox) * (y - oy);
    length += Math.abs(nextX - x) + Math.abs(nextY - y);
    size = Math.max(size, Math.abs(x), Math.abs(y));
  });
  return !(Math.abs(twice) > size * PRECISION * length);
}

/** Where two segments meet, in page units: their common end, or where their lines cross; undefined when parallel. */
function cornerOf(parts: MapParts, s: number, t: number): Point | undefined {
  const { segs } = parts;
  if (t === s + 1 && goesOn(segs, t)) return ends(parts, t)[0];
  if (s === t + 1 && goesOn(segs, s)) return ends(parts, s)[0];
  const [a, b] = ends(parts, s);
  const [c, d] = ends(parts, t);
  const [abx, aby, cdx, cdy] = [b[0] - a[0], b[1] - a[1], d[0] - c[0], d[1] - c[1]];
  const turn = abx * cdy - aby * cdx;
  if (Math.abs(turn) <= 1e-9 * Math.hypot(abx, aby) * Math.hypot(cdx, cdy)) return undefined;
  const u = ((c[0] - a[0]) * cdy - (c[1] - a[1]) * cdx) / turn;
  return [a[0] + u * abx, a[1] + u * aby];
}

function ends({ segs, lines }: MapParts, s: number): [Point, Point] {
  const { points } = lines[segs.line[s]];
  return [pointAt(points, segs.ua[s]), pointAt(points, endParameter(segs, lines, s))];
}
