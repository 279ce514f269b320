/** The invariants of every planar map (docs/pockets.md), for tests. */
import { UnionFind } from "../core/geometry/union-find.ts";
import { originOf, targetOf } from "../core/pockets/half-edges.ts";
import type { PlanarMap } from "../core/pockets/planar-map.ts";

/** Edges that are no repeats, each once, by their even half-edge. */
export function edgesOf({ noding, halfEdges }: PlanarMap): number[] {
  const found: number[] = [];
  for (let e = 0; e < noding.slotCount; e++) if (halfEdges.next[2 * e] >= 0) found.push(2 * e);
  return found;
}

/** Loops with their exact area in lattice steps squared, doubled; positive where they bound from outside. */
export function loopsOf(map: PlanarMap): { id: number; twice: bigint }[] {
  const { faces, halfEdges, noding } = map;
  const found: { id: number; twice: bigint }[] = [];
  for (let id = 0; id < faces.loopCount; id++) {
    const first = faces.some[id];
    if (first < 0) continue;
    let twice = 0n;
    let h = first;
    do {
      const [a, b] = [originOf(noding, h), targetOf(noding, h)];
      const [ax, ay, bx, by] = [noding.vx[a], noding.vy[a], noding.vx[b], noding.vy[b]].map(BigInt);
      twice += ax * by - bx * ay;
      h = halfEdges.next[h];
    } while (h !== first);
    found.push({ id, twice });
  }
  return found;
}

/** Euler's relation, V - E + F = 1 + C: what is left over, 0 when it holds. */
export function eulerRest(map: PlanarMap): number {
  const { noding } = map;
  const sets = new UnionFind(noding.vertexCount);
  const used = new Set<number>();
  const edges = edgesOf(map);
  for (const h of edges) {
    const [u, v] = [originOf(noding, h), targetOf(noding, h)];
    used.add(u).add(v);
    sets.unite(u, v);
  }
  const components = new Set([...used].map((v) => sets.find(v))).size;
  const enclosed = loopsOf(map).filter(({ twice }) => twice > 0n).length;
  return used.size - edges.length + enclosed + 1 - (1 + components);
}
