/** Width along a line: the profiles of its own and of its nib, and what they make together. */
import type { Nib, Profile, Stroke } from "../drawing/drawing.ts";
import { arcLengthOf, parameterAt } from "../geometry/arc-length.ts";
import type { Coords } from "../geometry/point.ts";

/** The share at a place from 0 to 1 of a line's length. */
export function shareAt(profile: Profile, place: number): number {
  const n = profile.length;
  if (place <= profile[0]) return profile[1];
  for (let k = 2; k < n; k += 2) {
    if (place > profile[k]) continue;
    const span = profile[k] - profile[k - 2];
    const t = span > 0 ? (place - profile[k - 2]) / span : 1;
    return profile[k - 1] + (profile[k + 1] - profile[k - 1]) * t;
  }
  return profile[n - 1];
}

const isEven = (profile: Profile): boolean =>
  profile.every((share, k) => k % 2 === 0 || Math.abs(share - 1) < 1e-6);

/**
 * The profile a stroke is drawn with: its own times that of its nib; undefined when both are even. A piece of a line has
 * the stretch that the line had there.
 */
export function profileOf(
  stroke: Pick<Stroke, "profile" | "cut">,
  nib: Nib | undefined,
): Profile | undefined {
  const whole = wholeProfile(stroke, nib);
  return whole && stroke.cut ? stretchOf(whole, stroke.cut.from, stroke.cut.to) : whole;
}

/** A profile from one place to another, which may lie beyond the end of a line that goes round. */
function stretchOf(profile: Profile, from: number, to: number): Profile {
  const places = [0, 1].flatMap((turn) => profile.flatMap((n, k) => (k % 2 === 0 ? [n + turn] : [])));
  const inside = places.filter((place) => place > from && place < to);
  const share = (place: number) => shareAt(profile, place > 1 ? place - 1 : place);
  return [from, ...inside, to].flatMap((place) => [(place - from) / (to - from), share(place)]);
}

function wholeProfile({ profile }: Pick<Stroke, "profile">, nib: Nib | undefined): Profile | undefined {
  const given = [profile, nib?.profile].filter((p): p is Profile => p !== undefined && !isEven(p));
  if (given.length < 2) return given[0];
  const places = [...new Set(given.flatMap((p) => p.filter((_, k) => k % 2 === 0)))].sort((a, b) => a - b);
  return places.flatMap((place) => [place, given.reduce((share, p) => share * shareAt(p, place), 1)]);
}

/** Whether a stroke can be drawn as a plain stroke of one width. */
export const isPlain = (stroke: Stroke, nib: Nib | undefined): boolean =>
  profileOf(stroke, nib) === undefined && (nib?.strands ?? 1) === 1;

/** Knots of a profile with each place as a parameter of the chain: flat pairs [u, width, …] in page units. */
export function widthsAlong(points: Coords, width: number, profile: Profile, tolerance: number): number[] {
  const arc = arcLengthOf(points, tolerance);
  const out: number[] = [];
  for (let k = 0; k < profile.length; k += 2)
    out.push(parameterAt(arc, profile[k] * arc.total), profile[k + 1] * width);
  return out;
}

/** A profile with as few knots as keep every share within `tolerance` of what it was (Douglas and Peucker, 1973). */
export function simplerProfile(profile: Profile, tolerance: number): number[] {
  const keep = new Set<number>([0, profile.length - 2]);
  const split = (from: number, to: number) => {
    let worst = tolerance;
    let at = -1;
    for (let k = from + 2; k < to; k += 2) {
      const t = (profile[k] - profile[from]) / (profile[to] - profile[from] || 1);
      const off = Math.abs(profile[from + 1] + (profile[to + 1] - profile[from + 1]) * t - profile[k + 1]);
      if (off > worst) {
        worst = off;
        at = k;
      }
    }
    if (at < 0) return;
    keep.add(at);
    split(from, at);
    split(at, to);
  };
  split(0, profile.length - 2);
  return [...keep].sort((a, b) => a - b).flatMap((k) => [profile[k], profile[k + 1]]);
}
