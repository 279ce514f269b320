/** What the pocket worker does: it holds its own copy of the drawing's lines and answers what can be derived from them. */
import * as Comlink from "comlink";
import { enablePatches, type Patch } from "immer";
import { DabReader } from "#core/dabs/dab-reader.ts";
import type { AskedDab, DabReading } from "#core/dabs/dab-reading.ts";
import type { Spreading } from "#core/dabs/labels.ts";
import { type TakenDabs, takenFrom } from "#core/dabs/take-dabs.ts";
import { difference } from "#core/drawing/difference.ts";
import type { Drawing } from "#core/drawing/drawing.ts";
import { type Packed, unpack } from "#core/drawing/packed.ts";
import { drawingOfPart, partOf } from "#core/drawing/parts.ts";
import { patched } from "#core/drawing/patched.ts";
import type { Point } from "#core/geometry/point.ts";
import type { TidySettings } from "#core/lines/tidy.ts";
import { tidiedUnderEnds } from "#core/lines/tidy-met.ts";
import { type DrawingGaps, DrawingReader } from "#core/pockets/drawing-reader.ts";
import { withPartJoined } from "#core/pockets/join-parts.ts";
import type { Leak } from "#core/pockets/leak.ts";
import { withEnclosed, withPart } from "#core/pockets/make-part.ts";
import { memoryOf, type PackedPockets, packPockets } from "#core/pockets/packed-pockets.ts";
import type { Pocket } from "#core/pockets/pockets.ts";
import type { ReachReading } from "#core/pockets/reach-reading.ts";

enablePatches();

/** What the desk needs to know to have the pockets of now. */
export interface PocketReading {
  /** Keys of the pockets that show, largest first. */
  readonly keys: readonly number[];
  /** The pockets among them that differ from what was sent before. */
  readonly fresh: PackedPockets;
  /** Time in the worker, milliseconds. */
  readonly took: number;
  /** Why there are none, in a sentence. */
  readonly trouble?: string;
}

export type GapReading = DrawingGaps;

/** The combined result of tidying all lines. */
export interface TidyReading {
  readonly shapes: ReadonlyMap<string, readonly number[]>;
  readonly before: number;
  readonly after: number;
  readonly deviation: number;
}

/** The fields of a drawing that the worker does not follow: they are passed along when needed. */
export type Colour = Pick<Drawing, "pours" | "shades" | "flatShapes" | "creases">;

/** A part to be made of pockets, by their keys, and of whole lines with what they enclose. */
export interface PartWanted {
  readonly name: string;
  /** The part they are in. */
  readonly part: string;
  readonly keys: readonly number[];
  readonly lines: readonly string[];
}

/** Dabs of one part, and how far they may go. */
export interface DabQuestion {
  readonly part: string;
  readonly dabs: readonly AskedDab[];
  readonly spreading: Spreading;
}

let drawing: Drawing | undefined;
const reader = new DrawingReader();
const dabReader = new DabReader();
let told = new Set<Pocket>();

function read(): PocketReading {
  const begun = performance.now();
  const { pockets: all, trouble } = reader.read(drawing!);
  const pockets = all.filter(({ hidden }) => !hidden);
  const fresh = pockets.filter((pocket) => !told.has(pocket));
  told = new Set(pockets);
  const packed = packPockets(fresh);
  const reading = {
    keys: pockets.map(({ key }) => key),
    fresh: packed,
    took: performance.now() - begun,
    trouble,
  };
  return Comlink.transfer(reading, memoryOf(packed));
}

export const pocketWork = {
  open(next: Packed<Drawing>): PocketReading {
    drawing = unpack(next);
    return read();
  },

  /** Follows an edit by those of its patches that touch the lines. */
  follow(patches: Patch[]): PocketReading {
    drawing = patched(drawing!, patches);
    return read();
  },

  gaps: (): GapReading => reader.gaps(drawing!),

  /** What making a part changes; nothing where there is none to make. */
  makePart(colour: Colour, { name, part, keys, lines }: PartWanted): Patch[] {
    const now = { ...drawing!, ...colour };
    const own = reader.read(now).pockets.filter((pocket) => pocket.part === part);
    const map = reader.mapOf(part);
    const whole = new Set(lines);
    const chosen = new Set(own.filter(({ key }) => keys.includes(key)));
    if (!map || chosen.size + whole.size === 0) return [];
    const inside = whole.size > 0 ? withEnclosed(now, part, whole, own, chosen) : chosen;
    return difference(now, withPart(now, { name, part, pockets: own, map, chosen: inside, lines: whole }));
  },

  /** What joining a part to another changes. */
  joinPart(colour: Colour, part: string, into: string): Patch[] {
    const now = { ...drawing!, ...colour };
    return difference(now, withPartJoined(now, part, into));
  },

  tidy(
    ids: readonly string[],
    settings: TidySettings,
    pins: Readonly<Record<string, readonly number[]>>,
  ): TidyReading {
    const shapes = new Map<string, readonly number[]>();
    let [before, after, deviation] = [0, 0, 0];
    for (const id of ids) {
      const stroke = drawing!.strokes[id];
      if (!stroke) continue;
      const strokes = Object.values(drawingOfPart(drawing!, partOf(stroke)).strokes);
      const result = tidiedUnderEnds(stroke, strokes, settings, pins[id] ?? [], drawing!.strict);
      before += result.before;
      after += result.after;
      deviation = Math.max(deviation, result.deviation);
      if (result.points !== stroke.points) shapes.set(id, result.points);
    }
    return { shapes, before, after, deviation };
  },

  /** What a reach would close. */
  reach: (width: number): ReachReading => {
    const reading = reader.reach(drawing!, width);
    return Comlink.transfer(reading, [reading.triangles.buffer]);
  },

  /** What dabs claim. */
  dabs: ({ part, dabs, spreading }: DabQuestion): DabReading => {
    const { regions, edges } = dabReader.claims(drawing!, part, dabs, spreading);
    return Comlink.transfer(
      { regions, edges },
      regions.map(({ triangles }) => triangles.buffer),
    );
  },

  /** What taking some of the regions that dabs claim makes, by their numbers. */
  takeDabs(
    colour: Pick<Drawing, "pours" | "shades">,
    { part, dabs, spreading }: DabQuestion,
    chosen: readonly number[],
  ): TakenDabs {
    const claims = dabReader.claims(drawing!, part, dabs, spreading);
    return takenFrom({ ...drawing!, ...colour }, part, claims, chosen);
  },

  leak: (part: string, at: Point): Leak | undefined => reader.leak(drawing!, part, at),
};

export type PocketWork = typeof pocketWork;
