import { reshapeLines } from "#core/drawing/line-edits.ts";
import { trimmedLines } from "#core/lines/trim.ts";
import type { Tail } from "#core/pockets/tails.ts";
import type { DeskStore } from "../../store/desk-state.ts";
import { trim } from "./trim-state.ts";

/** Takes tails off their lines. */
export function trimTails(desk: DeskStore, tails: readonly Tail[]): void {
  const { drawing, edit } = desk.getState();
  const lines = new Map(Object.values(drawing.strokes).map(({ id, points }) => [id, points]));
  const shapes = trimmedLines(lines, tails);
  trim.find(desk, null);
  if (shapes.size > 0)
    edit(reshapeLines(shapes, tails.length === 1 ? "Trim tail" : `Trim ${tails.length} tails`));
}
