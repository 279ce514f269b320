/**
 * Shapes united, cut out of one another, and what they have in common. The clipping is Clipper2's (Johnson, after Vatti, "A
 * generic solution to polygon clipping", 1992) on flattened outlines in whole numbers; curves are fitted again, so that
 * shapes stay light.
 */
import {
  area,
  Clipper64,
  ClipperOffset,
  ClipType,
  EndType,
  FillRule,
  JoinType,
  type Path64,
  type Paths64,
} from "clipper2-ts";
import { flatten } from "../geometry/cubic.ts";
import { boundsOf, diagonal, distance, mix, type Point } from "../geometry/point.ts";
import { cornersAmong } from "./corners.ts";
import { fitWithCorners } from "./fit.ts";

/** Closed chains of cubics, by the nonzero or the even-odd rule. */
export interface Region {
  readonly outline: readonly (readonly number[])[];
  readonly evenOdd: boolean;
}

const WAYS = ["unite", "subtract", "intersect"] as const;
export type Combining = (typeof WAYS)[number];

const TYPES: Readonly<Record<Combining, ClipType>> = {
  unite: ClipType.Union,
  subtract: ClipType.Difference,
  intersect: ClipType.Intersection,
};

/** Of the shapes' diagonal: outlines are flattened and fitted again within these parts of it. */
const FLAT = 1 / 20_000;
const FIT = 1 / 3000;
/** Whole numbers along the diagonal. */
const LATTICE = 2 ** 24;
const CORNER = (32 * Math.PI) / 180;
/** Points lie no farther apart than so many tolerances. */
const SPACING = 12;
/** Over so many tolerances a corner is sharp. */
const CORNER_REACH = 6;

/** The first shape with the second united to it, cut from it, or kept where it is; by the even-odd rule. */
export function combined(a: Region, b: Region, how: Combining): Region {
  const box = boundsOf([...a.outline, ...b.outline]);
  if (!box) return { outline: [], evenOdd: true };
  const size = diagonal(box) || 1;
  const scale = LATTICE / size;
  const [from, by] = [a, b].map((region) => pathsOf(region, size * FLAT, scale));
  const least = (size * FIT) ** 2 * scale ** 2;
  const rings = clip(TYPES[how], FillRule.EvenOdd, from, by).filter((path) => sizeOf(path) > least);
  return { outline: fittedRings(rings, size * FIT, scale), evenOdd: true };
}

/** Clipping without points that lie on straight stretches. */
function clip(type: ClipType, rule: FillRule, paths: Paths64, clips: Paths64 = []): Paths64 {
  const clipper = new Clipper64();
  clipper.preserveCollinear = false;
  clipper.addSubject(paths);
  clipper.addClip(clips);
  const found: Paths64 = [];
  clipper.execute(type, rule, found);
  return found;
}

const sizeOf = (path: Path64): number => Math.abs(area(path));

/** What regions cover together; outer chains and holes wind against one another. */
export function united(regions: readonly Region[]): number[][] {
  const { found, size, scale } = clipped(regions, [], ClipType.Union);
  return fittedRings(found, size * FIT, scale);
}

/** What of a region no others cover, as rings of points [x, y, …], the largest first; holes wind against what they are in. */
export function uncovered(region: Region, covers: readonly Region[]): number[][] {
  const { found, scale } = clipped([region], covers, ClipType.Difference);
  return found.map((path) => path.flatMap(({ x, y }) => [x / scale, y / scale]));
}

/**
 * The union of two sets of regions, by the nonzero rule; the largest first, on a lattice of `scale` steps per
 * page unit.
 */
function clipped(
  regions: readonly Region[],
  others: readonly Region[],
  type: ClipType,
): { readonly found: Paths64; readonly size: number; readonly scale: number } {
  const box = boundsOf(regions.flatMap(({ outline }) => outline));
  if (!box) return { found: [], size: 1, scale: 1 };
  const size = diagonal(box) || 1;
  const scale = LATTICE / size;
  const [from, by] = [regions, others].map((some) => some.flatMap((one) => pathsOf(one, size * FLAT, scale)));
  const found = clip(type, FillRule.NonZero, from, by).sort((a, b) => sizeOf(b) - sizeOf(a));
  const least = found.length > 0 ? sizeOf(found[0]) * SLIVER : 0;
  return { found: found.filter((path) => sizeOf(path) > least), size, scale };
}

/** A hole or a piece of less than this part of the largest is what rounding leaves between neighbours. */
const SLIVER = 1e-4;

/**
 * A region without what of it lies within each of some distances of its edge, in page units; by the nonzero rule. Curves are
 * fitted within a part of its diagonal.
 */
export function insets(region: Region, distances: readonly number[], fit = FIT): number[][][] {
  const box = boundsOf(region.outline);
  if (!box) return distances.map(() => []);
  const size = diagonal(box) || 1;
  const scale = LATTICE / size;
  const flat = size * Math.max(FLAT, fit / 2);
  const paths = pathsOf(region, flat, scale);
  return distances.map((by) => {
    const offset = new ClipperOffset(2, flat * scale);
    offset.addPaths(paths, JoinType.Miter, EndType.Polygon);
    const found: Paths64 = [];
    offset.execute(-by * scale, found);
    return fittedRings(found, size * fit, scale);
  });
}

/** The insets of a region at even steps down to a depth, without the first: the steps of a gradient hardly differ. */
export const ringsWithin = (region: Region, deep: number, count: number): number[][][] =>
  insets(
    region,
    Array.from({ length: count - 1 }, (_, k) => (deep * (k + 1)) / count),
  );

/** The same for one distance, as exactly as it is computed. */
export const inset = (region: Region, by: number): number[][] => insets(region, [by], FLAT)[0];

/** A line of ink: an open or closed chain of cubics and how wide it is, in page units. */
export interface InkLine {
  readonly points: readonly number[];
  readonly closed: boolean;
  readonly width: number;
}

/** All within a distance of regions and lines, and what that encloses: outer chains alone. */
export function rimAround(regions: readonly Region[], lines: readonly InkLine[], by: number): number[][] {
  const box = boundsOf([...regions.flatMap(({ outline }) => outline), ...lines.map(({ points }) => points)]);
  if (!box) return [];
  const size = diagonal(box) + 2 * by;
  const scale = LATTICE / size;
  const flat = size * FIT;
  const grown: Paths64 = [];
  const grow = (paths: Paths64, end: EndType, width: number) => {
    const offset = new ClipperOffset(2, (flat / 2) * scale);
    offset.addPaths(paths, JoinType.Round, end);
    const found: Paths64 = [];
    offset.execute(width * scale, found);
    grown.push(...found);
  };
  const growLine = (path: Path64, closed: boolean, width: number) =>
    // The port cannot join a line without an inside to itself.
    grow([path], closed && sizeOf(path) > 0 ? EndType.Joined : EndType.Round, width);
  for (const region of regions) grow(pathsOf(region, flat, scale), EndType.Polygon, by);
  for (const { points, closed, width } of lines)
    growLine(pathOf(points, flat, scale), closed, by + width / 2);
  const outer = clip(ClipType.Union, FillRule.NonZero, grown).filter((path) => area(path) > 0);
  return fittedRings(outer, flat, scale);
}

/** Flattened, in whole numbers, and so that either rule holds for them. */
function pathsOf({ outline, evenOdd }: Region, tolerance: number, scale: number): Paths64 {
  const paths = outline.map((chain) => pathOf(chain, tolerance, scale));
  return clip(ClipType.Union, evenOdd ? FillRule.EvenOdd : FillRule.NonZero, paths);
}

function pathOf(chain: readonly number[], tolerance: number, scale: number): Path64 {
  const flat = flatten(chain, tolerance);
  return Array.from({ length: flat.length / 2 }, (_, k) => ({
    x: Math.round(flat[2 * k] * scale),
    y: Math.round(flat[2 * k + 1] * scale),
  }));
}

/** Rings that are no more than a point or a stroke back and forth are none. */
function fittedRings(paths: Paths64, tolerance: number, scale: number): number[][] {
  return paths.flatMap((path) => {
    const turns = path.map(({ x, y }): Point => [x / scale, y / scale]);
    const points = dense(turns, tolerance * SPACING);
    return points.length < 3 ? [] : [fitted(points, tolerance)];
  });
}

function fitted(points: readonly Point[], tolerance: number): number[] {
  const corners = cornersAmong(points, true, CORNER, tolerance * CORNER_REACH);
  return fitWithCorners(points, corners, true, tolerance);
}

/** Points along straight stretches too: fitting looks at points alone. */
const dense = (ring: readonly Point[], spacing: number): Point[] =>
  ring.flatMap((from, i) => {
    const to = ring[(i + 1) % ring.length];
    const count = Math.ceil(distance(from, to) / spacing);
    return Array.from({ length: count }, (_, k) => mix(from, to, k / count));
  });
