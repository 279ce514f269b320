/**
 * What the desk knows and what it can do, slice by slice. A slice's state is changed by its own verbs alone; each has a
 * file of its own that makes it.
 */
import type { StoreApi } from "zustand";
import type { Drawing, Paint } from "#core/drawing/drawing.ts";
import type { Edit, History } from "#core/drawing/history.ts";
import type { Mended } from "#core/drawing/say-repairs.ts";
import type { Point, Size } from "#core/geometry/point.ts";
import type { PartOpening } from "#core/pockets/drawing-reader.ts";
import type { Leak } from "#core/pockets/leak.ts";
import type { ReachReading } from "#core/pockets/reach-reading.ts";
import type { Derived, Scene } from "#core/scene/scene.ts";
import type { KeepState } from "../../keep/keeper.ts";
import type { ArtLink } from "../../painting/art-link.ts";
import type { View } from "../../painting/view.ts";
import type { Client } from "../../work/clients.ts";
import type { LightLink } from "../../work/light-link.ts";
import type { Pictures } from "../../work/pictures.ts";
import type { GapReading, PocketWork } from "../../work/pocket-work.ts";
import type { Compared } from "../canvas/compared.ts";
import type { FramePlan } from "../frame/plan-frame.ts";
import type { Look } from "../judge/looks.ts";
import type { PourRequest } from "../pockets/pour-request.ts";
import type { HoverStore } from "./hover.ts";
import type { Slot, Slots } from "./slots.ts";

export const STAGE_NAMES = ["Lines", "Gaps", "Flats", "Light", "Deliver"] as const;
export type StageName = (typeof STAGE_NAMES)[number];

/** The drawing: what is kept of it, what is shown, and what follows from it. */
export interface WorkSlice {
  readonly id: string;
  /** What is kept. */
  readonly history: History;
  /** What is shown everywhere: the drawing that is kept, with the edit under way. */
  readonly drawing: Drawing;
  /** Shown, and kept once the hand lets go. */
  readonly underway: Edit | null;
  readonly derived: Derived;
  readonly scene: Scene;
  /** The only part that shows fully and can be worked on, if one was chosen. */
  readonly alone: string | null;
  /** True while the worker looks for pockets. */
  readonly reading: boolean;
  /** Why there are no pockets, where their lines ask for too much. */
  readonly trouble: string | null;
  readonly keeping: KeepState;
  readonly lastExport: string | null;
  /** What of the drawing had gone bad in storage. */
  readonly mended: Mended | null;
  /** Makes an edit and keeps it; refused where its sheet is locked or hidden. */
  readonly edit: (edit: Edit) => void;
  /** Shows what an edit would make of the kept drawing, in place of any shown before; null shows the drawing as it is. */
  readonly show: (edit: Edit | null) => void;
  /** Keeps the edit that is shown, as one step. */
  readonly keep: () => void;
  readonly undo: () => void;
  readonly redo: () => void;
  /** Goes back or forth to where that many steps are done. */
  readonly goTo: (cursor: number) => void;
  /** Shows one part alone, the others faint; null shows all. */
  readonly showOnly: (part: string | null) => void;
  /** Remembers in a few words what was saved last. */
  readonly noteExport: (words: string) => void;
}

/** How the paper lies on the mat, and how it is looked at. */
export interface ViewSlice extends Showing {
  readonly view: View;
  /** The view from before something was brought into sight, and the one with it. */
  readonly lookedFrom: { readonly from: View; readonly to: View } | null;
  /** The size of the mat in CSS pixels. */
  readonly matSize: Size;
  readonly moveView: (view: View) => void;
  /** Zooms about a place on the mat, in CSS pixels. */
  readonly zoom: (at: Point, factor: number) => void;
  /** The mat's size has changed; the first time, the page is fitted into it. */
  readonly resizeMat: (size: Size) => void;
  /** Moves the paper so that a thing of a size in page units is seen well. */
  readonly bringIntoSight: (at: Point, size: number) => void;
  /** Goes back to the view from before that, unless the hand has moved the paper since. */
  readonly lookBack: () => void;
  readonly showAs: (change: Partial<Showing>) => void;
}

interface Showing {
  readonly showBridges: boolean;
  readonly checkGround: boolean;
  /** How the picture is looked at. */
  readonly look: Look;
  /** While a key is held: the picture up to there alone. */
  readonly compared: Compared | null;
}

/** What is chosen: things of the drawing, a colour, a part, a place. */
export interface ChoiceSlice {
  /** Ids of the lines, or of the colour shapes, that are chosen. */
  readonly selected: readonly string[];
  readonly paint: Paint;
  /** The part that is worked on: new lines belong to it. */
  readonly part: string;
  /** The pocket walked to by keyboard, by its index. */
  readonly walked: number | null;
  /** The colour or shade that waits for its pocket and was shown last. */
  readonly shownWaiting: string | null;
  readonly choose: (ids: readonly string[]) => void;
  readonly takePaint: (paint: Paint) => void;
  readonly workOn: (part: string) => void;
  readonly walkTo: (pocket: number | null) => void;
  readonly showWaiting: (id: string) => void;
}

/** What the hand does: the stage it works at, its tool, and what that tool keeps. */
export interface HandSlice {
  readonly stage: StageName;
  /** The tool chosen on each stage; its first where none was. */
  readonly tools: Readonly<Partial<Record<StageName, string>>>;
  /** The tool a held key has put in the hand. */
  readonly keyTool: string | null;
  readonly settings: Slots;
  /** What the tool in use holds; emptied when another is taken up. */
  readonly held: Slots;
  /** Where the pointer is and what it does; it changes without anyone being told. */
  readonly pointer: Pointer;
  /** Where the pointer that keys move stands, in page units; null while it is put away. */
  readonly keyPointer: Point | null;
  readonly hover: HoverStore;
  /** What is held on the screen instead of on a keyboard. */
  readonly heldKeys: HeldKeys;
  readonly holdKeys: (change: Partial<HeldKeys>) => void;
  readonly chooseStage: (stage: StageName) => void;
  readonly chooseTool: (tool: string) => void;
  readonly takeKeyTool: (tool: string | null) => void;
  readonly changeSettings: <T>(slot: Slot<T>, settings: T) => void;
  readonly hold: <T>(slot: Slot<T>, what: T) => void;
  /** The tool lets go of what it holds. */
  readonly putDown: () => void;
  readonly standAt: (at: Point | null) => void;
}

interface HeldKeys {
  readonly shift: boolean;
  readonly alt: boolean;
}

interface Pointer {
  /** CSS pixels of the mat. */
  at: Point | null;
  /** Ends the gesture under way and leaves no trace of it. */
  cancel: (() => void) | null;
}

/** Openings, and why colour runs out. */
export interface GapsSlice {
  /** Grows with every change of the lines that openings are read from. */
  readonly stamp: number;
  readonly gaps: StampedGaps;
  readonly chosenOpening: number | null;
  readonly leak: (Leak & { readonly request?: RequestAt; readonly part: string }) | null;
  /** What a reach that is being tried would close. */
  readonly triedReach: (ReachReading & { readonly width: number }) | null;
  readonly chooseOpening: (index: number | null) => void;
  /** Why colour would run out of a place; a request is what was asked for there. */
  readonly explainLeak: (at: Point, request?: RequestAt) => Promise<void>;
  readonly forgetLeak: () => void;
  /** Bridges openings for good; when none is left on the way out of a request's place, the request is fulfilled. */
  readonly bridgeLeak: (openings: readonly PartOpening[]) => void;
  /** Shows what a reach in page units would close, without touching the drawing. */
  readonly tryReach: (width: number) => Promise<void>;
}

/** Openings and ends, with the stamp and the strokes they were read from. */
export interface StampedGaps extends GapReading {
  readonly stamp: number;
  readonly strokes: Drawing["strokes"];
}

/** What was asked for before colour would have run out: done once the openings are bridged. */
export interface RequestAt {
  readonly at: Point;
  readonly pour: PourRequest;
}

/** What is said to the person. */
export interface VoiceSlice {
  /** Said aloud to screen readers. */
  readonly said: string;
  /** Why something did not happen, shown where the hand is. */
  readonly reason: Reason | null;
  readonly say: (text: string) => void;
  /** Says why something did not happen, for eye and ear, and what can be done next. */
  readonly tell: (text: string, next?: NextThing) => void;
  /** Takes the sentence for the eye away. */
  readonly hush: () => void;
}

/** The one thing to do next: a button with a word. */
export interface NextThing {
  readonly word: string;
  readonly run: (desk: Desk) => void;
}

/** A sentence for the eye. */
interface Reason {
  readonly text: string;
  readonly next?: NextThing;
  /** CSS pixels of the mat; null where there is no pointer. */
  readonly at: Point | null;
}

export type PanelName = "tin" | "press";

export type WindowName =
  | "find"
  | "help"
  | "versions"
  | "keys"
  | "settings"
  | "picture"
  | "colourways"
  | "compare";

/** What stands around the paper. */
export interface FrameSlice {
  readonly plan: FramePlan;
  /** Panels that were asked for, or put away; null where they are as the window has room. */
  readonly panels: Readonly<Record<PanelName, boolean | null>>;
  /** Sections of the press that were opened or folded by hand, the last one first. */
  readonly sections: readonly { readonly name: string; readonly open: boolean }[];
  /** The window that is open over the desk. */
  readonly window: WindowName | null;
  /** The page of Help that was opened last; null for all their titles. */
  readonly helpPage: string | null;
  readonly openWindow: (name: WindowName | null) => void;
  readonly openHelp: (page: string | null) => void;
  readonly layOut: (plan: FramePlan) => void;
  readonly showPanel: (panel: PanelName, shown: boolean) => void;
  readonly foldSection: (name: string, open: boolean) => void;
}

/** Workers, and what is reached through them. */
interface Services {
  /** Answers questions about the lines as they are shown. */
  readonly lines: Client<PocketWork>;
  /** Files are made here; loaded with the desk, so that saving needs no server. */
  readonly pictures: Pictures;
  /** The art on its canvases. */
  readonly art: ArtLink;
  readonly light: LightLink;
  readonly close: () => void;
}

export type Desk = WorkSlice &
  ViewSlice &
  ChoiceSlice &
  HandSlice &
  GapsSlice &
  VoiceSlice &
  FrameSlice &
  Services;

/** Nobody sets it from outside: changes go through the slices' verbs. */
export type DeskStore = Pick<StoreApi<Desk>, "getState" | "getInitialState" | "subscribe">;

/** A slice sets its own part of the desk, and reads all of it. */
export type SetSlice<T> = (change: Partial<T>) => void;
export type GetDesk = () => Desk;
