/**
 * The desk's store. One way through: an edit makes a new drawing, the worker reads its pockets, the scene is derived
 * from both, and everything on screen reads the scene.
 */
import { createStore } from "zustand";
import { type Drawing, ranked } from "#core/drawing/drawing.ts";
import { applyEdit, type Edit, type History, type Move, redo, toStep, undo } from "#core/drawing/history.ts";
import { partsOf } from "#core/drawing/parts.ts";
import { unpackPockets } from "#core/pockets/packed-pockets.ts";
import type { Pocket } from "#core/pockets/pockets.ts";
import { type Derived, derive, pocketAt, sceneOf } from "#core/scene/scene.ts";
import { Keeper } from "../../keep/keeper.ts";
import type { Opened } from "../../keep/shelf.ts";
import { ArtLink } from "../../painting/art-link.ts";
import { artWorker, lightClient, pocketClient } from "../../work/clients.ts";
import { LightLink } from "../../work/light-link.ts";
import { Pictures } from "../../work/pictures.ts";
import type { PocketReading } from "../../work/pockets.worker.ts";
import { Restarting } from "../../work/restarting.ts";
import { bridgeEdit } from "../gaps/bridge-edit.ts";
import { openingIn } from "../gaps/fresh-gaps.ts";
import { sayLeak } from "../gaps/say-leak.ts";
import { pourInto } from "../pockets/pour-into.ts";
import { WaitingWatch } from "../pockets/waiting.ts";
import { BeforeRisks } from "../versions/make-version.ts";
import type { Desk, DeskState, DeskStore, Hover, StampedGaps, Wish } from "./desk-state.ts";
import { boundsRefusal, lineRefusal, partRefusal, sheetRefusal } from "./locks.ts";
import { PocketFollower } from "./pocket-follower.ts";

const NO_GAPS: StampedGaps = {
  stamp: -1,
  strokes: {},
  openings: [],
  looseEnds: [],
  tails: [],
  inkTails: [],
};

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

export function createDesk(id: string, opened: Opened): DeskStore {
  const { drawing } = opened.history;
  return createStore<Desk>()((set, get) => {
    const lines = new Restarting(pocketClient);
    const pictures = new Pictures();
    const art = new ArtLink(artWorker());
    const lightWork = lightClient();
    const light = new LightLink(lightWork.work, () => {
      const { drawing: shown, derived } = get();
      set({ scene: sceneOf(shown, derived) });
    });
    const hover = createStore<Hover>()(() => ({ pocket: null, colour: null, keys: null, under: null }));
    const risks = new BeforeRisks();
    const waiting = new WaitingWatch();
    const keeper = new Keeper(id, opened, {
      onState: (keeping) => set({ keeping }),
      onHistory: (history) => adopt(history),
    });
    let known = new Map<number, Pocket>();
    let tried = 0;
    let wish: Wish | undefined;

    const onPockets = ({ keys, fresh, trouble }: PocketReading, upToDate: boolean) => {
      for (const pocket of unpackPockets(fresh)) known.set(pocket.key, pocket);
      known = new Map(keys.map((key) => [key, known.get(key)!]));
      const { drawing: shown, derived, alone } = get();
      set({
        ...shownState(shown, [...known.values()], light, alone, derived),
        reading: !upToDate,
        trouble: trouble ?? null,
        walked: null,
      });
      hover.setState({ pocket: null });
      if (wish && upToDate) fulfil(wish);
      sayWaiting();
    };

    /** Says what has begun to wait, once the hand has let go and the pockets are read. */
    const sayWaiting = () => {
      const { reading, underway, tell } = get();
      const begun = reading || underway ? undefined : waiting.look(get());
      if (begun) tell(begun);
    };

    /** Once the pockets are there: pours what was asked for, or says what is still open. */
    const fulfil = ({ at, pour }: Wish) => {
      wish = undefined;
      const pocket = pocketAt(get().derived.pockets, at);
      if (!pocket) void get().explainLeak(at, { at, pour });
      else {
        const edit = pourInto(get(), [pocket], pour);
        if (edit) get().edit(edit);
      }
    };

    const follower = new PocketFollower(lines, drawing, {
      onPockets,
      onFailure: () => set({ reading: false, trouble: FAILED }),
      onGaps: (gaps) => {
        const { stamp, drawing: read, gaps: before, chosenOpening } = get();
        const chosen = chosenOpening === null ? null : openingIn(gaps, before.openings[chosenOpening]);
        set({ gaps: { ...gaps, stamp, strokes: read.strokes }, chosenOpening: chosen });
      },
    });

    /** Shows a drawing everywhere at once; lines that changed are read anew. */
    const present = (next: Drawing, more: Partial<DeskState>) => {
      if (next === get().drawing) {
        set(more);
        return;
      }
      const { derived, alone } = get();
      set({ ...shownState(next, derived.whole.pockets, light, alone, derived), ...more });
      const read = follower.follow(next);
      if (!read.pockets) return;
      tried++;
      const stamp = get().stamp + (read.gaps ? 1 : 0);
      set({ stamp, reading: true, leak: null, triedReach: null });
    };

    /** Shows a history that was kept by another tab; what the hand is doing ends. */
    const adopt = (history: History) => {
      get().pointer.cancel?.();
      present(history.drawing, { history, underway: null });
      set(withoutTheGone(get()));
    };

    /** The drawing as it was kept last, without what is only shown. */
    const asKept = () => {
      const { history, derived } = get();
      return { id, drawing: history.drawing, scene: sceneOf(history.drawing, derived), pictures };
    };

    /** A fresh step that changes much has what was before it kept as a version. */
    const take = (move: Move | undefined, said: string, fresh = false) => {
      if (!move) return;
      if (fresh && opened.kept === "browser") risks.mind(asKept, said, move.patches);
      present(move.history.drawing, { history: move.history, underway: null, said });
      set(withoutTheGone(get()));
      keeper.keep(move.history);
      sayWaiting();
    };

    return {
      id,
      history: opened.history,
      underway: null,
      ...shownState(drawing, [], light),
      stamp: 0,
      gaps: NO_GAPS,
      reading: true,
      trouble: null,
      keeping: opened.kept === "memory" ? "memory" : "kept",
      stage: "Flats",
      part: partsOf(drawing).at(-1)!.id,
      alone: null,
      tools: {},
      heldTool: null,
      settings: {},
      held: null,
      paint: { colour: ranked(drawing.tin)[0]?.id ?? "", step: 0 },
      selected: [],
      chosenOpening: null,
      shownWaiting: null,
      view: { scale: 1, x: 0, y: 0 },
      lookedFrom: null,
      matSize: { width: 0, height: 0 },
      walked: null,
      keyPointer: null,
      leak: null,
      triedReach: null,
      showBridges: true,
      checkGround: false,
      look: "colour",
      compared: null,
      mat: "light",
      lastExport: null,
      mended: opened.mended ?? null,
      said: "",
      reason: null,
      pointer: { at: null, cancel: null },

      hover,
      lines,
      pictures,
      art,
      light,
      edit: (edit) => {
        const { history, tell } = get();
        const move = applyEdit(history, edit);
        const refused = move && refusedBy(history.drawing, edit, move);
        if (refused) tell(refused);
        else {
          take(move, edit.label, true);
          if (move?.brought) tell(BROUGHT);
        }
      },
      show: (edit) => {
        const { history, tell } = get();
        const move = edit ? applyEdit(history, edit) : undefined;
        const refused = edit && move && refusedBy(history.drawing, edit, move);
        if (refused) tell(refused);
        else present(move?.history.drawing ?? history.drawing, { underway: edit });
      },
      keep: () => {
        const { underway, history } = get();
        if (!underway) return;
        const move = applyEdit(history, underway);
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
      set,
      chooseTool: (tool) => emptyHand({ tools: { ...get().tools, [get().stage]: tool } }),
      chooseStage: (stage) => emptyHand({ stage, look: "colour", selected: [] }),
      showOnly: (alone) => {
        const { drawing: shown, derived, part } = get();
        set({
          alone,
          part: alone ?? part,
          walked: null,
          ...shownState(shown, derived.whole.pockets, light, alone, derived),
        });
        hover.setState({ pocket: null, under: null });
      },
      tell: (text) => set({ said: text, reason: { text, at: get().pointer.at } }),
      explainLeak: async (at, wanted) => {
        const { part } = get();
        const leak = await lines.work.leak(part, at).then(
          (found) => found ?? null,
          () => undefined,
        );
        if (leak === undefined) {
          get().tell("What is open here could not be found out. The drawing is as it was.");
          return;
        }
        set({ leak: leak && { ...leak, wish: wanted, part }, said: leak ? sayLeak(leak, drawing.page) : "" });
      },
      bridgeLeak: (openings) => {
        const { leak, history } = get();
        get().edit(bridgeEdit(openings));
        if (get().history === history) return;
        wish = leak?.wish;
        set({ leak: null });
      },
      tryReach: async (width) => {
        const turn = ++tried;
        const reading = await lines.work.reach(width).catch(() => undefined);
        if (reading && turn === tried) set({ triedReach: { ...reading, width } });
      },
      close: () => {
        follower.stop();
        lines.stop();
        lightWork.stop();
        pictures.close();
        art.stop();
        keeper.close();
      },
    };

    /** The one place where the hand is emptied: another tool or stage is taken up. */
    function emptyHand(change: Partial<DeskState>): void {
      get().show(null);
      hover.setState({ pocket: null, under: null });
      set({ held: null, leak: null, ...change });
    }
  });
}

const FAILED =
  "The pockets of these lines could not be found: something went wrong here, not in your drawing. It is kept, and is tried again with the next change.";

const BROUGHT = "That went beyond what can be drawn: it was brought to the nearest that can.";

const refusedBy = (drawing: Drawing, edit: Edit, move: Move): string | undefined =>
  sheetRefusal(drawing, edit, move) ??
  partRefusal(drawing, edit, move) ??
  lineRefusal(drawing, move) ??
  boundsRefusal(move);

/** What is chosen or in the hand of a drawing, without what it does not have any more. */
function withoutTheGone({ drawing, selected, paint, part, alone }: Desk): Partial<DeskState> {
  const { strokes, inkShapes, shades, flatShapes, tin } = drawing;
  const left = selected.filter((id) => strokes[id] ?? inkShapes[id] ?? flatShapes[id] ?? shades[id]);
  const parts = partsOf(drawing);
  return {
    selected: left.length < selected.length ? left : selected,
    part: drawing.parts[part] ? part : parts[parts.length - 1].id,
    alone: alone && drawing.parts[alone] ? alone : null,
    paint: tin[paint.colour] ? paint : { colour: ranked(tin)[0]?.id ?? "", step: 0 },
  };
}
