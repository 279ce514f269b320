/** What the line tools work with, where the person has not said otherwise: all derived from the drawing. */
import { type Drawing, ranked } from "#core/drawing/drawing.ts";
import { diagonal } from "#core/geometry/point.ts";
import type { TidySettings } from "#core/lines/tidy.ts";
import type { Tail } from "#core/pockets/tails.ts";
import type { Desk } from "../store/desk-store.ts";

/** Parts of the page's diagonal. */
const WIDTH = 0.003;
const TOLERANCE = 0.0008;
const TAILS = 0.012;

export const pageSize = ({ page }: Drawing): number => diagonal(page.box);

/** Width of lines to be drawn, in page units: the middle one of those that are there. */
export function drawWidth({ drawSettings, history }: Desk): number {
  if (drawSettings.width !== null) return drawSettings.width;
  const widths = Object.values(history.drawing.strokes)
    .map(({ width }) => width)
    .sort((a, b) => a - b);
  return widths[widths.length >> 1] ?? WIDTH * pageSize(history.drawing);
}

export const tidyTolerance = ({ lineSettings, history }: Desk): number =>
  lineSettings.tolerance ?? TOLERANCE * pageSize(history.drawing);

export const tidySettings = (desk: Desk): TidySettings => ({
  tolerance: tidyTolerance(desk),
  corner: (desk.lineSettings.corner * Math.PI) / 180,
  straight: desk.lineSettings.straight,
});

/** The lines to tidy: those chosen, or all. */
export const tidyTargets = ({ selected, history }: Desk): string[] =>
  selected.length > 0 ? [...selected] : ranked(history.drawing.strokes).map(({ id }) => id);

export const tailLimit = ({ lineSettings, history }: Desk): number =>
  lineSettings.tailsBelow ?? TAILS * pageSize(history.drawing);

/** Tails that "trim all" would take. */
export const shortTails = (desk: Desk): Tail[] =>
  desk.gaps.tails.filter(({ length }) => length <= tailLimit(desk));
