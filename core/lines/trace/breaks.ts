/** Small breaks in the ink: where a line's tip faces another tip, or ink straight ahead, within a size. */
import { distance, type Point } from "../../geometry/point.ts";
import { type Branch, flipped, type Graph, type GraphNode } from "./graph.ts";
import type { Mask } from "./mask.ts";

/** A stretch of ink to be put in, in pixels. */
export interface Mend {
  readonly from: Point;
  readonly to: Point;
  readonly radius: number;
}

interface Tip {
  readonly node: number;
  readonly at: Point;
  readonly onward: Point;
  readonly radius: number;
}

/** Tips face one another when neither has to turn further than this. */
const FACING = Math.cos((40 * Math.PI) / 180);

export function mendsFor({ nodes, branches }: Graph, mask: Mask, size: number): Mend[] {
  const tips = tipsOf(nodes, branches);
  const taken = new Set<Tip>();
  const pairs = pairsAmong(tips, size).sort((a, b) => a.gap - b.gap);
  const mends: Mend[] = [];
  for (const { a, b } of pairs) {
    if (taken.has(a) || taken.has(b)) continue;
    taken.add(a);
    taken.add(b);
    mends.push({ from: a.at, to: b.at, radius: Math.min(a.radius, b.radius) });
  }
  for (const tip of tips) {
    const to = taken.has(tip) ? undefined : inkAhead(tip, mask, size);
    if (to) mends.push({ from: tip.at, to, radius: tip.radius });
  }
  return mends;
}

function tipsOf(nodes: readonly GraphNode[], branches: readonly Branch[]): Tip[] {
  const degree = new Uint32Array(nodes.length);
  for (const { from, to } of branches) {
    if (from >= 0) degree[from]++;
    if (to >= 0) degree[to]++;
  }
  const tips: Tip[] = [];
  for (const branch of branches)
    for (const way of [branch, flipped(branch)]) {
      if (way.from < 0 || degree[way.from] !== 1) continue;
      const { at, radius } = nodes[way.from];
      const back = placeAlong(way, Math.max(6, 3 * radius));
      const length = back ? distance(back, at) : 0;
      if (!back || length < 2) continue;
      tips.push({
        node: way.from,
        at,
        radius,
        onward: [(at[0] - back[0]) / length, (at[1] - back[1]) / length],
      });
    }
  return tips;
}

function placeAlong({ pixels }: Branch, steps: number): Point | undefined {
  if (pixels.length < 4) return undefined;
  const k = Math.min(pixels.length - 2, 2 * Math.round(steps));
  return [pixels[k], pixels[k + 1]];
}

function pairsAmong(tips: readonly Tip[], size: number): { a: Tip; b: Tip; gap: number }[] {
  const pairs: { a: Tip; b: Tip; gap: number }[] = [];
  const byX = [...tips].sort((p, q) => p.at[0] - q.at[0]);
  const widest = Math.max(0, ...tips.map(({ radius }) => radius));
  byX.forEach((a, i) => {
    for (let j = i + 1; j < byX.length && byX[j].at[0] - a.at[0] <= size + 2 * widest; j++) {
      const b = byX[j];
      const apart = distance(a.at, b.at);
      const gap = apart - a.radius - b.radius;
      if (gap <= size && faces(a, b, apart) && faces(b, a, apart)) pairs.push({ a, b, gap });
    }
  });
  return pairs;
}

const faces = (a: Tip, b: Tip, apart: number): boolean =>
  (a.onward[0] * (b.at[0] - a.at[0]) + a.onward[1] * (b.at[1] - a.at[1])) / (apart || 1) >= FACING;

/** Where ink lies straight ahead of a tip, beyond paper. */
function inkAhead(
  { at, onward, radius }: Tip,
  { width, height, data }: Mask,
  size: number,
): Point | undefined {
  let paper = false;
  for (let far = radius; far <= radius + size + 1; far += 0.5) {
    const x = Math.floor(at[0] + onward[0] * far);
    const y = Math.floor(at[1] + onward[1] * far);
    if (x < 0 || y < 0 || x >= width || y >= height) return undefined;
    const ink = data[y * width + x] === 1;
    if (!ink) paper = true;
    else if (paper) return [x + 0.5, y + 0.5];
  }
  return undefined;
}

/** Puts the ink in; changes the mask in place. */
export function mend({ width, height, data }: Mask, mends: readonly Mend[]): void {
  for (const { from, to, radius } of mends) {
    const [ax, ay] = from;
    const [dx, dy] = [to[0] - ax, to[1] - ay];
    const length = dx * dx + dy * dy || 1;
    const reach = radius + 0.5;
    const left = Math.max(1, Math.floor(Math.min(ax, to[0]) - reach));
    const right = Math.min(width - 2, Math.ceil(Math.max(ax, to[0]) + reach));
    const bottom = Math.min(height - 2, Math.ceil(Math.max(ay, to[1]) + reach));
    for (let y = Math.max(1, Math.floor(Math.min(ay, to[1]) - reach)); y <= bottom; y++)
      for (let x = left; x <= right; x++) {
        const px = x + 0.5 - ax;
        const py = y + 0.5 - ay;
        const t = Math.max(0, Math.min(1, (px * dx + py * dy) / length));
        if (Math.hypot(px - t * dx, py - t * dy) <= radius) data[y * width + x] = 1;
      }
  }
}
