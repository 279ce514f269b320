/** From lines to the planar map: flatten, join what touches, node, link half-edges, find faces. */
import { polyline } from "../geometry/cubic.ts";
import { distance, mix } from "../geometry/point.ts";
import { type Cells, cellsOf } from "./cells.ts";
import { errorBoundFor } from "./exact.ts";
import { type Faces, facesOf } from "./faces.ts";
import { type HalfEdges, halfEdgesOf, standsFirst } from "./half-edges.ts";
import { endsOf, findJoins, type Join, joinsOfMisses, type LineEnds, widestInk } from "./joins.ts";
import { type Noding, nodeSegments } from "./noding.ts";
import {
  addLine,
  type Lattice,
  type Line,
  latticeFor,
  longestExtent,
  type Segments,
  segmentsOf,
  toPage,
} from "./segments.ts";
import { sideJoinsOf } from "./side-joins.ts";

export interface PlanarMap {
  /** The lines given and a bridge for each join that ink made by touching; gone ones leave their place empty. */
  readonly lines: Line[];
  /** For joins, the join itself. */
  readonly joins: Map<number, Join>;
  readonly ends: LineEnds;
  readonly lattice: Lattice;
  readonly segs: Segments;
  cells: Cells;
  readonly noding: Noding;
  readonly halfEdges: HalfEdges;
  readonly faces: Faces;
  readonly strict: boolean;
  /** Vertices where edits have added or removed a line since the map was last read. */
  readonly changedVertices: Set<number>;
}

export interface MapOptions {
  /** Take centre lines alone; otherwise ends whose ink touches other ink are joined. */
  readonly strict?: boolean;
  /** Instead of the one that suits the lines best: all of them must lie within it. */
  readonly lattice?: Lattice;
  /** Called where most memory is held, for measuring. */
  readonly onPeak?: () => void;
}

/**
 * Builds the whole map. Lines with fewer than one cubic are left out of it but keep their index. Throws TooDense where
 * the lines ask for too much (too-dense.ts).
 */
export function buildMap(given: readonly Line[], options: MapOptions = {}): PlanarMap {
  const { strict = false, lattice = latticeFor(given), onPeak } = options;
  const lines = [...given];
  const segs = segmentsOf(lines, lattice);
  let cells = cellsOf(segs);
  const ends = endsOf(lines, segs);
  const joins = new Map<number, Join>();
  const input = { lines, segs, cells, lattice, strict, ends, joins };
  const addJoins = (found: readonly Join[]) => {
    for (const join of found) {
      joins.set(lines.length, join);
      appendLine({ lines, segs, ends, lattice }, joinLine(join, lattice));
    }
    if (found.length > 0) cells = cellsOf(segs);
  };
  const ofEnds = findJoins(input);
  addJoins([...ofEnds, ...sideJoinsOf(input, ofEnds, widestInk(lines))]);
  const errorBound = errorBoundFor(longestExtent(segs));
  const first = nodeSegments(segs, cells, errorBound, onPeak);
  const missed = joinsOfMisses(input, first.misses);
  addJoins(missed);
  const { noding } = missed.length > 0 ? nodeSegments(segs, cells, errorBound, onPeak) : first;
  const loop = new Int32Array(noding.slotCount * 2);
  const halfEdges = halfEdgesOf(noding, standsFirst(lines, segs, noding), loop);
  onPeak?.();
  const faces = facesOf({ lines, joins, lattice, segs, cells, halfEdges }, loop);
  return {
    lines,
    joins,
    ends,
    lattice,
    segs,
    cells,
    noding,
    halfEdges,
    faces,
    strict,
    changedVertices: new Set(),
  };
}

/** Adds a line after those that are there, as segments that are not yet in the grid. */
export function appendLine(
  { lines, segs, ends, lattice }: Pick<PlanarMap, "lines" | "segs" | "ends" | "lattice">,
  line: Line,
): void {
  ends.first.push(segs.count);
  addLine(segs, line.points, lines.length, lattice);
  ends.last.push(segs.count);
  ends.met.push(false, false);
  lines.push(line);
}

/** Joins go this many steps past the line they lead to, so that rounding cannot keep them from crossing it. */
const PAST = 2;

/** The invisible connector that stands for a join, named by where it is. */
export function joinLine({ from, to }: Join, lattice: Lattice): Line {
  const [x, y] = mix(from, to, 1 + PAST / distance(from, to));
  return {
    id: `join ${from} ${to}`,
    points: polyline([toPage(lattice, from[0], from[1]), toPage(lattice, x, y)]),
    closed: false,
    width: 0,
    bridge: true,
  };
}
