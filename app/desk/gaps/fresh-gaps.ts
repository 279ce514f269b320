/** Openings, ends and tails for whoever is to change lines by them: never those of lines that have changed since. */
import { distance } from "#core/geometry/point.ts";
import type { Opening } from "#core/pockets/free-space.ts";
import type { LooseEnd } from "#core/pockets/reading.ts";
import type { GapReading } from "../../work/pocket-work.ts";
import type { Desk } from "../store/desk-state.ts";

const NOTHING: GapReading = { openings: [], looseEnds: [], tails: [], inkTails: [] };

export const areFresh = ({ gaps, stamp }: Pick<Desk, "gaps" | "stamp">): boolean => gaps.stamp === stamp;

/** None while the lines are not those they were read from. */
export const freshGaps = (desk: Pick<Desk, "gaps" | "stamp">): GapReading =>
  areFresh(desk) ? desk.gaps : NOTHING;

/** Loose ends of lines that are still as they were read. */
export const standingEnds = ({ gaps, drawing }: Desk): LooseEnd[] =>
  gaps.looseEnds.filter(({ line }) => gaps.strokes[line] === drawing.strokes[line]);

/** Where an opening is in another reading; null where it is no more. */
export function openingIn({ openings }: Pick<GapReading, "openings">, { at }: Opening): number | null {
  const index = openings.findIndex((one) => distance(one.at, at) === 0);
  return index < 0 ? null : index;
}
