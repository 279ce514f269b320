/** A tool: what pointer and keys mean on the paper while it is in the hand. One folder a tool; all speak through this. */

import type { LucideIcon } from "lucide-react";
import type { ReactNode } from "react";
import type { Paint, SheetName } from "#core/drawing/drawing.ts";
import type { Point } from "#core/geometry/point.ts";
import type { Pocket } from "#core/pockets/pockets.ts";
import type { KeyPress } from "../keys/key-names.ts";
import type { Desk, DeskStore } from "../store/desk-state.ts";

export interface Press {
  readonly desk: DeskStore;
  /** Page units. */
  readonly at: Point;
  /** CSS pixels of the window, for what moves the paper itself. */
  readonly screen: Point;
  /** Page units a CSS pixel. */
  readonly pixel: number;
  /** 0 to 1; half for a mouse. */
  readonly pressure: number;
  /** The way a pen leans, in radians from the page's x axis, where that turns a flat nib. */
  readonly lean?: number;
  readonly shift: boolean;
  readonly alt: boolean;
}

/**
 * What follows a press until it is let go. What it shows of an edit (desk.show) is kept when it ends and goes when it is
 * given up.
 */
export interface Gesture {
  readonly move?: (press: Press) => void;
  /** Where the pointer is expected next, for the trail alone. */
  readonly foresee?: (presses: readonly Press[]) => void;
  readonly end?: (press: Press) => void;
  readonly cancel?: () => void;
  /** Drawn over the paper while the gesture lasts: a line in page units. */
  readonly trail?: () => {
    readonly points: readonly Point[];
    /** Where it is expected to go on. */
    readonly foreseen?: readonly Point[];
    readonly closed: boolean;
    readonly snapped?: boolean;
  };
  /** The end at which the trail grows, of one that changes nowhere else: marks lie near it. */
  readonly growsAt?: () => Point;
  /** Marks drawn over the paper while the gesture lasts. */
  readonly marks?: () => readonly OverlayMark[];
}

/** Something a tool draws over the paper, in page units; sizes in CSS pixels. */
export type OverlayMark =
  | {
      readonly kind: "chain";
      readonly points: readonly number[];
      readonly closed: boolean;
      readonly tint: Tint;
      readonly width?: number;
      readonly dashed?: boolean;
      /** Without the pale edge that parts it from what lies beneath. */
      readonly bare?: boolean;
    }
  | {
      readonly kind: "dot";
      readonly at: Point;
      readonly tint: Tint;
      readonly shape: Shape;
      readonly filled: boolean;
    }
  | {
      readonly kind: "area";
      /** x, y of three corners each. */
      readonly triangles: Float32Array;
      readonly colour: string;
    }
  | {
      readonly kind: "touch";
      readonly points: readonly number[];
      /** Page units. */
      readonly width: number;
      /** Null for one that keeps bare. */
      readonly colour: string | null;
    }
  | { readonly kind: "label"; readonly at: Point; readonly text: string }
  | { readonly kind: "pocket"; readonly pocket: Pocket };

type Tint = "fern" | "ember" | "quiet";
type Shape = "round" | "square";

export interface Tool {
  /** Unlike that of any other. */
  readonly name: string;
  /** On the tray. */
  readonly word: string;
  readonly hint: string;
  readonly icon: LucideIcon;
  /** The sheet it changes: while that is locked or hidden the tool does nothing but say so. */
  readonly sheet?: SheetName;
  readonly cursor: string;
  /** Whether pockets light up beneath the pointer. */
  readonly lights?: true;
  /** What it would lay into a highlighted pocket; null where there is no change to show. */
  readonly lays?: (desk: Desk, pocket: Pocket) => Paint | null;
  readonly press: (press: Press) => Gesture | undefined;
  /** The pointer moves over the paper without pressing. */
  readonly hover?: (press: Press) => void;
  readonly doublePress?: (press: Press) => void;
  /** Whether the key meant something to the tool. */
  readonly key?: (desk: DeskStore, event: KeyPress) => boolean;
  /** Places worth pressing, in page units: keys step through them (keys/key-pointer.ts). Those of pockets where left out. */
  readonly places?: (desk: Desk) => readonly Point[];
  /** Chooses all of what the tool works on. */
  readonly chooseAll?: (desk: DeskStore) => void;
  /** What the tool shows as long as it is in the hand. */
  readonly marks?: (desk: Desk) => readonly OverlayMark[];
  /** Its settings, the most wanted first; otherwise those of the stage. */
  readonly settings?: Settings;
  /** A hook of React that runs as long as the tool is in the hand. */
  readonly useInHand?: () => void;
}

/**
 * Settings by what Find calls them, in the order in which they are wanted; each is one, or a few that belong together, and stands in the
 * tray or above it (tray/tray-settings.tsx). A "hint" is not found.
 */
export type Settings = Readonly<Record<string, () => ReactNode>>;
