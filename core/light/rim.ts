/**
 * Rim light: along the edge of an outline that faces the lamp, a band pulled back from the edge, widest where it faces the
 * lamp most and tapering to its ends. The way an edge faces is that of the outline over a stretch as long as the band is wide,
 * so that no corner breaks it.
 */
import { distance, type Point } from "../geometry/point.ts";
import { ringArea } from "../geometry/polygon.ts";
import { fitWithCorners } from "../lines/fit.ts";
import type { Formed } from "./form-shade.ts";
import { directionFrom, type PlacedLamp } from "./lamp.ts";

export interface RimOptions {
  /** Where it is widest, and how far it stays back from the edge; page units. */
  readonly width: number;
  readonly gap: number;
  /** Light from behind: the edge that is turned away. */
  readonly behind?: boolean;
}

/** The cosine of the largest angle between an edge and the lamp. */
const FACING = 0.2;
/** Both together reach no farther in than this part of how thick the outline is on average. */
const DEEPEST = 0.6;
/** How densely an outline is sampled: one sample per this many rim widths, within these limits. */
const SPACING = 0.5;
const FEWEST = 32;
const MOST = 400;
/** A rim shorter than this many widths is a speck. */
const SHORTEST = 2;
const FIT = 0.06;

/** Closed chains of cubics, one for each stretch of the outer outline that faces the lamp. */
export function rimLight({ rings: [ring] }: Formed, lamp: PlacedLamp, options: RimOptions): number[][] {
  if (!ring || ring.length < 6) return [];
  const long = lengthOf(ring);
  const thick = (2 * Math.abs(ringArea(ring))) / (long || 1);
  const shrunk = Math.min(1, (DEEPEST * thick) / (options.width + options.gap || 1));
  const [width, gap] = [options.width * shrunk, options.gap * shrunk];
  if (!(width > 0)) return [];
  const count = Math.round(Math.max(FEWEST, Math.min(MOST, long / (SPACING * width))));
  const points = evenly(ring, long, count);
  const reach = Math.max(1, Math.round((width * count) / long));
  const inward = Math.sign(ringArea(ring)) || 1;
  const sign = options.behind ? -1 : 1;
  const normals = points.map((_, k): Point => {
    const [before, after] = [points[(k - reach + count) % count], points[(k + reach) % count]];
    const [tx, ty] = [after[0] - before[0], after[1] - before[1]];
    const length = Math.sqrt(tx * tx + ty * ty) || 1;
    return [(-ty / length) * inward, (tx / length) * inward];
  });
  const sharp = points.map((at, k) => {
    const [nx, ny] = normals[k];
    const [lx, ly] = directionFrom(lamp, at);
    const faces = -(nx * lx + ny * ly) * sign;
    const room = ROOM * radiusAt(normals, k, reach, long / count, inward);
    const back = Math.min(gap, room / 2);
    const thick = Math.min(width * smooth((faces - FACING) / (1 - FACING)), room - back);
    return { back, thick };
  });
  const even = Math.ceil(reach / 2);
  const backs = evened(
    sharp.map(({ back }) => back),
    even,
  );
  const thicks = evened(
    sharp.map(({ thick }) => thick),
    even,
  );
  const edges = points.map((at, k): Edge => ({ at, normal: normals[k], back: backs[k], thick: thicks[k] }));
  return runsOf(edges)
    .filter((run) => (run.length * long) / count > SHORTEST * width)
    .map((run) => bandOf(run, FIT * width));
}

/** Each value becomes the mean of those near it along the ring, so that no bend of the outline leaves a notch. */
function evened(values: readonly number[], reach: number): number[] {
  const count = values.length;
  let sum = 0;
  for (let k = -reach; k <= reach; k++) sum += values[(k + count) % count];
  return values.map((_, k) => {
    const mean = sum / (2 * reach + 1);
    sum += values[(k + reach + 1) % count] - values[(k - reach + count) % count];
    // What rounding leaves of nothing is nothing.
    return mean < 1e-9 ? 0 : mean;
  });
}

interface Edge {
  readonly at: Point;
  /** Inward. */
  readonly normal: Point;
  /** How far back it begins, and how far it reaches from there. */
  readonly back: number;
  readonly thick: number;
}

/** Both together stay within this part of the radius by which the outline bends inward, so that it does not fold over. */
const ROOM = 0.8;

/** The radius by which the outline bends around what it encloses; endless where it does not. */
function radiusAt(normals: readonly Point[], k: number, reach: number, step: number, inward: number): number {
  const count = normals.length;
  const [a, b] = [normals[(k - reach + count) % count], normals[(k + reach) % count]];
  const turn = Math.atan2(a[0] * b[1] - a[1] * b[0], a[0] * b[0] + a[1] * b[1]) * inward;
  return turn > 1e-6 ? (2 * reach * step) / turn : Number.POSITIVE_INFINITY;
}

const smooth = (t: number): number => {
  const u = Math.max(0, Math.min(1, t));
  return u * u * (3 - 2 * u);
};

const lengthOf = (ring: readonly number[]): number => {
  let long = 0;
  for (let i = 0, j = ring.length - 2; i < ring.length; j = i, i += 2)
    long += Math.hypot(ring[i] - ring[j], ring[i + 1] - ring[j + 1]);
  return long;
};

/** A number of places along a ring, evenly spaced. */
function evenly(ring: readonly number[], long: number, count: number): Point[] {
  const places: Point[] = [];
  let walked = 0;
  for (let i = 0; i < ring.length; i += 2) {
    const j = (i + 2) % ring.length;
    const step = Math.hypot(ring[j] - ring[i], ring[j + 1] - ring[i + 1]);
    while (places.length < count && (places.length * long) / count < walked + step) {
      const t = ((places.length * long) / count - walked) / step;
      places.push([ring[i] + (ring[j] - ring[i]) * t, ring[i + 1] + (ring[j + 1] - ring[i + 1]) * t]);
    }
    walked += step;
  }
  while (places.length < count) places.push([ring[0], ring[1]]);
  return places;
}

/** Stretches of the ring that have a thickness, each whole also where it runs over the ring's start. */
function runsOf(edges: readonly Edge[]): Edge[][] {
  const start = edges.findIndex(({ thick }) => thick === 0);
  const turned = start < 0 ? [...edges] : [...edges.slice(start), ...edges.slice(0, start)];
  const runs: Edge[][] = [];
  let open: Edge[] | undefined;
  for (const edge of turned) {
    if (edge.thick === 0) open = undefined;
    else if (open) open.push(edge);
    else {
      open = [edge];
      runs.push(open);
    }
  }
  return runs;
}

function bandOf(run: readonly Edge[], tolerance: number): number[] {
  const inset = ({ at, normal }: Edge, by: number): Point => [at[0] + normal[0] * by, at[1] + normal[1] * by];
  const near = run.map((edge) => inset(edge, edge.back));
  const far = run.map((edge) => inset(edge, edge.back + edge.thick)).reverse();
  const ring = [...near, ...far].filter((at, i, all) => i === 0 || distance(at, all[i - 1]) > tolerance / 8);
  const turn = ring.indexOf(near[near.length - 1]);
  return fitWithCorners(ring, turn > 0 ? [0, turn] : [0], true, tolerance);
}
