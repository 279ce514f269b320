/** Which pockets share borders, and how long those are. */
import { flatten } from "../geometry/cubic.ts";
import type { Pocket } from "./pockets.ts";

/** Indices of the pockets that border on one, the one with the longest common border first. */
export function longestNeighbours(pockets: readonly Pocket[], index: number): number[] {
  const beyond = neighboursOf(pockets)(index);
  const shared = new Map<number, number>();
  pockets[index].borders.forEach(({ chain }, k) => {
    if (beyond[k] >= 0) shared.set(beyond[k], (shared.get(beyond[k]) ?? 0) + lengthOf(chain));
  });
  return [...shared].sort((a, b) => b[1] - a[1]).map(([other]) => other);
}

const known = new WeakMap<readonly Pocket[], (index: number) => Int32Array>();

/** For each border of a pocket the index of the pocket beyond, or -1 where there is none. */
export function neighboursOf(pockets: readonly Pocket[]): (index: number) => Int32Array {
  const before = known.get(pockets);
  if (before) return before;
  const place = new Map(pockets.map(({ key }, index) => [key, index]));
  const found: (Int32Array | undefined)[] = [];
  const at = (index: number): Int32Array => {
    found[index] ??= Int32Array.from(pockets[index].borders, ({ neighbour }) => place.get(neighbour) ?? -1);
    return found[index];
  };
  known.set(pockets, at);
  return at;
}

function lengthOf(chain: readonly number[]): number {
  const size = Math.abs(chain[chain.length - 2] - chain[0]) + Math.abs(chain[chain.length - 1] - chain[1]);
  const flat = flatten(chain, size / 50 || 1);
  let length = 0;
  for (let k = 2; k < flat.length; k += 2)
    length += Math.hypot(flat[k] - flat[k - 2], flat[k + 1] - flat[k - 1]);
  return length;
}
