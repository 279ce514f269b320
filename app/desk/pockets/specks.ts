/** Specks: pockets too small to see. In one step each takes the colour of the neighbour it shares most border with. */
import type { Paint } from "#core/drawing/drawing.ts";
import { fillSpecks, type OnePour } from "#core/drawing/edits.ts";
import { longestNeighbours } from "#core/pockets/neighbours.ts";
import { pourTargets } from "#core/pockets/pouring.ts";
import type { Desk } from "../store/desk-state.ts";
import { nextTool } from "../store/next-thing.ts";
import { pocketCounts } from "./stats.ts";

export function fillSpecksOf(desk: Desk): void {
  const { pockets, pourOf } = desk.derived;
  const { pours } = desk.drawing;
  const paintOf = (index: number): Paint | null => {
    const id = pourOf[index];
    return id === undefined ? null : (pours[id]?.paint ?? null);
  };
  const { specks } = pocketCounts(desk);
  const targets = pourTargets(desk.drawing, desk.derived, specks);
  const filled = specks.flatMap((index, i): OnePour[] => {
    const source = longestNeighbours(pockets, index).find((other) => paintOf(other));
    return source === undefined ? [] : [{ target: targets[i], paint: paintOf(source) }];
  });
  if (filled.length > 0) desk.edit(fillSpecks(filled));
  else
    desk.tell(
      "No speck has a coloured neighbour yet. Pour around them first.",
      nextTool("Take Pour", "Flats", "pour"),
    );
}
