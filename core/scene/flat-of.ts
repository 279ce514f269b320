/** What the items of the flats are made of, and what their lists share. */
import type { Drawing, Form } from "../drawing/drawing.ts";
import type { FormTone } from "../light/form-tones.ts";
import type { Region as Outlined } from "../lines/booleans.ts";
import type { Matches } from "../pockets/anchors.ts";
import type { Pocket } from "../pockets/pockets.ts";
import type { KeyedForm } from "./formed.ts";
import type { Chain, Effects, Item, Region } from "./items.ts";

export interface Ranked {
  readonly rank: number;
  readonly item: Item;
  /** What lies over it: a pattern's figures, bands. */
  readonly over?: readonly Item[];
}

/** The part whose flats they are. */
export interface FlatsOf {
  readonly part: string;
  readonly region: Region;
}

export type PocketsDerived = Matches & {
  readonly pockets: readonly Pocket[];
  /** Where soft forms and rings are worked out elsewhere; here where left out. */
  readonly light?: LightSource;
};

/** Asked by the key of the pocket that they are for. Gives what it knows at once, which may be of the lamp a moment ago. */
export interface FormSource {
  tonesOf(
    pocket: number,
    formed: KeyedForm,
    form: Form,
    drawing: Pick<Drawing, "lamp" | "page">,
  ): readonly FormTone[];
}

/** Chains of nested regions, from the outermost in. */
export type Rings = readonly (readonly Chain[])[];

/** What lies within a region at so many even steps inward, but the first. Gives what it knows at once: it may be of the step before. */
export interface RingSource {
  ringsOf(region: Outlined, deep: number, count: number): Rings;
}

export type LightSource = FormSource & RingSource;

export const NO_EFFECTS: Effects = {};

export const withOpacity = (effects: Effects, opacity: number): Effects =>
  opacity < 1 ? { ...effects, opacity } : effects;
