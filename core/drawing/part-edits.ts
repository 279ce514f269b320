/** The edits of parts as wholes. */
import { applyPatches, type Patch } from "immer";
import type { Matrix } from "../geometry/matrix.ts";
import { renaming, withCopies } from "./copies.ts";
import { difference } from "./difference.ts";
import type { Drawing, Part } from "./drawing.ts";
import { freeName } from "./free-name.ts";
import type { Edit } from "./history.ts";
import { newId } from "./new-id.ts";
import { ANCHORED, PARTED, partOf, partsOf } from "./parts.ts";

/** What has been worked out elsewhere, as an edit. */
export const patchEdit = (label: string, patches: readonly Patch[]): Edit => ({
  label,
  change: (draft) => {
    applyPatches(draft as Drawing, [...patches]);
  },
});

export const changePart = (
  { id, name }: Pick<Part, "id" | "name">,
  change: Partial<Pick<Part, "name" | "visible" | "locked">>,
): Edit => ({
  label: partChangeLabel(name, change),
  opens: true,
  change: (draft) => {
    Object.assign(draft.parts[id], change);
  },
});

function partChangeLabel(name: string, { name: next, visible, locked }: Partial<Part>): string {
  if (next !== undefined) return `Name part ${next}`;
  if (visible !== undefined) return `${visible ? "Show" : "Hide"} ${name}`;
  return `${locked ? "Lock" : "Unlock"} ${name}`;
}

/** Puts parts in the order of the given ids, from the back to the front. */
export const orderParts = (ids: readonly string[]): Edit => ({
  label: "Reorder parts",
  change: (draft) => {
    ids.forEach((id, i) => {
      draft.parts[id].rank = i + 1;
    });
  },
});

/** Takes a part away with all that belongs to it; the last one stays, without what was on it. */
export const removePart = (id: string, name: string): Edit => ({
  label: `Remove part ${name}`,
  change: (draft) => {
    for (const table of PARTED)
      for (const [key, entity] of Object.entries(draft[table]))
        if (partOf(entity) === id) delete draft[table][key];
    for (const table of ANCHORED)
      for (const [key, { anchor }] of Object.entries(draft[table]))
        if (partOf(anchor) === id) delete draft[table][key];
    if (Object.keys(draft.parts).length > 1) delete draft.parts[id];
  },
});

/** A copy of a part with all that belongs to it, right in front of it, through a matrix; and the copy's id. */
export function copyPart(
  drawing: Drawing,
  id: string,
  matrix: Matrix,
): { readonly edit: Edit; readonly id: string } {
  const copy = newId();
  const target = { ...drawing, parts: { ...drawing.parts, [copy]: partBeside(drawing, id, copy) } };
  const next = withCopies(target, drawing, {
    of: id,
    into: copy,
    matrix,
    idOf: renaming(),
  });
  return { edit: patchEdit(`Copy part ${drawing.parts[id].name}`, difference(drawing, next)), id: copy };
}

/** A part right in front of another. */
function partBeside(drawing: Drawing, behind: string, id: string): Part {
  const own = drawing.parts[behind].name.replace(/ copy( \d+)?$/, "");
  const taken = new Set(Object.values(drawing.parts).map(({ name }) => name));
  const name = freeName((one) => taken.has(one), `${own} copy`);
  return { id, rank: rankInFront(drawing, behind), name, visible: true, locked: false };
}

/** A rank between that of a part and the next one in front of it. */
export function rankInFront(drawing: Pick<Drawing, "parts">, behind: string): number {
  const parts = partsOf(drawing);
  const index = parts.findIndex(({ id }) => id === behind);
  const { rank } = parts[index];
  return (rank + (parts[index + 1]?.rank ?? rank + 2)) / 2;
}
