/**
 * Keeps one open drawing: every history goes to storage as it happens, in order, and problems are told once. What another tab
 * keeps of it is followed; where both changed it at once, what was changed here is laid on top of that: nothing is overwritten.
 */
import { type History, rejoined } from "#core/drawing/history.ts";
import { type Change, KeepProblem, type Kept, keepChange, keepInMemory, openDrawing } from "./shelf.ts";
import { packOldSteps } from "./step-blocks.ts";
import { followTabs } from "./tabs.ts";

/** "second": another tab had the drawing open before this one. */
export type KeepState = "kept" | "keeping" | "memory" | "second" | KeepProblem["kind"];

/** Steps. */
const PACK_EVERY = 100;

interface Heard {
  readonly onState: (state: KeepState) => void;
  /** A history that came about elsewhere, or in two places: it is to be shown. */
  readonly onHistory: (history: History) => void;
}

export class Keeper {
  /** As it is shown, and as it is known to be in storage. */
  private last: History;
  private stored: History | undefined;
  private revision: number;
  private queue: Promise<void> = Promise.resolve();
  private waiting = 0;
  private packedAt = 0;
  private first = true;
  private problem: KeepProblem["kind"] | undefined;
  private readonly inMemory: boolean;
  private readonly tabs: ReturnType<typeof followTabs>;

  constructor(
    private readonly id: string,
    opened: { history: History; revision: number; kept: Kept },
    private readonly heard: Heard,
  ) {
    this.last = opened.history;
    this.stored = opened.history;
    this.revision = opened.revision;
    this.inMemory = opened.kept === "memory";
    if (!this.inMemory) this.tabs = followTabs(id, { onFirst: this.onFirst, onChanged: this.onChanged });
  }

  keep(history: History): void {
    this.last = history;
    if (this.inMemory) {
      keepInMemory(this.id, history);
      this.heard.onState("memory");
      return;
    }
    this.waiting++;
    this.say("keeping");
    this.queue = this.queue.then(() => this.write());
  }

  /** Ends once all that was asked for is written, or could not be. */
  settled(): Promise<void> {
    return this.queue;
  }

  /** Stops listening for changes of this drawing; what is being written is still written. */
  close(): void {
    void this.queue.then(() => this.tabs?.close());
  }

  private readonly onFirst = (first: boolean): void => {
    if (first === this.first) return;
    this.first = first;
    if (!this.problem) this.say(this.waiting > 0 ? "keeping" : "kept");
  };

  private readonly onChanged = (revision: number): void => {
    this.queue = this.queue.then(() => (revision > this.revision ? this.follow() : undefined));
  };

  /** The all-clear is withheld while another tab may change the drawing too. */
  private say(state: "kept" | "keeping"): void {
    this.heard.onState(this.first ? state : "second");
  }

  /** Writes whatever is not stored yet: several changes in one go where they came faster than the disk. */
  private async write(): Promise<void> {
    this.waiting--;
    const history = this.last;
    if (history === this.stored && !this.problem) {
      if (this.waiting === 0) this.say("kept");
      return;
    }
    try {
      // After a failed write nobody knows what is there, so everything is written again.
      await keepChange(
        this.id,
        this.revision,
        changeBetween(this.problem ? undefined : this.stored, history),
      );
      this.revision++;
      this.stored = history;
      this.problem = undefined;
      this.tabs?.tell(this.revision);
      if (this.waiting === 0) this.say("kept");
      this.packNowAndThen(history.steps.length);
    } catch (error) {
      const kind = error instanceof KeepProblem ? error.kind : "unavailable";
      if (kind === "elsewhere") await this.follow();
      else this.stop(kind);
    }
  }

  /** Old steps are packed every this many steps, when nothing else needs writing. */
  private packNowAndThen(count: number): void {
    if (count - this.packedAt < PACK_EVERY) return;
    this.packedAt = count;
    this.queue = this.queue.then(() => packOldSteps(this.id).catch(() => {}));
  }

  private stop(kind: KeepProblem["kind"]): void {
    this.problem = kind;
    this.heard.onState(kind);
  }

  /** Takes what another tab has kept, and lays on it what was changed here meanwhile. */
  private async follow(): Promise<void> {
    const opened = await openDrawing(this.id).catch(() => undefined);
    if (!opened) {
      this.stop("unavailable");
      return;
    }
    const own = this.last;
    const theirs = opened.history;
    const before = this.stored ?? theirs;
    this.revision = opened.revision;
    this.stored = theirs;
    this.problem = undefined;
    this.last = rejoined(theirs, before, own);
    this.heard.onHistory(this.last);
    if (this.last !== theirs) {
      this.waiting++;
      await this.write();
    } else if (this.waiting === 0) this.say("kept");
  }
}

/** The steps that differ between two histories of one drawing. */
export function changeBetween(before: History | undefined, after: History): Change {
  let from = 0;
  const known = before?.steps ?? [];
  while (from < known.length && from < after.steps.length && known[from] === after.steps[from]) from++;
  return { from, steps: after.steps.slice(from), cursor: after.cursor };
}
