/**
 * The ink of a line whose width changes along it, as closed chains for the nonzero rule. Both sides are offset from
 * the centre line; where it bends more tightly than it is wide the inner side would turn back on itself (Tiller and
 * Hanson, "Offsets of two-dimensional profiles", 1984), so there the ink is put together from discs instead. All
 * pieces wind the same way, so that those that overlap never cut one another out.
 */
import type { Profile, Stroke } from "../drawing/drawing.ts";
import { curveCount, derivativeAt, pointAt, polyline, QUARTER_HANDLE, stepsFor } from "../geometry/cubic.ts";
import type { Coords, Point } from "../geometry/point.ts";
import { fitOpen } from "./fit.ts";
import { shareAt } from "./profile.ts";

export interface NibbedLine {
  /** A chain of cubics in page units. */
  readonly points: Coords;
  readonly closed: boolean;
  readonly cap: NonNullable<Stroke["cap"]>;
  /** Page units at a share of 1. */
  readonly width: number;
  readonly profile: Profile;
  readonly strands: number;
}

/** One place of a line with the direction it goes there and half its width. */
interface Sample {
  readonly at: Point;
  readonly along: Point;
  readonly half: number;
}

/** Sides are drawn within this part of the line's width. */
const TOLERANCE = 0.006;
/** Strands leave gaps between them as wide as this part of what a strand is wide. */
const STRAND_GAP = 0.7;

export function nibOutline(line: NibbedLine): number[][] {
  const tolerance = line.width * TOLERANCE;
  const spine = samplesOf(line, tolerance);
  if (spine.length < 2) return [];
  return strandsOf(spine, line.strands).flatMap((samples) => outlineOf(samples, line, tolerance));
}

const FEWEST_STEPS = 6;

/** Places along the centre line; at a corner there are two, one for each direction. */
function samplesOf({ points, width, profile }: NibbedLine, tolerance: number): Sample[] {
  const places: { at: Point; along: Point; length: number }[] = [];
  let length = 0;
  let last = pointAt(points, 0);
  for (let c = 0; c < curveCount(points); c++) {
    const steps = Math.max(FEWEST_STEPS, 2 * stepsFor(points, c * 6, tolerance));
    for (let k = 0; k <= steps; k++) {
      const at = k === steps ? pointAt(points, c + 1) : pointAt(points, c + k / steps);
      length += Math.hypot(at[0] - last[0], at[1] - last[1]);
      last = at;
      const along = directionIn(points, c, k / steps);
      if (along) places.push({ at, along, length });
    }
  }
  return places
    .filter((place, i) => i === 0 || !samePlace(place, places[i - 1]))
    .map(({ at, along, length: so }) => ({
      at,
      along,
      half: (width * shareAt(profile, length > 0 ? so / length : 0)) / 2,
    }));
}

type Place = Pick<Sample, "at" | "along">;
const samePlace = (a: Place, b: Place): boolean =>
  a.at[0] === b.at[0] && a.at[1] === b.at[1] && dot(a.along, b.along) > SMOOTH;

/** The direction at t of cubic c; at a handle of no length, that just beside it. */
function directionIn(points: Coords, c: number, t: number): Point | undefined {
  for (const nudge of [0, 1e-4, 1e-2]) {
    const inner = Math.max(nudge, Math.min(1 - nudge, t));
    const [dx, dy] = derivativeAt(points.length > 8 ? cubicOf(points, c) : points, inner);
    const length = Math.sqrt(dx * dx + dy * dy);
    if (length > 1e-12) return [dx / length, dy / length];
  }
  return undefined;
}

const cubicOf = (points: Coords, c: number): Coords => Array.prototype.slice.call(points, c * 6, c * 6 + 8);

const dot = (a: Point, b: Point): number => a[0] * b[0] + a[1] * b[1];

/** Lines side by side that draw together where the nib is narrow. */
function strandsOf(spine: readonly Sample[], strands: number): Sample[][] {
  if (strands <= 1) return [[...spine]];
  const part = 1 / (strands + (strands - 1) * STRAND_GAP);
  return Array.from({ length: strands }, (_, k) => {
    const side = 2 * k * part * (1 + STRAND_GAP) + part - 1;
    return spine.map(({ at: [x, y], along: [tx, ty], half }) => ({
      at: [x - ty * half * side, y + tx * half * side] as const,
      along: [tx, ty] as const,
      half: half * part,
    }));
  });
}

/** Directions that turn less than this from one sample to the next belong to a smooth line. */
const SMOOTH = Math.cos((6 * Math.PI) / 180);

function outlineOf(samples: readonly Sample[], { closed, cap }: NibbedLine, tolerance: number): number[][] {
  const pieces: number[][] = [];
  const last = samples.length - 1;
  let from = 0;
  for (let i = 0; i < last; i++) {
    if (isClear(samples[i], samples[i + 1])) continue;
    if (i > from) pieces.push(band(samples.slice(from, i + 1), tolerance));
    pieces.push(disc(samples[i]), disc(samples[i + 1]));
    from = i + 1;
  }
  if (last > from) pieces.push(band(samples.slice(from), tolerance));
  if (!closed) pieces.push(capAt(samples[0], -1, cap), capAt(samples[last], 1, cap));
  else if (dot(samples[0].along, samples[last].along) < SMOOTH) pieces.push(disc(samples[0]));
  return pieces.filter((piece) => piece.length > 8);
}

const sideOf = ({ at: [x, y], along: [tx, ty], half }: Sample, side: 1 | -1): Point => [
  x - ty * half * side,
  y + tx * half * side,
];

/** Whether both sides go forward from one sample to the next. */
function isClear(a: Sample, b: Sample): boolean {
  if (dot(a.along, b.along) < SMOOTH) return false;
  return ([1, -1] as const).every((side) => {
    const [ax, ay] = sideOf(a, side);
    const [bx, by] = sideOf(b, side);
    return (bx - ax) * a.along[0] + (by - ay) * a.along[1] > 0;
  });
}

/** A smooth stretch: one side there, the other side back. */
function band(samples: readonly Sample[], tolerance: number): number[] {
  const there = fitOpen(
    samples.map((sample) => sideOf(sample, -1)),
    tolerance,
  );
  const back = fitOpen(samples.map((sample) => sideOf(sample, 1)).reverse(), tolerance);
  const across = (from: readonly number[], to: readonly number[]) =>
    polyline([
      [from[from.length - 2], from[from.length - 1]],
      [to[0], to[1]],
    ]).slice(2);
  return [...there, ...across(there, back), ...back.slice(2), ...across(back, there)];
}

function arc([x, y]: Point, radius: number, angle: number, quarters: number): number[] {
  const out = [x + radius * Math.cos(angle), y + radius * Math.sin(angle)];
  for (let k = 0; k < quarters; k++) {
    const a = angle + (k * Math.PI) / 2;
    const [c, s] = [Math.cos(a) * radius, Math.sin(a) * radius];
    out.push(
      x + c - QUARTER_HANDLE * s,
      y + s + QUARTER_HANDLE * c,
      x - s + QUARTER_HANDLE * c,
      y + c + QUARTER_HANDLE * s,
      x - s,
      y + c,
    );
  }
  return out;
}

function disc({ at, half }: Sample): number[] {
  return half > 0 ? arc(at, half, 0, 4) : [];
}

/** What a line has beyond its end; a butt end has nothing. */
function capAt({ at, along: [tx, ty], half }: Sample, way: 1 | -1, cap: NibbedLine["cap"]): number[] {
  if (!(half > 0) || cap === "butt") return [];
  const [fx, fy] = [tx * way * half, ty * way * half];
  const right: Point = [at[0] + fy, at[1] - fx];
  const left: Point = [at[0] - fy, at[1] + fx];
  const ahead = ([x, y]: Point): Point => [x + fx, y + fy];
  if (cap === "square") return polyline([right, ahead(right), ahead(left), left, right]);
  const round = arc(at, half, Math.atan2(fy, fx) - Math.PI / 2, 2);
  return [...round, ...polyline([left, right]).slice(2)];
}
