/** Which tails go at once, and which are under the pointer or a drag. */
import { diagonal } from "#core/geometry/point.ts";
import type { Tail } from "#core/pockets/tails.ts";
import { freshGaps } from "../../gaps/fresh-gaps.ts";
import type { Desk } from "../../store/desk-state.ts";
import { toolState } from "../tool-state.ts";

interface Settings {
  /** Tails shorter than this many page units go at once; a small part of the page when null. */
  readonly below: number | null;
}

export const trim = toolState<Settings, object, readonly Tail[]>("trim", { below: null }, {});

/** A part of the page's diagonal. */
const TAILS = 0.012;

export const tailLimit = (desk: Desk): number =>
  trim.settings(desk).below ?? TAILS * diagonal(desk.drawing.page.box);

/** Tails that "trim all" would take. */
export const shortTails = (desk: Desk): Tail[] =>
  freshGaps(desk).tails.filter(({ length }) => length <= tailLimit(desk));

/** Those under the pointer, of the lines as they are now. */
export function caughtTails(desk: Desk): readonly Tail[] {
  const { tails } = freshGaps(desk);
  return (trim.under(desk) ?? []).filter((tail) => tails.includes(tail));
}
