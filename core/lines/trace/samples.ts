/**
 * Places along a traced line with the ink's width there, finer than pixels: at each pixel of the skeleton the grey
 * levels across the line are followed to the ink's edge on both sides.
 */
import { distance, type Point } from "../../geometry/point.ts";
import { type GraphNode, radiusAt } from "./graph.ts";
import { type Grey, sampled } from "./grey.ts";
import type { Path } from "./paths.ts";

export interface TraceSample {
  readonly at: Point;
  /** Width of the ink in pixels. */
  readonly width: number;
}

export interface Inked {
  readonly grey: Grey;
  readonly threshold: number;
  /** Squared distances to paper. */
  readonly squared: Int32Array;
}

/** What is known of the places where branches end or meet. */
export interface Meeting {
  readonly nodes: readonly GraphNode[];
  /** How many branch ends there are at each node. */
  readonly degree: ArrayLike<number>;
  /** How many lines go on through each node. */
  readonly through: ArrayLike<number>;
}

/**
 * Samples along a path. Near a junction the skeleton is drawn aside by the ink of the other lines: what lies there is
 * left out. Where two lines or more go on through one place, they have it in common.
 */
export function samplesAlong(path: Path, { nodes, degree, through }: Meeting, inked: Inked): TraceSample[] {
  const raw: Point[] = [];
  const kept: boolean[] = [];
  const shared = new Map<number, number>();
  path.branches.forEach((branch, k) => {
    const clear = clearSpan(branch, nodes, degree, inked);
    const isLast = k === path.branches.length - 1;
    for (let i = 0; i < branch.pixels.length; i += 2) {
      raw.push([branch.pixels[i], branch.pixels[i + 1]]);
      kept.push(i >= clear.from && i < clear.to);
    }
    if (branch.to >= 0 && (!isLast || path.closed) && through[branch.to] > 1)
      shared.set(raw.length, branch.to);
  });
  const samples: TraceSample[] = [];
  for (let i = 0; i <= raw.length; i++) {
    const node = shared.get(i);
    const last = samples[samples.length - 1];
    if (node !== undefined && last) samples.push({ at: nodes[node].at, width: last.width });
    if (i < raw.length && kept[i]) samples.push(refined(raw, i, path.closed, inked));
  }
  if (path.closed) return samples;
  const tip = (node: number): TraceSample[] =>
    degree[node] === 1 ? [{ at: nodes[node].at, width: 2 * nodes[node].radius }] : [];
  return [...tip(path.branches[0].from), ...samples, ...tip(path.branches[path.branches.length - 1].to)];
}

/** Beside a junction ink is wider than the line's own by more than this. */
const WIDER = 1.12;
const WIDER_PIXELS = 0.6;
/** No more of a branch is left out at either end. */
const MOST_LEFT_OUT = 0.4;

/** The part of a branch's pixels that no junction has drawn aside. */
function clearSpan(
  { from, to, pixels }: Path["branches"][number],
  nodes: readonly GraphNode[],
  degree: ArrayLike<number>,
  { grey, squared }: Inked,
): { from: number; to: number } {
  const n = pixels.length / 2;
  const radii = Array.from({ length: n }, (_, i) =>
    radiusAt(squared, Math.floor(pixels[2 * i + 1]) * grey.width + Math.floor(pixels[2 * i])),
  );
  const own = [...radii].sort((a, b) => a - b)[n >> 1] ?? 0;
  const drawnAside = (i: number, node: number) =>
    radii[i] > WIDER * own + WIDER_PIXELS ||
    distance([pixels[2 * i], pixels[2 * i + 1]], nodes[node].at) < nodes[node].radius + 0.5;
  const most = Math.floor(n * MOST_LEFT_OUT);
  const isJunction = (node: number) => node >= 0 && degree[node] > 1;
  let first = 0;
  while (isJunction(from) && first < most && drawnAside(first, from)) first++;
  let last = n;
  while (isJunction(to) && last > n - most && drawnAside(last - 1, to)) last--;
  return { from: 2 * first, to: 2 * last };
}

/** Directions are taken over this many pixels to either side. */
const LOOK = 4;

function refined(raw: readonly Point[], i: number, closed: boolean, inked: Inked): TraceSample {
  const { grey, squared } = inked;
  const [x, y] = raw[i];
  const radius = radiusAt(squared, Math.floor(y) * grey.width + Math.floor(x));
  const plain = { at: raw[i], width: 2 * radius };
  const look = Math.max(LOOK, Math.round(radius));
  const before = neighbour(raw, i - look, closed);
  const after = neighbour(raw, i + look, closed);
  const length = distance(before, after);
  if (length < 1) return plain;
  const [nx, ny] = [-(after[1] - before[1]) / length, (after[0] - before[0]) / length];
  const most = 1.6 * radius + 2.5;
  const left = edgeFrom(inked, x, y, nx, ny, most);
  const right = edgeFrom(inked, x, y, -nx, -ny, most);
  if (left === undefined || right === undefined) return plain;
  const aside = (left - right) / 2;
  if (Math.abs(aside) > 0.6 * radius + 0.7) return plain;
  return { at: [x + nx * aside, y + ny * aside], width: left + right };
}

const neighbour = (raw: readonly Point[], i: number, closed: boolean): Point => {
  const n = raw.length;
  return closed ? raw[((i % n) + n) % n] : raw[Math.max(0, Math.min(n - 1, i))];
};

const STEP = 0.5;

/** How far it is to where the level passes the threshold; undefined when that is not within `most`. */
function edgeFrom(
  { grey, threshold }: Inked,
  x: number,
  y: number,
  dx: number,
  dy: number,
  most: number,
): number | undefined {
  let before = sampled(grey, x, y);
  for (let far = STEP; far <= most; far += STEP) {
    const level = sampled(grey, x + dx * far, y + dy * far);
    if (level > threshold && before <= threshold)
      return far - STEP + (STEP * (threshold - before)) / (level - before || 1);
    before = level;
  }
  return undefined;
}
