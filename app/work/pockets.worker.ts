/** The pocket worker: holds its own copy of the drawing's lines and answers what can be derived from them. */
import * as Comlink from "comlink";
import { applyPatches, enablePatches, type Patch } from "immer";
import type { Drawing } from "#core/drawing/drawing.ts";
import type { Point } from "#core/geometry/point.ts";
import type { FreeSpace, Opening } from "#core/pockets/free-space.ts";
import { explainLeak, type Leak } from "#core/pockets/leak.ts";
import { buildMap, type PlanarMap } from "#core/pockets/planar-map.ts";
import { type Pocket, pocketsOf } from "#core/pockets/pockets.ts";
import { gapsOf, type LooseEnd, linesOf, longestReach } from "#core/pockets/reading.ts";

enablePatches();

export interface PocketReading {
  /** Pockets that show, largest first. */
  readonly pockets: readonly Pocket[];
  /** Time in the worker, milliseconds. */
  readonly took: number;
}

export interface GapReading {
  readonly openings: readonly Opening[];
  readonly looseEnds: readonly LooseEnd[];
}

let drawing: Drawing | undefined;
let map: PlanarMap | undefined;
let space: FreeSpace | undefined;

function read(): PocketReading {
  const begun = performance.now();
  map = buildMap(linesOf(drawing!), { strict: drawing!.strict });
  space = undefined;
  return { pockets: pocketsOf(map), took: performance.now() - begun };
}

function readGaps(): GapReading {
  const gaps = gapsOf(map!, longestReach(drawing!));
  space = gaps.space;
  return { openings: gaps.openings, looseEnds: gaps.looseEnds };
}

const work = {
  open(next: Drawing): PocketReading {
    drawing = next;
    return read();
  },

  /** Follows an edit that touched the lines. */
  follow(patches: Patch[]): PocketReading {
    drawing = applyPatches(drawing!, patches);
    return read();
  },

  gaps: readGaps,

  leak(at: Point): Leak | undefined {
    if (!space) readGaps();
    return explainLeak(space!, at, longestReach(drawing!));
  },
};

export type PocketWork = typeof work;

Comlink.expose(work);
