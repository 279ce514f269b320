import { addBridges } from "#core/drawing/edits.ts";
import type { Edit } from "#core/drawing/history.ts";
import { newId } from "#core/drawing/new-id.ts";
import type { Opening } from "#core/pockets/free-space.ts";

/** Bridges openings for good. */
export const bridgeEdit = (openings: readonly Opening[]): Edit =>
  addBridges(openings.map(({ bridge }) => ({ id: newId(), points: bridge })));
