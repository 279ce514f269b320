/**
 * The one way through the house: an edit makes a new drawing, the worker reads its pockets, the scene is derived from
 * both, and everything on screen reads the scene.
 */
import type { Drawing } from "#core/drawing/drawing.ts";
import { applyEdit, type Edit, type History, type Move, redo, toStep, undo } from "#core/drawing/history.ts";
import { unpackPockets } from "#core/pockets/packed-pockets.ts";
import type { Pocket } from "#core/pockets/pockets.ts";
import { type Derived, derive, sceneOf } from "#core/scene/scene.ts";
import { Keeper } from "../../keep/keeper.ts";
import type { Opened } from "../../keep/shelf.ts";
import type { LightLink } from "../../work/light-link.ts";
import type { PocketReading } from "../../work/pocket-work.ts";
import { WaitingWatch } from "../pockets/waiting.ts";
import { BeforeRisks } from "../versions/make-version.ts";
import { unchooseTheGone } from "./choice-slice.ts";
import type { GetDesk, SetSlice, WorkSlice } from "./desk-state.ts";
import { boundsRefusal, lineRefusal, partRefusal, type Refusal, sheetRefusal } from "./locks.ts";

/** What is shown depends on these and nothing else. */
function shownState(
  drawing: Drawing,
  pockets: readonly Pocket[],
  light: LightLink,
  only: string | null = null,
  before?: Derived,
) {
  const derived = derive(drawing, pockets, { before, only, light });
  return { drawing, derived, scene: sceneOf(drawing, derived) };
}

/** What the work asks of those who read its lines. */
interface Reader {
  readonly light: LightLink;
  /** Follows a drawing that is shown; whether its pockets are read anew. */
  readonly follow: (drawing: Drawing) => boolean;
}

interface Work {
  readonly slice: WorkSlice;
  readonly onPockets: (reading: PocketReading, upToDate: boolean) => void;
  /** Says what has begun to wait for its pocket. */
  readonly sayWaiting: () => void;
  /** The pockets could not be read, though their lines are drawn. */
  readonly onFailure: () => void;
  /** Light has become known since the scene was made. */
  readonly onLight: () => void;
  readonly close: () => void;
}

export function createWork(
  set: SetSlice<WorkSlice>,
  get: GetDesk,
  id: string,
  opened: Opened,
  { light, follow }: Reader,
): Work {
  const risks = new BeforeRisks();
  const waiting = new WaitingWatch();
  const keeper = new Keeper(id, opened, {
    onState: (keeping) => set({ keeping }),
    onHistory: (history) => adopt(history),
  });
  let known = new Map<number, Pocket>();

  /** Says which colour has begun to wait, once the gesture has ended and the pockets have been read. */
  const sayWaiting = () => {
    const { reading, underway, tell } = get();
    const begun = reading || underway ? undefined : waiting.look(get());
    if (begun) tell(begun);
  };

  /** Shows a drawing everywhere at once; lines that changed are read anew. */
  const present = (next: Drawing, more: Partial<WorkSlice>) => {
    if (next === get().drawing) {
      set(more);
      return;
    }
    const { derived, alone } = get();
    set({ ...shownState(next, derived.whole.pockets, light, alone, derived), ...more });
    if (follow(next)) set({ reading: true });
  };

  const letGoOfTheGone = () => {
    unchooseTheGone(get);
    const { alone, drawing } = get();
    if (alone && !drawing.parts[alone]) set({ alone: null });
  };

  /** Shows a history that was kept by another tab; what the hand is doing ends. */
  const adopt = (history: History) => {
    get().pointer.cancel?.();
    present(history.drawing, { history, underway: null });
    letGoOfTheGone();
  };

  let shown: { readonly of: readonly [History, Edit]; readonly move: Move | undefined } | undefined;
  /** What an edit makes of the history; the same drawing again where the edit is kept as it was shown. */
  const moveBy = (edit: Edit): Move | undefined => {
    const { history } = get();
    if (shown?.of[0] !== history || shown.of[1] !== edit)
      shown = { of: [history, edit], move: applyEdit(history, edit) };
    return shown.move;
  };

  /** The drawing as it was kept last, without what is only shown. */
  const asKept = () => {
    const { history, derived, pictures } = get();
    return { id, drawing: history.drawing, scene: sceneOf(history.drawing, derived), pictures };
  };

  /** A fresh step that changes much has what was before it kept as a version. */
  const take = (move: Move | undefined, said: string, fresh = false) => {
    if (!move) return;
    if (fresh && opened.kept === "browser") risks.mind(asKept, said, move.patches);
    present(move.history.drawing, { history: move.history, underway: null });
    get().say(said);
    letGoOfTheGone();
    keeper.keep(move.history);
    sayWaiting();
  };

  return {
    onPockets: ({ keys, fresh, trouble }, upToDate) => {
      for (const pocket of unpackPockets(fresh)) known.set(pocket.key, pocket);
      known = new Map(keys.map((key) => [key, known.get(key)!]));
      const { drawing, derived, alone, hover, walkTo } = get();
      walkTo(null);
      set({
        ...shownState(drawing, [...known.values()], light, alone, derived),
        reading: !upToDate,
        trouble: trouble ?? null,
      });
      hover.getState().overPocket(null);
    },
    sayWaiting,
    onFailure: () => set({ reading: false, trouble: FAILED }),
    onLight: () => {
      const { drawing, derived } = get();
      set({ scene: sceneOf(drawing, derived) });
    },
    close: () => keeper.close(),
    slice: {
      id,
      history: opened.history,
      underway: null,
      ...shownState(opened.history.drawing, [], light),
      alone: null,
      reading: true,
      trouble: null,
      keeping: opened.kept === "memory" ? "memory" : "kept",
      lastExport: null,
      mended: opened.mended ?? null,
      edit: (edit) => {
        const { history, tell } = get();
        const move = applyEdit(history, edit);
        const refused = move && refusedBy(history.drawing, edit, move);
        if (refused) tell(refused.text, refused.next);
        else {
          take(move, edit.label, true);
          if (move?.brought) tell(BROUGHT);
        }
      },
      show: (edit) => {
        const { history, tell } = get();
        const move = edit ? moveBy(edit) : undefined;
        const refused = edit && move && refusedBy(history.drawing, edit, move);
        if (refused) tell(refused.text, refused.next);
        else present(move?.history.drawing ?? history.drawing, { underway: edit });
      },
      keep: () => {
        const { underway } = get();
        if (!underway) return;
        const move = moveBy(underway);
        if (move) take(move, underway.label, true);
        else get().show(null);
      },
      undo: () => {
        get().show(null);
        const { steps, cursor } = get().history;
        take(undo(get().history), `Undone: ${steps[cursor - 1]?.label}`);
      },
      redo: () => {
        get().show(null);
        const { steps, cursor } = get().history;
        take(redo(get().history), `Redone: ${steps[cursor]?.label}`);
      },
      goTo: (cursor) => {
        get().show(null);
        const label = get().history.steps[cursor - 1]?.label;
        take(toStep(get().history, cursor), label ? `As after: ${label}` : "As it began");
      },
      showOnly: (alone) => {
        const { drawing, derived, hover, walkTo, workOn } = get();
        walkTo(null);
        if (alone) workOn(alone);
        set({ alone, ...shownState(drawing, derived.whole.pockets, light, alone, derived) });
        hover.getState().leave();
      },
      noteExport: (lastExport) => set({ lastExport }),
    },
  };
}

const FAILED =
  "The pockets of these lines could not be found: something went wrong here, not in your drawing. It is kept, and is tried again with the next change.";

const BROUGHT = "That went beyond what can be drawn: it was brought to the nearest that can.";

const refusedBy = (drawing: Drawing, edit: Edit, move: Move): Refusal | undefined =>
  sheetRefusal(drawing, edit, move) ??
  partRefusal(drawing, edit, move) ??
  lineRefusal(drawing, move) ??
  boundsRefusal(move);
