/** A tool: what the pointer means on the paper. One file a tool; all speak through this interface. */
import type { Point } from "#core/geometry/point.ts";
import type { Desk, DeskStore } from "../store/desk-store.ts";

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
  readonly shift: boolean;
}

/** What follows a press until it is let go. */
export interface Gesture {
  readonly move?: (press: Press) => void;
  /** Where the pointer is expected next, for the trail alone. */
  readonly foresee?: (presses: readonly Press[]) => void;
  readonly end?: (press: Press) => void;
  readonly cancel?: () => void;
  /** Drawn over the paper while the gesture lasts: a line in page units. */
  readonly trail?: () => {
    readonly points: readonly Point[];
    readonly closed: boolean;
    readonly snapped?: boolean;
  };
  /** Marks drawn over the paper while the gesture lasts. */
  readonly marks?: () => readonly OverlayMark[];
}

/** Something a tool draws over the paper, in page units; sizes in CSS pixels. */
export type OverlayMark =
  | {
      readonly kind: "chain";
      readonly points: readonly number[];
      readonly closed: boolean;
      readonly tone: Tone;
      readonly width?: number;
      readonly dashed?: boolean;
      /** Without the pale edge that parts it from what lies beneath. */
      readonly bare?: boolean;
    }
  | {
      readonly kind: "dot";
      readonly at: Point;
      readonly tone: Tone;
      readonly shape: Shape;
      readonly filled: boolean;
    }
  | { readonly kind: "label"; readonly at: Point; readonly text: string };

export type Tone = "fern" | "ember" | "quiet";
export type Shape = "round" | "square";

export interface Tool {
  readonly cursor: string;
  /** Whether pockets light up beneath the pointer. */
  readonly lightsPockets: boolean;
  readonly press: (press: Press) => Gesture | undefined;
  /** The pointer moves over the paper without pressing. */
  readonly hover?: (press: Press) => void;
  readonly doublePress?: (press: Press) => void;
  /** What the tool shows as long as it is in the hand. */
  readonly marks?: (desk: Desk) => readonly OverlayMark[];
}
