/** Keeps one open drawing: every history goes to storage as it happens, in order, and problems are told once. */
import type { History } from "#core/drawing/history.ts";
import { type Change, KeepProblem, type Kept, keepChange } from "./shelf.ts";

export type KeepState = "kept" | "keeping" | "memory" | KeepProblem["kind"];

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
  }

  private revision: number;
  private readonly inMemory: boolean;

  keep(history: History): void {
    if (this.inMemory) {
      this.onState("memory");
      return;
    }
    const change = changeBetween(this.last, history);
    this.last = history;
    this.waiting++;
    this.onState("keeping");
    this.queue = this.queue.then(() => this.write(change));
  }

  private problem: KeepProblem["kind"] | undefined;

  private async write(change: Change): Promise<void> {
    this.waiting--;
    try {
      // After a failed write the steps since then are missing, so everything is written again.
      await keepChange(this.id, this.revision, this.problem ? changeBetween(undefined, this.last) : change);
      this.revision++;
      this.problem = undefined;
      if (this.waiting === 0) this.onState("kept");
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
