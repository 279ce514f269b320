/** How wide the gates between triangles of the free space are, and how roomy the triangles. Page units. */
import type { Point } from "../geometry/point.ts";
import type { Vertices } from "./free-vertices.ts";
import { nextInTriangle } from "./triangle-mesh.ts";
import type { Triangulation } from "./triangulation.ts";

/**
 * Gates by their half-edges. A gate is as wide as the way between the lines its two ends lie on: from either end to the nearest
 * point of the wanted edges at the other.
 */
export class Gates {
  /** Of each half-edge: 0 on lines, Infinity beyond the drawing. */
  readonly width: Float64Array;
  /** The far ends of the wanted edges at vertex v are `beside[k]` for k from `start[v]` to `start[v + 1]`. */
  private readonly start: Int32Array;
  private readonly beside: Int32Array;

  constructor(
    private readonly mesh: Triangulation,
    private readonly vertices: Vertices,
  ) {
    const { wanted, xy } = vertices;
    this.start = new Int32Array(xy.length / 2 + 1);
    for (let k = 0; k < wanted.length; k++) this.start[wanted[k]]++;
    for (let v = 1; v < this.start.length; v++) this.start[v] += this.start[v - 1];
    this.beside = new Int32Array(wanted.length);
    for (let k = wanted.length - 1; k >= 0; k--) this.beside[--this.start[wanted[k]]] = wanted[k ^ 1];
    this.width = this.widths();
  }

  /** Where a gate is narrowest: from a place at its one end to one at its other, as the lower of its half-edges goes. */
  across(e: number): readonly [from: Point, to: Point] {
    const { triangles, twins } = this.mesh;
    const lower = twins[e] >= 0 && twins[e] < e ? twins[e] : e;
    const [a, b] = [triangles[lower], triangles[nextInTriangle(lower)]];
    const [atA, atB] = [this.nearest(a, b), this.nearest(b, a)];
    const { xy } = this.vertices;
    return atA.squared <= atB.squared
      ? [[xy[2 * a], xy[2 * a + 1]], atA.at]
      : [atB.at, [xy[2 * b], xy[2 * b + 1]]];
  }

  private widths(): Float64Array {
    const { triangles, twins, fixed } = this.mesh;
    const { frameFrom } = this.vertices;
    const width = new Float64Array(triangles.length);
    for (let e = 0; e < triangles.length; e++) {
      const twin = twins[e];
      if (fixed[e] || (twin >= 0 && twin < e)) continue;
      const a = triangles[e];
      const b = triangles[nextInTriangle(e)];
      const isBeyond = a >= frameFrom || b >= frameFrom;
      width[e] = isBeyond ? Infinity : Math.sqrt(Math.min(this.gap(a, b), this.gap(b, a)));
      if (twin >= 0) width[twin] = width[e];
    }
    return width;
  }

  /** From vertex v to the wanted edges at vertex u, squared. */
  private gap(v: number, u: number): number {
    const { start, beside } = this;
    let least = this.squared(v, u, u);
    for (let k = start[u]; k < start[u + 1]; k++) {
      if (beside[k] === v) continue;
      const one = this.squared(v, u, beside[k]);
      if (one < least) least = one;
    }
    return least;
  }

  /** From vertex v to the segment from vertex p to vertex q, squared. */
  private squared(v: number, p: number, q: number): number {
    const { xy } = this.vertices;
    const t = this.along(v, p, q);
    const dx = xy[2 * v] - (xy[2 * p] + t * (xy[2 * q] - xy[2 * p]));
    const dy = xy[2 * v + 1] - (xy[2 * p + 1] + t * (xy[2 * q + 1] - xy[2 * p + 1]));
    return dx * dx + dy * dy;
  }

  /** How far along the segment from vertex p to vertex q the place nearest to vertex v lies, 0 to 1. */
  private along(v: number, p: number, q: number): number {
    const { xy } = this.vertices;
    const dx = xy[2 * q] - xy[2 * p];
    const dy = xy[2 * q + 1] - xy[2 * p + 1];
    const length = dx * dx + dy * dy;
    const t =
      length === 0 ? 0 : ((xy[2 * v] - xy[2 * p]) * dx + (xy[2 * v + 1] - xy[2 * p + 1]) * dy) / length;
    return t < 0 ? 0 : t > 1 ? 1 : t;
  }

  /** The place nearest to vertex v on the wanted edges at vertex u. */
  private nearest(v: number, u: number): { readonly squared: number; readonly at: Point } {
    const { xy } = this.vertices;
    const { start, beside } = this;
    let far = u;
    for (let k = start[u]; k < start[u + 1]; k++)
      if (beside[k] !== v && this.squared(v, u, beside[k]) < this.squared(v, u, far)) far = beside[k];
    const t = this.along(v, u, far);
    const at: Point = [
      xy[2 * u] + t * (xy[2 * far] - xy[2 * u]),
      xy[2 * u + 1] + t * (xy[2 * far + 1] - xy[2 * u + 1]),
    ];
    return { squared: this.squared(v, u, far), at };
  }
}

/**
 * How much room there is in each triangle: the diameter of its empty circle, but no more than its longest side where it is
 * obtuse, and no more than a circle between its own gates, since the corners of a narrow slit may lie far apart along it.
 */
export function roomsOf(mesh: Triangulation, { xy, frameFrom }: Vertices, width: Float64Array): Float64Array {
  const room = new Float64Array(mesh.triangles.length / 3);
  for (let t = 0; t < room.length; t++) {
    const [a, b, c] = [mesh.triangles[3 * t], mesh.triangles[3 * t + 1], mesh.triangles[3 * t + 2]];
    const widestGate = Math.max(width[3 * t], width[3 * t + 1], width[3 * t + 2]);
    room[t] =
      a >= frameFrom || b >= frameFrom || c >= frameFrom
        ? Infinity
        : Math.min(emptyCircle(xy, a, b, c), ROUND * widestGate);
  }
  return room;
}

/** The radius of the circle around an equilateral triangle, as a multiple of its side. */
const ROUND = 2 / Math.sqrt(3);

function emptyCircle(xy: Float64Array, a: number, b: number, c: number): number {
  const abx = xy[2 * b] - xy[2 * a];
  const aby = xy[2 * b + 1] - xy[2 * a + 1];
  const acx = xy[2 * c] - xy[2 * a];
  const acy = xy[2 * c + 1] - xy[2 * a + 1];
  const ab = lengthOf(abx, aby);
  const ac = lengthOf(acx, acy);
  const bc = lengthOf(acx - abx, acy - aby);
  const longest = Math.max(ab, bc, ac);
  const obtuse = 2 * longest * longest >= ab * ab + bc * bc + ac * ac;
  return obtuse ? longest : (ab * bc * ac) / Math.abs(abx * acy - aby * acx);
}

/** Many times as fast as Math.hypot, which minds numbers that are too large to square. */
const lengthOf = (x: number, y: number): number => Math.sqrt(x * x + y * y);
