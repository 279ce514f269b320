/**
 * Keeps the pocket worker's lines those that are shown. While it reads it is told nothing more; then it is told all that
 * has changed since, so that a drag never piles up work. Openings are read once the hand rests. A worker that throws is begun
 * anew and asked again; one that throws at the same lines a second time waits for other ones.
 */
import { difference } from "#core/drawing/difference.ts";
import type { Drawing } from "#core/drawing/drawing.ts";
import { linePatches } from "#core/drawing/history.ts";
import { handOver } from "../../work/hand-over.ts";
import type { GapReading, PocketReading, PocketWork } from "../../work/pocket-work.ts";
import type { Restarting } from "../../work/restarting.ts";

export interface Listener {
  readonly onPockets: (reading: PocketReading, upToDate: boolean) => void;
  /** Openings of the lines as they were last told. */
  readonly onGaps: (gaps: GapReading) => void;
  /** The worker threw, twice, at the lines that are shown. */
  readonly onFailure: () => void;
}

/** Whether two drawings read differently as lines; colour counts only where its edges are walls. */
function linesDiffer(before: Drawing, after: Drawing, what?: "gaps"): boolean {
  const walls = before.shapeWalls || after.shapeWalls;
  return linePatches(difference(before, after), what).some(({ path }) => walls || path[0] !== "flatShapes");
}

/** Openings take the worker longer than pockets. */
const GAPS_AFTER_MS = 120;

export class PocketFollower {
  private readonly first: Drawing;
  /** What the worker knows, and the drawing that was looked at last: they differ where nothing of it touched lines. */
  private told: Drawing | undefined;
  private seen: Drawing | undefined;
  private busy = true;
  /** The drawing that the worker threw at last. */
  private failed: Drawing | undefined;
  private resting: ReturnType<typeof setTimeout> | undefined;

  constructor(
    private readonly lines: Restarting<PocketWork>,
    private shown: Drawing,
    private readonly listener: Listener,
    /** The pockets of what is shown now, where the worker has been asked for them. */
    private ahead?: Promise<PocketReading>,
  ) {
    this.first = shown;
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
      const { told, ahead } = this;
      const drawing = ahead ? this.first : this.shown;
      this.seen = drawing;
      if (told && !linesDiffer(told, drawing)) continue;
      this.told = drawing;
      const { work } = this.lines;
      const asked = told
        ? work.follow(linePatches(difference(told, drawing)))
        : (ahead ?? work.open(handOver(drawing)));
      this.ahead = undefined;
      const answer = await asked.catch(() => undefined);
      if (answer) this.listener.onPockets(answer, this.seen === this.shown);
      else this.beginAnew(drawing);
    }
    this.busy = false;
    this.resting = setTimeout(() => void this.readGaps(), GAPS_AFTER_MS);
  }

  private async readGaps(): Promise<void> {
    const { told } = this;
    if (!told) return;
    const gaps = await this.lines.work.gaps().catch(() => undefined);
    const same = !linesDiffer(told, this.shown, "gaps");
    if (gaps && same && !this.busy) this.listener.onGaps(gaps);
    else if (!gaps && !this.busy && this.beginAnew(told)) void this.run();
  }

  /** Begins a worker anew that threw at a drawing; whether that drawing is to be asked for again. */
  private beginAnew(drawing: Drawing): boolean {
    this.lines.restart();
    this.told = undefined;
    const again = this.failed !== drawing;
    this.failed = drawing;
    if (again) this.seen = undefined;
    else if (drawing === this.shown) this.listener.onFailure();
    return again;
  }
}
