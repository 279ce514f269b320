/** The edits of parts as wholes. */
import { applyPatches, type Patch } from "immer";
import { type Matrix, mapped } from "../geometry/matrix.ts";
import { movedAnchor } from "./anchor.ts";
import { difference } from "./difference.ts";
import type { Drawing, Part } from "./drawing.ts";
import type { Edit } from "./history.ts";
import { newId } from "./new-id.ts";
import { inPart, PARTED, partOf, partsOf } from "./parts.ts";

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
  label: change.name === undefined ? `Change part ${name}` : `Name part ${change.name}`,
  opens: true,
  change: (draft) => {
    Object.assign(draft.parts[id], change);
  },
});

/** Puts parts in the order of the given ids, from the back to the front. */
export const orderParts = (ids: readonly string[]): Edit => ({
  label: "Reorder parts",
  opens: true,
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
    for (const table of ["pours", "shades"] as const)
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
  const ids = new Map<string, string>();
  const renamed = (old: string) => {
    const known = ids.get(old) ?? newId();
    ids.set(old, known);
    return known;
  };
  const next = { ...drawing, parts: { ...drawing.parts, [copy]: partBeside(drawing, id, copy) } };
  const chain = (points: readonly number[]) => mapped(points, matrix);
  for (const table of PARTED) {
    const own = Object.values<Placed>(drawing[table]).filter((entity) => partOf(entity) === id);
    const copies = own.map((entity): Placed => {
      const { part: _, points, outline, at, cut, ...rest } = entity;
      return {
        ...rest,
        id: renamed(entity.id),
        ...inPart(copy),
        ...(points ? { points: chain(points) } : {}),
        ...(outline ? { outline: outline.map(chain) } : {}),
        ...(at ? { at: chain(at) as [number, number] } : {}),
        ...(cut ? { cut: { ...cut, of: renamed(cut.of) } } : {}),
      };
    });
    Object.assign(next, { [table]: { ...drawing[table], ...byId(copies) } });
  }
  const anchored = <T extends Drawing["pours"][string] | Drawing["shades"][string]>(one: T): T => {
    const { part: _, ...anchor } = movedAnchor(one.anchor, matrix);
    const lines = anchor.lines.map((line) => line.replace(/^[^/]+/, renamed));
    const points = "points" in one ? { points: chain(one.points) } : {};
    return { ...one, id: newId(), ...points, anchor: { ...anchor, lines, ...inPart(copy) } };
  };
  const ofPart = ({ anchor }: { readonly anchor: { readonly part?: string } }) => partOf(anchor) === id;
  next.pours = { ...drawing.pours, ...byId(Object.values(drawing.pours).filter(ofPart).map(anchored)) };
  next.shades = { ...drawing.shades, ...byId(Object.values(drawing.shades).filter(ofPart).map(anchored)) };
  return { edit: patchEdit(`Copy part ${drawing.parts[id].name}`, difference(drawing, next)), id: copy };
}

interface Placed {
  readonly id: string;
  readonly part?: string;
  readonly points?: readonly number[];
  readonly outline?: readonly (readonly number[])[];
  readonly at?: readonly number[];
  readonly cut?: { readonly of: string; readonly from: number; readonly to: number };
}

const byId = <T extends { readonly id: string }>(items: readonly T[]): Record<string, T> =>
  Object.fromEntries(items.map((item) => [item.id, item]));

/** A part right in front of another. */
function partBeside(drawing: Drawing, behind: string, id: string): Part {
  const { name } = drawing.parts[behind];
  return { id, rank: rankInFront(drawing, behind), name: `${name} copy`, visible: true, locked: false };
}

/** A rank between that of a part and the next one in front of it. */
export function rankInFront(drawing: Pick<Drawing, "parts">, behind: string): number {
  const parts = partsOf(drawing);
  const index = parts.findIndex(({ id }) => id === behind);
  const { rank } = parts[index];
  return (rank + (parts[index + 1]?.rank ?? rank + 2)) / 2;
}
