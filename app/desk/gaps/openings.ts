/** What can be done with openings: bridge them for good, or leave them open. */
import { declineOpenings, reconsiderOpenings } from "#core/drawing/edits.ts";
import { newId } from "#core/drawing/new-id.ts";
import { isDeclined, isReached } from "#core/pockets/line-reader.ts";
import { bridgeEdit } from "./bridge-edit.ts";
import type { Desk } from "../store/desk-store.ts";

/** Openings by what the drawing makes of them; indices into the list of all. */
export function sortOpenings({ gaps, history }: Pick<Desk, "gaps" | "history">) {
  const { drawing } = history;
  const closed: number[] = [];
  const open: number[] = [];
  const declined: number[] = [];
  gaps.openings.forEach((opening, i) => {
    if (isDeclined(drawing, opening)) declined.push(i);
    else if (isReached(drawing, opening)) closed.push(i);
    else open.push(i);
  });
  return { closed, open, declined };
}

export function bridgeOpenings(desk: Desk, indices: readonly number[]): void {
  if (indices.length > 0) desk.edit(bridgeEdit(indices.map((i) => desk.gaps.openings[i])));
}

export function leaveOpen(desk: Desk, indices: readonly number[]): void {
  if (indices.length === 0) return;
  desk.edit(declineOpenings(indices.map((i) => ({ id: newId(), at: desk.gaps.openings[i].at }))));
}

export const reconsider = (desk: Desk): void => desk.edit(reconsiderOpenings());
