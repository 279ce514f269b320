/** Which pockets share borders, and how long those are. */
import { flatten } from "../geometry/cubic.ts";
import type { Pocket } from "./pockets.ts";

/** For each pocket the indices of its neighbours, the one with the longest common border first. */
export function longestNeighbours(pockets: readonly Pocket[]): number[][] {
  const indexOf = new Map(pockets.map(({ key }, index) => [key, index]));
  const shared = pockets.map(() => new Map<number, number>());
  const add = (a: number, b: number, length: number) => shared[a].set(b, (shared[a].get(b) ?? 0) + length);
  pockets.forEach(({ borders }, index) => {
    for (const { neighbour, chain } of borders) {
      const other = indexOf.get(neighbour);
      if (other === undefined) continue;
      const length = lengthOf(chain);
      add(index, other, length);
      add(other, index, length);
    }
  });
  return shared.map((lengths) => [...lengths].sort((a, b) => b[1] - a[1]).map(([index]) => index));
}

function lengthOf(chain: readonly number[]): number {
  const size = Math.abs(chain[chain.length - 2] - chain[0]) + Math.abs(chain[chain.length - 1] - chain[1]);
  const flat = flatten(chain, size / 50 || 1);
  let length = 0;
  for (let k = 2; k < flat.length; k += 2)
    length += Math.hypot(flat[k] - flat[k - 2], flat[k + 1] - flat[k - 1]);
  return length;
}
