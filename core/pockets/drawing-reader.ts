/**
 * Reads a drawing part by part: each has a planar map of its own, made from its own lines, and an edit touches no other
 * part's.
 */
import type { Drawing } from "../drawing/drawing.ts";
import { drawingOfPart, partsOf } from "../drawing/parts.ts";
import type { Point } from "../geometry/point.ts";
import type { Opening } from "./free-space.ts";
import type { InkTail } from "./ink-tails.ts";
import { explainLeak, type Leak } from "./leak.ts";
import { isReached, LineReader } from "./line-reader.ts";
import type { PlanarMap } from "./planar-map.ts";
import type { Pocket } from "./pockets.ts";
import { type ReachReading, readReach } from "./reach-reading.ts";
import { type Gaps, type LooseEnd, longestReach } from "./reading.ts";
import type { Tail } from "./tails.ts";
import { unlessTooDense } from "./too-dense.ts";

/** An opening between lines of one part. */
export interface PartOpening extends Opening {
  readonly part: string;
}

export interface DrawingGaps {
  /** Narrowest first. */
  readonly openings: readonly PartOpening[];
  readonly looseEnds: readonly LooseEnd[];
  /** Shortest first. */
  readonly tails: readonly Tail[];
  readonly inkTails: readonly InkTail[];
}

/** Keys of one part's pockets stay below this. */
const KEYS = 2 ** 32;

export class DrawingReader {
  private readonly readers = new Map<string, LineReader>();
  /** Parts met so far: their pockets' keys begin at so many times KEYS. */
  private met = 0;

  /** Bare pockets are without what only painters ask for (see pockets.ts). */
  constructor(private readonly options: { readonly bare?: boolean } = {}) {}

  /** All pockets, those of the front part first; `trouble` says why a part has none. */
  read(drawing: Drawing): { readonly pockets: Pocket[]; readonly trouble?: string } {
    let trouble: string | undefined;
    const parts = partsOf(drawing).reverse();
    for (const id of [...this.readers.keys()]) if (!drawing.parts[id]) this.readers.delete(id);
    const pockets = parts.flatMap(({ id }) =>
      unlessTooDense(
        () => this.readerOf(id).read(drawingOfPart(drawing, id)),
        ({ message }) => {
          trouble = message;
          return [];
        },
      ),
    );
    return { pockets, trouble };
  }

  private readerOf(part: string): LineReader {
    const known = this.readers.get(part);
    if (known) return known;
    const reader = new LineReader(part, this.met++ * KEYS, this.options.bare);
    this.readers.set(part, reader);
    return reader;
  }

  private gapsOfPart(drawing: Drawing, part: string): Gaps | undefined {
    return unlessTooDense<Gaps | undefined>(
      () => this.readerOf(part).gaps(drawingOfPart(drawing, part)),
      () => undefined,
    );
  }

  /** Loose ends, openings and tails of every part, before its reach closes any. */
  gaps(drawing: Drawing): DrawingGaps {
    const found = partsOf(drawing).map(({ id }) => ({ id, gaps: this.gapsOfPart(drawing, id) }));
    return {
      openings: found
        .flatMap(({ id, gaps }) => (gaps?.openings ?? []).map((opening) => ({ ...opening, part: id })))
        .sort((a, b) => a.width - b.width),
      looseEnds: found.flatMap(({ gaps }) => gaps?.looseEnds ?? []),
      tails: this.shortestFirst((reader) => reader.tails()),
      inkTails: this.shortestFirst((reader) => reader.inkTails()),
    };
  }

  private shortestFirst<T extends { readonly length: number }>(
    of: (reader: LineReader) => readonly T[],
  ): T[] {
    return [...this.readers.values()].flatMap(of).sort((a, b) => a.length - b.length);
  }

  /** What a reach would close, in all parts. */
  reach(drawing: Drawing, width: number): ReachReading {
    const readings = partsOf(drawing).flatMap(({ id }) => {
      const gaps = this.gapsOfPart(drawing, id);
      return gaps ? [readReach(gaps.space, width)] : [];
    });
    const triangles = new Float32Array(readings.reduce((sum, reading) => sum + reading.triangles.length, 0));
    let at = 0;
    for (const reading of readings) {
      triangles.set(reading.triangles, at);
      at += reading.triangles.length;
    }
    return { fresh: readings.reduce((sum, { fresh }) => sum + fresh, 0), triangles };
  }

  /** Why colour would run out of a place of one part. */
  leak(drawing: Drawing, part: string, at: Point): Leak | undefined {
    const own = drawingOfPart(drawing, part);
    const gaps = this.gapsOfPart(drawing, part);
    const isClosed = (opening: Opening) => isReached(own, opening, gaps?.openings ?? []);
    return gaps && explainLeak(gaps.space, at, longestReach(own), isClosed);
  }

  /** The map of a part as it was read last. */
  mapOf(part: string): PlanarMap | undefined {
    return this.readers.get(part)?.planarMap;
  }
}
