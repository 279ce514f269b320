import { addBridges } from "#core/drawing/edits.ts";
import type { Edit } from "#core/drawing/history.ts";
import { newId } from "#core/drawing/new-id.ts";
import { inPart } from "#core/drawing/parts.ts";
import type { PartOpening } from "#core/pockets/drawing-reader.ts";

/** Bridges openings for good. */
export const bridgeEdit = (openings: readonly PartOpening[]): Edit =>
  addBridges(openings.map(({ bridge, part }) => ({ id: newId(), points: bridge, ...inPart(part) })));
