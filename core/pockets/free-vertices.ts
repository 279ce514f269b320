/** The vertices that the free space is triangulated over: the map's own, extra ones along long lines, and a frame. */
import { FloatList, IntList } from "../geometry/lists.ts";
import type { Point } from "../geometry/point.ts";
import type { PlanarMap } from "./planar-map.ts";

/** Long lines get extra points this far apart, as a part of the drawing's longer side. */
const SAMPLE = 1 / 160;

/** The frame around the drawing stands this far off, as a part of its longer side. */
const MARGIN = 0.25;

/** How a vertex ends a line: it does not, it ends one that meets others, or one that floats free. */
export const ENDS = { none: 0, anchored: 1, floating: 2 } as const;

/** What is known of loose ends, by their vertices in the map. */
export interface EndReading {
  readonly ends: readonly {
    readonly vertex: number;
    /** One of ENDS. */
    readonly kind: number;
    /** The direction in which the line would go on, of unit length. */
    readonly onward: Point;
    /** How far the line runs back from the end before it meets another, page units. */
    readonly tail: number;
    /** How its direction turns along the way, radians a page unit. */
    readonly curvature: number;
  }[];
  readonly facing: readonly {
    readonly from: number;
    readonly to: number;
    readonly sure: boolean;
    readonly bridge: readonly number[];
  }[];
}

export interface Vertices {
  /** Page units. */
  readonly xy: Float64Array;
  /** Lattice steps, whole ones where the map has a vertex: nothing is rounded there that lines do not cross. */
  readonly steps: Float64Array;
  readonly wanted: Int32Array;
  /** Numbers here of the map's vertices; -1 for those left out. */
  readonly ids: Int32Array;
  /** One of ENDS for each vertex. */
  readonly loose: Uint8Array;
  readonly frameFrom: number;
}

export function verticesOf(map: PlanarMap, { ends }: EndReading): Vertices {
  const { noding, halfEdges, lattice } = map;
  const extent = latticeExtent(map);
  const side = extent.side;
  const spacing = side * SAMPLE;
  const ids = new Int32Array(noding.vertexCount).fill(-1);
  const xy = new FloatList(2 * noding.vertexCount + 32);
  const steps = new FloatList(2 * noding.vertexCount + 32);
  const place = (x: number, y: number) => {
    steps.push(x);
    steps.push(y);
    xy.push(lattice.originX + x * lattice.step);
    xy.push(lattice.originY + y * lattice.step);
    return xy.length / 2 - 1;
  };
  const vertex = (v: number) => {
    if (ids[v] < 0) ids[v] = place(noding.vx[v], noding.vy[v]);
    return ids[v];
  };
  const wanted = new IntList(noding.slotCount * 3);
  for (let e = 0; e < noding.slotCount; e++) {
    if (halfEdges.next[2 * e] < 0) continue;
    const u = noding.at[e];
    const v = noding.at[e + 1];
    const dx = noding.vx[v] - noding.vx[u];
    const dy = noding.vy[v] - noding.vy[u];
    const pieces = Math.max(1, Math.round(Math.sqrt(dx * dx + dy * dy) / spacing));
    let last = vertex(u);
    for (let k = 1; k <= pieces; k++) {
      const now =
        k === pieces ? vertex(v) : place(noding.vx[u] + (dx * k) / pieces, noding.vy[u] + (dy * k) / pieces);
      wanted.push(last);
      wanted.push(now);
      last = now;
    }
  }
  const frameFrom = xy.length / 2;
  const length = side * (1 + 2 * MARGIN);
  const left = extent.left - side * MARGIN;
  const top = extent.top - side * MARGIN;
  for (let k = 0; k < 4; k++) {
    const a = (length * k) / 4;
    place(left + a, top);
    place(left + length, top + a);
    place(left + length - a, top + length);
    place(left, top + length - a);
  }
  const loose = new Uint8Array(xy.length / 2);
  for (const { vertex, kind } of ends) if (ids[vertex] >= 0) loose[ids[vertex]] = kind;
  return {
    xy: xy.trimmed(),
    steps: steps.trimmed(),
    wanted: wanted.data.slice(0, wanted.length),
    ids,
    loose,
    frameFrom,
  };
}

/** Where the line work lies on the lattice: its corner and its longer side, in steps. */
function latticeExtent({ segs }: PlanarMap): { left: number; top: number; side: number } {
  const { ax, ay, bx, by, count, line } = segs;
  let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity];
  for (let s = 0; s < count; s++) {
    if (line[s] < 0) continue;
    left = Math.min(left, ax[s], bx[s]);
    top = Math.min(top, ay[s], by[s]);
    right = Math.max(right, ax[s], bx[s]);
    bottom = Math.max(bottom, ay[s], by[s]);
  }
  return left > right
    ? { left: 0, top: 0, side: 1 }
    : { left, top, side: Math.max(right - left, bottom - top) };
}
