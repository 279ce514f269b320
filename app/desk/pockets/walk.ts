/** Walking the pockets by keyboard: the next one in a direction, and what is said of it. */
import { stepWord } from "#core/colour/ladder.ts";
import type { Point } from "#core/geometry/point.ts";
import { longestNeighbours } from "#core/pockets/neighbours.ts";
import type { Pocket } from "#core/pockets/pockets.ts";
import { onPage } from "../../painting/view.ts";
import { partWords } from "../parts/part-actions.ts";
import type { Desk, DeskStore } from "../store/desk-state.ts";

export const walkedPocket = (desk: Desk): Pocket | undefined =>
  desk.walked === null ? undefined : desk.derived.pockets[desk.walked];

/** The direction is one on the screen. */
export function walk(desk: DeskStore, direction: Point): void {
  const state = desk.getState();
  const { pockets } = state.derived;
  if (pockets.length === 0) return;
  const from = walkedPocket(state)?.seed;
  const next = from
    ? nextIn(pockets, state.walked!, from, onPage({ ...state.view, scale: 1 }, direction))
    : 0;
  state.hover.getState().overPocket(null);
  state.walkTo(next);
  state.say(describePocket(state, next));
}

/** The nearest pocket within 60 degrees of the direction; those off to the side count as farther away. */
function nextIn(pockets: readonly Pocket[], current: number, [x, y]: Point, [dx, dy]: Point): number {
  let best = current;
  let least = Infinity;
  pockets.forEach(({ seed }, i) => {
    if (i === current) return;
    const ahead = (seed[0] - x) * dx + (seed[1] - y) * dy;
    const aside = Math.abs((seed[0] - x) * dy - (seed[1] - y) * dx);
    if (ahead <= 0 || aside > ahead * 1.75) return;
    const cost = ahead + 2 * aside;
    if (cost < least) {
      least = cost;
      best = i;
    }
  });
  return best;
}

/** Like "Pocket 12 of 44, Frond 1 darker, touches Potting soil base and 2 uncoloured". */
export function describePocket(desk: Desk, index: number): string {
  const { pockets } = desk.derived;
  const touched = longestNeighbours(pockets, index).map((other) => colourOf(desk, other));
  const bare = touched.filter((colour) => colour === BARE).length;
  const colours = [...new Set(touched.filter((colour) => colour !== BARE))];
  if (bare > 0) colours.push(`${bare} ${BARE}`);
  const touches = colours.length > 0 ? `, touches ${colours.join(" and ")}` : "";
  const part = partWords(desk, pockets[index].part, " of ");
  return `Pocket ${index + 1} of ${pockets.length}${part}, ${colourOf(desk, index)}${touches}`;
}

const BARE = "uncoloured";

function colourOf({ derived, drawing }: Desk, index: number): string {
  const id = derived.pourOf[index];
  const paint = id === undefined ? null : drawing.pours[id].paint;
  if (!paint) return id === undefined ? BARE : "left bare";
  return `${drawing.tin[paint.colour]?.name ?? "unknown"} ${stepWord(paint.step)}`;
}
