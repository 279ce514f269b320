/**
 * Delaunay triangulation by putting in one vertex after another and flipping what is no longer Delaunay (Lawson,
 * "Software for C1 surface interpolation", 1977), each question answered exactly. Several times as slow as delaunator,
 * but where that one's rounding lays triangles over one another this does not.
 */
import { boundsOf } from "../geometry/point.ts";
import { nextInTriangle, previousInTriangle, TriangleMesh } from "./triangle-mesh.ts";

/** The triangle around all vertices stands this many times their extent away; what hangs on it is taken off again. */
const FAR = 64;

/** Triangles and twins as in triangle-mesh.ts. Of vertices that coincide the first alone is used. */
export function exactDelaunay(xy: Float64Array): Pick<TriangleMesh, "triangles" | "twins"> {
  const count = xy.length / 2;
  const { x, y, width, height } = boundsOf([xy]) ?? { x: 0, y: 0, width: 1, height: 1 };
  const far = FAR * Math.max(width, height, 1);
  const around = Float64Array.from([...xy, x - far, y - far, x - far, y + 2 * far, x + 2 * far, y - far]);
  const mesh = new Growing(around, count);
  for (let v = 0; v < count; v++) mesh.insert(v);
  return mesh.without(count);
}

class Growing extends TriangleMesh {
  /** Half-edges in use. */
  private size = 3;
  /** A half-edge of the triangle that was put in last: the next vertex is mostly near. */
  private last = 0;

  /** Begins with one triangle over the three vertices after the first `count`. */
  constructor(xy: Float64Array, count: number) {
    super(xy, new Int32Array(6 * count + 9), new Int32Array(6 * count + 9).fill(-1));
    this.triangles.set([count, count + 1, count + 2]);
    if (this.turn(count, count + 1, count + 2) > 0) this.triangles.set([count, count + 2, count + 1]);
  }

  insert(p: number): void {
    const e = this.triangleAt(p);
    const edges = [e, nextInTriangle(e), previousInTriangle(e)];
    const flat = edges.filter((edge) => this.turn(this.triangles[edge], this.tip(edge), p) === 0);
    if (flat.length > 1) return;
    const [first] = flat.length === 1 ? flat : edges;
    const outer = this.split(first, p);
    // On an edge it leaves a flat triangle there: its other diagonal is taken.
    if (flat.length === 1) outer.push(...this.flipped(outer.shift()!));
    while (outer.length > 0) {
      const edge = outer.pop()!;
      const twin = this.twins[edge];
      if (twin >= 0 && this.inCircle(edge, this.opposite(edge)[1])) outer.push(...this.flipped(edge));
    }
  }

  /** Walks towards a vertex to the triangle that holds it. */
  private triangleAt(p: number): number {
    let e = this.last;
    for (let inside = 0; inside < 3; ) {
      if (this.turn(this.triangles[e], this.tip(e), p) > 0) {
        e = this.twins[e];
        inside = 0;
      }
      e = nextInTriangle(e);
      inside++;
    }
    return e;
  }

  /** Makes three triangles of the one of half-edge `first`, about a vertex; gives the half-edges opposite it, that one first. */
  private split(first: number, p: number): number[] {
    const { triangles, twins } = this;
    const [second, third] = [nextInTriangle(first), previousInTriangle(first)];
    const [a, b, c] = [triangles[first], triangles[second], triangles[third]];
    const [beyondB, beyondC] = [twins[second], twins[third]];
    const s = this.size;
    this.size += 6;
    triangles.set([b, c, p, c, a, p], s);
    triangles[third] = p;
    this.link(s, beyondB);
    this.link(s + 3, beyondC);
    this.link(second, s + 2);
    this.link(s + 1, s + 5);
    this.link(s + 4, third);
    this.last = first;
    return [first, s, s + 3];
  }

  /** Flips a half-edge opposite the new vertex; gives the two that are opposite it now. */
  private flipped(e: number): [number, number] {
    const twin = this.twins[e];
    this.flip(e);
    return [e, nextInTriangle(twin)];
  }

  /** The triangles without vertices from `count` on. */
  without(count: number): Pick<TriangleMesh, "triangles" | "twins"> {
    const { triangles, twins, size } = this;
    const place = new Int32Array(size).fill(-1);
    let kept = 0;
    for (let e = 0; e < size; e += 3) {
      if (triangles[e] >= count || triangles[e + 1] >= count || triangles[e + 2] >= count) continue;
      for (let k = 0; k < 3; k++) place[e + k] = kept++;
    }
    const result = { triangles: new Int32Array(kept), twins: new Int32Array(kept) };
    for (let e = 0; e < size; e++) {
      if (place[e] < 0) continue;
      result.triangles[place[e]] = triangles[e];
      result.twins[place[e]] = twins[e] < 0 ? -1 : place[twins[e]];
    }
    return result;
  }
}
