/**
 * Keeps the pocket worker's lines those that are shown. While it reads it is told nothing more; then it is told all that
 * has changed since, so that a drag never piles up work. Openings are read once the hand rests.
 */
import { difference } from "#core/drawing/difference.ts";
import type { Drawing } from "#core/drawing/drawing.ts";
import { linePatches } from "#core/drawing/history.ts";
import type { Client } from "../../work/clients.ts";
import { handOver } from "../../work/hand-over.ts";
import type { GapReading, PocketReading, PocketWork } from "../../work/pockets.worker.ts";

export interface Listener {
  readonly onPockets: (reading: PocketReading, upToDate: boolean) => void;
  /** Openings of the lines as they were last told. */
  readonly onGaps: (gaps: GapReading) => void;
}

/** Whether lines are read otherwise in one drawing than in another: of colour only where its edges are walls. */
function linesDiffer(before: Drawing, after: Drawing, what?: "gaps"): boolean {
  const walls = before.shapeWalls || after.shapeWalls;
  return linePatches(difference(before, after), what).some(({ path }) => walls || path[0] !== "flatShapes");
}

/** Openings take the worker longer than pockets. */
const GAPS_AFTER_MS = 120;

export class PocketFollower {
  /** What the worker knows, and the drawing that was looked at last: they differ where nothing of it touched lines. */
  private told: Drawing | undefined;
  private seen: Drawing | undefined;
  private busy = true;
  private resting: ReturnType<typeof setTimeout> | undefined;

  constructor(
    private readonly work: Client<PocketWork>["work"],
    private shown: Drawing,
    private readonly listener: Listener,
  ) {
    // Not in the same breath as the desk is made: a large drawing is long to hand over.
    this.resting = setTimeout(() => void this.run());
  }

  /** Follows a drawing: whether pockets are read anew for it, and whether openings are others now. */
  follow(drawing: Drawing): { readonly pockets: boolean; readonly gaps: boolean } {
    const pockets = linesDiffer(this.shown, drawing);
    const gaps = linesDiffer(this.shown, drawing, "gaps");
    this.shown = drawing;
    if (pockets && !this.busy) void this.run();
    return { pockets, gaps };
  }

  stop(): void {
    clearTimeout(this.resting);
  }

  private async run(): Promise<void> {
    this.busy = true;
    clearTimeout(this.resting);
    while (this.seen !== this.shown) {
      const { told, shown: drawing } = this;
      this.seen = drawing;
      if (told && !linesDiffer(told, drawing)) continue;
      this.told = drawing;
      const answer = told
        ? this.work.follow(linePatches(difference(told, drawing)))
        : this.work.open(handOver(drawing));
      this.listener.onPockets(await answer, this.seen === this.shown);
    }
    this.busy = false;
    this.resting = setTimeout(() => void this.readGaps(), GAPS_AFTER_MS);
  }

  private async readGaps(): Promise<void> {
    const { told } = this;
    const gaps = await this.work.gaps();
    const same = told && !linesDiffer(told, this.shown, "gaps");
    if (same && !this.busy) this.listener.onGaps(gaps);
  }
}
