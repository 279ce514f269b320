/** Keeps one open drawing: every history goes to storage as it happens, in order, and problems are told once. */
import type { History } from "#core/drawing/history.ts";
import { type Change, KeepProblem, type Kept, keepChange, keepInMemory } from "./shelf.ts";
import { followTabs } from "./tabs.ts";

/** "second": another tab had the drawing open before this one. */
export type KeepState = "kept" | "keeping" | "memory" | "second" | KeepProblem["kind"];

export class Keeper {
  private last: History;
  private queue: Promise<void> = Promise.resolve();
  private waiting = 0;

  constructor(
    private readonly id: string,
    opened: { history: History; revision: number; kept: Kept },
    private readonly onState: (state: KeepState) => void,
  ) {
    this.last = opened.history;
    this.revision = opened.revision;
    this.inMemory = opened.kept === "memory";
    if (!this.inMemory) this.tabs = followTabs(id, { onFirst: this.onFirst, onChanged: this.onChanged });
  }

  private readonly tabs: ReturnType<typeof followTabs>;
  private first = true;

  private readonly onFirst = (first: boolean): void => {
    if (first === this.first) return;
    this.first = first;
    if (!this.problem) this.say(this.waiting > 0 ? "keeping" : "kept");
  };

  private readonly onChanged = (revision: number): void => {
    if (revision <= this.revision || this.problem) return;
    this.problem = "elsewhere";
    this.onState("elsewhere");
  };

  /** That all is well is not said while another tab may change the drawing too. */
  private say(state: "kept" | "keeping"): void {
    this.onState(this.first ? state : "second");
  }

  private revision: number;
  private readonly inMemory: boolean;

  keep(history: History): void {
    if (this.inMemory) {
      keepInMemory(this.id, history);
      this.onState("memory");
      return;
    }
    const change = changeBetween(this.last, history);
    this.last = history;
    this.waiting++;
    this.say("keeping");
    this.queue = this.queue.then(() => this.write(change));
  }

  /** Nothing of this drawing is listened for any more; what is being written still is. */
  close(): void {
    void this.queue.then(() => this.tabs?.close());
  }

  private problem: KeepProblem["kind"] | undefined;

  private async write(change: Change): Promise<void> {
    this.waiting--;
    try {
      // After a failed write the steps since then are missing, so everything is written again.
      await keepChange(this.id, this.revision, this.problem ? changeBetween(undefined, this.last) : change);
      this.revision++;
      this.problem = undefined;
      this.tabs?.tell(this.revision);
      if (this.waiting === 0) this.say("kept");
    } catch (error) {
      this.problem = error instanceof KeepProblem ? error.kind : "unavailable";
      this.onState(this.problem);
    }
  }
}

/** The steps that differ between two histories of one drawing. */
export function changeBetween(before: History | undefined, after: History): Change {
  let from = 0;
  const known = before?.steps ?? [];
  while (from < known.length && from < after.steps.length && known[from] === after.steps[from]) from++;
  return { from, steps: after.steps.slice(from), cursor: after.cursor };
}
