/**
 * Shapes united, cut out of one another, and what they have in common. The clipping is Clipper's (Johnson, after Vatti, "A
 * generic solution to polygon clipping", 1992) on flattened outlines in whole numbers; curves are fitted again, so that
 * shapes stay light.
 */
import ClipperLib from "clipper-lib";
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

const TYPES: Readonly<Record<Combining, ClipperLib.ClipType>> = {
  unite: ClipperLib.ClipType.ctUnion,
  subtract: ClipperLib.ClipType.ctDifference,
  intersect: ClipperLib.ClipType.ctIntersection,
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
  const clipper = new ClipperLib.Clipper();
  clipper.AddPaths(pathsOf(a, size * FLAT, scale), ClipperLib.PolyType.ptSubject, true);
  clipper.AddPaths(pathsOf(b, size * FLAT, scale), ClipperLib.PolyType.ptClip, true);
  const found: ClipperLib.Paths = [];
  clipper.Execute(TYPES[how], found, ClipperLib.PolyFillType.pftEvenOdd, ClipperLib.PolyFillType.pftEvenOdd);
  const least = (size * FIT) ** 2 * scale ** 2;
  const rings = found.filter((path) => Math.abs(ClipperLib.Clipper.Area(path)) > least);
  return { outline: rings.map((path) => fitted(path, size * FIT, scale)), evenOdd: true };
}

/** What regions cover together; outer chains and holes wind against one another. */
export function united(regions: readonly Region[]): number[][] {
  const { found, size, scale } = clipped(regions, [], ClipperLib.ClipType.ctUnion);
  return found.map((path) => fitted(path, size * FIT, scale));
}

/** What of a region no others cover, as rings of points [x, y, …], the largest first; holes wind against what they are in. */
export function uncovered(region: Region, covers: readonly Region[]): number[][] {
  const { found, scale } = clipped([region], covers, ClipperLib.ClipType.ctDifference);
  return found.map((path) => path.flatMap(({ X, Y }) => [X / scale, Y / scale]));
}

/** Regions and others beside them taken together, by the nonzero rule; the largest first, on a lattice of `scale` to a page unit. */
function clipped(
  regions: readonly Region[],
  others: readonly Region[],
  type: ClipperLib.ClipType,
): { readonly found: ClipperLib.Paths; readonly size: number; readonly scale: number } {
  const box = boundsOf(regions.flatMap(({ outline }) => outline));
  if (!box) return { found: [], size: 1, scale: 1 };
  const size = diagonal(box) || 1;
  const scale = LATTICE / size;
  const clipper = new ClipperLib.Clipper();
  const add = (some: readonly Region[], as: ClipperLib.PolyType) => {
    for (const one of some) clipper.AddPaths(pathsOf(one, size * FLAT, scale), as, true);
  };
  add(regions, ClipperLib.PolyType.ptSubject);
  add(others, ClipperLib.PolyType.ptClip);
  const found: ClipperLib.Paths = [];
  const { pftNonZero } = ClipperLib.PolyFillType;
  clipper.Execute(type, found, pftNonZero, pftNonZero);
  const areaOf = (path: ClipperLib.Path) => Math.abs(ClipperLib.Clipper.Area(path));
  const [largest = 0] = found.map(areaOf).sort((a, b) => b - a);
  return {
    found: found.filter((path) => areaOf(path) > largest * SLIVER).sort((a, b) => areaOf(b) - areaOf(a)),
    size,
    scale,
  };
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
    const offset = new ClipperLib.ClipperOffset(2, flat * scale);
    offset.AddPaths(paths, ClipperLib.JoinType.jtMiter, ClipperLib.EndType.etClosedPolygon);
    const found: ClipperLib.Paths = [];
    offset.Execute(found, -by * scale);
    return found.map((path) => fitted(path, size * fit, scale));
  });
}

/** What lies within a region at even steps to so deep, but the first: for steps of a gradient, which hardly differ. */
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
  const clipper = new ClipperLib.Clipper();
  const grown = (paths: ClipperLib.Paths, end: ClipperLib.EndType, width: number) => {
    const offset = new ClipperLib.ClipperOffset(2, (flat / 2) * scale);
    offset.AddPaths(paths, ClipperLib.JoinType.jtRound, end);
    const found: ClipperLib.Paths = [];
    offset.Execute(found, width * scale);
    clipper.AddPaths(found, ClipperLib.PolyType.ptSubject, true);
  };
  for (const region of regions) grown(pathsOf(region, flat, scale), ClipperLib.EndType.etClosedPolygon, by);
  const { etClosedLine, etOpenRound } = ClipperLib.EndType;
  for (const { points, closed, width } of lines)
    grown([pathOf(points, flat, scale)], closed ? etClosedLine : etOpenRound, by + width / 2);
  const found: ClipperLib.Paths = [];
  const { pftNonZero } = ClipperLib.PolyFillType;
  clipper.Execute(ClipperLib.ClipType.ctUnion, found, pftNonZero, pftNonZero);
  return found
    .filter((path) => ClipperLib.Clipper.Orientation(path))
    .map((path) => fitted(path, flat, scale));
}

/** Flattened, in whole numbers, and so that the even-odd rule holds for them. */
function pathsOf({ outline, evenOdd }: Region, tolerance: number, scale: number): ClipperLib.Paths {
  const paths = outline.map((chain) => pathOf(chain, tolerance, scale));
  const rule = evenOdd ? ClipperLib.PolyFillType.pftEvenOdd : ClipperLib.PolyFillType.pftNonZero;
  return ClipperLib.Clipper.SimplifyPolygons(paths, rule);
}

function pathOf(chain: readonly number[], tolerance: number, scale: number): ClipperLib.Path {
  const flat = flatten(chain, tolerance);
  return Array.from({ length: flat.length / 2 }, (_, k) => ({
    X: Math.round(flat[2 * k] * scale),
    Y: Math.round(flat[2 * k + 1] * scale),
  }));
}

function fitted(path: ClipperLib.Path, tolerance: number, scale: number): number[] {
  const turns = path.map(({ X, Y }): Point => [X / scale, Y / scale]);
  const points = dense(turns, tolerance * SPACING);
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
