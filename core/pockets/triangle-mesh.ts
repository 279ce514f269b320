/**
 * Triangles over vertices, whose questions are answered exactly: which side a vertex lies on, and whether within a circle
 * (Shewchuk, "Adaptive precision floating-point arithmetic and fast robust geometric predicates", 1997).
 */
import { incircle, orient2d } from "robust-predicates";

export const nextInTriangle = (e: number): number => (e % 3 === 2 ? e - 2 : e + 1);
export const previousInTriangle = (e: number): number => (e % 3 === 0 ? e + 2 : e - 1);

export class TriangleMesh {
  /**
   * `xy` holds x, y of every vertex; `triangles` three corners each, so that half-edge i leaves corner i; `twins` the
   * half-edge on the other side, or -1 on the hull.
   */
  constructor(
    readonly xy: Float64Array,
    readonly triangles: Int32Array,
    readonly twins: Int32Array,
  ) {}

  /** The vertex a half-edge leads to. */
  tip(e: number): number {
    return this.triangles[nextInTriangle(e)];
  }

  /** The vertices across a half-edge: in its own triangle and in the one beyond. */
  opposite(e: number): [number, number] {
    return [this.triangles[previousInTriangle(e)], this.beyond(e)];
  }

  /** The vertex across a half-edge in the triangle beyond. */
  beyond(e: number): number {
    return this.triangles[previousInTriangle(this.twins[e])];
  }

  /** Above 0 when c lies to the left of a to b, 0 exactly when it lies on that line. */
  turn(a: number, b: number, c: number): number {
    const { xy } = this;
    return -orient2d(xy[2 * a], xy[2 * a + 1], xy[2 * b], xy[2 * b + 1], xy[2 * c], xy[2 * c + 1]);
  }

  crosses(a: number, b: number, c: number, d: number): boolean {
    return this.turn(a, b, c) * this.turn(a, b, d) < 0 && this.turn(c, d, a) * this.turn(c, d, b) < 0;
  }

  /** Is q inside the circle through the triangle of half-edge e? */
  inCircle(e: number, q: number): boolean {
    const { xy, triangles } = this;
    const a = 2 * triangles[e];
    const b = 2 * this.tip(e);
    const c = 2 * triangles[previousInTriangle(e)];
    const ax = xy[a];
    const ay = xy[a + 1];
    const bx = xy[b];
    const by = xy[b + 1];
    const cx = xy[c];
    const cy = xy[c + 1];
    const side = incircle(ax, ay, bx, by, cx, cy, xy[2 * q], xy[2 * q + 1]);
    return side * orient2d(ax, ay, bx, by, cx, cy) < 0;
  }

  /**
   * Replaces the edge that two triangles share by the other diagonal. Half-edge a is then opposite the vertex it was
   * opposite before, and so is the one after its former twin.
   */
  flip(a: number): void {
    const { triangles, twins } = this;
    const b = twins[a];
    const ar = previousInTriangle(a);
    const bl = previousInTriangle(b);
    const [p0, p1] = this.opposite(a);
    triangles[a] = p1;
    triangles[b] = p0;
    this.link(a, twins[bl]);
    this.link(b, twins[ar]);
    this.link(ar, bl);
  }

  link(a: number, b: number): void {
    this.twins[a] = b;
    if (b >= 0) this.twins[b] = a;
  }
}
