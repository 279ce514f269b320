/** How colour is drawn without lines to hold it, and what becomes of it. */
import type { FlatShape } from "#core/drawing/drawing.ts";
import type { Desk } from "../../store/desk-state.ts";
import { toolState } from "../tool-state.ts";

export const COLOUR_WAYS = ["loop", "nib", "oval", "box", "rub"] as const;
/** A shape of its own, or united with, cut from, or kept within the chosen one. */
export const EFFECTS = ["add", "unite", "subtract", "intersect"] as const;

interface Settings {
  readonly way: (typeof COLOUR_WAYS)[number];
  readonly effect: (typeof EFFECTS)[number];
  readonly sheet: NonNullable<FlatShape["sheet"]>;
  readonly trim: NonNullable<FlatShape["trim"]> | "free";
  /** Of nib and rubber, as a share of the page's width. */
  readonly width: number;
  readonly nib: string;
}

export const colour = toolState<Settings, object>(
  "colour",
  { way: "loop", effect: "add", sheet: "flats", trim: "free", width: 0.03, nib: "even" },
  {},
);

/** The colour shape that is chosen. */
export const chosenShape = ({ drawing, chosenFlat }: Desk): FlatShape | undefined =>
  chosenFlat === null ? undefined : drawing.flatShapes[chosenFlat];
