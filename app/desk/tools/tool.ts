/** A tool: what the pointer means on the paper. One file a tool; all speak through this interface. */
import type { Point } from "#core/geometry/point.ts";
import type { DeskStore } from "../desk-store.ts";

export interface Press {
  readonly desk: DeskStore;
  /** Page units. */
  readonly at: Point;
  /** CSS pixels of the window, for what moves the paper itself. */
  readonly screen: Point;
  /** Page units a CSS pixel. */
  readonly pixel: number;
}

/** What follows a press until it is let go. */
export interface Gesture {
  readonly move?: (press: Press) => void;
  readonly end?: (press: Press) => void;
  readonly cancel?: () => void;
  /** Drawn over the paper while the gesture lasts: a line in page units. */
  readonly trail?: () => {
    readonly points: readonly Point[];
    readonly closed: boolean;
    readonly snapped?: boolean;
  };
}

export interface Tool {
  readonly cursor: string;
  /** Whether pockets light up beneath the pointer. */
  readonly lightsPockets: boolean;
  readonly press: (press: Press) => Gesture | undefined;
}
