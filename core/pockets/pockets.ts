/** Pockets: the bounded faces of the planar map, with everything the rest of the house asks of them. */
import { flatten, sweptArea } from "../geometry/cubic.ts";
import { type Box, boundsOf, type Point } from "../geometry/point.ts";
import { innerPoint, ringArea } from "../geometry/polygon.ts";
import { isHidden } from "./hidden.ts";
import { CurveCutter, cyclesOf, type Run, runsOf } from "./outlines.ts";
import type { PlanarMap } from "./planar-map.ts";

/** A stretch of outline shared with another pocket, as a chain of cubics. */
export interface Border {
  /** Index of the neighbour in the list of pockets. */
  readonly neighbour: number;
  readonly chain: readonly number[];
}

export interface Pocket {
  /** Exact area in page units squared, holes taken off. */
  readonly area: number;
  /** A point well inside. */
  readonly seed: Point;
  readonly box: Box;
  /** Closed chains of cubics (see geometry/cubic.ts), the outer one first, holes after. */
  readonly outline: readonly (readonly number[])[];
  /** The outline flattened to rings, for hit tests. */
  readonly rings: readonly (readonly number[])[];
  /** Ids of the lines that bound it, joins left out. */
  readonly lines: readonly string[];
  /** Borders with later pockets in the list. */
  readonly borders: readonly Border[];
  /** Wholly under the ink around it: not offered, never counted as missed. */
  readonly hidden: boolean;
}

/** All pockets of a map, largest first. */
export function pocketsOf(map: PlanarMap): Pocket[] {
  const loopsOfFace = new Map<number, number[]>();
  for (const loop of map.faces.pockets) loopsOfFace.set(loop, [loop]);
  map.faces.face.forEach((face, loop) => {
    if (face !== loop && map.faces.area[loop] < 0) loopsOfFace.get(face)?.push(loop);
  });
  const cutter = new CurveCutter(map);
  const drafts = [...loopsOfFace]
    .map(([face, loops]) => draftOf(map, cutter, face, loops))
    .filter((d) => d !== undefined);
  drafts.sort((a, b) => b.area - a.area);
  const indexOfFace = new Map(drafts.map(({ face }, index) => [face, index]));
  return drafts.map((draft, index) => ({
    area: draft.area,
    seed: draft.seed,
    box: boundsOf([draft.rings[0]])!,
    outline: draft.outline,
    rings: draft.rings,
    lines: draft.lines,
    borders: bordersOf(map, cutter, draft.cycles, index, indexOfFace),
    hidden: draft.hidden,
  }));
}

interface Draft {
  readonly face: number;
  readonly area: number;
  readonly seed: Point;
  readonly cycles: readonly number[][];
  readonly outline: readonly number[][];
  readonly rings: readonly number[][];
  readonly lines: readonly string[];
  readonly hidden: boolean;
}

function draftOf(map: PlanarMap, cutter: CurveCutter, face: number, loops: number[]): Draft | undefined {
  const parts = cyclesOf(map, loops)
    .map((cycle) => {
      const runs = runsOf(map, cycle, false);
      const chain = cutter.outline(runs);
      return { cycle, runs, chain, area: sweptArea(chain) };
    })
    .sort((a, b) => b.area - a.area);
  const area = parts.reduce((sum, part) => sum + part.area, 0);
  if (!(area > 0)) return undefined;
  const rings = parts.map(({ chain }) => ringOf(chain, map.lattice.tolerance * 2));
  const runs = parts.flatMap((part) => part.runs);
  const seed = innerPoint(rings);
  return {
    face,
    area,
    seed,
    cycles: parts.map(({ cycle }) => cycle),
    outline: parts.map(({ chain }) => chain),
    rings,
    lines: [...new Set(runs.map(({ line }) => line))]
      .filter((line) => line < map.givenLines)
      .map((l) => map.lines[l].id),
    hidden: underInk(map, cutter, runs, parts, rings, area, seed),
  };
}

function ringOf(chain: readonly number[], tolerance: number): number[] {
  return flatten(chain, tolerance).slice(0, -2);
}

/** A pocket can only hide under its ink when its area is less than the ink along its outline could cover. */
function underInk(
  map: PlanarMap,
  cutter: CurveCutter,
  runs: readonly Run[],
  parts: readonly { runs: readonly Run[] }[],
  rings: readonly number[][],
  area: number,
  seed: Point,
): boolean {
  const widest = runs.reduce((most, run) => Math.max(most, map.lines[run.line].width), 0);
  if (area > (ringLength(rings) * widest) / 2 || distanceToRings(seed, rings) > widest / 2) return false;
  const bounds: number[] = [];
  for (const part of parts) {
    part.runs.forEach((run, i) => {
      const before = part.runs[(i + part.runs.length - 1) % part.runs.length];
      const after = part.runs[(i + 1) % part.runs.length];
      const chain = cutter.piece(run, cutter.meeting(before, run), cutter.meeting(run, after));
      const points = flatten(chain, map.lattice.tolerance * 2);
      for (let k = 0; k + 3 < points.length; k += 2) {
        bounds.push(points[k], points[k + 1], points[k + 2], points[k + 3], map.lines[run.line].width / 2);
      }
    });
  }
  return isHidden(rings, bounds, seed);
}

function distanceToRings(at: Point, rings: readonly number[][]): number {
  let least = Infinity;
  for (const ring of rings) {
    const n = ring.length;
    for (let i = 0; i < n; i += 2) {
      const dx = ring[(i + 2) % n] - ring[i];
      const dy = ring[(i + 3) % n] - ring[i + 1];
      const along = ((at[0] - ring[i]) * dx + (at[1] - ring[i + 1]) * dy) / (dx * dx + dy * dy || 1);
      const t = Math.max(0, Math.min(1, along));
      least = Math.min(least, (at[0] - ring[i] - t * dx) ** 2 + (at[1] - ring[i + 1] - t * dy) ** 2);
    }
  }
  return Math.sqrt(least);
}

function ringLength(rings: readonly number[][]): number {
  let length = 0;
  for (const ring of rings) {
    const n = ring.length;
    for (let i = 0; i < n; i += 2) {
      length += Math.hypot(ring[(i + 2) % n] - ring[i], ring[(i + 3) % n] - ring[i + 1]);
    }
  }
  return length;
}

function bordersOf(
  map: PlanarMap,
  cutter: CurveCutter,
  cycles: readonly number[][],
  index: number,
  indexOfFace: ReadonlyMap<number, number>,
): Border[] {
  const borders: Border[] = [];
  for (const cycle of cycles) {
    const runs = runsOf(map, cycle, true);
    runs.forEach((run, i) => {
      const neighbour = indexOfFace.get(run.beyond);
      if (neighbour === undefined || neighbour <= index) return;
      const before = runs[(i + runs.length - 1) % runs.length];
      const after = runs[(i + 1) % runs.length];
      const chain = cutter.piece(run, cutter.meeting(before, run), cutter.meeting(run, after));
      borders.push({ neighbour, chain });
    });
  }
  return borders;
}

/** Signed area check used by tests and benchmarks: the rings' own shoelace area. */
export const ringsArea = (rings: readonly (readonly number[])[]): number =>
  rings.reduce((sum, ring) => sum + ringArea(ring), 0);
