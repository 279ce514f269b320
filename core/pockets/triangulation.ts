/**
 * Constrained Delaunay triangulation: a Delaunay triangulation into which wanted edges are forced by flipping
 * whatever crosses them, then made Delaunay again around them.
 * Sloan, "A fast algorithm for generating constrained Delaunay triangulations", 1993.
 */
import Delaunator from "delaunator";

export interface Triangulation {
  /** Three corners a triangle; half-edge i leaves corner i, as in delaunator. */
  readonly triangles: Int32Array;
  /** The half-edge on the other side, or -1 on the hull. */
  readonly twins: Int32Array;
  /** 1 for half-edges that lie on a wanted edge. */
  readonly fixed: Uint8Array;
}

export const nextInTriangle = (e: number): number => (e % 3 === 2 ? e - 2 : e + 1);
export const previousInTriangle = (e: number): number => (e % 3 === 0 ? e + 2 : e - 1);

/** `xy` holds x, y of every vertex; `wanted` holds pairs of vertices and must not cross one another. */
export function triangulate(xy: Float64Array, wanted: Int32Array): Triangulation {
  return new Triangulator(xy, wanted).run();
}

class Triangulator {
  private readonly triangles: Int32Array;
  private readonly twins: Int32Array;
  /** One half-edge that leaves each vertex; -1 for vertices that coincide with others. */
  private readonly leaving: Int32Array;
  private readonly wantedKeys = new Set<number>();
  private readonly count: number;

  constructor(
    private readonly xy: Float64Array,
    private readonly wanted: Int32Array,
  ) {
    const { triangles, halfedges } = new Delaunator(xy);
    this.triangles = Int32Array.from(triangles);
    this.twins = Int32Array.from(halfedges);
    this.count = xy.length / 2;
    this.leaving = new Int32Array(this.count).fill(-1);
    for (let e = 0; e < this.triangles.length; e++) this.leaving[this.triangles[e]] = e;
    for (let k = 0; k < wanted.length; k += 2) this.wantedKeys.add(this.key(wanted[k], wanted[k + 1]));
  }

  run(): Triangulation {
    const { wanted } = this;
    for (let k = 0; k < wanted.length; k += 2) this.force(wanted[k], wanted[k + 1]);
    const fixed = new Uint8Array(this.triangles.length);
    for (let k = 0; k < wanted.length; k += 2) {
      const e = this.edgeBetween(wanted[k], wanted[k + 1]);
      if (e < 0) continue;
      fixed[e] = 1;
      if (this.twins[e] >= 0) fixed[this.twins[e]] = 1;
    }
    return { triangles: this.triangles, twins: this.twins, fixed };
  }

  private key(a: number, b: number): number {
    return a < b ? a * this.count + b : b * this.count + a;
  }

  private tip(e: number): number {
    return this.triangles[nextInTriangle(e)];
  }

  /** Positive when c lies to the left of a to b. */
  private turn(a: number, b: number, c: number): number {
    const { xy } = this;
    const ax = xy[2 * a];
    const ay = xy[2 * a + 1];
    return (xy[2 * b] - ax) * (xy[2 * c + 1] - ay) - (xy[2 * b + 1] - ay) * (xy[2 * c] - ax);
  }

  private crosses(a: number, b: number, c: number, d: number): boolean {
    return this.turn(a, b, c) * this.turn(a, b, d) < 0 && this.turn(c, d, a) * this.turn(c, d, b) < 0;
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
    for (const e of this.around(a)) {
      if (this.tip(e) === b) return e;
      const incoming = previousInTriangle(e);
      if (this.triangles[incoming] === b) return this.twins[incoming] >= 0 ? this.twins[incoming] : incoming;
    }
    return -1;
  }

  private force(a: number, b: number): void {
    if (this.edgeBetween(a, b) >= 0) return;
    const crossed = this.crossedBy(a, b);
    const made: [number, number][] = [];
    let patience = crossed.length * crossed.length + 16;
    while (crossed.length && patience-- > 0) {
      const [u, v] = crossed.shift()!;
      const e = this.edgeBetween(u, v);
      if (e < 0 || this.wantedKeys.has(this.key(u, v))) return;
      const [p, q] = this.opposite(e);
      if (!this.crosses(p, q, u, v)) {
        crossed.push([u, v]);
        continue;
      }
      this.flip(e);
      if (this.crosses(a, b, p, q)) crossed.push([p, q]);
      else made.push([p, q]);
    }
    this.restore(made);
  }

  /** The edges between a and b, in order, as pairs of vertices. */
  private crossedBy(a: number, b: number): [number, number][] {
    const found: [number, number][] = [];
    let e = -1;
    for (const leaving of this.around(a)) {
      const far = nextInTriangle(leaving);
      if (this.crosses(a, b, this.triangles[far], this.tip(far))) {
        e = far;
        break;
      }
    }
    while (e >= 0) {
      found.push([this.triangles[e], this.tip(e)]);
      const twin = this.twins[e];
      if (twin < 0 || found.length > this.count) break;
      const left = nextInTriangle(twin);
      const right = previousInTriangle(twin);
      if (this.triangles[right] === b) break;
      if (this.crosses(a, b, this.triangles[left], this.tip(left))) e = left;
      else if (this.crosses(a, b, this.triangles[right], this.tip(right))) e = right;
      else break;
    }
    return found;
  }

  private opposite(e: number): [number, number] {
    return [this.triangles[previousInTriangle(e)], this.triangles[previousInTriangle(this.twins[e])]];
  }

  /** Replaces the shared edge of two triangles by the other diagonal; its half-edge is then `previous(e)`. */
  private flip(a: number): void {
    const { triangles, twins, leaving } = this;
    const b = twins[a];
    const al = nextInTriangle(a);
    const ar = previousInTriangle(a);
    const br = nextInTriangle(b);
    const bl = previousInTriangle(b);
    const p0 = triangles[ar];
    const pr = triangles[a];
    const pl = triangles[al];
    const p1 = triangles[bl];
    triangles[a] = p1;
    triangles[b] = p0;
    this.link(a, twins[bl]);
    this.link(b, twins[ar]);
    this.link(ar, bl);
    leaving[pl] = al;
    leaving[pr] = br;
    leaving[p0] = ar;
    leaving[p1] = bl;
  }

  private link(a: number, b: number): void {
    this.twins[a] = b;
    if (b >= 0) this.twins[b] = a;
  }

  private restore(made: [number, number][]): void {
    let patience = made.length * 4;
    for (let changed = true; changed && patience-- > 0; ) {
      changed = false;
      for (const pair of made) {
        const [u, v] = pair;
        const e = this.edgeBetween(u, v);
        if (e < 0 || this.twins[e] < 0 || this.wantedKeys.has(this.key(u, v))) continue;
        const [p, q] = this.opposite(e);
        if (!this.crosses(p, q, u, v) || !this.inCircle(e, q)) continue;
        this.flip(e);
        pair[0] = p;
        pair[1] = q;
        changed = true;
      }
    }
  }

  /** Is q inside the circle through the triangle of half-edge e? */
  private inCircle(e: number, q: number): boolean {
    const { xy, triangles } = this;
    const [a, b, c] = [triangles[e], this.tip(e), triangles[previousInTriangle(e)]];
    const qx = xy[2 * q];
    const qy = xy[2 * q + 1];
    const lift = (v: number) => [xy[2 * v] - qx, xy[2 * v + 1] - qy];
    const [ax, ay] = lift(a);
    const [bx, by] = lift(b);
    const [cx, cy] = lift(c);
    const det =
      (ax * ax + ay * ay) * (bx * cy - by * cx) -
      (bx * bx + by * by) * (ax * cy - ay * cx) +
      (cx * cx + cy * cy) * (ax * by - ay * bx);
    return this.turn(a, b, c) > 0 ? det > 0 : det < 0;
  }
}
