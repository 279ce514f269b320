import type { Paint } from "./facts/colours.ts";

/** Whether two paints are the same colour on the same step, or both none. */
export const samePaint = (a: Paint | null | undefined, b: Paint | null | undefined): boolean =>
  a === b || (a != null && b != null && a.colour === b.colour && a.step === b.step);
