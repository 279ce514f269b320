/** Path2D of chains, made once for each. */
import { walkChain } from "#core/geometry/walk.ts";

type Chains = readonly (readonly number[])[];
const open = new WeakMap<object, Path2D>();
const closedOnes = new WeakMap<object, Path2D>();

/** The path of a list of chains. */
export const pathOf = (chains: Chains, closed: boolean): Path2D => kept(chains, chains, closed);

/** The path of one chain of the drawing. */
export const chainPath = (chain: readonly number[], closed: boolean): Path2D => kept(chain, [chain], closed);

function kept(key: object, chains: Chains, closed: boolean): Path2D {
  const paths = closed ? closedOnes : open;
  const known = paths.get(key);
  if (known) return known;
  const path = new Path2D();
  for (const chain of chains) walkChain(path, chain, closed);
  paths.set(key, path);
  return path;
}
