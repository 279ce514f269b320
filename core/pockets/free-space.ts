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
import { largestFirst } from "../geometry/order.ts";
import { mix, type Point } from "../geometry/point.ts";
import { UnionFind } from "../geometry/union-find.ts";
import { ENDS, type EndReading, type Vertices, verticesOf } from "./free-vertices.ts";
import { Gates, roomsOf } from "./gate-widths.ts";
import { inkOf } from "./inked-map.ts";
import type { PlanarMap } from "./planar-map.ts";
import { arcToWall, gateAhead, MOST_ASTRAY } from "./stopping-short.ts";
import { nextInTriangle, previousInTriangle } from "./triangle-mesh.ts";
import { type Triangulation, triangulate } from "./triangulation.ts";
import { Walls } from "./walls.ts";

/** How many times wider than a gate the areas on both its sides must be for it to be an opening. */
const ROOM_AT_END = 2.6;
export const ROOM_AT_FLANK = 6;
/** The same between two ends that face one another; none where they surely belong together. */
const ROOM_BETWEEN_FACING = 1.3;
/** The same where an end points straight at a line it stops short of. */
const ROOM_AHEAD = 1;
/** The opening ahead of a line that stops short is at most this many times as wide as the line is long. */
const TAILS_AHEAD = 0.7;

export interface FreeSpace {
  readonly mesh: Triangulation;
  /** Page units, two numbers a vertex. */
  readonly xy: Float64Array;
  /** Width in page units of each half-edge's gate; 0 on lines, Infinity beyond the drawing. */
  readonly width: Float64Array;
  /** Where the gate of a half-edge is narrowest, page units. */
  readonly across: Gates["across"];
  /** Room of each triangle in page units. */
  readonly room: Float64Array;
  /** One half-edge for each gate, widest first. */
  readonly gates: Int32Array;
  /** A gate is an opening only where the areas on both its sides are at least this many times as roomy as it is wide. */
  readonly roomNeeded: (halfEdge: number) => number;
  /** For gates between ends that face one another the smooth line that closes them. */
  readonly smooth: ReadonlyMap<number, readonly number[]>;
  /** 1 for triangles filled with ink. */
  readonly solid: Uint8Array;
  readonly walls: Walls;
}

/** A gate belongs to an end when a line that meets others stops there, or when two ends face one another. */
const endGate = (a: number, b: number): boolean =>
  a === ENDS.anchored || b === ENDS.anchored || (a !== ENDS.none && b !== ENDS.none);

export function freeSpaceOf(map: PlanarMap, reading: EndReading): FreeSpace {
  const vertices = verticesOf(map, reading);
  const facing = reading.facing.map(({ from, to }) => [vertices.ids[from], vertices.ids[to]] as const);
  const wanted = new Int32Array(vertices.wanted.length + 2 * facing.length);
  wanted.set(vertices.wanted);
  wanted.set(facing.flat(), vertices.wanted.length);
  const mesh = triangulate(vertices.steps, wanted);
  const leaving = halfEdgesAt(mesh, vertices, facing.flat());
  const passages = facing.map(([a, b]) => openEdge(mesh, leaving, a, b));
  const solid = fillInk(map, mesh, vertices.xy);
  const gates = new Gates(mesh, vertices);
  const { width } = gates;
  const room = roomsOf(mesh, vertices, width);
  const { loose } = vertices;
  /** Where it is neither that at a flank nor that at an end: of few half-edges. */
  const otherwise = new Map<number, number>();
  const atEnd = (e: number) => endGate(loose[mesh.triangles[e]], loose[mesh.triangles[nextInTriangle(e)]]);
  const smooth = new Map<number, readonly number[]>();
  reading.facing.forEach(({ sure, bridge }, i) => {
    for (const e of passages[i]) {
      otherwise.set(e, sure ? 0 : ROOM_BETWEEN_FACING);
      smooth.set(e, bridge);
    }
  });
  const walls = new Walls(vertices.xy, vertices.wanted);
  const paired = new Set(passages.flat().map((e) => mesh.triangles[e]));
  for (const { vertex, kind, onward, tail, curvature } of reading.ends) {
    const v = vertices.ids[vertex];
    if (kind !== ENDS.anchored || v < 0 || paired.has(v)) continue;
    const e = gateAhead(mesh, leaving.get(v) ?? [], vertices, gates, onward);
    if (e < 0 || width[e] > tail * TAILS_AHEAD) continue;
    const bridge = arcToWall(vertices, walls, v, onward, curvature, MOST_ASTRAY * width[e]);
    for (const half of [e, mesh.twins[e]]) {
      otherwise.set(half, ROOM_AHEAD);
      if (bridge) smooth.set(half, bridge);
    }
  }
  return {
    mesh,
    xy: vertices.xy,
    width,
    across: (e) => gates.across(e),
    room,
    gates: gatesOf(mesh, width),
    roomNeeded: (e) => otherwise.get(e) ?? (atEnd(e) ? ROOM_AT_END : ROOM_AT_FLANK),
    smooth,
    solid,
    walls,
  };
}

/** One half-edge a gate, the widest first. */
function gatesOf({ triangles, fixed, twins }: Triangulation, width: Float64Array): Int32Array {
  const gates = new IntList(triangles.length >> 1);
  for (let e = 0; e < triangles.length; e++) if (!fixed[e] && twins[e] > e) gates.push(e);
  const found = gates.trimmed();
  const widths = new Float64Array(found.length);
  for (let k = 0; k < found.length; k++) widths[k] = width[found[k]];
  return largestFirst(widths).map((k) => found[k]);
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
  const ink = inkOf(map);
  if (ink.regions.length === 0) return solid;
  const seen = new Uint8Array(count);
  for (let first = 0; first < count; first++) {
    if (seen[first]) continue;
    const component = componentOf(first, twins, fixed, seen);
    const [a, b, c] = [triangles[3 * first], triangles[3 * first + 1], triangles[3 * first + 2]];
    const middle: Point = [
      (xy[2 * a] + xy[2 * b] + xy[2 * c]) / 3,
      (xy[2 * a + 1] + xy[2 * b + 1] + xy[2 * c + 1]) / 3,
    ];
    if (!ink.holds(middle)) continue;
    for (const t of component) {
      solid[t] = 1;
      fixed.fill(1, 3 * t, 3 * t + 3);
    }
  }
  return solid;
}

/** The triangles connected to one without a line between them. */
function componentOf(first: number, twins: Int32Array, fixed: Uint8Array, seen: Uint8Array): number[] {
  const component = [first];
  seen[first] = 1;
  for (let k = 0; k < component.length; k++) {
    for (let e = 3 * component[k]; e < 3 * component[k] + 3; e++) {
      const t = twins[e] < 0 ? -1 : (twins[e] - (twins[e] % 3)) / 3;
      if (t < 0 || fixed[e] || seen[t]) continue;
      seen[t] = 1;
      component.push(t);
    }
  }
  return component;
}

export const triangleOf = (e: number): number => (e - (e % 3)) / 3;

/** Page units squared. */
export function triangleArea({ mesh, xy }: Pick<FreeSpace, "mesh" | "xy">, t: number): number {
  const [a, b, c] = [mesh.triangles[3 * t], mesh.triangles[3 * t + 1], mesh.triangles[3 * t + 2]];
  return (
    Math.abs(
      (xy[2 * b] - xy[2 * a]) * (xy[2 * c + 1] - xy[2 * a + 1]) -
        (xy[2 * c] - xy[2 * a]) * (xy[2 * b + 1] - xy[2 * a + 1]),
    ) / 2
  );
}

/** Whether a gate lies between areas so roomy that it is an opening rather than a corner. */
function isOpening(space: FreeSpace, e: number, smallerRoom: number): boolean {
  return smallerRoom >= space.width[e] * space.roomNeeded(e);
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
    if (room[a] >= room[b]) regions.join(a, b);
    else regions.join(b, a);
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
  const [from, to] = space.across(e);
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

function crossesWall({ walls }: FreeSpace, bridge: readonly number[]): boolean {
  const count = (bridge.length - 2) / 6;
  const pieces = 8 * count;
  for (let k = 0; k < pieces; k++) {
    const p = pointAt(bridge, Math.max(TOUCH, k / 8));
    const q = pointAt(bridge, Math.min(count - TOUCH, (k + 1) / 8));
    if (walls.first(p, q) < Infinity) return true;
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

/** The triangle that holds a point (page units), found by walking from another; -1 when it lies beyond the frame. */
export function triangleAt(space: FreeSpace, [x, y]: Point, from = 0): number {
  const { mesh, xy } = space;
  let e = 3 * from;
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
