/** Path2D of chains, made once for each. */
import { weakMapMemoize } from "reselect";
import { walkChain } from "#core/geometry/walk.ts";

type Chains = readonly (readonly number[])[];

/** The path of a list of chains. */
export const pathOf = weakMapMemoize((chains: Chains, closed: boolean): Path2D => made(chains, closed));

/** The path of one chain of the drawing. */
export const chainPath = weakMapMemoize(
  (chain: readonly number[], closed: boolean): Path2D => made([chain], closed),
);

function made(chains: Chains, closed: boolean): Path2D {
  const path = new Path2D();
  for (const chain of chains) walkChain(path, chain, closed);
  return path;
}
