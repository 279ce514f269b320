/** Places on lines that the desk holds between edits: tails, held points, pinned corners, a tidy that is shown. */
import type { Drawing } from "#core/drawing/drawing.ts";
import type { Desk, DeskState } from "./store/desk-store.ts";

/**
 * What is still true of them once the lines have changed. Tails are read anew; points are known by their numbers, so
 * they are let go where a line has another number of them.
 */
export function placesKept(desk: Desk, before: Drawing, after: Drawing): Partial<DeskState> {
  const sameCount = (id: string) => before.strokes[id]?.points.length === after.strokes[id]?.points.length;
  const samePoints = (id: string) => before.strokes[id]?.points === after.strokes[id]?.points;
  const { gaps, tidyPreview, heldPoints, pins, selected } = desk;
  return {
    gaps: { ...gaps, tails: [] },
    hoveredTails: [],
    heldPoints: selected.every(sameCount) ? heldPoints : [],
    pins: Object.fromEntries(Object.entries(pins).filter(([id]) => sameCount(id))),
    tidyPreview: tidyPreview && [...tidyPreview.shapes.keys()].every(samePoints) ? tidyPreview : null,
  };
}
