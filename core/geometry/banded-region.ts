/**
 * A region whose edges are sorted into horizontal bands, for many questions about what lies in it. A place asks the edges of
 * its band alone (the slab method of point location, after Dobkin and Lipton, "Multidimensional searching problems", 1976).
 */
import { type Box, boundsOf, boxHolds, type Coords, type Point } from "./point.ts";

/** A crossing of a row: where, and which way the edge goes there, 1 downwards (y rising) or -1. */
type Visit = (x: number, turn: 1 | -1) => void;

const EDGES_PER_BAND = 4;
const MOST_BANDS = 1024;

export class BandedRegion {
  readonly box: Box;
  private readonly bands: number;
  private readonly bandHeight: number;
  /** Edges as ax, ay, bx, by. */
  private readonly edges: Float64Array;
  /** By band where its edges begin in `items`, which has the place of each in `edges`. */
  private readonly start: Int32Array;
  private readonly items: Int32Array;

  /** Of flat rings in page units, by the nonzero or the even-odd rule. */
  constructor(
    rings: readonly Coords[],
    readonly evenOdd: boolean,
  ) {
    this.box = boundsOf(rings) ?? NOWHERE;
    this.edges = edgesOf(rings);
    const count = this.edges.length / 4;
    this.bands = Math.max(1, Math.min(MOST_BANDS, Math.ceil(count / EDGES_PER_BAND)));
    this.bandHeight = this.box.height / this.bands || 1;
    this.start = new Int32Array(this.bands + 1);
    this.eachInBand((band) => this.start[band]++);
    for (let band = 1; band <= this.bands; band++) this.start[band] += this.start[band - 1];
    this.items = new Int32Array(this.start[this.bands]);
    this.eachInBand((band, edge) => {
      this.items[--this.start[band]] = edge;
    });
  }

  private eachInBand(visit: (band: number, edge: number) => void): void {
    const { edges } = this;
    for (let e = 0; e < edges.length; e += 4) {
      const [from, to] = [edges[e + 1], edges[e + 3]];
      const last = this.bandAt(from < to ? to : from);
      for (let band = this.bandAt(from < to ? from : to); band <= last; band++) visit(band, e);
    }
  }

  holds(at: Point): boolean {
    if (!boxHolds(this.box, at)) return false;
    const { edges, items } = this;
    const [x, y] = at;
    let winding = 0;
    const band = this.bandAt(y);
    for (let k = this.start[band]; k < this.start[band + 1]; k++) {
      const e = items[k];
      const upwards = edges[e + 3] > y;
      if (edges[e + 1] > y === upwards) continue;
      const turn =
        (edges[e + 2] - edges[e]) * (y - edges[e + 1]) - (x - edges[e]) * (edges[e + 3] - edges[e + 1]);
      if (upwards ? turn > 0 : turn < 0) winding += upwards ? 1 : -1;
    }
    return this.counts(winding);
  }

  /** Whether a place that the outline winds round so many times lies in the region. */
  counts(winding: number): boolean {
    return this.evenOdd ? winding % 2 !== 0 : winding !== 0;
  }

  /** Every crossing of its edges with the row at `y`, in no order. */
  eachCrossing(y: number, visit: Visit): void {
    const { edges, items } = this;
    const band = this.bandAt(y);
    for (let k = this.start[band]; k < this.start[band + 1]; k++) {
      const e = items[k];
      const falls = edges[e + 3] > y;
      if (edges[e + 1] > y === falls) continue;
      const along = (y - edges[e + 1]) / (edges[e + 3] - edges[e + 1]);
      visit(edges[e] + along * (edges[e + 2] - edges[e]), falls ? 1 : -1);
    }
  }

  private bandAt(y: number): number {
    const band = Math.floor((y - this.box.y) / this.bandHeight);
    return band < 0 ? 0 : band >= this.bands ? this.bands - 1 : band;
  }
}

const NOWHERE: Box = { x: 0, y: 0, width: -1, height: -1 };

function edgesOf(rings: readonly Coords[]): Float64Array {
  const edges = new Float64Array(rings.reduce((sum, ring) => sum + ring.length, 0) * 2);
  let at = 0;
  for (const ring of rings)
    for (let i = 0, j = ring.length - 2; i < ring.length; j = i, i += 2) {
      edges[at++] = ring[j];
      edges[at++] = ring[j + 1];
      edges[at++] = ring[i];
      edges[at++] = ring[i + 1];
    }
  return edges;
}
