/** Branches joined into lines: through a junction a branch goes on into the one that lies straightest ahead. */
import { distance, type Point } from "../../geometry/point.ts";
import { type Branch, flipped, type Graph } from "./graph.ts";

/** A line as branches one after another, each walked from its `from` to its `to`. */
export interface Path {
  readonly branches: readonly Branch[];
  readonly closed: boolean;
}

/** One end of a branch at a node. */
interface BranchEnd {
  readonly branch: number;
  /** Whether the branch begins here. */
  readonly start: boolean;
  readonly node: number;
}

/** Branches that would have to turn further than this are lines of their own. */
const STRAIGHT = (50 * Math.PI) / 180;

export function pathsOf(graph: Graph): Path[] {
  const partner = partnersAt(graph);
  const used = new Set<number>();
  const paths: Path[] = [];
  graph.branches.forEach((branch, index) => {
    if (used.has(index)) return;
    if (branch.from < 0) {
      used.add(index);
      paths.push({ branches: [branch], closed: true });
      return;
    }
    paths.push(pathThrough(graph, index, partner, used));
  });
  return paths;
}

const keyOf = (branch: number, start: boolean): number => 2 * branch + (start ? 0 : 1);

/** For each end of a branch that goes on, the end of the branch it goes on into. */
function partnersAt({ nodes, branches }: Graph): Map<number, number> {
  const at = new Map<number, BranchEnd[]>();
  branches.forEach(({ from, to }, branch) => {
    for (const [node, start] of [
      [from, true],
      [to, false],
    ] as const) {
      if (node < 0) continue;
      const there = at.get(node);
      if (there) there.push({ branch, start, node });
      else at.set(node, [{ branch, start, node }]);
    }
  });
  const partner = new Map<number, number>();
  for (const [node, ends] of at) {
    if (ends.length < 2) continue;
    const ways = ends.map(({ branch, start }) => {
      const way = start ? branches[branch] : flipped(branches[branch]);
      return leavingDirection(way, nodes[node].at, nodes[node].radius);
    });
    const pairs = ends
      .flatMap((a, i) =>
        ends.slice(i + 1).map((b, k) => ({ a, b, turn: turnBetween(ways[i], ways[i + 1 + k]) })),
      )
      .filter(({ turn }) => turn <= STRAIGHT)
      .sort((p, q) => p.turn - q.turn);
    for (const { a, b } of pairs) {
      const [keyA, keyB] = [keyOf(a.branch, a.start), keyOf(b.branch, b.start)];
      if (partner.has(keyA) || partner.has(keyB)) continue;
      partner.set(keyA, keyB);
      partner.set(keyB, keyA);
    }
  }
  return partner;
}

/** The direction in which a branch leaves a node, beyond the ink that meets there. */
function leavingDirection({ pixels }: Branch, from: Point, radius: number): Point {
  const clear = radius + 1;
  const far = clear + Math.max(5, 2.5 * radius);
  let near: Point | undefined;
  let last: Point = from;
  for (let k = 0; k < pixels.length; k += 2) {
    last = [pixels[k], pixels[k + 1]];
    const out = distance(last, from);
    if (!near && out >= clear) near = last;
    if (out >= far) break;
  }
  const start = near && distance(near, last) > 2 ? near : from;
  const length = distance(start, last) || 1;
  return [(last[0] - start[0]) / length, (last[1] - start[1]) / length];
}

/** By how much a line turns that comes in against one direction and leaves by the other. */
const turnBetween = (a: Point, b: Point): number =>
  Math.acos(Math.max(-1, Math.min(1, -(a[0] * b[0] + a[1] * b[1]))));

function pathThrough(
  { branches }: Graph,
  index: number,
  partner: ReadonlyMap<number, number>,
  used: Set<number>,
): Path {
  used.add(index);
  const path: Branch[] = [branches[index]];
  const closed = extend(branches, path, keyOf(index, false), index, partner, used);
  if (closed) return { branches: path, closed };
  const back: Branch[] = [];
  extend(branches, back, keyOf(index, true), index, partner, used);
  return { branches: [...back.reverse().map(flipped), ...path], closed: false };
}

/** Adds the branches that follow an end, each walked away from it; true when they come back to the first. */
function extend(
  branches: readonly Branch[],
  path: Branch[],
  end: number,
  first: number,
  partner: ReadonlyMap<number, number>,
  used: Set<number>,
): boolean {
  let next = partner.get(end);
  while (next !== undefined) {
    const branch = next >> 1;
    const fromStart = (next & 1) === 0;
    if (branch === first) return true;
    if (used.has(branch)) return false;
    used.add(branch);
    path.push(fromStart ? branches[branch] : flipped(branches[branch]));
    next = partner.get(keyOf(branch, !fromStart));
  }
  return false;
}
