/**
 * The free space between lines, cut into triangles. An unfixed triangle edge is a gate with a width; every
 * triangle has a room, the diameter of the largest empty circle there. A narrow gate between two roomy areas is
 * an opening; a sharp corner, a corridor between parallel lines or the slit between two hatches is not, since
 * there the room shrinks along with the gates.
 *
 * The flow from triangle to triangle towards growing circles and the naming of what lies behind a narrow mouth
 * follow Edelsbrunner, Facello and Liang, "On the definition and the construction of pockets in macromolecules"
 * (1998); merging regions across gates in order of width is a merge tree (Carr, Snoeyink and Axen, 2003), whose
 * persistence is measured here as the ratio of room to width.
 */
import { pointAt, polyline } from "../geometry/cubic.ts";
import { IntList } from "../geometry/lists.ts";
import { boundsOf, mix, type Point } from "../geometry/point.ts";
import { UnionFind } from "../geometry/union-find.ts";
import { isInk } from "./ink-regions.ts";
import type { PlanarMap } from "./planar-map.ts";
import { regionsOf } from "./pockets.ts";
import { toPage } from "./segments.ts";
import { nextInTriangle, previousInTriangle, type Triangulation, triangulate } from "./triangulation.ts";

/** Long lines get extra points this far apart, as a part of the drawing's longer side. */
const SAMPLE = 1 / 160;
/** The frame around the drawing stands this far off, as a part of its longer side. */
const MARGIN = 0.25;
/** How many times wider than a gate the areas on both its sides must be for it to be an opening. */
const ROOM_AT_END = 2.6;
const ROOM_AT_FLANK = 6;
/** The same between two ends that face one another; none where they surely belong together. */
const ROOM_BETWEEN_FACING = 1.3;
/** The same where an end points straight at a line it stops short of. */
const ROOM_AHEAD = 1;
/** A line that stops short leaves no more open than this many times the way it came. */
const TAILS_AHEAD = 0.7;
/** Straight means within this angle. */
const AHEAD = Math.cos((40 * Math.PI) / 180);

export interface FreeSpace {
  readonly mesh: Triangulation;
  /** Page units, two numbers a vertex. */
  readonly xy: Float64Array;
  /** Width in page units of each half-edge's gate; 0 on lines, Infinity beyond the drawing. */
  readonly width: Float64Array;
  /** Where a gate is narrowest: ax, ay, bx, by for each half-edge, page units. */
  readonly narrowest: Float64Array;
  /** Room of each triangle in page units. */
  readonly room: Float64Array;
  /** One half-edge for each gate, widest first. */
  readonly gates: Int32Array;
  /** How many times a gate's width the areas on both its sides must have room for it to be an opening. */
  readonly roomNeeded: Float64Array;
  /** For gates between ends that face one another the smooth line that closes them. */
  readonly smooth: ReadonlyMap<number, readonly number[]>;
  /** 1 for triangles filled with ink. */
  readonly solid: Uint8Array;
  /** Pairs of vertices: the pieces of the lines. */
  readonly walls: Int32Array;
}

/** How a vertex ends a line: it does not, it ends one that meets others, or one that floats free. */
export const ENDS = { none: 0, anchored: 1, floating: 2 } as const;

/** A gate hangs on an end when a line that meets others stops there, or when two ends face one another. */
const endGate = (a: number, b: number): number =>
  a === ENDS.anchored || b === ENDS.anchored || (a && b) ? 1 : 0;

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

interface Vertices {
  readonly xy: Float64Array;
  readonly wanted: Int32Array;
  /** Numbers here of the map's vertices; -1 for those left out. */
  readonly ids: Int32Array;
  /** One of ENDS for each vertex. */
  readonly loose: Uint8Array;
  readonly frameFrom: number;
}

export function freeSpaceOf(map: PlanarMap, reading: EndReading): FreeSpace {
  const vertices = verticesOf(map, reading);
  const facing = reading.facing.map(({ from, to }) => [vertices.ids[from], vertices.ids[to]] as const);
  const mesh = triangulate(vertices.xy, Int32Array.from([...vertices.wanted, ...facing.flat()]));
  const leaving = halfEdgesAt(mesh, vertices, facing.flat());
  const passages = facing.map(([a, b]) => openEdge(mesh, leaving, a, b));
  const solid = fillInk(map, mesh, vertices.xy);
  const { width, narrowest } = gateWidths(mesh, vertices);
  const room = roomsOf(mesh, vertices, width);
  const gates: number[] = [];
  for (let e = 0; e < mesh.triangles.length; e++) if (!mesh.fixed[e] && mesh.twins[e] > e) gates.push(e);
  const sorted = Int32Array.from(gates).sort((a, b) => width[b] - width[a]);
  const { loose } = vertices;
  const roomNeeded = Float64Array.from(mesh.triangles, (v, e) =>
    endGate(loose[v], loose[mesh.triangles[nextInTriangle(e)]]) ? ROOM_AT_END : ROOM_AT_FLANK,
  );
  const smooth = new Map<number, readonly number[]>();
  reading.facing.forEach(({ sure, bridge }, i) => {
    for (const e of passages[i]) {
      roomNeeded[e] = sure ? 0 : ROOM_BETWEEN_FACING;
      smooth.set(e, bridge);
    }
  });
  const paired = new Set(passages.flat().map((e) => mesh.triangles[e]));
  for (const { vertex, kind, onward, tail, curvature } of reading.ends) {
    const v = vertices.ids[vertex];
    if (kind !== ENDS.anchored || v < 0 || paired.has(v)) continue;
    const e = gateAhead(mesh, leaving.get(v) ?? [], vertices, width, narrowest, onward);
    if (e < 0 || width[e] > tail * TAILS_AHEAD) continue;
    const bridge = arcToWall(vertices, v, onward, curvature, MOST_ASTRAY * width[e]);
    for (const half of [e, mesh.twins[e]]) {
      roomNeeded[half] = ROOM_AHEAD;
      if (bridge) smooth.set(half, bridge);
    }
  }
  return {
    mesh,
    xy: vertices.xy,
    width,
    narrowest,
    room,
    gates: sorted,
    roomNeeded,
    smooth,
    solid,
    walls: vertices.wanted,
  };
}

/**
 * The way a line would go on from its end to the next line, at the curvature it came with, as a chain of one cubic;
 * undefined where it meets none within `most` page units.
 */
function arcToWall(
  { xy, wanted }: Vertices,
  v: number,
  [dx, dy]: Point,
  curvature: number,
  most: number,
): number[] | undefined {
  const start = Math.atan2(dy, dx);
  const from: Point = [xy[2 * v], xy[2 * v + 1]];
  const along = (length: number): Point => {
    const chord = start + (curvature * length) / 2;
    const part = curvature * length;
    const reach = Math.abs(part) < 1e-6 ? length : (2 * Math.sin(part / 2)) / curvature;
    return [from[0] + reach * Math.cos(chord), from[1] + reach * Math.sin(chord)];
  };
  let last = from;
  for (let k = 1; k <= ARC_STEPS; k++) {
    const length = (most * k) / ARC_STEPS;
    const next = along(length);
    const hit = firstWall(xy, wanted, v, last, next);
    if (hit < Infinity) return arcChain(from, start, curvature, (most * (k - 1 + hit)) / ARC_STEPS, along);
    last = next;
  }
  return undefined;
}

const ARC_STEPS = 8;
/** Going straight on may be this many times as far as the shortest way. */
const MOST_ASTRAY = 1.8;

function arcChain(
  from: Point,
  start: number,
  curvature: number,
  length: number,
  along: (length: number) => Point,
): number[] {
  const to = along(length);
  const end = start + curvature * length;
  const handle = length / 3;
  return [
    ...from,
    from[0] + handle * Math.cos(start),
    from[1] + handle * Math.sin(start),
    to[0] - handle * Math.cos(end),
    to[1] - handle * Math.sin(end),
    ...to,
  ];
}

/** Where on the way from p to q the first line stands, as a part of the way; Infinity where none does. */
function firstWall(xy: Float64Array, wanted: Int32Array, v: number, p: Point, q: Point): number {
  let first = Infinity;
  const ex = q[0] - p[0];
  const ey = q[1] - p[1];
  for (let k = 0; k < wanted.length; k += 2) {
    const a = wanted[k];
    const b = wanted[k + 1];
    if (a === v || b === v) continue;
    const ax = xy[2 * a] - p[0];
    const ay = xy[2 * a + 1] - p[1];
    const bx = xy[2 * b] - p[0];
    const by = xy[2 * b + 1] - p[1];
    const sideA = ex * ay - ey * ax;
    const sideB = ex * by - ey * bx;
    if (sideA > 0 === sideB > 0) continue;
    const t = sideA / (sideA - sideB);
    const hit = ((ax + t * (bx - ax)) * ex + (ay + t * (by - ay)) * ey) / (ex * ex + ey * ey);
    if (hit >= 0 && hit <= 1 && hit < first) first = hit;
  }
  return first;
}

/** The half-edges that leave ends, by vertex. */
function halfEdgesAt(
  { triangles }: Triangulation,
  { loose }: Vertices,
  others: readonly number[],
): Map<number, number[]> {
  const leaving = new Map<number, number[]>(others.map((v) => [v, []]));
  for (let e = 0; e < triangles.length; e++) {
    const v = triangles[e];
    if (!loose[v] && !leaving.has(v)) continue;
    const known = leaving.get(v);
    if (known) known.push(e);
    else leaving.set(v, [e]);
  }
  return leaving;
}

/** The gate at an end that leads best straight on to another line, by nearness and direction; -1 if there is none. */
function gateAhead(
  mesh: Triangulation,
  leaving: readonly number[],
  { loose }: Vertices,
  width: Float64Array,
  narrowest: Float64Array,
  onward: Point,
): number {
  let best = -1;
  let least = Infinity;
  for (const e of leaving) {
    if (mesh.fixed[e] || mesh.twins[e] < 0) continue;
    if (loose[mesh.triangles[nextInTriangle(e)]]) continue;
    const from = 4 * e;
    const x = narrowest[from + 2] - narrowest[from];
    const y = narrowest[from + 3] - narrowest[from + 1];
    const straight = (x * onward[0] + y * onward[1]) / Math.hypot(x, y);
    const cost = width[e] * (2 - straight);
    if (!(straight >= AHEAD && cost < least)) continue;
    least = cost;
    best = e;
  }
  return best;
}

/** Makes a gate of the edge between two vertices; gives its half-edges, none where a line stands between them. */
function openEdge(
  { triangles, twins, fixed }: Triangulation,
  leaving: ReadonlyMap<number, readonly number[]>,
  a: number,
  b: number,
): number[] {
  for (const e of leaving.get(a) ?? []) {
    if (!fixed[e] || triangles[nextInTriangle(e)] !== b || twins[e] < 0) continue;
    fixed[e] = fixed[twins[e]] = 0;
    return [e, twins[e]];
  }
  return [];
}

/** Finds the triangles inside ink shapes and makes walls of their edges. */
function fillInk(map: PlanarMap, { triangles, twins, fixed }: Triangulation, xy: Float64Array): Uint8Array {
  const count = triangles.length / 3;
  const solid = new Uint8Array(count);
  const regions = regionsOf(map);
  if (regions.size === 0) return solid;
  const seen = new Uint8Array(count);
  for (let first = 0; first < count; first++) {
    if (seen[first]) continue;
    const room = roomOf(first, twins, fixed, seen);
    const [a, b, c] = [triangles[3 * first], triangles[3 * first + 1], triangles[3 * first + 2]];
    const middle: Point = [
      (xy[2 * a] + xy[2 * b] + xy[2 * c]) / 3,
      (xy[2 * a + 1] + xy[2 * b + 1] + xy[2 * c + 1]) / 3,
    ];
    if (!isInk(regions, middle, map.lattice.tolerance)) continue;
    for (const t of room) {
      solid[t] = 1;
      fixed.fill(1, 3 * t, 3 * t + 3);
    }
  }
  return solid;
}

/** The triangles that hang together with one without a line between them. */
function roomOf(first: number, twins: Int32Array, fixed: Uint8Array, seen: Uint8Array): number[] {
  const room = [first];
  seen[first] = 1;
  for (let k = 0; k < room.length; k++) {
    for (let e = 3 * room[k]; e < 3 * room[k] + 3; e++) {
      const t = twins[e] < 0 ? -1 : (twins[e] - (twins[e] % 3)) / 3;
      if (t < 0 || fixed[e] || seen[t]) continue;
      seen[t] = 1;
      room.push(t);
    }
  }
  return room;
}

function verticesOf(map: PlanarMap, { ends }: EndReading): Vertices {
  const { noding, halfEdges, lattice } = map;
  const extent = latticeExtent(map);
  const side = extent.side;
  const spacing = side * SAMPLE;
  const ids = new Int32Array(noding.vertexCount).fill(-1);
  const xs: number[] = [];
  const place = (x: number, y: number) => {
    const [px, py] = toPage(lattice, x, y);
    xs.push(px, py);
    return xs.length / 2 - 1;
  };
  const vertex = (v: number) => {
    if (ids[v] < 0) ids[v] = place(noding.vx[v], noding.vy[v]);
    return ids[v];
  };
  const wanted = new IntList(noding.slotCount * 3);
  for (let e = 0; e < noding.slotCount; e++) {
    if (halfEdges.next[2 * e] < 0) continue;
    const [u, v] = [noding.at[e], noding.at[e + 1]];
    const dx = noding.vx[v] - noding.vx[u];
    const dy = noding.vy[v] - noding.vy[u];
    const pieces = Math.max(1, Math.round(Math.hypot(dx, dy) / spacing));
    let last = vertex(u);
    for (let k = 1; k <= pieces; k++) {
      const now =
        k === pieces ? vertex(v) : place(noding.vx[u] + (dx * k) / pieces, noding.vy[u] + (dy * k) / pieces);
      wanted.push(last);
      wanted.push(now);
      last = now;
    }
  }
  const frameFrom = xs.length / 2;
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
  const loose = new Uint8Array(xs.length / 2);
  for (const { vertex, kind } of ends) if (ids[vertex] >= 0) loose[ids[vertex]] = kind;
  return { xy: Float64Array.from(xs), wanted: wanted.data.slice(0, wanted.length), ids, loose, frameFrom };
}

/** Where the line work lies on the lattice: its corner and its longer side, in steps. */
function latticeExtent({ segs }: PlanarMap): { left: number; top: number; side: number } {
  const { ax, ay, bx, by, count, line } = segs;
  const xy: number[] = [];
  for (let s = 0; s < count; s++) if (line[s] >= 0) xy.push(ax[s], ay[s], bx[s], by[s]);
  const box = boundsOf([xy]) ?? { x: 0, y: 0, width: 1, height: 1 };
  return { left: box.x, top: box.y, side: Math.max(box.width, box.height) };
}

/**
 * A gate is as wide as the way between the lines its two ends lie on: from either end to the nearest point of the
 * wanted edges at the other.
 */
function gateWidths(mesh: Triangulation, { xy, wanted, frameFrom }: Vertices) {
  const start = new Int32Array(xy.length / 2 + 1);
  for (let k = 0; k < wanted.length; k++) start[wanted[k]]++;
  for (let v = 1; v < start.length; v++) start[v] += start[v - 1];
  const beside = new Int32Array(wanted.length);
  for (let k = wanted.length - 1; k >= 0; k--) beside[--start[wanted[k]]] = wanted[k ^ 1];

  const width = new Float64Array(mesh.triangles.length);
  const narrowest = new Float64Array(mesh.triangles.length * 4);
  /** Notes the way from vertex v to the line piece from p to q, where that is narrower than what is known. */
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
    const gap = Math.hypot(x - nx, y - ny);
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
 * Diameter of the empty circle of each triangle. Obtuse triangles vouch only for their longest side, and none for
 * more than a circle between its own gates: the corners of a slit may be far apart along it.
 */
function roomsOf(mesh: Triangulation, { xy, frameFrom }: Vertices, width: Float64Array): Float64Array {
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

/** Circle around an equilateral triangle, in its sides. */
const ROUND = 2 / Math.sqrt(3);

function emptyCircle(xy: Float64Array, a: number, b: number, c: number): number {
  const abx = xy[2 * b] - xy[2 * a];
  const aby = xy[2 * b + 1] - xy[2 * a + 1];
  const acx = xy[2 * c] - xy[2 * a];
  const acy = xy[2 * c + 1] - xy[2 * a + 1];
  const ab = Math.hypot(abx, aby);
  const ac = Math.hypot(acx, acy);
  const bc = Math.hypot(acx - abx, acy - aby);
  const longest = Math.max(ab, bc, ac);
  const obtuse = 2 * longest * longest >= ab * ab + bc * bc + ac * ac;
  return obtuse ? longest : (ab * bc * ac) / Math.abs(abx * acy - aby * acx);
}

const triangleOf = (e: number): number => (e - (e % 3)) / 3;

/** Whether a gate lies between areas so roomy that it is an opening rather than a corner. */
function isOpening(space: FreeSpace, e: number, smallerRoom: number): boolean {
  return smallerRoom >= space.width[e] * space.roomNeeded[e];
}

/**
 * Regions when every opening up to `reach` counts as closed: gates are crossed widest first, those within reach
 * only where they are no opening. Linear in the number of gates, so it can follow a moving control.
 */
export function regionsAt(space: FreeSpace, reach: number): UnionFind {
  const regions = new UnionFind(space.room.length);
  const room = space.room.slice();
  for (let k = 0; k < space.gates.length; k++) {
    const e = space.gates[k];
    const a = regions.find(triangleOf(e));
    const b = regions.find(triangleOf(space.mesh.twins[e]));
    if (a === b) continue;
    const smaller = Math.min(room[a], room[b]);
    if (space.width[e] <= reach && isOpening(space, e, smaller)) continue;
    const [winner, loser] = room[a] >= room[b] ? [a, b] : [b, a];
    regions.join(winner, loser);
  }
  return regions;
}

/** A narrow way between two roomy areas. */
export interface Opening {
  /** Page units, between the centre lines on either side. */
  readonly width: number;
  readonly at: Point;
  /** Where a bridge across it would begin and end. */
  readonly from: Point;
  readonly to: Point;
  /** The line that would close it: smooth between ends that face one another, else the shortest. */
  readonly bridge: readonly number[];
}

export function openingOf(space: FreeSpace, e: number): Opening {
  const n = space.narrowest;
  const from: Point = [n[4 * e], n[4 * e + 1]];
  const to: Point = [n[4 * e + 2], n[4 * e + 3]];
  return { width: space.width[e], at: mix(from, to, 0.5), from, to, bridge: clearBridge(space, e, from, to) };
}

/** The best way across a gate that crosses no line: smooth, else the shortest, else along the gate itself. */
function clearBridge(space: FreeSpace, e: number, from: Point, to: Point): readonly number[] {
  const { mesh, xy } = space;
  const corner = (v: number): Point => [xy[2 * v], xy[2 * v + 1]];
  const along = [corner(mesh.triangles[e]), corner(mesh.triangles[nextInTriangle(e)])];
  const ways = [space.smooth.get(e), polyline([from, to])];
  return ways.find((way) => way && !crossesWall(space, way)) ?? polyline(along);
}

/** How much of a bridge at either end may touch lines: it begins and ends on them. */
const TOUCH = 0.02;

function crossesWall({ xy, walls }: FreeSpace, bridge: readonly number[]): boolean {
  const count = (bridge.length - 2) / 6;
  const pieces = 8 * count;
  for (let k = 0; k < pieces; k++) {
    const p = pointAt(bridge, Math.max(TOUCH, k / 8));
    const q = pointAt(bridge, Math.min(count - TOUCH, (k + 1) / 8));
    if (firstWall(xy, walls, -1, p, q) < Infinity) return true;
  }
  return false;
}

/** The half-edges of all openings up to a reach, narrowest first. */
export function openingGates(space: FreeSpace, reach: number, regions = regionsAt(space, reach)): number[] {
  const found: number[] = [];
  for (let k = space.gates.length - 1; k >= 0; k--) {
    const e = space.gates[k];
    if (space.width[e] > reach) break;
    if (regions.find(triangleOf(e)) !== regions.find(triangleOf(space.mesh.twins[e]))) found.push(e);
  }
  return found;
}

/** The triangle that holds a point (page units), found by walking; -1 when it lies beyond the frame. */
export function triangleAt(space: FreeSpace, [x, y]: Point): number {
  const { mesh, xy } = space;
  let e = 0;
  for (let steps = 0; steps < mesh.triangles.length; steps++) {
    let crossed = false;
    for (let k = 0; k < 3; k++) {
      const a = mesh.triangles[e];
      const b = mesh.triangles[nextInTriangle(e)];
      const c = mesh.triangles[previousInTriangle(e)];
      const sideOf = (px: number, py: number) =>
        (xy[2 * b] - xy[2 * a]) * (py - xy[2 * a + 1]) - (xy[2 * b + 1] - xy[2 * a + 1]) * (px - xy[2 * a]);
      if (sideOf(x, y) * sideOf(xy[2 * c], xy[2 * c + 1]) < 0) {
        e = mesh.twins[e];
        if (e < 0) return -1;
        crossed = true;
        break;
      }
      e = nextInTriangle(e);
    }
    if (!crossed) return triangleOf(e);
    e = nextInTriangle(e);
  }
  return -1;
}
