/** How colour is drawn without lines to hold it, and what becomes of it. */
import type { Lying } from "../../shapes/laid-fields.tsx";
import { toolState } from "../tool-state.ts";

export const COLOUR_WAYS = ["loop", "points", "nib", "oval", "box", "rub"] as const;
/** A shape of its own, or united with, cut from, or kept within the chosen one. */
export const EFFECTS = ["add", "unite", "subtract", "intersect"] as const;

export interface Colouring extends Lying {
  readonly way: (typeof COLOUR_WAYS)[number];
  readonly effect: (typeof EFFECTS)[number];
  /** Of nib and rubber, as a share of the page's width. */
  readonly width: number;
  readonly nib: string;
}

/** What a tool that colours freehand keeps its settings in. */
export const colouringState = (tool: string, own: Partial<Colouring>) =>
  toolState<Colouring, object>(
    tool,
    {
      way: "loop",
      effect: "add",
      sheet: "flats",
      trim: "free",
      width: 0.03,
      nib: "even",
      blend: "normal",
      opacity: 1,
      soft: 0,
      ...own,
    },
    {},
  );

export type ColouringState = ReturnType<typeof colouringState>;

export const colour = colouringState("colour", {});
