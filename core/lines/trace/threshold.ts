/**
 * The level that parts ink from paper. Otsu, "A threshold selection method from gray-level histograms", 1979, finds
 * the two; the level itself is halfway between ink and paper, where the true edge of a blurred line lies. Pencil, in
 * between, then falls to the paper.
 */
import type { Grey } from "./grey.ts";

export function automaticThreshold({ data }: Grey): number {
  const counts = new Float64Array(256);
  for (let i = 0; i < data.length; i++) counts[data[i]]++;
  const parted = otsu(counts);
  const ink = modeOf(counts, 0, parted);
  const paper = modeOf(counts, parted + 1, 255);
  return Math.round((ink + paper) / 2);
}

function otsu(counts: Float64Array): number {
  let all = 0;
  let sum = 0;
  for (let level = 0; level < 256; level++) {
    all += counts[level];
    sum += level * counts[level];
  }
  let below = 0;
  let sumBelow = 0;
  let best = 127;
  let most = -1;
  for (let level = 0; level < 255; level++) {
    below += counts[level];
    sumBelow += level * counts[level];
    if (below === 0 || below === all) continue;
    const apart = sumBelow / below - (sum - sumBelow) / (all - below);
    const between = below * (all - below) * apart * apart;
    if (between > most) {
      most = between;
      best = level;
    }
  }
  return best;
}

const SPREAD = 8;

/** The commonest level in a range, by counts smoothed over a few levels. */
function modeOf(counts: Float64Array, from: number, to: number): number {
  let best = (from + to) >> 1;
  let most = 0;
  for (let level = from; level <= to; level++) {
    let near = 0;
    for (let k = Math.max(from, level - SPREAD); k <= Math.min(to, level + SPREAD); k++) near += counts[k];
    if (near > most) {
      most = near;
      best = level;
    }
  }
  return best;
}
