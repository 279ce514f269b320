/** What can be done with openings: bridge them for good, or leave them open. */
import { createSelector } from "reselect";
import { declineOpenings, reconsiderOpenings } from "#core/drawing/edits.ts";
import { newId } from "#core/drawing/new-id.ts";
import { drawingOfPart, inPart } from "#core/drawing/parts.ts";
import { isDeclined, isReached } from "#core/pockets/line-reader.ts";
import type { Desk } from "../store/desk-state.ts";
import { bridgeEdit } from "./bridge-edit.ts";
import { freshGaps } from "./fresh-gaps.ts";

const openingsOf = ({ gaps }: Pick<Desk, "gaps">) => gaps.openings;
const drawingOf = ({ drawing }: Pick<Desk, "drawing">) => drawing;

/** Openings by what the drawing makes of them; indices into the list of all. */
export const sortOpenings = createSelector([openingsOf, drawingOf], (openings, drawing) => {
  const closed: number[] = [];
  const open: number[] = [];
  const declined: number[] = [];
  const beside = new Map(
    [...new Set(openings.map(({ part }) => part))].map((id) => [
      id,
      openings.filter(({ part }) => part === id),
    ]),
  );
  openings.forEach((opening, i) => {
    const own = drawingOfPart(drawing, opening.part);
    if (isDeclined(own, opening, beside.get(opening.part)!)) declined.push(i);
    else if (isReached(own, opening, beside.get(opening.part)!)) closed.push(i);
    else open.push(i);
  });
  return { closed, open, declined };
});

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
