/** Openings as the worker has read them, and what is asked about them. */
import { pocketAt } from "#core/scene/scene.ts";
import type { Client } from "../../work/clients.ts";
import type { GapReading, PocketWork } from "../../work/pocket-work.ts";
import { bridgeEdit } from "../gaps/bridge-edit.ts";
import { openingIn } from "../gaps/fresh-gaps.ts";
import { sayLeak } from "../gaps/say-leak.ts";
import { pourInto } from "../pockets/pour-into.ts";
import type { Desk, GapsSlice, GetDesk, RequestAt, SetSlice, StampedGaps } from "./desk-state.ts";

const NO_GAPS: StampedGaps = {
  stamp: -1,
  strokes: {},
  openings: [],
  looseEnds: [],
  tails: [],
  inkTails: [],
};

interface Gaps {
  readonly slice: GapsSlice;
  /** Lines have changed, and openings with them or not: what was found in the old ones counts no more. */
  readonly onLines: (openings: boolean) => void;
  readonly onPockets: () => void;
  readonly onGaps: (gaps: GapReading) => void;
}

/** `read` ends once the worker knows the lines that are shown. */
export function createGaps(
  set: SetSlice<GapsSlice>,
  get: GetDesk,
  lines: Client<PocketWork>,
  read: () => Promise<Desk>,
): Gaps {
  /** Counts changes of lines and tried reaches: an answer older than the last of them is not shown. */
  let changes = 0;
  let tries = 0;
  let request: RequestAt | undefined;

  /** Once the pockets are there: pours what was asked for, or says what is still open. */
  const fulfil = ({ at, pour }: RequestAt) => {
    request = undefined;
    const pocket = pocketAt(get().derived.pockets, at);
    if (!pocket) void get().explainLeak(at, { at, pour });
    else {
      const edit = pourInto(get(), [pocket], pour);
      if (edit) get().edit(edit);
    }
  };

  return {
    onLines: (openings) => {
      changes++;
      set({ stamp: get().stamp + (openings ? 1 : 0), leak: null, triedReach: null });
    },
    onPockets: () => request && fulfil(request),
    onGaps: (gaps) => {
      const { stamp, drawing, gaps: before, chosenOpening } = get();
      const chosen = chosenOpening === null ? null : openingIn(gaps, before.openings[chosenOpening]);
      set({ gaps: { ...gaps, stamp, strokes: drawing.strokes }, chosenOpening: chosen });
    },
    slice: {
      stamp: 0,
      gaps: NO_GAPS,
      chosenOpening: null,
      leak: null,
      triedReach: null,
      chooseOpening: (chosenOpening) => set({ chosenOpening }),
      explainLeak: async (at, wanted) => {
        const asked = changes;
        const { part, drawing, derived } = await read();
        // Lines that were still being read may have closed it.
        if (pocketAt(derived.pockets, at)) {
          if (wanted) fulfil(wanted);
          return;
        }
        const leak = await lines.work.leak(part, at).then(
          (found) => found ?? null,
          () => undefined,
        );
        if (asked !== changes) return;
        if (leak === undefined) {
          get().tell("What is open here could not be found out. The drawing is as it was.");
          return;
        }
        set({ leak: leak && { ...leak, request: wanted, part } });
        get().say(leak ? sayLeak(leak, drawing.page) : "");
      },
      forgetLeak: () => set({ leak: null }),
      bridgeLeak: (openings) => {
        const { leak, history } = get();
        get().edit(bridgeEdit(openings));
        if (get().history === history) return;
        request = leak?.request;
        set({ leak: null });
      },
      tryReach: async (width) => {
        const [asked, turn] = [changes, ++tries];
        const reading = await lines.work.reach(width).catch(() => undefined);
        if (reading && asked === changes && turn === tries) set({ triedReach: { ...reading, width } });
      },
    },
  };
}
