/** Lines with all that goes along with them, taken out of a drawing as a drawing of its own. */
import { IDENTITY, type Matrix } from "../geometry/matrix.ts";
import type { Carried } from "./carried.ts";
import { renaming, withCopies } from "./copies.ts";
import { difference } from "./difference.ts";
import type { Drawing } from "./drawing.ts";
import type { Edit } from "./history.ts";
import { patchEdit } from "./part-edits.ts";
import { MAIN, partsOf, startingParts } from "./parts.ts";

/** What is copied, on the same page, with the same colours and parts. */
export function carriedAlone(carried: Carried): Drawing {
  const { from } = carried;
  const ids = idsOf(carried);
  const alone = TAKEN.map((table) => [
    table,
    Object.fromEntries(Object.entries(from[table]).filter(([id]) => ids.has(id))),
  ]);
  return { ...from, ...Object.fromEntries(alone) };
}

/** What is copied, as a drawing of one part. */
export function pickedDrawing(carried: Carried): Drawing {
  const alone = carriedAlone(carried);
  const tables = Object.fromEntries(TAKEN.map((table) => [table, {}]));
  const empty: Drawing = { ...alone, parts: startingParts(), ...tables };
  return partsOf(alone).reduce(
    (now, { id }) => withCopies(now, alone, { of: id, into: MAIN, matrix: IDENTITY, idOf: (same) => same }),
    empty,
  );
}

/** Copies of what is carried through a matrix, each in its part and over all that is there; and the copied lines. */
export function duplicateCarried(
  carried: Carried,
  matrix: Matrix,
): { readonly edit: Edit; readonly ids: readonly string[] } {
  const { from, lines } = carried;
  const alone = carriedAlone(carried);
  const idOf = renaming();
  const next = partsOf(alone).reduce(
    (now, { id }) => withCopies(now, alone, { of: id, into: id, matrix, idOf }),
    from,
  );
  const count = lines.length === 1 ? "line" : `${lines.length} lines`;
  const edit = patchEdit(`Duplicate ${count}`, difference(from, next));
  return { edit: { ...edit, sheet: "ink" }, ids: lines.map(idOf) };
}

/** Takes what is copied out of its drawing. */
export const removeCarried = (carried: Carried, label: string): Edit => ({
  sheet: "ink",
  label,
  change: (draft) => {
    const ids = idsOf(carried);
    for (const table of TAKEN)
      for (const id of Object.keys(draft[table])) if (ids.has(id)) delete draft[table][id];
  },
});

const TAKEN = [
  "strokes",
  "inkShapes",
  "bridges",
  "declined",
  "flatShapes",
  "creases",
  "pours",
  "shades",
] as const;

/** Bridges only where both their ends go along. */
const idsOf = ({ lines, bridges, declined, flatShapes, creases, pours, shades }: Carried): Set<string> =>
  new Set([
    ...lines,
    ...bridges.filter(({ start, end }) => start && end).map(({ bridge }) => bridge.id),
    ...[...declined, ...flatShapes, ...creases, ...pours, ...shades].map(({ id }) => id),
  ]);
