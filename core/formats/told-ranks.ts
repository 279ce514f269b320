/**
 * The order of what lies over one another in a file of ours. It is that of the document; where the ranks it tells agree with that,
 * they stand, so that what the picture does not show, and creases, keep their places among the rest.
 */

/** A pour, shade or shape, ranked by where it came in the document. */
export interface Placed {
  readonly rank: number;
  readonly toldRank?: number;
  /** Everything that shares one lies on one sheet of one part. */
  readonly layer: string;
}

/** Gives the rank that something is to have. */
export function rankOf(placed: readonly Placed[]): (one: Pick<Placed, "rank" | "toldRank">) => number {
  return agrees(placed) ? ({ rank, toldRank }) => toldRank ?? rank : ({ rank }) => rank;
}

function agrees(placed: readonly Placed[]): boolean {
  const highest = new Map<string, number>();
  for (const { toldRank, layer } of [...placed].sort((a, b) => a.rank - b.rank)) {
    if (toldRank === undefined || toldRank < (highest.get(layer) ?? -Infinity)) return false;
    highest.set(layer, toldRank);
  }
  return true;
}
