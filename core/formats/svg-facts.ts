/**
 * What a delivered SVG carries beside its picture, so that it comes back as the drawing it was: the tin, the bridges
 * and all that shows nowhere. It stands as JSON in a metadata element, in the form of drawing files.
 */
import { type Drawing, ranked } from "../drawing/drawing.ts";
import { FIELD_NAMES, FIELDS } from "../drawing/fields.ts";
import { toRecord } from "../drawing/record-form.ts";
import { VERSION } from "../drawing/upgrade.ts";
import { variableNames } from "../scene/palette.ts";

/** Id of the metadata element. */
export const OURS = "fern-pocket";

/** The fields that facts carry: whole, or what of them the picture does not show. */
export const FACT_FIELDS = FIELD_NAMES.filter((name) => FIELDS[name].svg !== "picture");
export const UNSEEN_FIELDS = ["pours", "shades", "flatShapes"] as const;

const LETTERS: Readonly<Record<(typeof UNSEEN_FIELDS)[number], string>> = {
  pours: "w",
  shades: "w",
  flatShapes: "u",
};

/** Things the picture does not show, under ids that nothing read from a picture can have, the same each time. */
export const unseenNames = <T extends { readonly id: string }>(
  items: readonly T[],
  field: (typeof UNSEEN_FIELDS)[number],
): T[] => items.map((item, i) => ({ ...item, id: `${LETTERS[field]}${i + 1}` }));

/** `shown` holds the ids of the pours, shades and shapes that are in the picture. */
export function factsOf(drawing: Drawing, shown: ReadonlySet<string>): string {
  const names = variableNames(drawing);
  const unseen = Object.fromEntries(
    UNSEEN_FIELDS.map((field) => [
      field,
      unseenNames(
        ranked<{ readonly id: string; readonly rank: number }>(drawing[field]).filter(
          ({ id }) => !shown.has(id),
        ),
        field,
      ),
    ]),
  );
  return JSON.stringify({
    version: VERSION,
    ...toRecord(drawing, FACT_FIELDS),
    tin: Object.values(drawing.tin).map((colour) => ({ ...colour, variable: names.get(colour.id) })),
    ...unseen,
  });
}
