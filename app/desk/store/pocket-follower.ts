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

/** Openings take the worker longer than pockets. */
const GAPS_AFTER_MS = 120;

export class PocketFollower {
  private told: Drawing | undefined;
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
    const patches = difference(this.shown, drawing);
    const [pockets, gaps] = [linePatches(patches), linePatches(patches, "gaps")].map(
      ({ length }) => length > 0,
    );
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
    while (this.told !== this.shown) {
      const drawing = this.shown;
      const patches = this.told ? linePatches(difference(this.told, drawing)) : [];
      const news = !this.told || patches.length > 0;
      const answer = news && (this.told ? this.work.follow(patches) : this.work.open(handOver(drawing)));
      this.told = drawing;
      if (answer) this.listener.onPockets(await answer, this.told === this.shown);
    }
    this.busy = false;
    this.resting = setTimeout(() => void this.readGaps(), GAPS_AFTER_MS);
  }

  private async readGaps(): Promise<void> {
    const { told } = this;
    const gaps = await this.work.gaps();
    const same = told && linePatches(difference(told, this.shown), "gaps").length === 0;
    if (same && !this.busy) this.listener.onGaps(gaps);
  }
}
