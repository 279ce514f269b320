/**
 * Centre lines of ink with the width along them: the skeleton's branches joined through junctions, refined beyond
 * pixels, fitted with cubics that keep corners.
 */
import { arcLengthOf } from "../../geometry/arc-length.ts";
import { curveCount, derivativeAt, flatten, polyline, reversed } from "../../geometry/cubic.ts";
import { nearestOnLines } from "../../geometry/nearest.ts";
import { distance, type Point } from "../../geometry/point.ts";
import { cornersAmong } from "../corners.ts";
import { fitWithCorners } from "../fit.ts";
import { simplerProfile } from "../profile.ts";
import { pulledEnd } from "../pull.ts";
import type { Graph, GraphNode } from "./graph.ts";
import { type Path, pathsOf } from "./paths.ts";
import { type Inked, type Meeting, samplesAlong, type TraceSample } from "./samples.ts";

/** A line of ink in pixels: a chain of cubics and the width along it. */
export interface TracedLine {
  readonly points: number[];
  readonly closed: boolean;
  readonly width: number;
  /** Shares of the width by place along the line (see drawing.ts); left out where it is even. */
  readonly profile?: number[];
}

/** Lines keep this close to the ink's middle, in pixels. */
const TOLERANCE = 0.7;
const CORNER = (38 * Math.PI) / 180;

export function centreLinesOf(graph: Graph, inked: Inked): TracedLine[] {
  const paths = pathsOf(graph);
  const meeting = meetingOf(graph, paths);
  const lines = paths.map((path) => {
    const samples = samplesAlong(path, meeting, inked);
    return lineAlong(samples, path.closed) ?? directLine(path, meeting);
  });
  const met = withEndsMet(paths, lines, meeting);
  const dots = graph.dots.map(({ at, radius }) => dotAt(at, radius));
  return [...met.filter((line) => line !== undefined), ...dots];
}

function meetingOf({ nodes, branches }: Graph, paths: readonly Path[]): Meeting {
  const degree = new Uint32Array(nodes.length);
  const through = new Uint32Array(nodes.length);
  for (const { from, to } of branches) {
    if (from >= 0) degree[from]++;
    if (to >= 0) degree[to]++;
  }
  for (const path of paths) for (const node of nodesWithin(path)) through[node]++;
  return { nodes, degree, through };
}

/** The nodes a path goes on through. */
const nodesWithin = ({ branches, closed }: Path): number[] =>
  branches.map(({ to }) => to).filter((to, k) => to >= 0 && (closed || k < branches.length - 1));

/** A path too short to sample goes straight from node to node. */
function directLine({ branches, closed }: Path, { nodes }: Meeting): TracedLine | undefined {
  const [from, to] = [branches[0].from, branches[branches.length - 1].to];
  if (closed || from < 0 || from === to) return undefined;
  const [a, b] = [nodes[from], nodes[to]];
  return { points: polyline([a.at, b.at]), closed: false, width: 2 * Math.min(a.radius, b.radius) };
}

function lineAlong(samples: readonly TraceSample[], closed: boolean): TracedLine | undefined {
  const spaced = everySoFar(samples);
  if (spaced.length < 2) return undefined;
  const mean = spaced.reduce((sum, { width }) => sum + width, 0) / spaced.length;
  const cornered = withTrueCorners(spaced, closed, mean);
  const points = fitWithCorners(
    cornered.samples.map(({ at }) => at),
    cornered.corners,
    closed,
    TOLERANCE,
  );
  if (points.length < 8) return undefined;
  return { points, closed, ...widthAlong(cornered.samples, closed) };
}

const SPACING = 1.5;

/** About every so many pixels a sample is enough; the ends stay. */
function everySoFar(samples: readonly TraceSample[]): TraceSample[] {
  const kept: TraceSample[] = [];
  samples.forEach((sample, i) => {
    const last = kept[kept.length - 1];
    if (last && i < samples.length - 1 && distance(last.at, sample.at) < SPACING) return;
    if (last && i === samples.length - 1 && kept.length > 1 && distance(last.at, sample.at) < SPACING)
      kept.pop();
    kept.push(sample);
  });
  return kept;
}

/**
 * The skeleton cuts corners. About each, the samples within half a width go, and the corner is put where the line's
 * two sides would meet.
 */
function withTrueCorners(
  samples: readonly TraceSample[],
  closed: boolean,
  width: number,
): { samples: readonly TraceSample[]; corners: number[] } {
  const reach = Math.max(5, 1.4 * width);
  const found = cornersAmong(
    samples.map(({ at }) => at),
    closed,
    CORNER,
    reach,
  );
  if (found.length === 0) return { samples, corners: [] };
  const gone = new Set<number>();
  const moved = new Map<number, TraceSample>();
  for (const i of found) {
    const before = sideOf(samples, i, -1, closed, width);
    const after = sideOf(samples, i, 1, closed, width);
    const meet = before && after ? crossingOf(before.line, after.line) : undefined;
    if (!before || !after || !meet || distance(meet, samples[i].at) > width + 1) continue;
    for (const k of [...before.dropped, ...after.dropped]) if (!found.includes(k)) gone.add(k);
    moved.set(i, { at: meet, width: samples[i].width });
  }
  const corners: number[] = [];
  const kept: TraceSample[] = [];
  samples.forEach((sample, i) => {
    if (gone.has(i) && i > 0 && i < samples.length - 1) return;
    if (found.includes(i)) corners.push(kept.length);
    kept.push(moved.get(i) ?? sample);
  });
  return { samples: kept, corners };
}

interface Side {
  readonly line: readonly [Point, Point];
  readonly dropped: readonly number[];
}

/** The straight way a line takes from about half a width to about two from a corner. */
function sideOf(
  samples: readonly TraceSample[],
  i: number,
  way: 1 | -1,
  closed: boolean,
  width: number,
): Side | undefined {
  const n = samples.length;
  const dropped: number[] = [];
  let near: Point | undefined;
  let far: Point | undefined;
  for (let k = 1; k < n; k++) {
    const j = closed ? (((i + way * k) % n) + n) % n : i + way * k;
    if (j < 0 || j >= n) break;
    const { at } = samples[j];
    const apart = distance(at, samples[i].at);
    if (apart < 0.75 * width + 0.5) dropped.push(j);
    else near ??= at;
    if (near) far = at;
    if (apart > 1.5 * width + 4) break;
  }
  return near && far && distance(near, far) > 1.5 ? { line: [far, near], dropped } : undefined;
}

/** Where two straight lines meet; undefined when they hardly turn. */
function crossingOf([a, b]: readonly [Point, Point], [c, d]: readonly [Point, Point]): Point | undefined {
  const [ux, uy] = [b[0] - a[0], b[1] - a[1]];
  const [vx, vy] = [d[0] - c[0], d[1] - c[1]];
  const turn = ux * vy - uy * vx;
  if (Math.abs(turn) < 0.2 * Math.hypot(ux, uy) * Math.hypot(vx, vy)) return undefined;
  const t = ((c[0] - a[0]) * vy - (c[1] - a[1]) * vx) / turn;
  return [a[0] + ux * t, a[1] + uy * t];
}

/** Widths that differ by less than this part, or by so many pixels, are one. */
const EVEN = 0.07;
const EVEN_PIXELS = 0.5;

function widthAlong(samples: readonly TraceSample[], closed: boolean): Pick<TracedLine, "width" | "profile"> {
  const widths = calmed(
    samples.map(({ width }) => width),
    closed,
  );
  const mean = widths.reduce((sum, width) => sum + width, 0) / widths.length;
  const slack = Math.max(EVEN * mean, EVEN_PIXELS);
  if (widths.every((width) => Math.abs(width - mean) <= slack)) return { width: mean };
  const lengths = [0];
  for (let i = 1; i < samples.length; i++)
    lengths.push(lengths[i - 1] + distance(samples[i - 1].at, samples[i].at));
  const total = lengths[lengths.length - 1] || 1;
  const widest = Math.max(...widths);
  const profile = widths.flatMap((width, i) => [lengths[i] / total, width / widest]);
  return { width: widest, profile: simplerProfile(profile, (slack * 0.6) / widest) };
}

/** Each width as the middle one of five about it, then evened with its neighbours. */
function calmed(widths: readonly number[], closed: boolean): number[] {
  const n = widths.length;
  const at = (list: readonly number[], i: number) =>
    list[closed ? ((i % n) + n) % n : Math.max(0, Math.min(n - 1, i))];
  const middle = widths.map(
    (_, i) => [-2, -1, 0, 1, 2].map((k) => at(widths, i + k)).sort((a, b) => a - b)[2],
  );
  return middle.map((_, i) => (at(middle, i - 1) + 2 * at(middle, i) + at(middle, i + 1)) / 4);
}

/** Ends at a junction go straight on to the line that goes through it, or all to one place where none does. */
function withEndsMet(
  paths: readonly Path[],
  lines: readonly (TracedLine | undefined)[],
  { nodes, degree }: Meeting,
): (TracedLine | undefined)[] {
  const through = new Map<number, TracedLine[]>();
  paths.forEach((path, i) => {
    const line = lines[i];
    if (line) for (const node of nodesWithin(path)) through.set(node, [...(through.get(node) ?? []), line]);
  });
  return paths.map((path, i) => {
    const line = lines[i];
    if (!line || path.closed) return line;
    let { points } = line;
    for (const start of [true, false]) {
      const node = start ? path.branches[0].from : path.branches[path.branches.length - 1].to;
      if (degree[node] < 2) continue;
      const others = (through.get(node) ?? []).filter((other) => other !== line);
      points = withEndAt(points, start, endPlace(points, start, nodes[node], others));
    }
    return { ...line, points };
  });
}

/** How far beyond a junction's ink, in its half widths, an end may go on to meet a line. */
const ONWARD = 3;

function endPlace(
  points: readonly number[],
  start: boolean,
  node: GraphNode,
  others: readonly TracedLine[],
): Point {
  const chain = start ? reversed(points) : points;
  const n = chain.length;
  const tip: Point = [chain[n - 2], chain[n - 1]];
  const [dx, dy] = derivativeAt(chain, curveCount(chain) - 0.001);
  const length = Math.hypot(dx, dy) || 1;
  const most = ONWARD * node.radius + 4;
  let nearest = most;
  for (const { points: other } of others) {
    const flat = flatten(other, 0.1);
    for (let k = 0; k + 3 < flat.length; k += 2)
      nearest = Math.min(nearest, alongRay(tip, [dx / length, dy / length], flat, k));
  }
  if (nearest < most) return [tip[0] + (dx / length) * nearest, tip[1] + (dy / length) * nearest];
  return nearestOnLines(others, tip, most)?.at ?? node.at;
}

/** How far along a ray the piece of a flattened line at k lies; Infinity where it is missed. */
function alongRay([x, y]: Point, [dx, dy]: Point, flat: readonly number[], k: number): number {
  const [ax, ay] = [flat[k] - x, flat[k + 1] - y];
  const [bx, by] = [flat[k + 2] - x, flat[k + 3] - y];
  const sideA = dx * ay - dy * ax;
  const sideB = dx * by - dy * bx;
  if (sideA > 0 === sideB > 0) return Infinity;
  const t = sideA / (sideA - sideB);
  const far = (ax + (bx - ax) * t) * dx + (ay + (by - ay) * t) * dy;
  return far >= -1 ? far : Infinity;
}

function withEndAt(points: readonly number[], start: boolean, to: Point): number[] {
  const n = points.length;
  const tip: Point = start ? [points[0], points[1]] : [points[n - 2], points[n - 1]];
  if (distance(tip, to) < 1) return pulledEnd(points, start, to);
  return start ? [...polyline([to, tip]), ...points.slice(2)] : [...points, ...polyline([tip, to]).slice(2)];
}

/** A dot is a line of almost no length, whose round ends are what is seen. */
function dotAt([x, y]: Point, radius: number): TracedLine {
  const d = 0.05;
  return { points: [x - d, y, x - d / 3, y, x + d / 3, y, x + d, y], closed: false, width: 2 * radius };
}

/** The length of a traced line in pixels. */
export const lengthOf = ({ points }: TracedLine): number => arcLengthOf(points, 0.1).total;
