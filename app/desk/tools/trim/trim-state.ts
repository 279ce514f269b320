/** Which tails go at once, and which are under the pointer or a drag. */
import { diagonal } from "#core/geometry/point.ts";
import type { InkTail } from "#core/pockets/ink-tails.ts";
import type { Tail } from "#core/pockets/tails.ts";
import { freshGaps } from "../../gaps/fresh-gaps.ts";
import { lineChains } from "../../lines/line-chains.ts";
import type { Desk } from "../../store/desk-state.ts";
import { toolState } from "../tool-state.ts";

interface Settings {
  /** Tails shorter than this many page units go at once; a small part of the page when null. */
  readonly below: number | null;
}

/** A loose tail of a stroke or of an ink shape. */
export type AnyTail = Tail | InkTail;

/** All that can be trimmed now, shortest first: not of lines that are locked or hidden. */
export function tailsOf(desk: Desk): AnyTail[] {
  const { tails, inkTails } = freshGaps(desk);
  const free = new Set(lineChains(desk).map(({ id }) => id));
  return [...tails, ...inkTails].filter(({ line }) => free.has(line)).sort((a, b) => a.length - b.length);
}

export const trim = toolState<Settings, object, readonly AnyTail[]>("trim", { below: null }, {});

/** A part of the page's diagonal. */
const TAILS = 0.012;

export const tailLimit = (desk: Desk): number =>
  trim.settings(desk).below ?? TAILS * diagonal(desk.drawing.page.box);

/** Tails that "trim all" would take. */
export const shortTails = (desk: Desk): AnyTail[] =>
  tailsOf(desk).filter(({ length }) => length <= tailLimit(desk));

/** The tails under the pointer, where the lines are still those they were read from. */
export function caughtTails(desk: Desk): readonly AnyTail[] {
  const tails = tailsOf(desk);
  return (trim.under(desk) ?? []).filter((tail) => tails.includes(tail));
}
