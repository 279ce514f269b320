/** Lines with all that goes along with them, taken out of a drawing as a drawing of its own. */
import type { Carried } from "./carried.ts";
import type { Drawing } from "./drawing.ts";
import type { Edit } from "./history.ts";
import { MAIN, startingParts } from "./parts.ts";

/** What is carried, on the same page in the same colours, as one part. */
export function pickedDrawing(carried: Carried): Drawing {
  const { from } = carried;
  const ids = idsOf(carried);
  const only = <T>(table: Readonly<Record<string, T>>): Record<string, T> =>
    Object.fromEntries(Object.entries(table).filter(([id]) => ids.has(id)));
  const ofMain = <T extends { readonly part?: string }>(table: Readonly<Record<string, T>>) =>
    Object.fromEntries(Object.entries(only(table)).map(([id, { part: _, ...one }]) => [id, one as T]));
  const anchored = <T extends Drawing["pours"][string] | Drawing["shades"][string]>(
    table: Readonly<Record<string, T>>,
  ) =>
    Object.fromEntries(
      Object.entries(only(table)).map(([id, one]) => {
        const { part: _, ...anchor } = one.anchor;
        return [id, { ...one, anchor }];
      }),
    );
  return {
    ...from,
    parts: { [MAIN]: startingParts()[MAIN] },
    strokes: ofMain(from.strokes),
    inkShapes: ofMain(from.inkShapes),
    bridges: ofMain(from.bridges),
    declined: ofMain(from.declined),
    flatShapes: ofMain(from.flatShapes),
    pours: anchored(from.pours),
    shades: anchored(from.shades),
  };
}

/** Takes what is carried out of its drawing. */
export const removeCarried = (carried: Carried, label: string): Edit => ({
  sheet: "ink",
  label,
  change: (draft) => {
    const ids = idsOf(carried);
    for (const table of TAKEN)
      for (const id of Object.keys(draft[table])) if (ids.has(id)) delete draft[table][id];
  },
});

const TAKEN = ["strokes", "inkShapes", "bridges", "declined", "flatShapes", "pours", "shades"] as const;

/** Bridges only where both their ends go along. */
const idsOf = ({ lines, bridges, declined, flatShapes, pours, shades }: Carried): Set<string> =>
  new Set([
    ...lines,
    ...bridges.filter(({ start, end }) => start && end).map(({ bridge }) => bridge.id),
    ...[...declined, ...flatShapes, ...pours, ...shades].map(({ id }) => id),
  ]);
