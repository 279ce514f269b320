/**
 * A skeleton as a graph: branches of pixels between places where they end or meet. Junctions that a crossing has
 * pulled apart are drawn together again, and spurs that reach hardly beyond the ink's own width are pruned.
 */
import { distance, type Point } from "../../geometry/point.ts";
import type { Mask } from "./mask.ts";
import { TooFine } from "./too-fine.ts";

/** Where branches end or meet. */
export interface GraphNode {
  /** In pixels. */
  at: Point;
  /** Half the ink's width there. */
  radius: number;
}

/** A run of pixels from one node to another, or from nowhere back to where it began. */
export interface Branch {
  /** Node indices; -1 at both ends for a ring. */
  from: number;
  to: number;
  /** Pixel centres [x, y, …] between the nodes. */
  readonly pixels: readonly number[];
}

export interface Graph {
  readonly nodes: GraphNode[];
  readonly branches: Branch[];
  /** Nodes that stand alone. */
  readonly dots: readonly GraphNode[];
}

/** Half the ink's width at a pixel: from its centre to the edge between ink and paper. */
export const radiusAt = (squared: Int32Array, i: number): number =>
  Math.max(0.5, Math.sqrt(squared[i]) - 0.5);

/** A drawing of hatches as large as scans may be has some tens of thousands. */
const MOST_BRANCHES = 150_000;

/** Throws TooFine. */
export function graphOf(skeleton: Mask, squared: Int32Array): Graph {
  return new Walker(skeleton, squared).walk();
}

/** Near where it began, a walk has its own node beside it still: it is not back there before so many numbers. */
const SHORTEST_LOOP = 8;

class Walker {
  private readonly nodeOf: Int32Array;
  private readonly walked: Uint8Array;
  private readonly around: readonly number[];
  private readonly nodes: GraphNode[] = [];
  private readonly branches: Branch[] = [];
  private readonly dots: GraphNode[] = [];

  constructor(
    private readonly skeleton: Mask,
    private readonly squared: Int32Array,
  ) {
    const { width, data } = skeleton;
    this.nodeOf = new Int32Array(data.length).fill(-1);
    this.walked = new Uint8Array(data.length);
    // Straight neighbours come first, so that walks do not cut corners.
    this.around = [1, width, -1, -width, width + 1, width - 1, -width - 1, -width + 1];
  }

  walk(): Graph {
    const pixels = this.pixels();
    for (const i of pixels) if (this.nodeOf[i] < 0 && this.isNode(i)) this.addNode(i);
    for (const i of pixels) if (this.nodeOf[i] >= 0) this.walkFrom(i);
    for (const i of pixels) if (this.nodeOf[i] < 0 && !this.walked[i]) this.walkRing(i);
    return { nodes: this.nodes, branches: this.branches, dots: this.dots };
  }

  private pixels(): number[] {
    const found: number[] = [];
    const { data } = this.skeleton;
    for (let i = 0; i < data.length; i++) if (data[i]) found.push(i);
    return found;
  }

  private neighbours(i: number): number[] {
    return this.around.map((step) => i + step).filter((j) => this.skeleton.data[j]);
  }

  /** Ends, lone dots, and pixels where three ways or more part. */
  private isNode(i: number): boolean {
    const near = this.neighbours(i);
    return near.length < 2 || waysFrom(near, this.skeleton.width) > 2;
  }

  /** A node of all node pixels that touch one another. */
  private addNode(first: number): void {
    const node = this.nodes.length;
    const cluster = [first];
    this.nodeOf[first] = node;
    for (let k = 0; k < cluster.length; k++)
      for (const j of this.neighbours(cluster[k]))
        if (this.nodeOf[j] < 0 && this.isNode(j)) {
          this.nodeOf[j] = node;
          cluster.push(j);
        }
    const widest = Math.max(...cluster.map((i) => this.squared[i]));
    const middle = cluster.map((i) => this.centre(i));
    const place: GraphNode = {
      at: [
        middle.reduce((sum, [x]) => sum + x, 0) / cluster.length,
        middle.reduce((sum, [, y]) => sum + y, 0) / cluster.length,
      ],
      radius: Math.max(0.5, Math.sqrt(widest) - 0.5),
    };
    this.nodes.push(place);
    if (cluster.every((i) => this.neighbours(i).every((j) => this.nodeOf[j] === node))) this.dots.push(place);
  }

  private centre(i: number): Point {
    const { width } = this.skeleton;
    return [(i % width) + 0.5, Math.floor(i / width) + 0.5];
  }

  private addBranch(branch: Branch): void {
    if (this.branches.length === MOST_BRANCHES) throw new TooFine(MOST_BRANCHES);
    this.branches.push(branch);
  }

  private walkFrom(i: number): void {
    const from = this.nodeOf[i];
    for (const j of this.neighbours(i)) {
      if (this.nodeOf[j] >= 0 || this.walked[j]) continue;
      const pixels: number[] = [];
      const to = this.follow(j, i, from, pixels);
      this.addBranch({ from, to: to ?? this.endNode(pixels), pixels });
    }
  }

  /** Walks on from pixel i, come from `before`, to the next node; undefined where there is none. */
  private follow(i: number, before: number, from: number, pixels: number[]): number | undefined {
    let here = i;
    let last = before;
    for (;;) {
      this.walked[here] = 1;
      pixels.push(...this.centre(here));
      const near = this.neighbours(here);
      const isBack = (node: number) => node === from && pixels.length < SHORTEST_LOOP;
      const node = near.find((j) => this.nodeOf[j] >= 0 && !isBack(this.nodeOf[j]));
      if (node !== undefined) return this.nodeOf[node];
      const next = near.find((j) => j !== last && this.nodeOf[j] < 0 && !this.walked[j]);
      if (next === undefined)
        return near.some((j) => this.nodeOf[j] === from && j !== last) ? from : undefined;
      last = here;
      here = next;
    }
  }

  /** A walk that meets no node ends in one of its own, at its last pixel. */
  private endNode(pixels: readonly number[]): number {
    const at: Point = [pixels[pixels.length - 2], pixels[pixels.length - 1]];
    const i = Math.floor(at[1]) * this.skeleton.width + Math.floor(at[0]);
    this.nodes.push({ at, radius: radiusAt(this.squared, i) });
    return this.nodes.length - 1;
  }

  private walkRing(i: number): void {
    const pixels: number[] = [];
    this.follow(i, -1, -1, pixels);
    this.addBranch({ from: -1, to: -1, pixels });
  }
}

/** How many branches leave a pixel with these neighbours: adjacent neighbours count as one branch. */
function waysFrom(near: readonly number[], width: number): number {
  const seen = new Set<number>();
  let ways = 0;
  for (const start of near) {
    if (seen.has(start)) continue;
    ways++;
    const stack = [start];
    seen.add(start);
    while (stack.length > 0) {
      const i = stack.pop()!;
      for (const j of near) {
        const gap = Math.abs(i - j);
        if (seen.has(j) || (gap !== 1 && gap !== width)) continue;
        seen.add(j);
        stack.push(j);
      }
    }
  }
  return ways;
}

/** A spur whose tip reaches less than this part of the ink's half width beyond its junction is the ink's own bulge. */
const SPUR = 0.9;
const SPUR_PIXELS = 1.5;
/** A branch between two junctions shorter than this part of their half widths is a crossing pulled apart. */
const PULLED_APART = 1.1;

/** Prunes and draws together until nothing changes. */
export function cleaned(graph: Graph): Graph {
  let { branches } = graph;
  const { nodes } = graph;
  for (let before = -1; before !== branches.length; ) {
    before = branches.length;
    branches = pruned(nodes, branches);
    branches = passedThrough(nodes, branches);
    branches = drawnTogether(nodes, branches);
  }
  return { ...graph, branches };
}

function degrees(nodes: readonly GraphNode[], branches: readonly Branch[]): Uint32Array {
  const degree = new Uint32Array(nodes.length);
  for (const { from, to } of branches) {
    if (from >= 0) degree[from]++;
    if (to >= 0) degree[to]++;
  }
  return degree;
}

/** The spurs at a junction go together, so that what is left ends in the middle of the ink there. */
function pruned(nodes: readonly GraphNode[], branches: readonly Branch[]): Branch[] {
  const degree = degrees(nodes, branches);
  const spursAt = new Map<number, { branch: Branch; reach: number }[]>();
  for (const branch of branches) {
    const { from, to } = branch;
    if (from < 0 || from === to || Math.min(degree[from], degree[to]) !== 1) continue;
    const [tip, root] = degree[from] === 1 ? [from, to] : [to, from];
    if (degree[root] < 3) continue;
    const length = distance(nodes[tip].at, nodes[root].at);
    const reach = length + nodes[tip].radius - nodes[root].radius;
    if (reach >= SPUR * nodes[root].radius + SPUR_PIXELS) continue;
    const spurs = spursAt.get(root);
    if (spurs) spurs.push({ branch, reach });
    else spursAt.set(root, [{ branch, reach }]);
  }
  const gone = new Set<Branch>();
  for (const [root, spurs] of spursAt) {
    // A blot of nothing but spurs keeps its longest two, as a line.
    const kept = spurs.length === degree[root] ? 2 : 0;
    for (const { branch } of spurs.sort((a, b) => b.reach - a.reach).slice(kept)) gone.add(branch);
  }
  return branches.filter((branch) => !gone.has(branch));
}

/** Where just two branches meet, they are one. */
function passedThrough(nodes: readonly GraphNode[], branches: readonly Branch[]): Branch[] {
  const at: (Branch[] | undefined)[] = new Array(nodes.length);
  const live = new Set(branches);
  for (const branch of branches)
    for (const node of [branch.from, branch.to]) {
      if (node < 0) continue;
      const there = at[node];
      if (there) there.push(branch);
      else at[node] = [branch];
    }
  at.forEach((there, node) => {
    if (there?.length !== 2) return;
    const [a, b] = there;
    if (a === b) {
      live.delete(a);
      live.add({ from: -1, to: -1, pixels: [...nodes[node].at, ...a.pixels] });
      return;
    }
    const joined = joinedAt(node, a, b, nodes[node].at);
    live.delete(a);
    live.delete(b);
    live.add(joined);
    for (const end of [joined.from, joined.to]) {
      const others = at[end];
      if (others) at[end] = others.map((other) => (other === a || other === b ? joined : other));
    }
  });
  return [...live];
}

function joinedAt(node: number, a: Branch, b: Branch, at: Point): Branch {
  const first = a.to === node ? a : flipped(a);
  const second = b.from === node ? b : flipped(b);
  return { from: first.from, to: second.to, pixels: [...first.pixels, ...at, ...second.pixels] };
}

export function flipped({ from, to, pixels }: Branch): Branch {
  const back: number[] = [];
  for (let k = pixels.length - 2; k >= 0; k -= 2) back.push(pixels[k], pixels[k + 1]);
  return { from: to, to: from, pixels: back };
}

function drawnTogether(nodes: GraphNode[], branches: readonly Branch[]): Branch[] {
  const degree = degrees(nodes, branches);
  const into = nodes.map((_, i) => i);
  const rootOf = (i: number): number => {
    let root = i;
    while (into[root] !== root) root = into[root];
    return root;
  };
  const gone = new Set<Branch>();
  for (const branch of branches) {
    const { from, to, pixels } = branch;
    if (from < 0 || from === to || degree[from] < 3 || degree[to] < 3) continue;
    const [a, b] = [rootOf(from), rootOf(to)];
    const length = pixels.length / 2 + 1;
    if (a === b || length > PULLED_APART * Math.max(nodes[from].radius, nodes[to].radius)) continue;
    into[b] = a;
    gone.add(branch);
    nodes[a] = {
      at: [(nodes[a].at[0] + nodes[b].at[0]) / 2, (nodes[a].at[1] + nodes[b].at[1]) / 2],
      radius: Math.max(nodes[a].radius, nodes[b].radius),
    };
  }
  return branches
    .filter((branch) => !gone.has(branch))
    .map((branch) => ({
      ...branch,
      from: branch.from < 0 ? -1 : rootOf(branch.from),
      to: branch.to < 0 ? -1 : rootOf(branch.to),
    }));
}
