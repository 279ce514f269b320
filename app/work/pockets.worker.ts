/** The pocket worker: holds its own copy of the drawing's lines and answers what can be derived from them. */
import * as Comlink from "comlink";
import { applyPatches, enablePatches, type Patch } from "immer";
import type { Drawing } from "#core/drawing/drawing.ts";
import type { Point } from "#core/geometry/point.ts";
import type { TidySettings } from "#core/lines/tidy.ts";
import { tidiedUnderEnds } from "#core/lines/tidy-met.ts";
import type { Opening } from "#core/pockets/free-space.ts";
import { explainLeak, type Leak } from "#core/pockets/leak.ts";
import { isReached, LineReader } from "#core/pockets/line-reader.ts";
import type { Pocket } from "#core/pockets/pockets.ts";
import { type ReachReading, readReach } from "#core/pockets/reach-reading.ts";
import { type Gaps, type LooseEnd, longestReach } from "#core/pockets/reading.ts";
import type { Tail } from "#core/pockets/tails.ts";
import { unlessTooDense } from "#core/pockets/too-dense.ts";

enablePatches();

/** What the desk needs to know to have the pockets of now. */
export interface PocketReading {
  /** Keys of the pockets that show, largest first. */
  readonly keys: readonly number[];
  /** Those among them that are not as they were told before. */
  readonly fresh: readonly Pocket[];
  /** Time in the worker, milliseconds. */
  readonly took: number;
  /** Why there are none, in a sentence. */
  readonly trouble?: string;
}

export interface GapReading {
  readonly openings: readonly Opening[];
  readonly looseEnds: readonly LooseEnd[];
  /** Shortest first. */
  readonly tails: readonly Tail[];
}

/** What tidying lines comes to, all together. */
export interface TidyReading {
  readonly shapes: ReadonlyMap<string, readonly number[]>;
  readonly before: number;
  readonly after: number;
  readonly deviation: number;
}

let drawing: Drawing | undefined;
const reader = new LineReader();
let told = new Set<Pocket>();
function read(): PocketReading {
  const begun = performance.now();
  const { pockets, trouble } = unlessTooDense<{ pockets: Pocket[]; trouble?: string }>(
    () => ({ pockets: reader.read(drawing!).filter(({ hidden }) => !hidden) }),
    ({ message }) => ({ pockets: [], trouble: message }),
  );
  const fresh = pockets.filter((pocket) => !told.has(pocket));
  told = new Set(pockets);
  return { keys: pockets.map(({ key }) => key), fresh, took: performance.now() - begun, trouble };
}

const readGaps = (): Gaps | undefined =>
  unlessTooDense<Gaps | undefined>(
    () => reader.gaps(drawing!),
    () => undefined,
  );

const work = {
  open(next: Drawing): PocketReading {
    drawing = next;
    return read();
  },

  /** Follows an edit by those of its patches that touch the lines. */
  follow(patches: Patch[]): PocketReading {
    drawing = applyPatches(drawing!, patches);
    return read();
  },

  gaps(): GapReading {
    const gaps = readGaps();
    return { openings: gaps?.openings ?? [], looseEnds: gaps?.looseEnds ?? [], tails: reader.tails() };
  },

  tidy(
    ids: readonly string[],
    settings: TidySettings,
    pins: Readonly<Record<string, readonly number[]>>,
  ): TidyReading {
    const shapes = new Map<string, readonly number[]>();
    const strokes = Object.values(drawing!.strokes);
    let [before, after, deviation] = [0, 0, 0];
    for (const id of ids) {
      const stroke = drawing!.strokes[id];
      if (!stroke) continue;
      const result = tidiedUnderEnds(stroke, strokes, settings, pins[id] ?? [], drawing!.strict);
      before += result.before;
      after += result.after;
      deviation = Math.max(deviation, result.deviation);
      if (result.points !== stroke.points) shapes.set(id, result.points);
    }
    return { shapes, before, after, deviation };
  },

  /** What a reach would close. */
  reach: (width: number): ReachReading | null => {
    const gaps = readGaps();
    if (!gaps) return null;
    const reading = readReach(gaps.space, width);
    return Comlink.transfer(reading, [reading.triangles.buffer]);
  },

  leak: (at: Point): Leak | undefined => {
    const closed = (opening: Opening) => isReached(drawing!, opening);
    const gaps = readGaps();
    return gaps && explainLeak(gaps.space, at, longestReach(drawing!), closed);
  },
};

export type PocketWork = typeof work;

Comlink.expose(work);
