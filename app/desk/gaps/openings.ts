/** What can be done with openings: bridge them for good, or leave them open. */
import { group } from "d3-array";
import { createSelector } from "reselect";
import { declineOpenings, reconsiderOpenings } from "#core/drawing/edits.ts";
import { newId } from "#core/drawing/new-id.ts";
import { inPart, ofPart } from "#core/drawing/parts.ts";
import { isDeclined, isReached } from "#core/pockets/line-reader.ts";
import type { Desk } from "../store/desk-state.ts";
import { bridgeEdit } from "./bridge-edit.ts";
import { freshGaps } from "./fresh-gaps.ts";

/** Openings by what the drawing makes of them; indices into the list of all. */
export const sortOpenings = createSelector(
  [
    ({ gaps }: Shown) => gaps.openings,
    ({ drawing }: Shown) => drawing.declined,
    ({ drawing }: Shown) => drawing.reach,
  ],
  (openings, declined, reach) => {
    const closed: number[] = [];
    const open: number[] = [];
    const left: number[] = [];
    const beside = group(openings, ({ part }) => part);
    openings.forEach((opening, i) => {
      const all = beside.get(opening.part)!;
      const own = { reach, declined: ofPart(declined, opening.part) };
      if (isDeclined(own, opening, all)) left.push(i);
      else if (isReached(own, opening, all)) closed.push(i);
      else open.push(i);
    });
    return { closed, open, declined: left };
  },
);

type Shown = Pick<Desk, "gaps" | "drawing">;

export function bridgeOpenings(desk: Desk, indices: readonly number[]): void {
  const { openings } = freshGaps(desk);
  const bridged = indices.flatMap((i) => openings[i] ?? []);
  if (bridged.length > 0) desk.edit(bridgeEdit(bridged));
}

export function leaveOpen(desk: Desk, indices: readonly number[]): void {
  const { openings } = freshGaps(desk);
  const left = indices.flatMap((i) => openings[i] ?? []);
  if (left.length > 0)
    desk.edit(declineOpenings(left.map(({ at, part }) => ({ id: newId(), at, ...inPart(part) }))));
}

export const reconsider = (desk: Desk): void => desk.edit(reconsiderOpenings());
