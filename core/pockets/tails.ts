/** Loose tails: where a line runs on past its last crossing and ends in the open. */
import { closestNear, crossingNear, curveCount } from "../geometry/cubic.ts";
import type { Point } from "../geometry/point.ts";
import { degreeAt, lastHalfEdge, originOf, targetOf } from "./half-edges.ts";
import { lineOf, paramAt } from "./outlines.ts";
import type { PlanarMap } from "./planar-map.ts";
import { toPage } from "./segments.ts";

export interface Tail {
  /** Id of the line. */
  readonly line: string;
  /** Whether it is at the line's start. */
  readonly start: boolean;
  /** From the crossing to the end, in page units. */
  readonly length: number;
  /** The crossing, and the line's parameter there. */
  readonly at: Point;
  readonly u: number;
}

/** The tails of all open lines, shortest first. */
export function tailsOf(map: PlanarMap): Tail[] {
  const { lines, joins, ends } = map;
  const tails: Tail[] = [];
  lines.forEach(({ closed, bridge }, line) => {
    if (closed || bridge || joins.has(line) || ends.first[line] >= ends.last[line]) return;
    // An end that touches ink, or lies under it, is no tail.
    const [head, end] = [true, false].map((start) =>
      ends.met[2 * line + (start ? 0 : 1)] ? undefined : tailAt(map, line, start),
    );
    // Where a line is crossed but once, its shorter part is the tail and the longer the line.
    const both = head && end && end.u - head.u < 1e-9;
    if (head && !(both && head.length > end.length)) tails.push(head);
    if (end && !(both && end.length >= head.length)) tails.push(end);
  });
  return tails.sort((a, b) => a.length - b.length);
}

function tailAt(map: PlanarMap, line: number, start: boolean): Tail | undefined {
  const { noding, halfEdges, lattice, lines, ends } = map;
  let h = start ? 2 * noding.first[ends.first[line]] : lastHalfEdge(noding, ends.last[line] - 1);
  if (halfEdges.next[h] < 0 || degreeAt(halfEdges, h) !== 1) return undefined;
  let length = 0;
  for (;;) {
    const [u, v] = [originOf(noding, h), targetOf(noding, h)];
    length += Math.hypot(noding.vx[v] - noding.vx[u], noding.vy[v] - noding.vy[u]);
    const next = halfEdges.next[h];
    if (degreeAt(halfEdges, next) > 2) break;
    // It ends, or goes on into another line's end, without having met any.
    if (next === (h ^ 1) || lineOf(map, next) !== line) return undefined;
    h = next;
  }
  const rough = paramAt(map, h, targetOf(noding, h));
  const { points, id } = lines[line];
  const at = crossingAt(map, h, rough);
  const last = curveCount(points);
  const u = Math.max(0, Math.min(last, closestNear(points, at, rough, 0.5)));
  // A line that meets another with its far end alone has run on past nothing.
  if (start ? u > last - 1e-6 : u < 1e-6) return undefined;
  return { line: id, start, length: length * lattice.step, at, u };
}

/** Where the lines themselves meet that h leads to: the map's own place lies on their chords. */
function crossingAt(map: PlanarMap, h: number, rough: number): Point {
  const { noding, halfEdges, lines, lattice } = map;
  const line = lineOf(map, h);
  const vertex = targetOf(noding, h);
  const first = halfEdges.next[h];
  let other = first;
  do {
    const across = paramAt(map, other, vertex);
    const crossed = lineOf(map, other);
    if (crossed !== line || Math.abs(across - rough) > 1e-6) {
      const exact = crossingNear(
        lines[line].points,
        rough,
        lines[crossed].points,
        across,
        8 * lattice.tolerance,
      );
      if (exact) return exact;
    }
    other = halfEdges.next[other ^ 1];
  } while (other !== first);
  return toPage(lattice, noding.vx[vertex], noding.vy[vertex]);
}
