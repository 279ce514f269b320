/** Colour and shade whose pockets have gone: shown where they were, and forgotten when asked to. */
import { stepWord } from "#core/colour/ladder.ts";
import { letWaitingGo } from "#core/drawing/edits.ts";
import type { Desk, DeskStore } from "../store/desk-state.ts";
import { waitingIn } from "./stats.ts";

/** Shows where the next waiting thing is, and says what it is. */
export function goToWaiting(desk: DeskStore): void {
  const state = desk.getState();
  const waiting = waitingIn(state);
  if (waiting.length === 0) return;
  const next = (waiting.findIndex(({ id }) => id === state.shownWaiting) + 1) % waiting.length;
  const { id, anchor, paint } = waiting[next];
  const { page, tin } = state.drawing;
  const colour = paint ? `${tin[paint.colour]?.name}, ${stepWord(paint.step)},` : "Colour";
  state.showWaiting(id);
  state.bringIntoSight(anchor.seed, page.box.width / 20);
  state.tell(`${colour} waits for its pocket: ${next + 1} of ${waiting.length}.`);
}

/** Notices when colour begins to wait. */
export class WaitingWatch {
  private known: ReadonlySet<string> | undefined;

  /** What to say of colour that has begun to wait since the last look; nothing at the first. */
  look(desk: Pick<Desk, "derived" | "drawing">): string | undefined {
    const { known } = this;
    const waiting = waitingIn(desk);
    this.known = new Set(waiting.map(({ id }) => id));
    const fresh = known ? waiting.filter(({ id }) => !known.has(id)) : [];
    if (fresh.length === 0) return undefined;
    const [{ paint }] = fresh;
    if (fresh.length > 1) return `${fresh.length} colours wait until their pockets are closed again.`;
    const name = paint ? desk.drawing.tin[paint.colour]?.name : undefined;
    return `${name ?? "Shade"} waits until its pocket is closed again.`;
  }
}

export function letGoOfWaiting(desk: Desk): void {
  const { pours, shades } = desk.drawing;
  const ids = waitingIn(desk).map(({ id }) => id);
  desk.edit(
    letWaitingGo(
      ids.filter((id) => pours[id]),
      ids.filter((id) => shades[id]),
    ),
  );
}
