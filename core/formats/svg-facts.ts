/**
 * What a delivered SVG carries beside its picture, so that it comes back as the drawing it was: the tin, the bridges
 * and all that shows nowhere. It stands as JSON in a metadata element.
 */
import { type Drawing, SHEETS, type Table } from "../drawing/drawing.ts";
import { variableNames } from "../scene/palette.ts";

/** Id of the metadata element. */
export const OURS = "fern-pocket";

export const FACTS_VERSION = 2;

/** The parts of a drawing that its picture does not show. */
export type Facts = Pick<
  Drawing,
  "page" | "tin" | "ink" | "nibs" | "bridges" | "reach" | "declined" | "sheets" | "strict"
>;

/** `shown` holds the ids of the pours and shades that are in the picture. */
export function factsOf(drawing: Drawing, shown: ReadonlySet<string>): string {
  const { page, tin, ink, nibs, bridges, reach, declined, sheets, strict, pours, shades } = drawing;
  const names = variableNames({ tin });
  const unseen = <T extends { readonly id: string }>(table: Table<T>) =>
    Object.values(table).filter(({ id }) => !shown.has(id));
  return JSON.stringify({
    version: FACTS_VERSION,
    page,
    tin: Object.values(tin).map((colour) => ({ ...colour, variable: names.get(colour.id) })),
    ink,
    nibs: Object.values(nibs),
    bridges: Object.values(bridges),
    reach,
    declined: Object.values(declined),
    sheets: SHEETS.map((name) => ({ name, ...sheets[name] })),
    strict,
    waitingPours: unseen(pours),
    waitingShades: unseen(shades),
  });
}
