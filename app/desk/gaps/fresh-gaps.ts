import type { Desk, StampedGaps } from "../store/desk-state.ts";

const NOTHING = { openings: [], looseEnds: [], tails: [] } as const;

/** Openings, ends and tails for whoever is to change lines by them: none while the lines are not those they were read from. */
export const freshGaps = ({ gaps, stamp }: Pick<Desk, "gaps" | "stamp">): Omit<StampedGaps, "stamp"> =>
  gaps.stamp === stamp ? gaps : NOTHING;
