/**
 * Chambers: pieces of free space that no opening divides. Gates are crossed from the costliest down, unless both sides are many
 * times as roomy as the gate is dear: a merge tree cut by persistence, as in pockets/free-space.ts.
 */
import { weakMapMemoize } from "reselect";
import { UnionFind } from "../geometry/union-find.ts";
import { triangleOf } from "../pockets/free-space.ts";
import type { DabSpace } from "./dab-space.ts";

/** How many times as roomy as a gate is dear both its sides must be to be chambers of their own. */
const ROOMY = 4;

/**
 * The chamber of every triangle, as disjoint sets. Gates wider than `reach` page units divide nothing. What lines enclose without a
 * gap is one chamber: a dab there is simply a pour.
 */
export const chambersOf = weakMapMemoize(
  ({ space, cost, gates, enclosed }: DabSpace, reach: number): UnionFind => {
    const sets = new UnionFind(space.room.length);
    const room = space.room.slice();
    for (let k = 0; k < gates.length; k++) {
      const e = gates[k];
      const a = sets.find(triangleOf(e));
      const b = sets.find(triangleOf(space.mesh.twins[e]));
      if (a === b) continue;
      const divides = space.width[e] <= reach && Math.min(room[a], room[b]) > ROOMY * cost[e];
      if (divides && !enclosed[triangleOf(e)]) continue;
      const [winner, loser] = room[a] >= room[b] ? [a, b] : [b, a];
      sets.join(winner, loser);
    }
    return sets;
  },
);
