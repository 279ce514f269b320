import type { Cells } from "./cells.ts";
import type { HalfEdges } from "./half-edges.ts";
import type { Join } from "./joins.ts";
import type { Lattice, Line, Segments } from "./segments.ts";

/** What faces are read from. */
export interface MapParts {
  readonly lines: readonly Line[];
  readonly joins: ReadonlyMap<number, Join>;
  readonly lattice: Lattice;
  readonly segs: Segments;
  readonly cells: Cells;
  readonly halfEdges: HalfEdges;
}
