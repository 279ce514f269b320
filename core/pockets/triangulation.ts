/**
 * Constrained Delaunay triangulation: a Delaunay triangulation into which wanted edges are forced by flipping
 * whatever crosses them, then made Delaunay again between them.
 * Sloan, "A fast algorithm for generating constrained Delaunay triangulations", 1993. All is
 * decided exactly (triangle-mesh.ts): so a forced edge is always reached, however thin the triangles about it are.
 */
import Delaunator from "delaunator";
import { exactDelaunay } from "./exact-delaunay.ts";
import { nextInTriangle, previousInTriangle, TriangleMesh } from "./triangle-mesh.ts";
import { VertexPairs } from "./vertex-pairs.ts";

export interface Triangulation {
  /** Three corners a triangle; half-edge i leaves corner i, as in delaunator. */
  readonly triangles: Int32Array;
  /** The half-edge on the other side, or -1 on the hull. */
  readonly twins: Int32Array;
  /** 1 for half-edges that lie on a wanted edge. */
  readonly fixed: Uint8Array;
}

/**
 * `xy` holds x, y of every vertex; `wanted` holds pairs of vertices. One with vertices on its way is forced piece by
 * piece; one that crosses another wanted before it is left out.
 */
export function triangulate(xy: Float64Array, wanted: Int32Array): Triangulation {
  return new Triangulator(xy, wanted).run();
}

/** Delaunay triangles; recomputed exactly in the rare case that rounding made some overlap. */
function delaunay(xy: Float64Array): Pick<TriangleMesh, "triangles" | "twins"> {
  const { triangles, halfedges } = new Delaunator(xy);
  const { buffer, byteOffset, length } = triangles;
  const quick = { triangles: new Int32Array(buffer, byteOffset, length), twins: halfedges };
  const mesh = new TriangleMesh(xy, quick.triangles, quick.twins);
  for (let e = 0; e < triangles.length; e += 3)
    if (!(mesh.turn(triangles[e], triangles[e + 1], triangles[e + 2]) < 0)) return exactDelaunay(xy);
  return quick;
}

class Triangulator extends TriangleMesh {
  /** One half-edge that leaves each vertex; -1 for vertices that coincide with others. */
  private readonly leaving: Int32Array;
  /** Edges that have been forced: nothing flips them any more. */
  private readonly forced: VertexPairs;

  constructor(
    xy: Float64Array,
    private readonly wanted: Int32Array,
  ) {
    const { triangles, twins } = delaunay(xy);
    super(xy, triangles, twins);
    const count = xy.length / 2;
    this.forced = new VertexPairs(count);
    this.leaving = new Int32Array(count).fill(-1);
    for (let e = 0; e < triangles.length; e++) this.leaving[triangles[e]] = e;
  }

  run(): Triangulation {
    const { wanted } = this;
    const fixed = new Uint8Array(this.triangles.length);
    for (let k = 0; k < wanted.length; k += 2) this.force(wanted[k], wanted[k + 1]);
    this.makeDelaunay();
    this.forced.each((a, b) => {
      const e = this.edgeBetween(a, b);
      fixed[e] = 1;
      if (this.twins[e] >= 0) fixed[this.twins[e]] = 1;
    });
    return { triangles: this.triangles, twins: this.twins, fixed };
  }

  /** Whether c, on the line through a and b, lies ahead of a. */
  private isAhead(a: number, b: number, c: number): boolean {
    const { xy } = this;
    const [dx, dy] = [xy[2 * b] - xy[2 * a], xy[2 * b + 1] - xy[2 * a + 1]];
    return dx * (xy[2 * c] - xy[2 * a]) + dy * (xy[2 * c + 1] - xy[2 * a + 1]) > 0;
  }

  /** All half-edges that leave v. */
  private *around(v: number): Generator<number> {
    const first = this.leaving[v];
    if (first < 0) return;
    let e = first;
    do {
      yield e;
      e = this.twins[previousInTriangle(e)];
    } while (e >= 0 && e !== first);
    if (e === first) return;
    e = this.twins[first];
    while (e >= 0) {
      const leaving = nextInTriangle(e);
      yield leaving;
      e = this.twins[leaving];
    }
  }

  /** The half-edge from a to b, or from b to a on the hull; -1 when there is none. */
  private edgeBetween(a: number, b: number): number {
    const { triangles, twins } = this;
    const first = this.leaving[a];
    let e = first;
    while (e >= 0) {
      if (this.tip(e) === b) return e;
      const incoming = previousInTriangle(e);
      e = twins[incoming];
      if (triangles[incoming] === b) return e >= 0 ? e : incoming;
      if (e === first) return -1;
    }
    // On the hull there is a way round on either side.
    for (e = first < 0 ? -1 : twins[first]; e >= 0; ) {
      e = nextInTriangle(e);
      if (this.tip(e) === b) return e;
      const incoming = previousInTriangle(e);
      if (triangles[incoming] === b) return twins[incoming] >= 0 ? twins[incoming] : incoming;
      e = twins[e];
    }
    return -1;
  }

  /** Goes from vertex to vertex on the straight way, each nearer to its end than the one before. */
  private force(from: number, to: number): void {
    let a = from;
    while (a !== to && this.leaving[a] >= 0) {
      if (this.edgeBetween(a, to) >= 0) {
        this.forced.add(a, to);
        return;
      }
      const { crossed, reached } = this.way(a, to);
      // A vertex that coincides with others is in no triangle: the way leads past its place.
      if (reached < 0 || (reached !== to && !this.isBetween(a, reached, to))) return;
      if (crossed.some(([u, v]) => this.forced.has(u, v))) return;
      if (!this.clear(a, reached, crossed)) return;
      this.forced.add(a, reached);
      a = reached;
    }
  }

  /** Whether a vertex on the line from a to b lies before b. */
  private isBetween(a: number, v: number, b: number): boolean {
    const { xy } = this;
    const [dx, dy] = [xy[2 * b] - xy[2 * a], xy[2 * b + 1] - xy[2 * a + 1]];
    return dx * (xy[2 * b] - xy[2 * v]) + dy * (xy[2 * b + 1] - xy[2 * v + 1]) > 0;
  }

  /** Flips edges out of the way from a to b until there is an edge between the two; false where none of them can be flipped. */
  private clear(a: number, b: number, crossed: [number, number][]): boolean {
    let waiting = 0;
    while (crossed.length > 0) {
      const [u, v] = crossed.shift()!;
      const e = this.edgeBetween(u, v);
      if (e < 0 || this.twins[e] < 0 || waiting > crossed.length) return false;
      const [p, q] = this.opposite(e);
      // What is not strictly convex can be flipped once others have been.
      if (!this.crosses(p, q, u, v)) {
        crossed.push([u, v]);
        waiting++;
        continue;
      }
      waiting = 0;
      this.flip(e);
      if (this.crosses(a, b, p, q)) crossed.push([p, q]);
    }
    return true;
  }

  /** The edges, as pairs of vertices, on the straight way from a to the first vertex on it towards b; that is -1 where there is none. */
  private way(a: number, b: number): { crossed: [number, number][]; reached: number } {
    const crossed: [number, number][] = [];
    let e = -1;
    for (const leaving of this.around(a)) {
      const far = nextInTriangle(leaving);
      const [p, q] = [this.triangles[far], this.tip(far)];
      for (const near of [p, q])
        if (near === b || (this.turn(a, b, near) === 0 && this.isAhead(a, b, near)))
          return { crossed, reached: near };
      if (this.crosses(a, b, p, q)) e = far;
    }
    // No straight way crosses more edges than there are.
    while (e >= 0 && crossed.length < this.triangles.length) {
      crossed.push([this.triangles[e], this.tip(e)]);
      const twin = this.twins[e];
      if (twin < 0) break;
      const [left, right] = [nextInTriangle(twin), previousInTriangle(twin)];
      const met = this.triangles[right];
      if (met === b || this.turn(a, b, met) === 0) return { crossed, reached: met };
      e = this.crosses(a, b, this.triangles[left], met) ? left : right;
    }
    return { crossed, reached: -1 };
  }

  override flip(a: number): void {
    const { leaving } = this;
    const b = this.twins[a];
    const [from, to] = [this.triangles[a], this.tip(a)];
    const [p, q] = this.opposite(a);
    super.flip(a);
    leaving[to] = nextInTriangle(a);
    leaving[from] = nextInTriangle(b);
    leaving[p] = previousInTriangle(a);
    leaving[q] = previousInTriangle(b);
  }

  /** Flips edges that are not forced until none has a vertex within the circle across it (Lawson, 1977). */
  private makeDelaunay(): void {
    const doubtful: [number, number][] = [];
    for (let e = 0; e < this.triangles.length; e++) {
      if (this.twins[e] <= e) continue;
      if (this.inCircle(e, this.beyond(e))) doubtful.push([this.triangles[e], this.tip(e)]);
    }
    while (doubtful.length > 0) {
      const [u, v] = doubtful.pop()!;
      const e = this.edgeBetween(u, v);
      if (e < 0 || this.twins[e] < 0 || this.forced.has(u, v)) continue;
      const [p, q] = this.opposite(e);
      if (!this.crosses(p, q, u, v) || !this.inCircle(e, q)) continue;
      this.flip(e);
      doubtful.push([u, p], [p, v], [v, q], [q, u]);
    }
  }
}
