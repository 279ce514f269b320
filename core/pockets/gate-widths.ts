/** How wide the gates between triangles of the free space are, and how roomy the triangles. Page units. */
import type { Vertices } from "./free-vertices.ts";
import { nextInTriangle } from "./triangle-mesh.ts";
import type { Triangulation } from "./triangulation.ts";

/**
 * A gate is as wide as the way between the lines its two ends lie on: from either end to the nearest point of the
 * wanted edges at the other.
 */
export function gateWidths(mesh: Triangulation, { xy, wanted, frameFrom }: Vertices) {
  const start = new Int32Array(xy.length / 2 + 1);
  for (let k = 0; k < wanted.length; k++) start[wanted[k]]++;
  for (let v = 1; v < start.length; v++) start[v] += start[v - 1];
  const beside = new Int32Array(wanted.length);
  for (let k = wanted.length - 1; k >= 0; k--) beside[--start[wanted[k]]] = wanted[k ^ 1];

  const width = new Float64Array(mesh.triangles.length);
  const narrowest = new Float64Array(mesh.triangles.length * 4);
  /** Records the gate from vertex v to the line piece from p to q, where it is narrower than the known one. */
  const note = (e: number, v: number, p: number, q: number, flip: boolean) => {
    const x = xy[2 * v];
    const y = xy[2 * v + 1];
    const dx = xy[2 * q] - xy[2 * p];
    const dy = xy[2 * q + 1] - xy[2 * p + 1];
    const length = dx * dx + dy * dy;
    const along = length === 0 ? 0 : ((x - xy[2 * p]) * dx + (y - xy[2 * p + 1]) * dy) / length;
    const t = along < 0 ? 0 : along > 1 ? 1 : along;
    const nx = xy[2 * p] + t * dx;
    const ny = xy[2 * p + 1] + t * dy;
    const gap = lengthOf(x - nx, y - ny);
    if (gap >= width[e]) return;
    width[e] = gap;
    const near = flip ? 2 : 0;
    narrowest[4 * e + near] = x;
    narrowest[4 * e + near + 1] = y;
    narrowest[4 * e + 2 - near] = nx;
    narrowest[4 * e + 3 - near] = ny;
  };
  for (let e = 0; e < mesh.triangles.length; e++) {
    const twin = mesh.twins[e];
    if (mesh.fixed[e] || (twin >= 0 && twin < e)) continue;
    const a = mesh.triangles[e];
    const b = mesh.triangles[nextInTriangle(e)];
    width[e] = Infinity;
    if (a < frameFrom && b < frameFrom) {
      note(e, a, b, b, false);
      for (let k = start[b]; k < start[b + 1]; k++) if (beside[k] !== a) note(e, a, b, beside[k], false);
      for (let k = start[a]; k < start[a + 1]; k++) if (beside[k] !== b) note(e, b, a, beside[k], true);
    }
    if (twin >= 0) {
      width[twin] = width[e];
      narrowest.copyWithin(twin * 4, e * 4, e * 4 + 4);
    }
  }
  return { width, narrowest };
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
