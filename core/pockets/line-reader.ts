/**
 * Reads a drawing's lines again and again while it is edited: the map follows where it can, and is built anew where
 * not. Openings within the drawing's reach are closed by bridges that live in the map alone.
 */
import type { Drawing } from "../drawing/drawing.ts";
import { MAIN } from "../drawing/parts.ts";
import { distance } from "../geometry/point.ts";
import type { Opening } from "./free-space.ts";
import { type InkTail, inkTailsOf } from "./ink-tails.ts";
import { changeBetween, editMap } from "./map-edit.ts";
import { buildMap, type PlanarMap } from "./planar-map.ts";
import { type Pocket, PocketReader } from "./pockets.ts";
import { bridgeLine, type Gaps, gapsOf, linesOf, longestReach } from "./reading.ts";
import type { Line } from "./segments.ts";
import { type Tail, tailsOf } from "./tails.ts";
import { TooDense } from "./too-dense.ts";

export class LineReader {
  /** Of one part, whose pockets have keys from `base` on; bare ones are without what only painters ask for (see pockets.ts). */
  constructor(
    private readonly part = MAIN,
    private readonly base = 0,
    private readonly bare = false,
  ) {}

  /** Lines in the map: the drawing's own, then the bridges of its reach. */
  private own: readonly Line[] = [];
  private reached: readonly Line[] = [];
  private map: PlanarMap | undefined;
  private pockets: PocketReader | undefined;
  private lastGaps: Gaps | undefined;
  /** The width up to which they were sought, which depends on the page. */
  private lastReach = 0;

  /** All pockets, largest first; one that did not change is the same object as before. Throws TooDense (too-dense.ts). */
  read(drawing: Drawing): Pocket[] {
    const own = linesOf(drawing);
    const changed = !this.map || this.map.strict !== drawing.strict || differ(own, this.own);
    if (changed) {
      this.turnTo(own, [], drawing.strict);
      this.lastGaps = undefined;
    }
    const reached = drawing.reach > 0 ? this.reachedBridges(drawing) : [];
    if (differ(reached, this.reached)) this.turnTo(own, reached, drawing.strict);
    return this.pockets!.read();
  }

  private reachedBridges(drawing: Drawing): Line[] {
    const bridges = linesOfReach(drawing, this.gaps(drawing));
    // The same bridge stays the same line, so that the map sees no change.
    const known = new Map(this.reached.map((line) => [line.points, line]));
    return bridges.map((line) => known.get(line.points) ?? line);
  }

  /** Changes the map into that of the given lines: by following the edit where it can be followed, else anew. */
  private turnTo(own: readonly Line[], reached: readonly Line[], strict: boolean): void {
    const lines = [...own, ...reached];
    const { map } = this;
    // A map that refuses an edit, or fails in it, is half edited: nobody finds it here.
    this.map = undefined;
    if (map?.strict === strict && editMap(map, changeBetween([...this.own, ...this.reached], lines))) {
      this.map = map;
    } else {
      this.lastGaps = undefined;
      this.map = buildMap(lines, { strict });
      this.pockets = new PocketReader(this.map, this.part, this.base, this.bare);
    }
    this.own = own;
    this.reached = reached;
  }

  get planarMap(): PlanarMap | undefined {
    return this.map;
  }

  /** Loose tails of the lines as `gaps` has read them last, shortest first. */
  tails(): Tail[] {
    return this.map ? tailsOf(this.map) : [];
  }

  /** Tails of ink shapes, shortest first. */
  inkTails(): InkTail[] {
    return this.map ? inkTailsOf(this.map) : [];
  }

  /** Loose ends and openings of the drawing's own lines, before its reach closes any. Throws TooDense. */
  gaps(drawing: Drawing): Gaps {
    if (!this.map) throw new TooDense();
    const reach = longestReach(drawing);
    if (!this.lastGaps || this.lastReach !== reach) {
      if (this.reached.length > 0) this.turnTo(this.own, [], drawing.strict);
      this.lastGaps = gapsOf(this.map, reach);
      this.lastReach = reach;
    }
    return this.lastGaps;
  }
}

/** What a drawing says of openings. */
type Closing = Pick<Drawing, "reach" | "declined">;

/** What a drawing's reach closes, as lines of the map. */
export const linesOfReach = (drawing: Drawing, { openings }: Gaps): Line[] =>
  openings.filter((opening) => isReached(drawing, opening, openings)).map(bridgeLine("reach"));

/** Whether a drawing's reach closes an opening of several: it is not wider, and not meant to stay open. */
export const isReached = (drawing: Closing, opening: Opening, all: readonly Opening[]): boolean =>
  opening.width <= drawing.reach && !isDeclined(drawing, opening, all);

/** Whether an opening is one of those to be left open: one was declined where it lies, and none of the others lies nearer. */
export const isDeclined = (
  { declined }: Pick<Closing, "declined">,
  { at, width }: Opening,
  all: readonly Opening[],
): boolean =>
  Object.values(declined).some((place) => {
    const off = distance(place.at, at);
    return off <= width / 2 + 1e-9 && all.every((other) => distance(place.at, other.at) >= off);
  });

const differ = (a: readonly Line[], b: readonly Line[]): boolean =>
  a.length !== b.length || a.some((line, i) => line !== b[i]);
