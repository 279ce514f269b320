/**
 * Loose tails of ink shapes: where a shape runs on past a line that crosses it. Such a piece of its ink is a face with one
 * stretch of the shape's own outline, and else the line that cuts it off.
 */
import { between, curveCount, enclosedArea, flatten, reversed } from "../geometry/cubic.ts";
import type { Coords } from "../geometry/point.ts";
import { innerPoint } from "../geometry/polygon.ts";
import { boundingLoops, resolveFaces } from "./faces.ts";
import { type InkRegion, isInk } from "./ink-regions.ts";
import { CurveCutter, chainOfPieces, cyclesOf, type FacedMap, type Run, runsOf } from "./outlines.ts";
import type { PlanarMap } from "./planar-map.ts";
import type { Line } from "./segments.ts";

export interface InkTail {
  /** Name of the shape's ring (drawing/rings.ts). */
  readonly line: string;
  /** How far it reaches past the line: half its own stretch of outline, page units. */
  readonly length: number;
  /** The piece itself, a closed chain of cubics. */
  readonly outline: readonly number[];
  readonly cut: RingCut;
}

/** A stretch of a ring, from one parameter on to another in its direction, and the chain that takes its place. */
export interface RingCut {
  readonly from: number;
  readonly to: number;
  readonly by: readonly number[];
}

/** A piece is a tail where it is no more than this part of what its ring encloses. */
const SMALLER = 0.5;

/** The tails of all ink shapes, shortest first. */
export function inkTailsOf(map: PlanarMap): InkTail[] {
  if (!map.lines.some(({ region }) => region)) return [];
  const faced: FacedMap = { map, face: resolveFaces(map.faces) };
  const cutter = new CurveCutter(map);
  return boundingLoops(map.faces)
    .flatMap((loop) => tailIn(faced, cutter, loop) ?? [])
    .sort((a, b) => a.length - b.length);
}

function tailIn(faced: FacedMap, cutter: CurveCutter, loop: number): InkTail | undefined {
  const { map } = faced;
  const cycles = cyclesOf(faced, [loop]);
  if (cycles.length !== 1) return undefined;
  const runs = ownFirst(map, runsOf(faced, cycles[0], false));
  const ring = lineOf(map, runs[0]);
  const own = runs.findIndex((run) => lineOf(map, run) !== ring);
  const isWall = ({ region, bridge }: Line) => !bridge && region !== ring.region;
  if (!ring.region || own < 0 || !runs.slice(own).every((run) => isWall(lineOf(map, run)))) return undefined;
  const pieces = cutter.pieces(runs);
  const [stretch, wall] = [pieces.slice(0, own), pieces.slice(own)].map(chainOfPieces);
  const outline = chainOfPieces([stretch, wall]);
  if (enclosedArea(outline) > SMALLER * Math.abs(enclosedArea(ring.points))) return undefined;
  if (!isWithin(ring.region, outline, map.lattice.tolerance)) return undefined;
  const [from, to] = [runs[0].from, runs[own - 1].to];
  const rises = runs[0].from < runs[0].to;
  const cut = rises ? { from, to, by: reversed(wall) } : { from: to, to: from, by: wall };
  return { line: ring.id, length: lengthOf(stretch, map.lattice.tolerance) / 2, outline, cut };
}

/** Runs from the first on an ink shape's outline: where that begins may lie on the way. */
function ownFirst(map: PlanarMap, runs: readonly Run[]): readonly Run[] {
  const isOwn = (run: Run) => lineOf(map, run).region !== undefined;
  const first = runs.findIndex((run, i) => isOwn(run) && !isOwn(runs[(i + runs.length - 1) % runs.length]));
  return first < 0 ? runs : [...runs.slice(first), ...runs.slice(0, first)];
}

const lineOf = ({ lines }: PlanarMap, { line }: Run): Line => lines[line];

function isWithin(region: InkRegion, outline: readonly number[], tolerance: number): boolean {
  const ring = flatten(outline, tolerance * 2).slice(0, -2);
  return isInk(new Set([region]), innerPoint([ring]), tolerance);
}

/** A ring with some of its stretches replaced; they do not overlap. */
export function ringWithout(points: Coords, cuts: readonly RingCut[]): number[] {
  const inOrder = [...cuts].sort((a, b) => a.from - b.from);
  const pieces = inOrder.flatMap(({ to, by }, i) => {
    const next = inOrder[(i + 1) % inOrder.length];
    return [by, ...stretchOf(points, to, next.from, by, next.by)];
  });
  return chainOfPieces(pieces);
}

/** The ring from one parameter on to another, past its start where need be, from the end of one chain to the start of another. */
function stretchOf(
  points: Coords,
  from: number,
  to: number,
  after: readonly number[],
  before: readonly number[],
): number[][] {
  const ways =
    from < to
      ? [between(points, from, to)]
      : [between(points, from, curveCount(points)), between(points, 0, to)];
  const pieces = ways.filter((piece) => piece.length >= 8);
  const last = pieces[pieces.length - 1];
  if (!last) return [];
  [pieces[0][0], pieces[0][1]] = [after[after.length - 2], after[after.length - 1]];
  [last[last.length - 2], last[last.length - 1]] = [before[0], before[1]];
  return pieces;
}

function lengthOf(chain: readonly number[], tolerance: number): number {
  const flat = flatten(chain, tolerance);
  let length = 0;
  for (let k = 2; k < flat.length; k += 2)
    length += Math.hypot(flat[k] - flat[k - 2], flat[k + 1] - flat[k - 1]);
  return length;
}
