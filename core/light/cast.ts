/**
 * Cast shadows: what an outline covers as it is moved away from the lamp. Its boundary is the outline itself, of which the
 * stretches that look the way it moves are moved along (as the silhouette of a shadow volume: Crow, "Shadow algorithms for
 * computer graphics", 1977), so that curves stay the curves they were.
 */
import { between, curveCount, derivativeAt, enclosedArea, lineTo } from "../geometry/cubic.ts";
import { type Matrix, mapped } from "../geometry/matrix.ts";
import type { Box, Point } from "../geometry/point.ts";
import { ellipse } from "../lines/figures.ts";
import { directionFrom, type PlacedLamp } from "./lamp.ts";

type Chain = readonly number[];

/** A lamp that stands lower than this part of how far it is off throws no longer a shadow. */
const LOWEST = 0.12;

/** How far from a place the shadow of something that stands so high above the paper falls; page units. */
export function castOffset(lamp: PlacedLamp, at: Point, high: number): Point {
  const [x, y] = directionFrom(lamp, at);
  const off = lamp.far ? distanceOf(lamp, lamp.middle) : distanceOf(lamp, at);
  const long = (high * off) / Math.max(lamp.height, LOWEST * off, 1e-9);
  return [-x * long, -y * long];
}

const distanceOf = ({ at: [x, y] }: PlacedLamp, [px, py]: Point): number => Math.hypot(x - px, y - py);

/** What a closed chain covers on its way along an offset: one closed chain, by the nonzero rule. */
export function swept(chain: Chain, [dx, dy]: Point): number[] {
  const turns = Math.sign(enclosedArea(chain)) || 1;
  const out: number[] = [];
  let moved: boolean | undefined;
  for (let k = 0; k < curveCount(chain); k++)
    for (const piece of split(between(chain, k, k + 1), dx, dy)) {
      const [tx, ty] = derivativeAt(piece, 0.5);
      const moves = (ty * dx - tx * dy) * turns > 0;
      const placed = moves ? mapped(piece, [1, 0, 0, 1, dx, dy]) : piece;
      if (moved === undefined) out.push(placed[0], placed[1]);
      else if (moved !== moves) lineOn(out, [placed[0], placed[1]]);
      for (let i = 2; i < placed.length; i++) out.push(placed[i]);
      moved = moves;
    }
  if (out.length > 2) lineOn(out, [out[0], out[1]]);
  return out;
}

/** A cubic in pieces that each look to one side of the way. */
function split(cubic: Chain, dx: number, dy: number): number[][] {
  // Where the tangent runs along the way: a quadratic in the parameter.
  const side = (i: number) => (cubic[i + 2] - cubic[i]) * dy - (cubic[i + 3] - cubic[i + 1]) * dx;
  const [p, q, r] = [side(0), side(2), side(4)];
  const [a, b, c] = [p - 2 * q + r, 2 * (q - p), p];
  const cuts = [0, ...rootsOf(a, b, c).filter((t) => t > 1e-6 && t < 1 - 1e-6), 1];
  return cuts.slice(1).map((to, i) => between(cubic, cuts[i], to));
}

function rootsOf(a: number, b: number, c: number): number[] {
  if (Math.abs(a) < 1e-12) return Math.abs(b) < 1e-12 ? [] : [-c / b];
  const d = b * b - 4 * a * c;
  if (d <= 0) return [];
  const root = Math.sqrt(d);
  return [(-b - root) / (2 * a), (-b + root) / (2 * a)].sort((x, y) => x - y);
}

function lineOn(chain: number[], [x, y]: Point): void {
  const [fx, fy] = [chain[chain.length - 2], chain[chain.length - 1]];
  if (Math.abs(fx - x) + Math.abs(fy - y) >= 1e-12) lineTo(chain, [x, y]);
}

/** How much shorter a length of ground looks in depth than across. */
const FORESHORTENED = 0.45;
/** How flat an ellipse on the ground is. */
const FLAT = 0.1;
/** Shadows on the ground are no longer than this many heights of what throws them. */
const LONGEST = 1.6;

/** An outline laid flat on the ground at its foot, away from the lamp. */
export function laidFlat(
  chains: readonly Chain[],
  { x, y, width, height }: Box,
  lamp: PlacedLamp,
): number[][] {
  const foot = y + height;
  const [ox, oy] = castOffset(lamp, [x + width / 2, y + height / 2], 1);
  const shrunk = Math.min(1, LONGEST / (Math.hypot(ox, oy) || 1));
  // What stands so high above the foot falls that many times the offset of one unit from it.
  const matrix: Matrix = [
    1,
    0,
    -ox * shrunk,
    -oy * shrunk * FORESHORTENED,
    foot * ox * shrunk,
    foot + foot * oy * shrunk * FORESHORTENED,
  ];
  return chains.map((chain) => mapped(chain, matrix));
}

/** An ellipse at the foot of a box, drawn out away from the lamp. */
export function ellipseAtFoot({ x, y, width, height }: Box, lamp: PlacedLamp): number[] {
  const [ox] = castOffset(lamp, [x + width / 2, y + height / 2], height);
  const out = Math.max(-LONGEST * width, Math.min(LONGEST * width, ox)) / 10;
  const half = width * 0.52 + Math.abs(out) / 2;
  return ellipse([x + width / 2 + out, y + height - (half * FLAT) / 4], half, half * FLAT);
}
