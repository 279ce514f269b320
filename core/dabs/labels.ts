/**
 * Which colour each piece of free space takes from the dabs in it. Within a chamber colour spreads from its dabs across gates
 * from the costliest down, and stops where it meets another colour: each triangle goes to the dab that it is joined to by the
 * way whose cheapest gate is dearest. This is a minimum spanning forest rooted in the dabs, the watershed cut of Cousty, Bertrand,
 * Najman and Couprie, "Watershed cuts: minimum spanning forests and the drop of water principle" (2009); on one graph it is the
 * limit of multiway cuts as costs are raised to higher powers (Allène, Audibert, Couprie and Keriven, "Some links between extremum
 * spanning forests, watersheds and min-cuts", 2010). It needs no flow, does not depend on the order of dabs, and more of a
 * colour never takes area from it. Scribbles as soft constraints: Sýkora, Dingliana and Collins, "LazyBrush" (2009); colour that
 * spreads over a triangulation of loose strokes: Parakkat, Memari and Cani, "Delaunay painting" (2022).
 */
import { UnionFind } from "../geometry/union-find.ts";
import { triangleOf } from "../pockets/free-space.ts";
import type { DabSpace } from "./dab-space.ts";
import type { Touch } from "./touches.ts";

/** No dab has to do with it. */
const UNTOUCHED = -1;
/** It is kept bare. Colours have labels from 1. */
export const BARE = 0;

export interface LabelledTouch {
  /** BARE, or a colour's. */
  readonly label: number;
  readonly touch: Touch;
  readonly firm: boolean;
}

export interface Spreading {
  /** Page units: gates wider than this are never closed, but for firm dabs. */
  readonly reach: number;
  /** Whether all around the drawing is kept bare. */
  readonly bareBorder: boolean;
}

/** The label of every triangle. `chambers` are those of the same reach. */
export function labelsOf(
  dabSpace: DabSpace,
  chambers: UnionFind,
  touches: readonly LabelledTouch[],
  { reach, bareBorder }: Spreading,
): Int32Array {
  const { space, gates } = dabSpace;
  const claims = claimsByTriangle(dabSpace, touches, bareBorder);
  const sets = runTogether(dabSpace, claims, reach);
  const label = settled(sets, claims, space.room.length);
  for (let k = 0; k < gates.length; k++) {
    const e = gates[k];
    const [s, t] = [triangleOf(e), triangleOf(space.mesh.twins[e])];
    const [a, b] = [sets.find(s), sets.find(t)];
    if (a === b || chambers.find(s) !== chambers.find(t)) continue;
    if (label[a] >= 0 && label[b] >= 0 && label[a] !== label[b]) continue;
    if (label[a] >= 0) sets.join(a, b);
    else sets.join(b, a);
  }
  return label.map((_, t) => label[sets.find(t)]);
}

/** What dabs say of a triangle, or of several that run together. */
interface Claim {
  /** How much of each label lies there. */
  readonly weights: Map<number, number>;
  /** The label that must be obeyed; UNTOUCHED for none. */
  firm: number;
}

/** By triangle, where there is any. */
type Claims = Map<number, Claim>;

function claimsByTriangle(
  { space }: DabSpace,
  touches: readonly LabelledTouch[],
  bareBorder: boolean,
): Claims {
  const claims: Claims = new Map();
  const claimAt = (t: number): Claim => {
    const known = claims.get(t) ?? { weights: new Map(), firm: UNTOUCHED };
    claims.set(t, known);
    return known;
  };
  if (bareBorder)
    for (let t = 0; t < space.room.length; t++) if (space.room[t] === Infinity) claimAt(t).firm = BARE;
  for (const { label, touch, firm } of touches)
    for (const [t, weight] of touch) {
      const claim = claimAt(t);
      claim.weights.set(label, (claim.weights.get(label) ?? 0) + weight);
      if (firm) claim.firm = stronger(claim.firm, label);
    }
  return claims;
}

/** Of two labels that must both be obeyed in one place, where nothing can part them: a colour, and of two the first. */
const stronger = (a: number, b: number): number => (Math.min(a, b) > BARE ? Math.min(a, b) : Math.max(a, b));

/** Joins across gates wider than the reach, except between claims that must both be obeyed. */
function runTogether({ space, gates }: DabSpace, claims: Claims, reach: number): UnionFind {
  const sets = new UnionFind(space.room.length);
  if (reach === Infinity) return sets;
  const firm = new Int32Array(space.room.length).fill(UNTOUCHED);
  for (const [t, claim] of claims) firm[t] = claim.firm;
  for (let k = 0; k < gates.length; k++) {
    const e = gates[k];
    if (space.width[e] <= reach) continue;
    const [a, b] = [sets.find(triangleOf(e)), sets.find(triangleOf(space.mesh.twins[e]))];
    if (a === b || (firm[a] >= 0 && firm[b] >= 0 && firm[a] !== firm[b])) continue;
    const [winner, loser] = firm[a] >= 0 ? [a, b] : [b, a];
    sets.join(winner, loser);
  }
  return sets;
}

/** The label of each set by its root: the one that must be obeyed, else the one most of which lies there. */
function settled(sets: UnionFind, claims: Claims, count: number): Int32Array {
  const together: Claims = new Map();
  for (const [t, { weights, firm }] of claims) {
    const root = sets.find(t);
    const all = together.get(root) ?? { weights: new Map(), firm };
    all.firm = Math.max(all.firm, firm);
    for (const [label, weight] of weights) all.weights.set(label, (all.weights.get(label) ?? 0) + weight);
    together.set(root, all);
  }
  const label = new Int32Array(count).fill(UNTOUCHED);
  for (const [root, { weights, firm }] of together) label[root] = firm >= 0 ? firm : heaviest(weights);
  return label;
}

/** Of several equally heavy the lowest, so that it does not matter which dab came first. */
function heaviest(weights: ReadonlyMap<number, number>): number {
  let [best, most] = [UNTOUCHED, -1];
  for (const [label, weight] of weights)
    if (weight > most || (weight === most && label < best)) [best, most] = [label, weight];
  return best;
}
