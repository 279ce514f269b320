/** From lines to the planar map: flatten, join what touches, node, link half-edges, find faces. */
import { polyline } from "../geometry/cubic.ts";
import { type Cells, cellsOf } from "./cells.ts";
import { type Faces, facesOf } from "./faces.ts";
import { type HalfEdges, halfEdgesOf } from "./half-edges.ts";
import { findJoins } from "./joins.ts";
import { type Noding, nodeSegments } from "./noding.ts";
import { type Lattice, type Line, latticeFor, type Segments, segmentsOf, toPage } from "./segments.ts";

export interface PlanarMap {
  /** The lines given, then one bridge for each join that ink made by touching. */
  readonly lines: readonly Line[];
  readonly givenLines: number;
  readonly lattice: Lattice;
  readonly segs: Segments;
  readonly cells: Cells;
  readonly noding: Noding;
  readonly halfEdges: HalfEdges;
  readonly faces: Faces;
  /** Two flags a given line, start and end: 1 where that end meets another line. */
  readonly met: Uint8Array;
}

export interface MapOptions {
  /** Take centre lines alone; otherwise ends whose ink touches other ink are joined. */
  readonly strict?: boolean;
}

/** Builds the whole map. Lines with fewer than one cubic are left out of it but keep their index. */
export function buildMap(given: readonly Line[], { strict = false }: MapOptions = {}): PlanarMap {
  const lattice = latticeFor(given);
  const bare = segmentsOf(given, lattice);
  const bareCells = cellsOf(bare);
  const { joins, met } = given.length
    ? findJoins({ lines: given, segs: bare, cells: bareCells, lattice, strict })
    : { joins: [], met: new Uint8Array(0) };
  const lines: Line[] = [
    ...given,
    ...joins.map(({ from, to }, i) => ({
      id: `join-${i}`,
      points: polyline([toPage(lattice, from[0], from[1]), toPage(lattice, to[0], to[1])]),
      closed: false,
      width: 0,
      bridge: true,
    })),
  ];
  const segs = joins.length ? segmentsOf(lines.slice(given.length), lattice, bare, given.length) : bare;
  const cells = joins.length ? cellsOf(segs) : bareCells;
  const noding = nodeSegments(segs, cells);
  const halfEdges = halfEdgesOf(noding);
  const faces = facesOf(halfEdges, cells);
  return { lines, givenLines: given.length, lattice, segs, cells, noding, halfEdges, faces, met };
}
