/**
 * What the desk knows. One way through: an edit makes a new drawing, the worker reads its pockets, the scene is
 * derived from both, and everything on screen reads the scene.
 */
import type { Patch } from "immer";
import { createContext, useContext } from "react";
import { createStore, type StoreApi, useStore } from "zustand";
import type { Blend, Drawing, Page, Paint } from "#core/drawing/drawing.ts";
import {
  applyEdit,
  type Edit,
  type History,
  linePatches,
  type Move,
  redo,
  undo,
} from "#core/drawing/history.ts";
import { showLength } from "#core/drawing/length.ts";
import type { Point } from "#core/geometry/point.ts";
import type { Peg } from "#core/lines/figures.ts";
import type { Opening } from "#core/pockets/free-space.ts";
import type { Leak } from "#core/pockets/leak.ts";
import type { Pocket } from "#core/pockets/pockets.ts";
import type { ReachReading } from "#core/pockets/reach-reading.ts";
import type { Tail } from "#core/pockets/tails.ts";
import { type Derived, derive, pocketAt, type Scene, sceneOf } from "#core/scene/scene.ts";
import { Keeper, type KeepState } from "../../keep/keeper.ts";
import type { Opened } from "../../keep/shelf.ts";
import type { Size, View } from "../../painting/view.ts";
import { type Client, pictureClient, pocketClient } from "../../work/clients.ts";
import type { PictureWork } from "../../work/picture.worker.ts";
import type { GapReading, PocketReading, PocketWork } from "../../work/pockets.worker.ts";
import { bridgeEdit } from "../gaps/bridge-edit.ts";
import { placesKept } from "../line-places.ts";
import { tidySettings, tidyTargets } from "../lines/line-settings.ts";
import { refusal } from "./locks.ts";
import { pourInto } from "../pockets/pour-into.ts";

export const STAGES = ["Lines", "Gaps", "Flats", "Light", "Deliver"] as const;
export type Stage = (typeof STAGES)[number];

export type ToolName =
  | "look"
  | "draw"
  | "tidy"
  | "trim"
  | "bend"
  | "arrange"
  | "explain"
  | "bridge"
  | "unbridge"
  | "pull"
  | "pour"
  | "empty"
  | "dip"
  | "shade"
  | "adjust";

/** How lines come about: freehand, from point to point, as an oval or a box. */
export const WAYS = ["hand", "pegs", "oval", "box"] as const;
export type Way = (typeof WAYS)[number];

export interface DrawSettings {
  readonly way: Way;
  /** Page units; the usual width of the drawing's lines when null. */
  readonly width: number | null;
  readonly nib: string;
  /** Whether the pen's pressure makes the width. */
  readonly pressed: boolean;
  /** 0 to 1. */
  readonly steadying: number;
}

export interface LineSettings {
  /** Of tidying: page units, degrees. */
  readonly tolerance: number | null;
  readonly corner: number;
  readonly straight: boolean;
  /** Tails shorter than this many page units go at once. */
  readonly tailsBelow: number | null;
  /** Whether ends that meet a bent line follow it. */
  readonly follow: boolean;
  /** Whether the ink's width is scaled with its lines. */
  readonly scaleWidths: boolean;
}

/** What tidying would make of lines. */
export interface TidyPreview {
  readonly shapes: ReadonlyMap<string, readonly number[]>;
  readonly before: number;
  readonly after: number;
  /** Largest, in page units. */
  readonly deviation: number;
}

export interface ShadeSettings {
  readonly blend: Blend;
  readonly opacity: number;
}

export interface DeskState {
  readonly id: string;
  readonly history: History;
  readonly derived: Derived;
  readonly scene: Scene;
  readonly gaps: GapReading;
  /** True while the worker looks for pockets. */
  readonly reading: boolean;
  /** Why there are no pockets, where their lines ask for too much. */
  readonly trouble: string | null;
  readonly keeping: KeepState;
  readonly stage: Stage;
  readonly tools: Readonly<Record<Stage, ToolName>>;
  /** The tool a held key has put in the hand. */
  readonly heldTool: ToolName | null;
  readonly paint: Paint;
  readonly shadeSettings: ShadeSettings;
  readonly drawSettings: DrawSettings;
  readonly lineSettings: LineSettings;
  /** Ids of the lines that tidy, bend and arrange work on. */
  readonly selected: readonly string[];
  /** The line under the pointer. */
  readonly hoveredLine: string | null;
  /** Points of a line being made from point to point. */
  readonly pegs: readonly Peg[];
  /** Where the next peg would go, by pointer or keys. */
  readonly pegAt: Point | null;
  /** Points of the bent line that are held, by number. */
  readonly heldPoints: readonly number[];
  /** Corners that tidying must keep: numbers of points by line. */
  readonly pins: Readonly<Record<string, readonly number[]>>;
  readonly tidyPreview: TidyPreview | null;
  /** Tails under a trimming drag, or under the pointer. */
  readonly hoveredTails: readonly Tail[];
  readonly view: View;
  readonly hovered: Pocket | null;
  /** What a pour under way will fill when it is let go. */
  readonly preview: { readonly pockets: readonly Pocket[]; readonly paint: Paint | null } | null;
  /** The size of the mat in CSS pixels. */
  readonly matSize: Size;
  /** The pocket walked to by keyboard, by its index. */
  readonly walked: number | null;
  readonly leak: (Leak & { readonly wish?: Wish }) | null;
  readonly chosenShade: string | null;
  readonly chosenOpening: number | null;
  /** The colour or shade that waits for its pocket and was shown last. */
  readonly shownWaiting: string | null;
  /** What a reach that is being tried would close. */
  readonly triedReach: (ReachReading & { readonly width: number }) | null;
  readonly showBridges: boolean;
  readonly checkGround: boolean;
  readonly mat: "light" | "middle" | "dark";
  readonly lastExport: string | null;
  /** Said aloud to screen readers. */
  readonly said: string;
  /** Why something did not happen, shown where the hand is. */
  readonly reason: Reason | null;
  /** The flat shape that was clicked last. */
  readonly chosenFlat: string | null;
  /** What the hand is doing; it changes without anyone being told. */
  readonly hand: Hand;
}

/** A sentence for the eye. */
export interface Reason {
  readonly text: string;
  /** CSS pixels of the mat; null where there is no pointer. */
  readonly at: Point | null;
}

export interface Hand {
  /** CSS pixels of the mat. */
  at: Point | null;
  /** Ends the gesture under way and leaves no trace of it. */
  cancel: (() => void) | null;
}

/** What was asked for before colour would have run out: done once the openings are bridged. */
export interface Wish {
  readonly at: Point;
  readonly paint: Paint | null;
}

export interface DeskActions {
  readonly edit: (edit: Edit) => void;
  readonly undo: () => void;
  readonly redo: () => void;
  readonly set: (change: Partial<DeskState>) => void;
  readonly chooseTool: (tool: ToolName) => void;
  /** Works out what tidying the lines in hand would make of them. */
  readonly previewTidy: () => Promise<void>;
  /** Takes back all that has happened since a history. */
  readonly backTo: (before: History) => void;
  /** Says why something did not happen, for eye and ear. */
  readonly tell: (text: string) => void;
  /** Why colour would run out of a place; a wish is what was asked for there. */
  readonly explainLeak: (at: Point, wish?: Wish) => Promise<void>;
  /** Bridges openings for good; when none is left on the way out of a wish's place, the wish is fulfilled. */
  readonly bridgeLeak: (openings: readonly Opening[]) => void;
  /** PNG and thumbnail are made here; loaded with the desk, so that saving needs no server. */
  readonly pictures: Client<PictureWork>;
  /** Shows what a reach in page units would close, without touching the drawing. */
  readonly tryReach: (width: number) => Promise<void>;
  readonly close: () => void;
}

export type Desk = DeskState & DeskActions;
export type DeskStore = StoreApi<Desk>;

/** Openings take the worker longer than pockets: they are read once the hand rests, so that a drag stays live. */
const GAPS_AFTER_MS = 120;

const NOTHING: GapReading = { openings: [], looseEnds: [], tails: [] };

/** What sits open on the desk depends on these and nothing else. */
const derivedState = (drawing: Drawing, pockets: readonly Pocket[]) => {
  const derived = derive(drawing, pockets);
  return { derived, scene: sceneOf(drawing, derived) };
};

export function createDesk(id: string, opened: Opened): DeskStore {
  const { drawing } = opened.history;
  const store = createStore<Desk>()((set, get) => {
    const client: Client<PocketWork> = pocketClient();
    const pictures = pictureClient();
    const keeper = new Keeper(id, opened, (keeping) => set({ keeping }));
    let asked = 0;
    let tried = 0;
    let tidied = 0;

    const readGaps = async (turn: number) => {
      const gaps = await client.work.gaps();
      if (turn === asked) set({ gaps, chosenOpening: null });
    };

    let wish: Wish | undefined;

    /** Once the pockets are there: pours what was asked for, or says what is still open. */
    const fulfil = ({ at, paint }: Wish) => {
      wish = undefined;
      const pocket = pocketAt(get().derived.pockets, at);
      if (!pocket) void get().explainLeak(at, { at, paint });
      else {
        const edit = pourInto(get(), [pocket], paint);
        if (edit) get().edit(edit);
      }
    };

    let known = new Map<number, Pocket>();
    let resting: ReturnType<typeof setTimeout> | undefined;

    const take = async (answer: Promise<PocketReading>) => {
      const turn = ++asked;
      set({ reading: true });
      const { keys, fresh, trouble = null } = await answer;
      for (const pocket of fresh) known.set(pocket.key, pocket);
      known = new Map(keys.map((key) => [key, known.get(key)!]));
      const reading = turn !== asked;
      const shown = [...known.values()];
      set({ ...derivedState(get().history.drawing, shown), reading, trouble, hovered: null, walked: null });
      if (wish && !reading) fulfil(wish);
      clearTimeout(resting);
      resting = setTimeout(() => void readGaps(turn), GAPS_AFTER_MS);
    };

    const apply = (move: Move | undefined, said: string) => {
      if (!move) return;
      const before = get().history.drawing;
      const { drawing: next } = move.history;
      set({ history: move.history, ...derivedState(next, get().derived.pockets), said });
      if (get().chosenShade && !next.shades[get().chosenShade!]) set({ chosenShade: null });
      if (get().chosenFlat && !next.flatShapes[get().chosenFlat!]) set({ chosenFlat: null });
      const selected = get().selected.filter((id) => next.strokes[id] ?? next.inkShapes[id]);
      if (selected.length < get().selected.length) set({ selected });
      if (!next.tin[get().paint.colour]) set({ paint: { colour: firstColour(next), step: 0 } });
      keeper.keep(move.history);
      const lines = linePatches(move.patches);
      if (lines.length > 0) {
        tried++;
        set({ leak: null, triedReach: null, ...placesKept(get(), before, next) });
        void take(client.work.follow(lines));
      }
    };

    void take(client.work.open(drawing));

    return {
      id,
      history: opened.history,
      ...derivedState(drawing, []),
      gaps: NOTHING,
      reading: true,
      trouble: null,
      keeping: opened.kept === "memory" ? "memory" : "kept",
      stage: "Flats",
      tools: { Lines: "draw", Gaps: "explain", Flats: "pour", Light: "shade", Deliver: "look" },
      heldTool: null,
      paint: { colour: firstColour(drawing), step: 0 },
      shadeSettings: { blend: "multiply", opacity: 0.45 },
      drawSettings: { way: "hand", width: null, nib: "taper-at-both", pressed: true, steadying: 0.25 },
      lineSettings: {
        tolerance: null,
        corner: 45,
        straight: false,
        tailsBelow: null,
        follow: true,
        scaleWidths: true,
      },
      selected: [],
      hoveredLine: null,
      pegs: [],
      pegAt: null,
      heldPoints: [],
      pins: {},
      tidyPreview: null,
      hoveredTails: [],
      view: { scale: 1, x: 0, y: 0 },
      hovered: null,
      preview: null,
      matSize: { width: 0, height: 0 },
      walked: null,
      leak: null,
      chosenShade: null,
      chosenOpening: null,
      shownWaiting: null,
      triedReach: null,
      showBridges: true,
      checkGround: false,
      mat: "light",
      lastExport: null,
      said: "",
      reason: null,
      chosenFlat: null,
      hand: { at: null, cancel: null },

      edit: (edit) => {
        const refused = refusal(get().history.drawing, edit.sheet);
        if (refused) get().tell(refused);
        else apply(applyEdit(get().history, edit), edit.label);
      },
      backTo: (before) => {
        let now = get().history;
        const patches: Patch[] = [];
        for (let move = undo(now); now.cursor > before.cursor && move; move = undo(now)) {
          patches.push(...move.patches);
          now = move.history;
        }
        if (patches.length > 0) apply({ history: before, patches }, "Cancelled");
      },
      tell: (text) => set({ said: text, reason: { text, at: get().hand.at } }),
      undo: () => {
        const { steps, cursor } = get().history;
        apply(undo(get().history), `Undone: ${steps[cursor - 1]?.label}`);
      },
      redo: () => {
        const { steps, cursor } = get().history;
        apply(redo(get().history), `Redone: ${steps[cursor]?.label}`);
      },
      set,
      chooseTool: (tool) =>
        set({ tools: { ...get().tools, [get().stage]: tool }, leak: null, ...EMPTY_HAND }),
      previewTidy: async () => {
        const turn = ++tidied;
        const preview = await client.work.tidy(tidyTargets(get()), tidySettings(get()), get().pins);
        if (turn === tidied) set({ tidyPreview: preview });
      },
      explainLeak: async (at, asked) => {
        const leak = (await client.work.leak(at)) ?? null;
        set({ leak: leak && { ...leak, wish: asked }, said: leak ? sayLeak(leak, drawing.page) : "" });
      },
      bridgeLeak: (openings) => {
        const { leak, history } = get();
        get().edit(bridgeEdit(openings));
        if (get().history === history) return;
        wish = leak?.wish;
        set({ leak: null });
      },
      pictures,
      tryReach: async (width) => {
        const turn = ++tried;
        const reading = await client.work.reach(width);
        if (turn === tried) set({ triedReach: reading && { ...reading, width } });
      },
      close: () => {
        clearTimeout(resting);
        client.stop();
        pictures.stop();
        keeper.close();
      },
    };
  });
  return store;
}

/** What a tool leaves behind when another is taken up. */
const EMPTY_HAND = {
  pegs: [],
  pegAt: null,
  heldPoints: [],
  tidyPreview: null,
  hoveredTails: [],
  hoveredLine: null,
} satisfies Partial<DeskState>;

const firstColour = (drawing: Drawing): string =>
  Object.values(drawing.tin).sort((a, b) => a.rank - b.rank)[0]?.id ?? "";

/** Like "0.6 mm, 0.4 mm and 0.2 mm": the openings in the order in which they would be bridged. */
export function widthsOf(openings: readonly Opening[], page: Page): string {
  const widths = openings.map(({ width }) => showLength(page, width));
  return widths.length > 1 ? `${widths.slice(0, -1).join(", ")} and ${widths.at(-1)}` : widths[0];
}

export function sayLeak({ openings }: Leak, page: Page): string {
  if (openings.length === 0) return "This is open ground: no narrow opening would close it.";
  const many = openings.length === 1 ? "an opening" : `${openings.length} openings,`;
  return `Colour would run out here through ${many} ${widthsOf(openings, page)} wide. Nothing was poured.`;
}

export const DeskContext = createContext<DeskStore | null>(null);

/** Reads a part of the desk; the component is drawn again when that part changes. */
export function useDesk<T>(select: (desk: Desk) => T): T {
  const store = useContext(DeskContext);
  if (!store) throw new Error("useDesk is for components on the desk");
  return useStore(store, select);
}

export function useDeskStore(): DeskStore {
  const store = useContext(DeskContext);
  if (!store) throw new Error("useDeskStore is for components on the desk");
  return store;
}

export const activeTool = (desk: Desk): ToolName => desk.heldTool ?? desk.tools[desk.stage];
